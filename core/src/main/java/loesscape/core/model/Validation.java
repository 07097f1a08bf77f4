package loesscape.core.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.expression.Type;
import org.jspecify.annotations.Nullable;

/** The rules every template keeps. What passes can be evaluated, edited and stored without further checks. */
public final class Validation {

    /** The most pages, sections and items together. */
    public static final int MOST_NODES = 10_000;

    /** The most shared conditions. */
    public static final int MOST_CONDITIONS = 1_000;

    private static final int MOST_PROBLEMS = 100;

    private final PreparedTemplate prepared;
    private final Template template;
    private final SymbolTable symbols;
    private long placesInRows;
    private final List<Problem> problems = new ArrayList<>();
    private final Map<String, String> pathOfKey = new HashMap<>();
    private final TextBounds texts = new TextBounds(this::report);
    private final LookCheck looks = new LookCheck(texts, this::report);
    private final CommonCheck common;
    private final FollowerCheck followers;

    private Validation(PreparedTemplate prepared) {
        this.prepared = prepared;
        this.template = prepared.template();
        this.symbols = prepared.symbols();
        this.common = new CommonCheck(symbols, texts, this::report);
        this.followers = new FollowerCheck(symbols, texts, looks, this::report);
    }

    /** Everything that is wrong with a template, in document order; empty when it is valid. */
    public static List<Problem> of(Template template) {
        return of(PreparedTemplate.of(template));
    }

    /** Everything that is wrong with a template that was prepared already. */
    public static List<Problem> of(PreparedTemplate prepared) {
        Template template = prepared.template();
        if (size(template) > MOST_NODES) {
            return List.of(new Problem(
                    "/pages",
                    "There are %d pages, sections and items; the most is %d.".formatted(size(template), MOST_NODES)));
        }
        Validation validation = new Validation(prepared);
        validation.run();
        List<Problem> found = validation.problems;
        return List.copyOf(found.subList(0, Math.min(found.size(), MOST_PROBLEMS)));
    }

    private static int size(Template template) {
        return template.nodes().size();
    }

    /** The template itself, if it is valid. */
    public static Template require(Template template) {
        require(PreparedTemplate.of(template));
        return template;
    }

    /** Refuses a template that is not valid. */
    public static void require(PreparedTemplate prepared) {
        List<Problem> problems = of(prepared);
        if (!problems.isEmpty()) {
            throw new InvalidTemplate(problems);
        }
    }

    private void run() {
        texts.line("/title", template.title());
        texts.line("/subtitle", template.subtitle());
        if (template.title().isBlank()) {
            report("/title", "The document has no title; give it one.");
        }
        if (template.pages().isEmpty()) {
            report("/pages", "The document has no page; it needs at least one.");
        }
        if (template.conditions().size() > MOST_CONDITIONS) {
            report("/conditions", "There are more than %d shared conditions.".formatted(MOST_CONDITIONS));
            return;
        }
        List<String> circle = SharedConditions.cycle(template, symbols);
        if (!circle.isEmpty()) {
            report(
                    "/conditions",
                    "These shared conditions use each other in a circle: %s. Take one of them out of another."
                            .formatted(String.join(" → ", circle)));
            return;
        }
        for (int p = 0; p < template.pages().size(); p++) {
            Page page = template.pages().get(p);
            String path = "/pages/" + p;
            node(path, page);
            texts.line(path + "/title", page.title());
            for (int s = 0; s < page.sections().size(); s++) {
                section(path + "/sections/" + s, page.sections().get(s), 0);
            }
        }
        places();
        sharedConditions();
        new MediumCheck(this::report).check(template);
        new DocumentCheck(template, common, texts, this::report).check();
        new PromiseCheck(template, symbols, common, looks, this::report).check();
        if (problems.isEmpty()) {
            cycle();
        }
    }

    private void places() {
        Map<String, Node> nodes = new HashMap<>();
        template.nodes().forEach(node -> nodes.put(node.key(), node));
        PlaceCheck check = new PlaceCheck(nodes, texts, this::report);
        for (int p = 0; p < template.pages().size(); p++) {
            check.check("/pages/" + p, template.pages().get(p));
        }
    }

    /** What every node has: a key and conditions. */
    private void node(String path, Node node) {
        key(path, node.key());
        for (Logic.StandingCondition place : Logic.conditions(node)) {
            common.condition(path + place.path(), place.condition(), symbols.rowsAround(node.key()));
        }
        List<LookRule> rules = Logic.looks(node);
        common.atMost(path + "/looks", rules.size(), CommonCheck.MOST_RULES, "looks");
        for (int i = 0; i < rules.size(); i++) {
            looks.look(path + "/looks/" + i + "/look", rules.get(i).look());
            if (rules.get(i).extent() == LookRule.Extent.ROW
                    && !(node instanceof Field && symbols.rowsAround(node.key()) != null)) {
                report(path + "/looks/" + i + "/extent", "Only a field in rows can give its row a look.");
            }
        }
    }

    private void section(String path, Section section, int depth) {
        node(path, section);
        texts.line(path + "/title", section.title());
        texts.paragraph(path + "/help", section.help());
        folding(path, section.folding());
        Origin origin = section.origin();
        if (origin != null) {
            common.atMost(path + "/origin/keys", origin.keys().size(), MOST_NODES, "keys");
        }
        Section.Rows rows = section.rows();
        if (rows != null) {
            if (rows.most() < 1 || rows.most() > Section.Rows.MOST || rows.least() < 0 || rows.least() > rows.most()) {
                report(
                        path + "/rows",
                        "A section has 0 to %d rows, and the most is not below the least."
                                .formatted(Section.Rows.MOST));
            }
            placesInRows += (long) rows.most() * places(section);
            if (placesInRows > Section.Rows.MOST_PLACES) {
                report(
                        path + "/rows/most",
                        "%d rows of %d items are too many; all rows of a document together have at most %d places."
                                .formatted(rows.most(), places(section), Section.Rows.MOST_PLACES));
            }
            if (symbols.rowsAround(section.key()) != null) {
                report(path + "/rows", "A section in rows cannot repeat itself.");
            }
        }
        for (int i = 0; i < section.items().size(); i++) {
            String at = path + "/items/" + i;
            Item item = section.items().get(i);
            if (item instanceof Section inner) {
                if (depth > 0) {
                    report(at, "Sections stand in sections one deep; this one is deeper.");
                }
                section(at, inner, depth + 1);
            } else {
                node(at, item);
                item(at, item);
            }
        }
    }

    private static int places(Section section) {
        int places = 0;
        for (Item item : section.items()) {
            places += item instanceof Section inner ? 1 + places(inner) : 1;
        }
        return places;
    }

    private void item(String path, Item item) {
        switch (item) {
            case Field field -> field(path, field);
            case Notice notice -> {
                texts.paragraph(path + "/text", notice.text());
                folding(path, notice.folding());
                notice(path, notice);
            }
            case Indicator indicator -> {
                folding(path, indicator.folding());
                followers.check(path, indicator);
            }
            case Picture picture -> {
                folding(path, picture.folding());
                followers.check(path, picture);
            }
            case Divider ignored -> {}
            case Overlay overlay -> {
                texts.line(path + "/label", overlay.label());
                texts.paragraph(path + "/words", overlay.words());
            }
            case Section ignored -> throw new IllegalStateException("Sections are looked at on their own");
        }
    }

    private void notice(String path, Notice notice) {
        if (notice.clause() < 0 || notice.clause() > Notice.DEEPEST_CLAUSE) {
            report(path + "/clause", "Clauses are counted up to %d deep.".formatted(Notice.DEEPEST_CLAUSE));
        }
        if (notice.clause() > 0 && symbols.rowsAround(notice.key()) != null) {
            report(path + "/clause", "A text in rows stands there once for each row, so it cannot carry a number.");
        }
        common.atMost(path + "/phrases", notice.phrases().size(), Phrase.MOST, "phrases");
        Set<String> names = new HashSet<>();
        for (int i = 0; i < notice.phrases().size(); i++) {
            String name = notice.phrases().get(i).name();
            String at = path + "/phrases/" + i + "/name";
            if (!Keys.isKey(name)) {
                report(
                        at,
                        "“%s” cannot be the name of a phrase: lower-case letters, digits and _, a letter first."
                                .formatted(TextBounds.shortened(name)));
            }
            if (!names.add(name)) {
                report(at, "There are two phrases “%s” in this text.".formatted(TextBounds.shortened(name)));
            }
            if (symbols.field(name) != null || symbols.repeating(name) != null) {
                report(at, "“%s” is the key of something else; call the phrase otherwise.".formatted(name));
            }
        }
    }

    private void folding(String path, Folding folding) {
        if (folding.milliseconds() < 0 || folding.milliseconds() > Folding.LONGEST) {
            report(path + "/folding/milliseconds", "A motion takes 0 to %d milliseconds.".formatted(Folding.LONGEST));
        }
    }

    private void key(String path, String key) {
        if (!Keys.isKey(key)) {
            report(
                    path + "/key",
                    "“%s” cannot be a key. A key is lower-case letters, digits and _, begins with a letter, has at most"
                                    .formatted(TextBounds.shortened(key))
                            + " " + Keys.LONGEST + " characters, and is not a word of the formula language.");
        }
        String first = pathOfKey.putIfAbsent(key, path);
        if (first != null) {
            report(path + "/key", "The key “%s” is already used at %s; keys are unique.".formatted(key, first));
        }
    }

    private void field(String path, Field field) {
        texts.line(path + "/label", field.label());
        if (field.label().isBlank()) {
            report(path + "/label", "The field has no label; give it one.");
        }
        texts.paragraph(path + "/help", field.help());
        folding(path, field.folding());
        new KindCheck(symbols, texts, this::report).check(path + "/kind", field);
        if (!field.role().isEmpty() && symbols.role(field.role()) == null) {
            report(path + "/role", "There is no role “%s”.".formatted(TextBounds.shortened(field.role())));
        }
        value(path + "/value", field);
        common.atMost(path + "/checks", field.checks().size(), CommonCheck.MOST_RULES, "checks");
        for (int i = 0; i < field.checks().size(); i++) {
            common.message(
                    path + "/checks/" + i + "/message", field.checks().get(i).message());
        }
        if (!field.bands().isEmpty()) {
            if (!field.kind().hasBands()) {
                report(path + "/bands", "Only numbers, amounts of money, ratings and dates have bands.");
            } else {
                looks.edges(path + "/bands", field.bands(), field);
            }
            looks.bands(path + "/bands", field.bands());
        }
    }

    private void value(String path, Field field) {
        switch (field.value()) {
            case null -> {}
            case FieldValue.Starting(var answer) -> {
                texts.paragraph(path + "/answer", answer);
                starting(path + "/answer", field, answer);
            }
            case FieldValue.WorkedOut(var formula, var ignored) -> {
                Type wanted = workedOut(field.kind());
                if (wanted == null) {
                    report(path, "An answer of this kind cannot be worked out.");
                } else {
                    new FormulaCheck(symbols, symbols.rowsAround(field.key()), this::report)
                            .check(path + "/formula", formula, wanted, "This field takes " + wanted.words());
                }
            }
        }
    }

    /** Nobody signs, pays or hands in beforehand. Whether an answer can be read is asked by whoever reads answers. */
    private void starting(String path, Field field, String answer) {
        if (!field.kind().facts().canBegin()) {
            report(path, NOT_BEFOREHAND);
        } else if (answer.isBlank()) {
            report(path, "Say with which answer the field begins.");
        }
    }

    private static final String NOT_BEFOREHAND =
            "This field cannot begin with an answer: nobody signs, pays or hands in beforehand.";

    /** The type a formula has to give for a kind of field; null for kinds that cannot be worked out. */
    private @Nullable Type workedOut(FieldKind kind) {
        return kind.facts().canBeWorkedOut() ? FormulaTypes.of(kind, symbols) : null;
    }

    private void sharedConditions() {
        for (int i = 0; i < template.conditions().size(); i++) {
            SharedCondition each = template.conditions().get(i);
            String path = "/conditions/" + i;
            key(path, each.key());
            texts.line(path + "/name", each.name());
            Set<String> rows = symbols.rowsLookedAt(each.condition());
            if (rows.size() > 1) {
                report(
                        path + "/condition",
                        "This looks at the rows of several sections at once; it can look at one's.");
            }
            common.condition(
                    path + "/condition",
                    each.condition(),
                    rows.isEmpty() ? null : rows.iterator().next());
        }
    }

    private void cycle() {
        List<String> cycle = prepared.dependencies().cycle();
        if (cycle.isEmpty()) {
            return;
        }
        Map<String, Node> nodes = new HashMap<>();
        template.nodes().forEach(node -> nodes.put(node.key(), node));
        Node first = nodes.get(cycle.getFirst());
        String where = first == null
                ? ""
                : prepared.uses(first.key()).stream()
                        .filter(use -> use.decides() && use.sources().contains(cycle.get(1)))
                        .map(Logic.Use::path)
                        .findFirst()
                        .orElse("/shown");
        report(pathOfKey.getOrDefault(cycle.getFirst(), "") + where, Cycles.sentence(template, cycle));
    }

    private void report(String path, String message) {
        if (problems.size() <= MOST_PROBLEMS) {
            problems.add(new Problem(path, message));
        }
    }
}
