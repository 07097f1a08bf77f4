package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.Reading;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;

/**
 * The regions of texts. Texts that are equal to one that is compared with, and lengths, are told apart exactly; of what a
 * text contains, begins or ends with or looks like, some texts are known, and all others are one unknown region.
 */
public final class TextAtoms {

    private static final int MOST_LITERALS = 40;
    private static final int LONGEST = 2_000;

    private final Field field;
    private final List<Clause.TextualClause> clauses;
    private final ClauseMeaning meaning;

    TextAtoms(Field field, List<Clause> clauses, ClauseMeaning meaning) {
        this.field = field;
        // Whether there is an answer at all, each region says by itself.
        this.clauses = clauses.stream()
                .filter(Clause.TextualClause.class::isInstance)
                .map(Clause.TextualClause.class::cast)
                .toList();
        this.meaning = meaning;
    }

    /**
     * The regions besides blank.
     *
     * @param isWorkedOut whether a formula gives the text, which need not keep the limits of its field
     */
    List<Region> regions(boolean isWorkedOut) {
        Map<List<Boolean>, Region> found = new LinkedHashMap<>();
        for (String text : texts()) {
            if (Reading.of(field.kind(), text) instanceof Reading.Read(var value)
                    && !value.isBlank()
                    && Reading.isAccepted(field.kind(), value)) {
                List<Boolean> said = clauses.stream()
                        .map(clause -> meaning.meets(clause, value, List.of()))
                        .toList();
                found.putIfAbsent(said, Region.of(text, value));
            }
        }
        List<Region> regions = new ArrayList<>(found.values());
        if (isWorkedOut || !isKnown()) {
            regions.add(Region.UNKNOWN);
        }
        return regions;
    }

    /** Whether the texts that are tried meet the clauses in all the ways in which any text can. */
    private boolean isKnown() {
        if (clauses.isEmpty()) {
            return true;
        }
        int longest = switch (field.kind()) {
            case FieldKind.Text it -> it.longest() == 0 ? LONGEST : it.longest();
            case FieldKind.LongText it -> it.longest() == 0 ? LONGEST : it.longest();
            // Not every text is one of these, so that nobody knows which there are.
            default -> 0;
        };
        boolean areEqualities = clauses.stream()
                .allMatch(clause -> clause instanceof Clause.TextClause it
                        && !it.matchCase()
                        && (it.test() == TextTest.IS || it.test() == TextTest.IS_NOT)
                        && it.text().length() + 2 < longest);
        boolean areLengths = clauses.stream()
                .allMatch(clause -> clause instanceof Clause.LengthClause it && it.length() < LONGEST - 2);
        return longest > 0 && literals().size() <= MOST_LITERALS && (areEqualities || areLengths);
    }

    /** Texts at which a clause changes its mind: such as meet it and such as do not, as far as one can tell from it. */
    public static List<String> turning(Clause.TextualClause clause) {
        return switch (clause) {
            case Clause.TextClause it -> List.of(it.text().strip(), it.text().strip() + "?");
            case Clause.LengthClause it ->
                IntStream.rangeClosed(Math.max(1, it.length() - 1), Math.min(it.length() + 1, LONGEST - 1))
                        .mapToObj("x"::repeat)
                        .toList();
        };
    }

    private Set<String> literals() {
        Set<String> literals = new LinkedHashSet<>();
        for (Clause clause : clauses) {
            if (clause instanceof Clause.TextClause it && it.test() != TextTest.MATCHES) {
                literals.add(it.text().strip());
            }
        }
        return literals;
    }

    private Set<String> texts() {
        Set<String> texts = new LinkedHashSet<>();
        List<String> literals = literals().stream().limit(MOST_LITERALS).toList();
        texts.add(field.kind().facts().example());
        for (String literal : literals) {
            texts.add(literal);
            texts.add(literal.toUpperCase(Locale.ROOT));
            texts.add(literal.toLowerCase(Locale.ROOT));
            texts.add(literal + "?");
            texts.add("?" + literal);
            texts.add("?" + literal + "?");
        }
        for (String one : literals) {
            for (String other : literals) {
                texts.add(one + " " + other);
            }
        }
        clauses.forEach(clause -> texts.addAll(turning(clause)));
        // None of all these.
        texts.add("?");
        texts.add("??");
        return texts;
    }
}
