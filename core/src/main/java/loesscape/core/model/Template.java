package loesscape.core.model;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * A responding document as its author writes it.
 *
 * @param title the name of the document
 * @param subtitle a line under the title; may be empty
 * @param pages in reading order; at least one
 * @param roles who takes part, by the order of their turns; empty where nobody is told apart
 * @param conditions the shared conditions, by key
 * @param lists the lookup lists, by key
 * @param finish what has to hold before the document can be finished, beyond required answers and checks
 * @param pageSettings how the document lies on its pages
 * @param trials sets of answers to try it with, by name
 * @param promises what is to be so for every set of answers, in the order of its author
 * @param accepted what was found in it and is meant, in the order in which it was accepted
 */
public record Template(
        String title,
        @MayBeLeftOut String subtitle,
        List<Page> pages,
        @MayBeLeftOut List<Role> roles,
        @MayBeLeftOut List<SharedCondition> conditions,
        @MayBeLeftOut List<LookupList> lists,
        @MayBeLeftOut List<FinishRule> finish,
        @MayBeLeftOut PageSettings pageSettings,
        @MayBeLeftOut List<Trial> trials,
        @MayBeLeftOut List<PromiseRule> promises,
        @MayBeLeftOut List<AcceptedFinding> accepted) {

    /** The most characters a title, a label or another text of one line has. */
    public static final int LONGEST_LINE = 1_000;

    /** The most characters a text of several lines has. */
    public static final int LONGEST_PARAGRAPH = 20_000;

    public Template {
        pages = List.copyOf(pages);
        roles = roles.stream()
                .sorted(Comparator.comparingInt(Role::order).thenComparing(Role::key))
                .toList();
        conditions = conditions.stream()
                .sorted(Comparator.comparing(SharedCondition::key))
                .toList();
        lists = lists.stream().sorted(Comparator.comparing(LookupList::key)).toList();
        finish = List.copyOf(finish);
        trials = trials.stream().sorted(Comparator.comparing(Trial::name)).toList();
        promises = List.copyOf(promises);
        accepted = List.copyOf(accepted);
    }

    /** A template of which nothing that was found is accepted. */
    public Template(
            String title,
            String subtitle,
            List<Page> pages,
            List<Role> roles,
            List<SharedCondition> conditions,
            List<LookupList> lists,
            List<FinishRule> finish,
            PageSettings pageSettings,
            List<Trial> trials,
            List<PromiseRule> promises) {
        this(title, subtitle, pages, roles, conditions, lists, finish, pageSettings, trials, promises, List.of());
    }

    /** A template of pages alone. */
    public static Template of(String title, List<Page> pages) {
        return new Template(
                title, "", pages, List.of(), List.of(), List.of(), List.of(), PageSettings.PLAIN, List.of(), List.of());
    }

    /** This template with other pages. */
    public Template withPages(List<Page> others) {
        return new Template(
                title, subtitle, others, roles, conditions, lists, finish, pageSettings, trials, promises, accepted);
    }

    /** This template on another paper. */
    public Template withPaper(PageSettings.Paper paper) {
        PageSettings settings =
                new PageSettings(pageSettings.spacing(), paper, pageSettings.numbering(), pageSettings.language());
        return new Template(
                title, subtitle, pages, roles, conditions, lists, finish, settings, trials, promises, accepted);
    }

    /** This template without what its author tries, promises and accepts, which is nothing to those who fill it in. */
    public Template withoutTrials() {
        return new Template(
                title, subtitle, pages, roles, conditions, lists, finish, pageSettings, List.of(), List.of());
    }

    /** Every page, section and item in reading order, each before what it holds. */
    public List<Node> nodes() {
        List<Node> nodes = new ArrayList<>();
        for (Page page : pages) {
            nodes.add(page);
            page.sections().forEach(section -> collect(section, nodes));
        }
        return nodes;
    }

    private static void collect(Section section, List<Node> nodes) {
        nodes.add(section);
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                collect(inner, nodes);
            } else {
                nodes.add(item);
            }
        }
    }

    /** The names of all pictures beside the template that it can show. */
    public Set<String> pictures() {
        Set<String> names = new TreeSet<>();
        for (Node node : nodes()) {
            if (node instanceof Picture picture) {
                names.add(picture.file());
            } else if (node instanceof Indicator indicator) {
                indicator.bands().forEach(band -> names.add(band.picture()));
                indicator.choices().forEach(choice -> names.add(choice.sign().picture()));
                if (indicator.presence() != null) {
                    names.add(indicator.presence().answered().picture());
                    names.add(indicator.presence().blank().picture());
                }
            }
        }
        names.remove("");
        return names;
    }

    /** The names of all PDF files beside the template that its pages are written on. */
    public Set<String> sheets() {
        Set<String> names = new TreeSet<>();
        for (Page page : pages) {
            if (page.sheet() != null) {
                names.add(page.sheet().file());
            }
        }
        return names;
    }

    /** Every field in reading order. */
    public List<Field> fields() {
        return nodes().stream()
                .filter(Field.class::isInstance)
                .map(Field.class::cast)
                .toList();
    }
}
