package loesscape.core.evaluation;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import loesscape.core.model.Item;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Section;
import loesscape.core.model.Template;

/**
 * The numbers of the sections on the pages, and of the clauses: counted anew for every state, so that what is left out leaves
 * no gap. Clauses are counted within the number of their section where it has one, otherwise through the document; only
 * those that stand in the document count.
 *
 * @param labels what stands before a section or clause, by its key: 3, then 3.1, then (a), then (i)
 * @param references what a reference to it says, by its key: 3.1(a)(i)
 */
record DocumentNumbers(Map<String, String> labels, Map<String, String> references) {

    /** What a reference says to a clause that is left out. */
    private static final String LEFT_OUT = "–";

    /** The numbers of a document as it stands. */
    static DocumentNumbers of(Template template, State state) {
        return new Counting(template.pageSettings().numbering(), state).of(template);
    }

    /** What stands before a section or clause; empty where nothing does. */
    String label(String key) {
        return labels.getOrDefault(key, "");
    }

    /** What a reference to a clause or section says; a dash where it is left out. */
    String reference(String key) {
        return references.getOrDefault(key, LEFT_OUT);
    }

    private static final class Counting {

        private final PageSettings.Numbering numbering;
        private final State state;
        private final Map<String, String> labels = new LinkedHashMap<>();
        private final Map<String, String> references = new LinkedHashMap<>();
        private final int[] counted = new int[Notice.DEEPEST_CLAUSE + 1];
        private final String[] around = new String[Notice.DEEPEST_CLAUSE + 1];
        private int sections;

        Counting(PageSettings.Numbering numbering, State state) {
            this.numbering = numbering;
            this.state = state;
            Arrays.fill(around, "");
        }

        DocumentNumbers of(Template template) {
            for (Page page : template.pages()) {
                for (Section section : page.sections()) {
                    boolean stands = isShown(section.key()) && section.medium().isOnPaper();
                    boolean isNumbered = switch (numbering) {
                        case SECTIONS -> true;
                        case SHOWN_SECTIONS -> stands;
                        case NONE -> false;
                    };
                    if (isNumbered) {
                        sections++;
                        String number = Integer.toString(sections);
                        labels.put(section.key(), number);
                        references.put(section.key(), number);
                        Arrays.fill(counted, 0);
                    }
                    around[0] = isNumbered ? Integer.toString(sections) : "";
                    if (stands) {
                        clauses(section);
                    }
                }
            }
            return new DocumentNumbers(labels, references);
        }

        private void clauses(Section section) {
            for (Item item : section.items()) {
                switch (item) {
                    case Section inner
                    when isShown(inner.key()) && inner.medium().isOnPaper() -> clauses(inner);
                    case Notice it
                    when it.clause() > 0 && it.medium().isOnPaper() && saysSomething(it.key()) -> clause(it);
                    default -> {}
                }
            }
        }

        private void clause(Notice clause) {
            int depth = clause.clause();
            counted[depth]++;
            Arrays.fill(counted, depth + 1, counted.length, 0);
            int count = counted[depth];
            String label = switch (depth) {
                case 1 -> around[0].isEmpty() ? Integer.toString(count) : around[0] + "." + count;
                case 2 -> "(" + letters(count) + ")";
                default -> "(" + roman(count) + ")";
            };
            String reference = depth == 1 ? label : above(depth) + label;
            around[depth] = reference;
            labels.put(clause.key(), label);
            references.put(clause.key(), reference);
        }

        /** The clause that holds those of a depth; there may be none so deep, then the next above it. */
        private String above(int depth) {
            for (int higher = depth - 1; higher > 0; higher--) {
                if (counted[higher] > 0) {
                    return around[higher];
                }
            }
            return around[0];
        }

        /** A clause of which no word is left is left out, and takes no number. */
        private boolean saysSomething(String key) {
            return state.nodes().get(key) instanceof NodeState.NoticeState it
                    && it.shown()
                    && !it.text().isEmpty();
        }

        private boolean isShown(String key) {
            NodeState stands = state.nodes().get(key);
            return stands != null && stands.shown();
        }
    }

    /** a to z, then aa, ab and so on. */
    static String letters(int count) {
        StringBuilder letters = new StringBuilder();
        for (int rest = count; rest > 0; rest = (rest - 1) / 26) {
            letters.insert(0, (char) ('a' + (rest - 1) % 26));
        }
        return letters.toString();
    }

    private static final int[] VALUES = {1000, 900, 500, 400, 100, 90, 50, 40, 10, 9, 5, 4, 1};
    private static final String[] NUMERALS = {"m", "cm", "d", "cd", "c", "xc", "l", "xl", "x", "ix", "v", "iv", "i"};

    /** Roman numerals in small letters. */
    static String roman(int count) {
        StringBuilder roman = new StringBuilder();
        int rest = count;
        for (int i = 0; i < VALUES.length; i++) {
            while (rest >= VALUES[i]) {
                roman.append(NUMERALS[i]);
                rest -= VALUES[i];
            }
        }
        return roman.toString();
    }
}
