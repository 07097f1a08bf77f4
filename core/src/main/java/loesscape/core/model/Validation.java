package loesscape.core.model;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** The rules every template keeps. What passes can be evaluated, edited and stored without further checks. */
public final class Validation {

    /** The most pages, sections and items together. */
    public static final int MOST_NODES = 10_000;

    private static final int MOST_PROBLEMS = 100;

    private final Template template;
    private final List<Problem> problems = new ArrayList<>();
    private final Map<String, String> pathOfKey = new HashMap<>();
    private final Map<String, Field> fields = new HashMap<>();

    private Validation(Template template) {
        this.template = template;
    }

    /** Everything that is wrong with a template, in document order; empty when it is valid. */
    public static List<Problem> of(Template template) {
        Validation validation = new Validation(template);
        validation.run();
        List<Problem> found = validation.problems;
        return List.copyOf(found.subList(0, Math.min(found.size(), MOST_PROBLEMS)));
    }

    /** The template itself, if it is valid. */
    public static Template require(Template template) {
        List<Problem> problems = of(template);
        if (!problems.isEmpty()) {
            throw new InvalidTemplate(problems);
        }
        return template;
    }

    private void run() {
        Texts texts = new Texts(this::report);
        texts.line("/title", template.title());
        texts.line("/subtitle", template.subtitle());
        if (template.title().isBlank()) {
            report("/title", "The document has no title; give it one.");
        }
        if (template.pages().isEmpty()) {
            report("/pages", "The document has no page; it needs at least one.");
        }
        List<Node> nodes = template.nodes();
        if (nodes.size() > MOST_NODES) {
            report(
                    "/pages",
                    "There are %d pages, sections and items; the most is %d.".formatted(nodes.size(), MOST_NODES));
            return;
        }
        template.fields().forEach(field -> fields.putIfAbsent(field.key(), field));
        eachWithPath((path, node) -> {
            key(path, node.key());
            switch (node) {
                case Page page -> texts.line(path + "/title", page.title());
                case Section section -> {
                    texts.line(path + "/title", section.title());
                    texts.paragraph(path + "/help", section.help());
                }
                case Field field -> field(path, field, texts);
                case Notice notice -> texts.paragraph(path + "/text", notice.text());
                case Indicator indicator -> indicator(path, indicator, texts);
            }
            for (Aspect aspect : Aspect.values()) {
                Condition condition = aspect.of(node);
                if (condition != null) {
                    new ConditionCheck(fields, this::report)
                            .check(path + "/" + aspect.name().toLowerCase(java.util.Locale.ROOT), condition);
                }
            }
        });
        if (problems.isEmpty()) {
            cycle();
        }
    }

    private void eachWithPath(Visitor visitor) {
        for (int p = 0; p < template.pages().size(); p++) {
            Page page = template.pages().get(p);
            String pagePath = "/pages/" + p;
            visitor.visit(pagePath, page);
            for (int s = 0; s < page.sections().size(); s++) {
                Section section = page.sections().get(s);
                String sectionPath = pagePath + "/sections/" + s;
                visitor.visit(sectionPath, section);
                for (int i = 0; i < section.items().size(); i++) {
                    visitor.visit(sectionPath + "/items/" + i, section.items().get(i));
                }
            }
        }
    }

    private interface Visitor {
        void visit(String path, Node node);
    }

    private void key(String path, String key) {
        if (!Keys.isKey(key)) {
            report(
                    path + "/key",
                    "“%s” cannot be a key. A key is lower-case letters, digits and _, begins with a letter, has at most"
                                    .formatted(Texts.shortened(key))
                            + " " + Keys.LONGEST + " characters, and is not a word of the formula language.");
        }
        String first = pathOfKey.putIfAbsent(key, path);
        if (first != null) {
            report(path + "/key", "The key “%s” is already used at %s; keys are unique.".formatted(key, first));
        }
    }

    private void field(String path, Field field, Texts texts) {
        texts.line(path + "/label", field.label());
        if (field.label().isBlank()) {
            report(path + "/label", "The field has no label; give it one.");
        }
        texts.paragraph(path + "/help", field.help());
        kind(path + "/kind", field.kind(), texts);
        if (!field.bands().isEmpty()) {
            if (!field.kind().isNumeric()) {
                report(path + "/bands", "Only numbers and amounts of money have bands.");
            }
            bands(path + "/bands", field.bands(), texts);
        }
    }

    private void kind(String path, FieldKind kind, Texts texts) {
        switch (kind) {
            case FieldKind.Text text -> text(path, text.placeholder(), text.longest(), texts);
            case FieldKind.LongText text -> text(path, text.placeholder(), text.longest(), texts);
            case FieldKind.Number number -> {
                texts.line(path + "/unit", number.unit());
                if (number.decimals() < 0 || number.decimals() > 10) {
                    report(path + "/decimals", "A number has 0 to 10 decimals.");
                }
                limits(path, number.lower(), number.upper());
            }
            case FieldKind.Money money -> {
                if (!Currencies.isKnown(money.currency())) {
                    report(
                            path + "/currency",
                            "“%s” is not a currency code of ISO 4217, such as EUR."
                                    .formatted(Texts.shortened(money.currency())));
                }
                limits(path, money.lower(), money.upper());
            }
            case FieldKind.Email() -> {}
            case FieldKind.Phone(var region) -> {
                if (!region.isEmpty() && !Addresses.isRegion(region)) {
                    report(
                            path + "/region",
                            "“%s” is not a country by two letters of ISO 3166-1, such as NL."
                                    .formatted(Texts.shortened(region)));
                }
            }
            case FieldKind.WebAddress() -> {}
            case FieldKind.YesNo() -> {}
            case FieldKind.OneChoice one -> choices(path + "/choices", one.choices(), texts);
            case FieldKind.Date date -> {
                if (date.earliest() != null
                        && date.latest() != null
                        && date.latest().isBefore(date.earliest())) {
                    report(path + "/latest", "The latest day lies before the earliest.");
                }
            }
        }
    }

    private void text(String path, String placeholder, int longest, Texts texts) {
        texts.line(path + "/placeholder", placeholder);
        if (longest < 0 || longest > Texts.LONGEST_ANSWER) {
            report(
                    path + "/longest",
                    "The longest answer is 0 (no limit) to %d characters.".formatted(Texts.LONGEST_ANSWER));
        }
    }

    private void limits(String path, @Nullable Bound lower, @Nullable Bound upper) {
        number(path + "/lower/at", lower == null ? null : lower.at());
        number(path + "/upper/at", upper == null ? null : upper.at());
        if (lower != null && upper != null) {
            int order = lower.at().compareTo(upper.at());
            if (order > 0 || (order == 0 && !(lower.included() && upper.included()))) {
                report(path + "/upper", "No number lies between these limits; the upper one must be above the lower.");
            }
        }
    }

    private void number(String path, @Nullable BigDecimal number) {
        if (number != null && !Numbers.isReasonable(number)) {
            report(path, "The number is too long; at most %d digits.".formatted(Numbers.MOST_DIGITS));
        }
    }

    private void choices(String path, List<Choice> choices, Texts texts) {
        if (choices.isEmpty()) {
            report(path, "There is nothing to choose from; add a choice.");
        }
        if (choices.size() > MOST_NODES) {
            report(path, "There are %d choices; the most is %d.".formatted(choices.size(), MOST_NODES));
            return;
        }
        Set<String> ids = new HashSet<>();
        for (int c = 0; c < choices.size(); c++) {
            Choice choice = choices.get(c);
            String at = path + "/" + c;
            identity(at + "/id", choice.id(), ids);
            texts.line(at + "/label", choice.label());
            if (choice.label().isBlank()) {
                report(at + "/label", "The choice has no label; give it one.");
            }
        }
    }

    private void identity(String path, String id, Set<String> taken) {
        if (!Keys.isKey(id)) {
            report(path, "“%s” cannot be an identity; it is spelt like a key.".formatted(Texts.shortened(id)));
        }
        if (!taken.add(id)) {
            report(path, "The identity “%s” is used twice.".formatted(Texts.shortened(id)));
        }
    }

    private void indicator(String path, Indicator indicator, Texts texts) {
        texts.line(path + "/label", indicator.label());
        Field followed = fields.get(indicator.follows());
        if (followed == null) {
            report(path + "/follows", "There is no field “%s”.".formatted(Texts.shortened(indicator.follows())));
        } else if (!followed.kind().isNumeric()) {
            report(
                    path + "/follows",
                    "An indicator follows a number or an amount; “%s” is neither.".formatted(followed.label()));
        }
        if (indicator.bands().isEmpty()) {
            report(path + "/bands", "The indicator has no band; it needs at least one.");
        }
        bands(path + "/bands", indicator.bands(), texts);
    }

    private void bands(String path, List<Band> bands, Texts texts) {
        Set<String> ids = new HashSet<>();
        BigDecimal edge = null;
        for (int b = 0; b < bands.size(); b++) {
            Band band = bands.get(b);
            String at = path + "/" + b;
            identity(at + "/id", band.id(), ids);
            texts.line(at + "/label", band.label());
            Bound upTo = band.upTo();
            boolean last = b == bands.size() - 1;
            if (upTo == null) {
                if (!last) {
                    report(at, "Only the last band is without an end; say where this one ends (upTo).");
                }
                continue;
            }
            if (last) {
                report(at + "/upTo", "The last band has no end; leave out its upTo.");
            }
            number(at + "/upTo/at", upTo.at());
            if (edge != null && edge.compareTo(upTo.at()) >= 0) {
                report(
                        at + "/upTo/at",
                        "Each band ends above the one before; %s does not lie above %s."
                                .formatted(Numbers.plain(upTo.at()), Numbers.plain(edge)));
            }
            edge = upTo.at();
        }
    }

    private void cycle() {
        List<String> cycle = Dependencies.of(template).cycle();
        if (!cycle.isEmpty()) {
            report(pathOfKey.getOrDefault(cycle.getFirst(), "") + "/shown", Cycles.sentence(template, cycle));
        }
    }

    private void report(String path, String message) {
        problems.add(new Problem(path, message));
    }
}
