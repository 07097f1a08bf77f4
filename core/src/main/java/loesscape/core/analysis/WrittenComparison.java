package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.analysis.VersionDifference.Rewritten;
import loesscape.core.analysis.proof.TwoVersions;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Phrase;
import loesscape.core.model.Picture;
import loesscape.core.model.Place;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SheetPage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.wording.Limits;
import org.jspecify.annotations.Nullable;

/**
 * What a later version of a template says, asks or looks like otherwise, whatever is answered. What conditions and formulas
 * drive is compared for all answers, by {@link VersionComparison}; what only authors see (trials, promises, accepted findings,
 * names of shared conditions) is not told.
 */
final class WrittenComparison {

    private final Template before;
    private final Template after;
    private final SymbolTable were;
    private final SymbolTable are;
    private final TwoVersions versions;
    private final List<Rewritten> told = new ArrayList<>();

    /** What it is told of: a key, empty for the document, and a name. */
    private String key = "";

    private String name = "";

    private WrittenComparison(
            Template before, Template after, SymbolTable were, SymbolTable are, TwoVersions versions) {
        this.before = before;
        this.after = after;
        this.were = were;
        this.are = are;
        this.versions = versions;
    }

    /** All that is written otherwise: of the document, of what both versions have in the order of the later one, of roles. */
    static List<Rewritten> of(
            Template before, Template after, SymbolTable were, SymbolTable are, TwoVersions versions) {
        WrittenComparison comparison = new WrittenComparison(before, after, were, are, versions);
        comparison.compare();
        return List.copyOf(comparison.told);
    }

    private void compare() {
        document();
        Map<String, Node> earlier = new LinkedHashMap<>();
        before.nodes().forEach(node -> earlier.put(node.key(), node));
        after.nodes().forEach(is -> {
            Node was = earlier.get(is.key());
            if (was != null) {
                about(is.key(), is.name());
                node(was, is);
            }
        });
        told.addAll(new Arrangement(before, after).told());
        Map<String, Role> roles = before.roles().stream().collect(Collectors.toMap(Role::key, role -> role));
        after.roles().forEach(is -> {
            Role was = roles.get(is.key());
            if (was != null) {
                about(is.key(), is.name());
                words("name", was.name(), is.name());
                words("turn", "" + was.order(), "" + is.order());
            }
        });
    }

    private void about(String key, String name) {
        this.key = key;
        this.name = name;
    }

    private void words(String what, String was, String is) {
        if (!was.equals(is)) {
            told.add(new Rewritten(key, name, what, was, is));
        }
    }

    private void constant(String what, Enum<?> was, Enum<?> is) {
        words(what, inWords(was), inWords(is));
    }

    private static String inWords(Enum<?> constant) {
        String name = constant.name();
        return name.charAt(0) + name.substring(1).toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** What is too much to be told in a line. */
    private void parts(String what, @Nullable Object was, @Nullable Object is) {
        if (!Objects.equals(was, is)) {
            told.add(new Rewritten(key, name, what, "", ""));
        }
    }

    private void document() {
        about("", after.title());
        words("title", before.title(), after.title());
        words("subtitle", before.subtitle(), after.subtitle());
        var was = before.pageSettings();
        var is = after.pageSettings();
        constant("spacing", was.spacing(), is.spacing());
        constant("paper", was.paper(), is.paper());
        constant("numbering", was.numbering(), is.numbering());
        words("language", was.language(), is.language());
        words("what is said before it can be finished", messages(before), messages(after));
        Map<String, LookupList> lists =
                before.lists().stream().collect(Collectors.toMap(LookupList::key, list -> list));
        after.lists().forEach(list -> {
            LookupList earlier = lists.get(list.key());
            if (earlier != null) {
                about("", list.name());
                list(earlier, list);
            }
        });
    }

    private static String messages(Template template) {
        return template.finish().stream().map(FinishRule::message).collect(Collectors.joining(" "));
    }

    private void list(LookupList was, LookupList is) {
        parts("columns", was.columns(), is.columns());
        int known = told.size();
        words(
                "rows",
                Integer.toString(was.rows().size()),
                Integer.toString(is.rows().size()));
        if (told.size() == known) {
            parts("rows", was.rows(), is.rows());
        }
    }

    private void node(Node was, Node is) {
        switch (is) {
            case Field it -> field((Field) was, it);
            case Section it -> section((Section) was, it);
            case Page it -> page((Page) was, it);
            case Notice it -> notice((Notice) was, it);
            case Indicator it -> indicator((Indicator) was, it);
            case Picture it -> picture((Picture) was, it);
            case Overlay it -> overlay((Overlay) was, it);
            case Divider ignored -> {}
        }
        words("where it stands", Medium.of(was).words(), Medium.of(is).words());
        parts("what its looks cover", extents(was), extents(is));
        if (was instanceof Item earlier && is instanceof Item later) {
            parts("how it folds", folding(earlier), folding(later));
        }
    }

    private static @Nullable Folding folding(Node node) {
        return switch (node) {
            case Field it -> it.folding();
            case Section it -> it.folding();
            case Notice it -> it.folding();
            case Indicator it -> it.folding();
            case Picture it -> it.folding();
            case Page ignored -> null;
            case Overlay ignored -> null;
            case Divider ignored -> null;
        };
    }

    /** What looks cover, without when they are there. */
    private static List<LookRule.Extent> extents(Node node) {
        return Logic.looks(node).stream()
                .map(LookRule::extent)
                .distinct()
                .sorted()
                .toList();
    }

    private void field(Field was, Field is) {
        words("label", was.label(), is.label());
        words("help", was.help(), is.help());
        words("answered by", role(were, was.role()), role(are, is.role()));
        kind(was.kind(), is.kind());
        parts("bands", was.bands(), is.bands());
        if (!(was.value() instanceof FieldValue.WorkedOut && is.value() instanceof FieldValue.WorkedOut)) {
            words("starting value", started(was), started(is));
        }
        words("what is said of a refused answer", refusals(was), refusals(is));
        constant("width", was.width(), is.width());
    }

    private static String role(SymbolTable symbols, String key) {
        Role role = symbols.role(key);
        return role == null ? "whoever fills in" : role.name();
    }

    private static String started(Field field) {
        return switch (field.value()) {
            case null -> "blank";
            case FieldValue.Starting(var answer) -> answer;
            case FieldValue.WorkedOut ignored -> "worked out";
        };
    }

    private static String refusals(Field field) {
        return field.checks().stream().map(Check::message).collect(Collectors.joining(" "));
    }

    private void kind(FieldKind was, FieldKind is) {
        if (was.equals(is)) {
            return;
        }
        int known = told.size();
        words("kind", was.facts().label(), is.facts().label());
        if (was instanceof FieldKind.Choosing earlier && is instanceof FieldKind.Choosing later) {
            words("choices", choices(earlier), choices(later));
            parts(
                    "looks of its choices",
                    List.of(earlier.layout(), earlier.style()),
                    List.of(later.layout(), later.style()));
            if (choices(earlier).equals(choices(later))) {
                parts("what is stored of its choices", earlier.choices(), later.choices());
            }
        } else if (was instanceof FieldKind.Lookup && is instanceof FieldKind.Lookup) {
            parts("choices", was, is);
        } else if (was instanceof FieldKind.Payment earlier && is instanceof FieldKind.Payment later) {
            words("what is to be paid", paid(earlier), paid(later));
        }
        words("limits", Limits.words(was), Limits.words(is));
        // Which choices follow another answer is compared for all of them.
        if (told.size() == known && !(is instanceof FieldKind.Choosing)) {
            parts("how it is answered", was, is);
        }
    }

    private static String choices(FieldKind.Choosing kind) {
        return kind.withOther().stream().map(Choice::label).collect(Collectors.joining(", "));
    }

    private static String paid(FieldKind.Payment payment) {
        return payment.amount() + " " + payment.currency();
    }

    private void section(Section was, Section is) {
        words("title", was.title(), is.title());
        words("help", was.help(), is.help());
        words("rows", rows(was), rows(is));
    }

    private static String rows(Section section) {
        Section.@Nullable Rows rows = section.rows();
        return rows == null ? "none" : "%d to %d".formatted(rows.least(), rows.most());
    }

    private void page(Page was, Page is) {
        words("title", was.title(), is.title());
        parts("sheet", sheet(was), sheet(is));
        parts("places on the sheet", places(was), places(is));
    }

    private static @Nullable SheetPage sheet(Page page) {
        return page.sheet() == null ? null : page.sheet().withoutScript();
    }

    /** Where things stand, without what the file they came from says of them. */
    private static Set<Place> places(Page page) {
        return page.places().stream()
                .map(place -> place.withSource("", ""))
                .collect(Collectors.toCollection(HashSet::new));
    }

    private void notice(Notice was, Notice is) {
        words("text", was.text(), is.text());
        if (!areAlike(was, is)) {
            told.add(new Rewritten(key, name, "phrases", "", ""));
        }
        words("depth of its number", depth(was), depth(is));
    }

    private static String depth(Notice notice) {
        return notice.clause() == 0 ? "none" : Integer.toString(notice.clause());
    }

    /** Whether phrases of the same names are there for the same reasons, however these are written. */
    private boolean areAlike(Notice was, Notice is) {
        List<Phrase> earlier = was.phrases();
        List<Phrase> later = is.phrases();
        if (earlier.size() != later.size()) {
            return false;
        }
        String within = are.rowsAround(is.key());
        for (int i = 0; i < later.size(); i++) {
            if (!earlier.get(i).name().equals(later.get(i).name())
                    || !versions.areAlike(earlier.get(i).when(), later.get(i).when(), within)) {
                return false;
            }
        }
        return true;
    }

    private void indicator(Indicator was, Indicator is) {
        words("label", was.label(), is.label());
        if (!was.follows().equals(is.follows())
                || !was.bands().equals(is.bands())
                || !was.choices().equals(is.choices())
                || !Objects.equals(was.presence(), is.presence())) {
            told.add(new Rewritten(key, name, "what it tells", "", ""));
        }
    }

    private void picture(Picture was, Picture is) {
        words("label", was.label(), is.label());
        parts("picture", List.of(was.file(), was.follows()), List.of(is.file(), is.follows()));
    }

    private void overlay(Overlay was, Overlay is) {
        words("label", was.label(), is.label());
        constant("shape", was.shape(), is.shape());
        words("words", was.words(), is.words());
    }
}
