package loesscape.formats.flat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.formats.flat.ProposedPlace.Found;
import loesscape.formats.flat.ProposedPlace.Writing;

/** Places on runs of underscores and dots. */
final class Leaders {

    /** Day, month and year with a little line each. */
    private static final Pattern DATE = Pattern.compile("_{2,}\\s?[/.\\-]\\s?_{2,}\\s?[/.\\-]\\s?_{2,}");

    private static final Pattern BLANK = Pattern.compile(DATE.pattern() + "|" + PageToFill.LEADER.pattern());

    private static final Pattern PAGE_NUMBER = Pattern.compile("[0-9ivxIVX]{1,4}");
    private static final double SHORTEST = 12;

    /** Some dots in a sentence are no blank. */
    private static final double SHORTEST_DOTS = 20;

    private final PageToFill page;
    private final List<Spot> marks;
    private final List<Spot> found = new ArrayList<>();

    private Leaders(PageToFill page, List<Spot> marks) {
        this.page = page;
        this.marks = marks;
    }

    static List<Spot> of(PageToFill page, List<Spot> marks) {
        Leaders leaders = new Leaders(page, marks);
        page.words().forEach(leaders::find);
        return joined(leaders.found);
    }

    private void find(Words words) {
        Matcher blank = BLANK.matcher(words.text());
        int before = 0;
        while (blank.find()) {
            Letter first = words.at(blank.start());
            Letter last = words.at(endOf(words.text(), blank));
            boolean isDots = words.text().charAt(blank.start()) != '_';
            Area area = new Area(
                    first.left(), first.base() - first.size() * 1.05, last.right(), first.base() + first.size() * 0.25);
            if (area.width() < (isDots ? SHORTEST_DOTS : SHORTEST)
                    || (isDots && isContents(words, blank.end(), area.right()))) {
                continue;
            }
            String label = PageToFill.label(words.behindMarks(marks, before, blank.start()));
            before = blank.end();
            found.add(Spot.line(isDots ? Found.DOTS : Found.UNDERSCORES, area, label(words, label, area)));
        }
    }

    private static int endOf(String text, Matcher blank) {
        int end = blank.end() - 1;
        while (end > blank.start() && Character.isWhitespace(text.charAt(end))) {
            end--;
        }
        return end;
    }

    /** A line of a table of contents leads to the number of a page. */
    private boolean isContents(Words words, int end, double right) {
        String rest = words.text().substring(end).strip();
        if (!rest.isEmpty()) {
            return PAGE_NUMBER.matcher(rest).matches();
        }
        return page.behindOnLine(right, words.base(), words)
                .filter(next -> PAGE_NUMBER.matcher(next.text()).matches())
                .isPresent();
    }

    /** What stands before it; else what stands left of it, beneath it or above it. */
    private String label(Words words, String own, Area area) {
        if (PageToFill.says(own)) {
            return own;
        }
        Optional<Words> left = page.beforeOnLine(area.left(), words.base(), words);
        String label = left.filter(each -> area.left() - each.right() < 60)
                .map(each -> PageToFill.label(each.tail(marks)))
                .orElse("");
        if (!PageToFill.says(label)) {
            label = page.caption(new Area(area.left(), area.top(), area.right(), words.base() + 3));
        }
        return PageToFill.says(label)
                ? label
                : page.above(new Area(area.left(), area.top(), area.right(), area.top() + 1));
    }

    /** Lines without words of their own right beneath one are where its answer goes on. */
    private static List<Spot> joined(List<Spot> found) {
        List<Spot> joined = new ArrayList<>();
        for (Spot spot : found) {
            Spot last = joined.isEmpty() ? null : joined.getLast();
            if (last != null
                    && (spot.label().isEmpty() || spot.label().equals(last.label()))
                    && goesOn(last.area(), spot.area())) {
                Area both = new Area(
                        Math.min(last.area().left(), spot.area().left()),
                        last.area().top(),
                        Math.max(last.area().right(), spot.area().right()),
                        spot.area().bottom());
                joined.set(joined.size() - 1, new Spot(last.found(), Writing.LINES, both, last.label(), 0));
            } else {
                joined.add(spot);
            }
        }
        return joined;
    }

    private static boolean goesOn(Area before, Area next) {
        double step = next.bottom() - before.bottom();
        return step > 6
                && step < 34
                && Math.abs(before.right() - next.right()) < 12
                && next.left() <= before.left() + 3;
    }
}
