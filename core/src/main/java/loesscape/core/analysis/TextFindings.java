package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.model.AnswerFormat;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Item;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Phrase;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.core.prose.Prose;
import loesscape.core.prose.Prose.Piece;
import org.jspecify.annotations.Nullable;

/** What is probably not meant in texts: names of nothing, phrases without words, references to what may be left out. */
final class TextFindings {

    private final SymbolTable symbols;
    private final boolean sectionsAreNumbered;
    private final Map<String, Node> nodes = new HashMap<>();
    private final Map<String, Node> holders = new HashMap<>();
    private final List<Finding> found = new ArrayList<>();
    private final List<Reference> references = new ArrayList<>();

    /**
     * A text that tells the number of something.
     *
     * @param around the conditions of the phrases in which it does
     */
    record Reference(Notice notice, Node target, List<Condition> around) {}

    private TextFindings(PreparedTemplate prepared) {
        this.symbols = prepared.symbols();
        this.sectionsAreNumbered = prepared.template().pageSettings().numbering() != PageSettings.Numbering.NONE;
        for (Page page : prepared.template().pages()) {
            nodes.put(page.key(), page);
            page.sections().forEach(section -> enter(section, page));
        }
    }

    private void enter(Item item, Node holder) {
        nodes.put(item.key(), item);
        holders.put(item.key(), holder);
        if (item instanceof Section section) {
            section.items().forEach(inner -> enter(inner, section));
        }
    }

    static List<Finding> of(PreparedTemplate prepared) {
        return lookedThrough(prepared).found;
    }

    /** Where texts tell the numbers of clauses and sections. */
    static List<Reference> references(PreparedTemplate prepared) {
        return lookedThrough(prepared).references;
    }

    private static TextFindings lookedThrough(PreparedTemplate prepared) {
        TextFindings findings = new TextFindings(prepared);
        for (Node node : prepared.template().nodes()) {
            if (node instanceof Notice notice) {
                findings.look(notice);
            }
            findings.medium(node);
        }
        return findings;
    }

    private void look(Notice notice) {
        Set<String> unused = notice.phrases().stream().map(Phrase::name).collect(Collectors.toSet());
        Map<String, Condition> phrases =
                notice.phrases().stream().collect(Collectors.toMap(Phrase::name, Phrase::when, (first, same) -> first));
        List<Condition> around = List.of();
        for (List<Piece> pieces : Prose.of(notice.text()).runs()) {
            pieces(notice, pieces, symbols.rowsAround(notice.key()), phrases, around, unused);
        }
        for (Phrase phrase : notice.phrases()) {
            if (unused.contains(phrase.name())) {
                report(notice, "The phrase “%s” stands nowhere in the text.".formatted(phrase.name()));
            }
        }
    }

    private void pieces(
            Notice notice,
            List<Piece> pieces,
            @Nullable String within,
            Map<String, Condition> phrases,
            List<Condition> around,
            Set<String> unused) {
        for (Piece piece : pieces) {
            switch (piece) {
                case Piece.Words ignored -> {}
                case Piece.Merged it -> merged(notice, it, within);
                case Piece.Reference it -> reference(notice, it.key(), around);
                case Piece.Bracketed it -> {
                    Condition when = phrases.get(it.name());
                    boolean isRows = symbols.repeating(it.name()) != null;
                    unused.remove(it.name());
                    if (when == null && !isRows) {
                        report(
                                notice,
                                "“[%s: …]” is no phrase yet, so its brackets are printed: say when it stands there."
                                        .formatted(it.name()));
                    }
                    pieces(notice, it.pieces(), isRows ? it.name() : within, phrases, with(around, when), unused);
                    pieces(
                            notice,
                            it.otherwise(),
                            within,
                            phrases,
                            with(around, when == null ? null : new Condition.None(List.of(when))),
                            unused);
                }
            }
        }
    }

    private static List<Condition> with(List<Condition> around, @Nullable Condition when) {
        if (when == null) {
            return around;
        }
        List<Condition> more = new ArrayList<>(around);
        more.add(when);
        return more;
    }

    private void merged(Notice notice, Piece.Merged it, @Nullable String within) {
        Field field = symbols.field(it.key());
        String rows = symbols.rowsAround(it.key());
        if (field == null) {
            if (symbols.repeating(it.key()) == null) {
                report(notice, "“{%s}” names no field, so it is printed as it stands.".formatted(it.key()));
            }
        } else if (rows != null && !rows.equals(within)) {
            report(
                    notice,
                    "“%s” has an answer in each row; name it inside of “[%s: …]”.".formatted(field.name(), rows));
        } else if (!it.format().isEmpty()
                && AnswerFormat.of(it.format())
                        .filter(format -> format.fits(field.kind()))
                        .isEmpty()) {
            String known = Arrays.stream(AnswerFormat.values())
                    .filter(format -> format.fits(field.kind()))
                    .map(AnswerFormat::key)
                    .collect(Collectors.joining(", "));
            report(
                    notice,
                    "“%s” cannot be written as “%s”, so the braces are printed. %s"
                            .formatted(
                                    field.name(),
                                    it.format(),
                                    known.isEmpty()
                                            ? "It has one way of being written: {" + it.key() + "}."
                                            : "There are: " + known + "."));
        }
    }

    private void reference(Notice notice, String key, List<Condition> around) {
        switch (nodes.get(key)) {
            case Notice target when target.clause() > 0 -> leftOut(notice, target, around);
            case Section target
            when holders.get(key) instanceof Page && sectionsAreNumbered -> leftOut(notice, target, around);
            case Section target ->
                report(
                        notice,
                        "The text refers to “%s”, which carries no number; number the sections in the page settings."
                                .formatted(target.name()));
            case null, default ->
                report(notice, "“{ref:%s}” names no clause, so it is printed as it stands.".formatted(key));
        }
    }

    private void leftOut(Notice notice, Node target, List<Condition> around) {
        references.add(new Reference(notice, target, List.copyOf(around)));
    }

    private void medium(Node node) {
        Set<Medium> all = new HashSet<>();
        for (Node at = node; at != null; at = holders.get(at.key())) {
            all.add(Medium.of(at));
        }
        boolean isNowhere = all.contains(Medium.FILLING) && all.contains(Medium.DOCUMENT);
        if (isNowhere && Medium.of(node) != Medium.BOTH) {
            report(
                    node,
                    "This stands %s, and what holds it does not: it is seen nowhere."
                            .formatted(Medium.of(node).words()));
        }
    }

    private void report(Node node, String message) {
        found.add(new Finding(FindingTopic.TEXTS, node.key(), message));
    }
}
