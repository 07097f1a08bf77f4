package loesscape.server.forms;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Session;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Refused;
import loesscape.formats.answers.InTheWay;
import loesscape.server.filling.AnswerRules;
import loesscape.server.platform.web.Problems;

/**
 * Types answers from elsewhere in one after the other, by the rules of whoever fills in here: what is locked at its turn, is
 * signed, or is put in by the server is not taken.
 */
final class AnswerReplay {

    /** Files were handed in with a filling of ours; these come without one. */
    private static final long NO_FILLING = 0;

    private final CompiledTemplate release;
    private final AnswerRules rules;
    private final LocalDate today;

    AnswerReplay(CompiledTemplate release, AnswerRules rules, LocalDate today) {
        this.release = release;
        this.rules = rules;
        this.today = today;
    }

    /**
     * What was typed.
     *
     * @param refused a sentence for each answer that was not taken
     */
    record Replayed(Answers answers, List<String> refused) {}

    /** Where an answer locks those before it they are typed first; so both ways through a document are gone. */
    Replayed type(Answers given) {
        List<String> order = order(given);
        Replayed forwards = type(given, order);
        if (forwards.refused().isEmpty()) {
            return forwards;
        }
        Replayed backwards = type(given, order.reversed());
        return backwards.refused().size() < forwards.refused().size() ? backwards : forwards;
    }

    /** In reading order; rows come first, as nothing can be typed in a row that is not there. */
    private List<String> order(Answers given) {
        Map<String, Integer> places = new LinkedHashMap<>();
        for (Field field : release.template().fields()) {
            places.put(field.key(), places.size());
        }
        return given.typed().keySet().stream()
                .sorted(Comparator.comparing((String address) -> places.getOrDefault(RowNames.key(address), -1))
                        .thenComparing(RowNames::row))
                .toList();
    }

    private Replayed type(Answers given, List<String> order) {
        Session session = release.session(Answers.NONE, Context.filling(today));
        Map<String, String> typed = new LinkedHashMap<>();
        List<String> refused = new ArrayList<>();
        // Rows stand in the way of nothing.
        order.stream().filter(this::isRows).forEach(key -> {
            session.answer(key, given.typed().getOrDefault(key, ""));
            typed.put(key, given.typed().getOrDefault(key, ""));
        });
        for (String address : order) {
            String text = given.typed().getOrDefault(address, "");
            if (isRows(address)) {
                continue;
            }
            try {
                check(address);
                String kept = rules.check(release, session.state(), NO_FILLING, address, text);
                session.answer(address, kept);
                typed.put(address, kept);
            } catch (Refused | Problems.Missing problem) {
                if (!stands(session, address, text)) {
                    refused.add(
                            "%s: %s".formatted(InTheWay.question(release.symbols(), address), problem.getMessage()));
                }
            }
        }
        return new Replayed(new Answers(typed), refused);
    }

    private boolean isRows(String address) {
        return release.symbols().field(RowNames.key(address)) == null;
    }

    private void check(String address) {
        Field field = release.symbols().field(RowNames.key(address));
        if (field != null && field.kind().isSigned()) {
            throw new Refused(Refused.Cause.LOCKED, "Nobody signs through a file; send it to whoever is to sign.");
        }
    }

    /** Whether the same stands there already: a form gives back what it began with also where that is locked. */
    private boolean stands(Session session, String address, String text) {
        FieldKind kind = Objects.requireNonNull(release.symbols().field(RowNames.key(address)))
                .kind();
        return session.state().nodes().get(address) instanceof NodeState.FieldState field
                && Reading.of(kind, text) instanceof Reading.Read(var value)
                && value.equals(field.value());
    }
}
