package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.Writing;

/** Lines to write on: those that belong to no box, and on which nothing is written. */
final class RuledLines {

    private static final double SHORTEST = 36;

    /** The shortest within a sentence, with words right before it. */
    private static final double SHORTEST_BETWEEN = 18;

    /** How high one writes on a line. */
    private static final double HIGH = 15;

    private final PageToFill page;
    private final List<Spot> taken;
    private final List<Spot> found = new ArrayList<>();
    private final double leftmost;
    private final double rightmost;

    private RuledLines(PageToFill page, List<Spot> taken) {
        this.page = page;
        this.taken = taken;
        leftmost = page.words().stream().mapToDouble(Words::left).min().orElse(0);
        rightmost = page.words().stream().mapToDouble(Words::right).max().orElse(600);
    }

    static List<Spot> of(PageToFill page, List<Spot> taken) {
        RuledLines lines = new RuledLines(page, taken);
        lines.find();
        return lines.found;
    }

    private void find() {
        List<Stroke> free = new ArrayList<>(pieces().stream()
                .map(this::behindPrompt)
                .filter(line -> isLong(line) && isFree(line))
                .toList());
        free.sort(Comparator.comparingDouble(Stroke::at).thenComparingDouble(Stroke::from));
        Set<Stroke> used = new HashSet<>();
        for (int i = 0; i < free.size(); i++) {
            Stroke line = free.get(i);
            if (used.add(line)) {
                List<Stroke> group = group(line, free.subList(i + 1, free.size()));
                Optional<Words> before =
                        page.before(line.from(), line.at()).filter(words -> line.from() - words.right() < 120);
                if (group.size() > 1 && add(group, before)) {
                    used.addAll(group);
                } else {
                    add(line, before);
                }
            }
        }
    }

    private boolean isLong(Stroke line) {
        return line.length() >= SHORTEST
                || (line.length() >= SHORTEST_BETWEEN
                        && page.words().stream()
                                .anyMatch(words -> Math.abs(words.base() - line.at()) < 5
                                        && words.right() <= line.from() + 3
                                        && line.from() - words.right() < 14));
    }

    /** Lines that are drawn piece by piece, as the lower edges of some cells are, are one place for each piece. */
    private List<Stroke> pieces() {
        List<Stroke> pieces = new ArrayList<>();
        for (Stroke line : page.across()) {
            List<Stroke> raw = page.drawn().across().stream()
                    .filter(each -> Math.abs(each.at() - line.at()) < 1.2
                            && each.from() >= line.from() - 1
                            && each.to() <= line.to() + 1)
                    .toList();
            double[] cuts = Stroke.distinct(raw.stream().map(Stroke::from).toList());
            boolean isSplit =
                    cuts.length >= 2 && cuts.length <= 12 && raw.stream().allMatch(each -> each.length() > 34);
            if (!isSplit) {
                pieces.add(line);
            }
            for (int i = 0; isSplit && i < cuts.length; i++) {
                pieces.add(new Stroke(line.at(), cuts[i], i + 1 < cuts.length ? cuts[i + 1] : line.to()));
            }
        }
        return pieces;
    }

    /** The words that stand on a line. */
    private Stream<Words> words(Stroke line) {
        return page.words().stream()
                .filter(words -> words.base() <= line.at() + 1
                        && line.at() - words.base() < words.size() * 0.95
                        && words.left() < line.to()
                        && words.right() > line.from());
    }

    /** What is left of a line behind a prompt that stands on it. */
    private Stroke behindPrompt(Stroke line) {
        return words(line)
                .filter(words -> Math.abs(words.left() - line.from()) < 8)
                .filter(words -> words.text().strip().endsWith(":"))
                .findFirst()
                .map(words -> new Stroke(line.at(), words.right() + 3, line.to()))
                .orElse(line);
    }

    private boolean isFree(Stroke line) {
        boolean isEdge = page.cells()
                .first(cell -> (Math.abs(cell.top() - line.at()) < 2 || Math.abs(cell.bottom() - line.at()) < 2)
                        && Math.min(cell.right(), line.to()) - Math.max(cell.left(), line.from())
                                > Math.min(cell.width(), line.length()) * 0.5)
                .isPresent();
        boolean isWritten = words(line)
                .anyMatch(words -> Math.abs(words.left() - line.from()) < 6
                        || words.ink(letter -> letter.left() >= line.from() - 1 && letter.right() <= line.to() + 1)
                                > line.length() * 0.25);
        boolean isSide = page.down().stream()
                .anyMatch(side -> side.length() > 6
                        && (Math.abs(side.at() - line.from()) < 2 || Math.abs(side.at() - line.to()) < 2)
                        && side.from() < line.at() + 3
                        && side.to() > line.at() - 3);
        Area above = new Area(line.from(), line.at() - 8, line.to(), line.at() + 2);
        boolean isTaken =
                taken.stream().anyMatch(spot -> !spot.isMark() && spot.area().meets(above));
        return !isEdge && !isWritten && !isSide && !isTaken;
    }

    /** Lines that end at the same point, equally far apart, with nothing between them, are one long answer. */
    private List<Stroke> group(Stroke first, List<Stroke> next) {
        List<Stroke> group = new ArrayList<>(List.of(first));
        for (Stroke line : next) {
            Stroke last = group.getLast();
            double gap = line.at() - last.at();
            boolean goesOn = line.from() <= first.from() + 3
                    && Math.abs(line.to() - first.to()) < 3
                    && (group.size() < 2 || Math.abs(line.from() - last.from()) < 3)
                    && gap > 8
                    && gap < 40
                    && (group.size() < 2 || Math.abs(gap - (group.get(1).at() - first.at())) < 3);
            if (goesOn && page.before(line.from() + 4, line.at()).isEmpty() && isBlankBetween(last, line)) {
                group.add(line);
            }
        }
        return group;
    }

    private boolean isBlankBetween(Stroke above, Stroke below) {
        return page.words().stream()
                .noneMatch(words -> words.base() > above.at() + 2
                        && words.base() < below.at()
                        && words.left() < below.to()
                        && words.right() > below.from());
    }

    /** The place on several lines; none where nothing says what it is for. */
    private boolean add(List<Stroke> group, Optional<Words> before) {
        Stroke first = group.getFirst();
        double left = group.stream().mapToDouble(Stroke::from).min().orElse(0);
        Area area = new Area(left, first.at() - 14, first.to(), group.getLast().at());
        String label = before.map(words -> PageToFill.label(words.tail(taken)))
                .filter(PageToFill::says)
                .orElseGet(() -> page.above(new Area(left, first.at() - 12, first.to(), first.at())));
        if (label.isEmpty() && !page.isUnread()) {
            return false;
        }
        found.add(new Spot(Found.LINE, Writing.LINES, area, label, 0));
        return true;
    }

    private void add(Stroke line, Optional<Words> before) {
        Area area = new Area(line.from(), line.at() - HIGH, line.to(), line.at());
        boolean isFull = line.from() <= leftmost + 6 && line.to() >= rightmost - 6;
        String label = before.map(words -> PageToFill.label(words.tail(taken)))
                .filter(PageToFill::says)
                .orElse("");
        if (label.isEmpty()) {
            label = inSentence(line);
        }
        if (label.isEmpty() && !isFull) {
            label = page.caption(area);
        }
        if (label.isEmpty()) {
            label = asked(area, isFull);
        }
        if (!label.isEmpty() || (page.isUnread() && !isFull)) {
            found.add(Spot.line(Found.LINE, area, label));
        }
    }

    /** A blank with which a line of a sentence begins: what the line above it ends with; otherwise empty. */
    private String inSentence(Stroke line) {
        boolean goesOn = line.from() <= leftmost + 6
                && page.words().stream()
                        .anyMatch(words -> Math.abs(words.base() - line.at()) < 6
                                && words.left() >= line.to() - 1
                                && words.left() - line.to() < 14);
        return page.words().stream()
                .filter(words -> goesOn && line.at() - words.base() > 9 && line.at() - words.base() < 30)
                .max(Comparator.<Words>comparingLong(words -> Math.round(words.base() / 3))
                        .thenComparingDouble(Words::right))
                .map(words -> PageToFill.label(words.tail(taken)))
                .orElse("");
    }

    /** The words above a line where they ask for something, or begin with it and are no longer than it. */
    private String asked(Area area, boolean isFull) {
        return page.aboveWords(area, 16)
                .filter(words -> {
                    String text = words.text().strip();
                    boolean isAsking = text.endsWith(":") || text.endsWith("?");
                    boolean isOver =
                            !isFull && Math.abs(words.left() - area.left()) < 6 && words.width() < area.width();
                    return (isAsking && Math.abs(words.left() - area.left()) < 30) || isOver;
                })
                .map(PageToFill::label)
                .orElse("");
    }
}
