package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Marks that answer one question: those beside each other, or beneath each other, behind or under its words. */
final class MarkGroups {

    /** Yes and no in the languages of documents (from memory). */
    private static final Set<String> YES = Set.of(
            "yes", "ja", "oui", "sí", "si", "sì", "sim", "tak", "ναι", "igen", "ano", "áno", "da", "да", "evet",
            "kyllä", "jah", "taip", "jā", "نعم", "כן", "iva");

    private static final Set<String> NO = Set.of(
            "no", "nein", "nee", "non", "não", "nie", "όχι", "nem", "ne", "нет", "не", "nu", "hayır", "ei", "nej",
            "nei", "nē", "لا", "לא");

    private static final double SAME_LINE = 4;
    private static final double NEXT_LINE = 24;

    private final PageToFill page;
    private final List<Spot> left;

    private MarkGroups(PageToFill page, List<Spot> marks) {
        this.page = page;
        this.left = new ArrayList<>(marks);
    }

    /**
     * Marks of one question.
     *
     * @param question empty where each mark stands for itself
     * @param isOne whether only one of them holds
     */
    record Group(String question, List<Spot> marks, boolean isOne) {}

    static List<Group> of(PageToFill page, List<Spot> marks) {
        MarkGroups groups = new MarkGroups(page, marks);
        List<Group> found = new ArrayList<>();
        while (!groups.left.isEmpty()) {
            found.add(groups.next());
        }
        return found;
    }

    private Group next() {
        Spot first = left.removeFirst();
        List<Spot> beside = beside(first);
        String before = before(first);
        if (beside.size() > 1 && before.isEmpty()) {
            before = above(beside);
        }
        List<Spot> group = beside.size() > 1 ? withRows(beside) : beside;
        if (group.size() == 1 && before.isEmpty()) {
            group = beneath(first);
            before = group.size() > 1 ? above(group) : "";
        }
        if (group.size() < 2 || before.isEmpty()) {
            return new Group("", List.of(first), false);
        }
        left.removeAll(group);
        return new Group(before, group, isYesAndNo(group));
    }

    private static boolean isYesAndNo(List<Spot> group) {
        return group.size() == 2
                && YES.contains(plain(group.getFirst().label()))
                && NO.contains(plain(group.getLast().label()));
    }

    private static String plain(String label) {
        return label.toLowerCase(Locale.ROOT).strip();
    }

    /** Those on its line, as long as only their own words stand between them. */
    private List<Spot> beside(Spot first) {
        List<Spot> group = new ArrayList<>(List.of(first));
        left.stream()
                .filter(spot -> !spot.equals(first))
                .filter(spot -> Math.abs(spot.area().middle() - first.area().middle()) < SAME_LINE)
                .sorted(Comparator.comparingDouble(spot -> spot.area().left()))
                .takeWhile(spot -> spot.area().left() - group.getLast().area().right() < 190)
                .forEach(group::add);
        return group;
    }

    /** With the lines beneath whose marks stand under those of the first, as in columns. */
    private List<Spot> withRows(List<Spot> first) {
        List<Spot> group = new ArrayList<>(first);
        for (Spot spot : left) {
            double step = spot.area().middle() - group.getLast().area().middle();
            boolean isUnder = first.stream()
                    .anyMatch(each -> Math.abs(each.area().left() - spot.area().left()) < 2);
            boolean isNext =
                    (step > 5 && step < NEXT_LINE) || (Math.abs(step) < SAME_LINE && group.size() > first.size());
            if (!group.contains(spot)
                    && isUnder
                    && isNext
                    && before(firstOnLine(spot)).isEmpty()) {
                group.add(spot);
            }
        }
        return group;
    }

    private Spot firstOnLine(Spot spot) {
        return left.stream()
                .filter(each -> Math.abs(each.area().middle() - spot.area().middle()) < SAME_LINE)
                .min(Comparator.comparingDouble(each -> each.area().left()))
                .orElse(spot);
    }

    private List<Spot> beneath(Spot first) {
        List<Spot> group = new ArrayList<>(List.of(first));
        for (Spot spot : left) {
            double step = spot.area().middle() - group.getLast().area().middle();
            if (step > 5
                    && step < NEXT_LINE
                    && Math.abs(spot.area().left() - first.area().left()) < 2
                    && beside(spot).size() == 1) {
                group.add(spot);
            }
        }
        return group;
    }

    /** The words on the line of the first mark that end before it. */
    private String before(Spot first) {
        Area mark = first.area();
        Optional<Words> words = page.words().stream()
                .filter(each -> each.top() < mark.middle() + 2 && each.bottom() > mark.middle() - 2)
                .filter(each -> each.left() < mark.left() - 3)
                .max(Comparator.comparingDouble(Words::left));
        return words.map(each -> {
                    StringBuilder text = new StringBuilder();
                    each.letters().stream()
                            .filter(letter -> letter.right() <= mark.left() + 1.5)
                            .forEach(letter -> text.append(letter.text()));
                    return PageToFill.label(text.toString());
                })
                .filter(PageToFill::says)
                .filter(text -> !text.equals(first.label()))
                .orElse("");
    }

    /** The words above the first of them, where they ask for something or begin where the marks do. */
    private String above(List<Spot> group) {
        Area first = group.getFirst().area();
        return page.aboveWords(new Area(first.left() - 4, first.top(), first.right() + 60, first.bottom()), 14)
                .filter(words -> Math.abs(words.left() - first.left()) < 24)
                .filter(words -> group.stream()
                        .noneMatch(spot -> words.text().contains(spot.label())
                                && !spot.label().isEmpty()))
                .map(PageToFill::label)
                .filter(PageToFill::says)
                .orElse("");
    }
}
