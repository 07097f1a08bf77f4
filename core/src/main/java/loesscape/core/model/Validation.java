package loesscape.core.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import loesscape.core.expression.Type;
import org.jspecify.annotations.Nullable;

/** The rules every template keeps. What passes can be evaluated, edited and stored without further checks. */
public final class Validation {

    /** The most pages, sections and items together. */
    public static final int MOST_NODES = 10_000;

    /** The most shared conditions. */
    public static final int MOST_CONDITIONS = 1_000;

    private static final int MOST_OTHERS = 100;
    private static final int MOST_PROBLEMS = 100;
    private static final int MOST_RULES = 100;
    private static final int MOST_ANSWERS = 100_000;
    private static final Pattern LANGUAGE = Pattern.compile("[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8}){0,4}");
    private static final Pattern FILE = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,99}");

    private final PreparedTemplate prepared;
    private final Template template;
    private final SymbolTable symbols;
    private long placesInRows;
    private final List<Problem> problems = new ArrayList<>();
    private final Map<String, String> pathOfKey = new HashMap<>();
    private final TextBounds texts = new TextBounds(this::report);

    private Validation(PreparedTemplate prepared) {
        this.prepared = prepared;
        this.template = prepared.template();
        this.symbols = prepared.symbols();
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
        sharedConditions();
        lists();
        roles();
        finish();
        pageSettings();
        trials();
        if (problems.isEmpty()) {
            cycle();
        }
    }

    /** What every node has: a key and conditions. */
    private void node(String path, Node node) {
        key(path, node.key());
        for (Logic.Place place : Logic.conditions(node)) {
            condition(path + place.path(), place.condition(), symbols.rowsAround(node.key()));
        }
        List<LookRule> looks = Logic.looks(node);
        atMost(path + "/looks", looks.size(), MOST_RULES, "looks");
        for (int i = 0; i < looks.size(); i++) {
            look(path + "/looks/" + i + "/look", looks.get(i).look());
            if (looks.get(i).extent() == LookRule.Extent.ROW
                    && !(node instanceof Field && symbols.rowsAround(node.key()) != null)) {
                report(path + "/looks/" + i + "/extent", "Only a field in rows can give its row a look.");
            }
        }
    }

    private void condition(String path, Condition condition, @Nullable String within) {
        new ConditionCheck(symbols, within, this::report).check(path, condition);
    }

    private void section(String path, Section section, int depth) {
        node(path, section);
        texts.line(path + "/title", section.title());
        texts.paragraph(path + "/help", section.help());
        folding(path, section.folding());
        Origin origin = section.origin();
        if (origin != null) {
            atMost(path + "/origin/keys", origin.keys().size(), MOST_NODES, "keys");
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
            }
            case Indicator indicator -> {
                folding(path, indicator.folding());
                indicator(path, indicator);
            }
            case Picture picture -> picture(path, picture);
            case Divider ignored -> {}
            case Section ignored -> throw new IllegalStateException("Sections are looked at on their own");
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
        atMost(path + "/checks", field.checks().size(), MOST_RULES, "checks");
        for (int i = 0; i < field.checks().size(); i++) {
            message(path + "/checks/" + i + "/message", field.checks().get(i).message());
        }
        if (!field.bands().isEmpty()) {
            if (!field.kind().hasBands()) {
                report(path + "/bands", "Only numbers, amounts of money, ratings and dates have bands.");
            } else {
                edges(path + "/bands", field.bands(), field);
            }
            bands(path + "/bands", field.bands());
        }
    }

    private void message(String path, String message) {
        texts.line(path, message);
        if (message.isBlank()) {
            report(path, "Say what is to be done; there is no message.");
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

    private void indicator(String path, Indicator indicator) {
        texts.line(path + "/label", indicator.label());
        Field followed = followed(path, indicator.follows(), indicator.key());
        int ways = (indicator.bands().isEmpty() ? 0 : 1)
                + (indicator.choices().isEmpty() ? 0 : 1)
                + (indicator.presence() == null ? 0 : 1);
        if (ways != 1) {
            report(path, "An indicator shows bands, or choices, or the presence of an answer: one of these.");
        }
        if (followed != null && !indicator.bands().isEmpty()) {
            if (followed.kind().hasBands()) {
                edges(path + "/bands", indicator.bands(), followed);
            } else {
                report(
                        path + "/follows",
                        "Bands follow a number or a date; “%s” is neither.".formatted(followed.label()));
            }
        }
        bands(path + "/bands", indicator.bands());
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < indicator.choices().size(); i++) {
            Indicator.ChoiceSign each = indicator.choices().get(i);
            String at = path + "/choices/" + i;
            sign(at + "/sign", each.sign());
            if (!seen.add(each.choice())) {
                report(at + "/choice", "This choice is there twice.");
            }
            if (followed != null && !symbols.choices(followed).contains(each.choice())) {
                report(
                        at + "/choice",
                        "“%s” has no choice “%s”.".formatted(followed.label(), TextBounds.shortened(each.choice())));
            }
        }
        Indicator.Presence presence = indicator.presence();
        if (presence != null) {
            sign(path + "/presence/answered", presence.answered());
            sign(path + "/presence/blank", presence.blank());
        }
    }

    /** The field something follows; it must be there, and stand in the same rows or outside of rows. */
    private @Nullable Field followed(String path, String key, String follower) {
        Field followed = symbols.field(key);
        if (followed == null) {
            report(path + "/follows", "There is no field “%s”.".formatted(TextBounds.shortened(key)));
            return null;
        }
        String rows = symbols.rowsAround(key);
        if (rows != null && !rows.equals(symbols.rowsAround(follower))) {
            report(
                    path + "/follows",
                    "“%s” stands in rows; only what stands in the same rows can follow it."
                            .formatted(followed.label()));
        }
        return followed;
    }

    private void picture(String path, Picture picture) {
        texts.line(path + "/label", picture.label());
        file(path + "/file", picture.file());
        folding(path, picture.folding());
        if (!picture.follows().isEmpty()) {
            Field followed = followed(path, picture.follows(), picture.key());
            if (followed != null && !(followed.kind() instanceof FieldKind.Picture)) {
                report(path + "/follows", "“%s” does not take a picture.".formatted(followed.label()));
            }
        }
    }

    private void file(String path, String file) {
        if (!file.isEmpty() && !FILE.matcher(file).matches()) {
            report(path, "“%s” is not the name of a file beside the template.".formatted(TextBounds.shortened(file)));
        }
    }

    private void sign(String path, Sign sign) {
        texts.line(path + "/label", sign.label());
        look(path + "/look", sign.look());
        file(path + "/picture", sign.picture());
    }

    private void look(String path, Look look) {
        texts.line(path + "/words", look.words());
        Look.Colours colours = look.colours();
        if (colours == null) {
            return;
        }
        for (String colour : List.of(colours.text(), colours.fill(), colours.border())) {
            if (!Contrast.isColour(colour)) {
                report(path + "/colours", "“%s” is not a colour like #1f6f8b.".formatted(TextBounds.shortened(colour)));
                return;
            }
        }
        double ratio = Contrast.of(colours.text(), colours.fill());
        if (ratio < Contrast.LEAST && colours.despite().isBlank()) {
            report(
                    path + "/colours",
                    "Text in %s on %s has a contrast of %.2f to 1; %.1f is the least (WCAG 2.2, 1.4.3). Choose other colours, or say why these are needed."
                            .formatted(colours.text(), colours.fill(), ratio, Contrast.LEAST));
        }
        texts.line(path + "/colours/despite", colours.despite());
    }

    private void bands(String path, List<Band> bands) {
        Bands.check(path, bands, texts, this::report);
        for (int b = 0; b < bands.size(); b++) {
            look(path + "/" + b + "/look", bands.get(b).look());
            file(path + "/" + b + "/picture", bands.get(b).picture());
        }
    }

    /** The bands of days end on days, those of numbers at numbers. */
    private void edges(String path, List<Band> bands, Field field) {
        for (int i = 0; i < bands.size(); i++) {
            Bound upTo = bands.get(i).upTo();
            if (upTo != null && upTo.isOfDays() != field.kind().isDay()) {
                report(
                        path + "/" + i + "/upTo",
                        field.kind().isDay()
                                ? "A band of “%s” ends on a day.".formatted(field.label())
                                : "A band of “%s” ends at a number.".formatted(field.label()));
            }
        }
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
            condition(
                    path + "/condition",
                    each.condition(),
                    rows.isEmpty() ? null : rows.iterator().next());
        }
    }

    private void lists() {
        atMost("/lists", template.lists().size(), MOST_OTHERS, "lookup lists");
        Set<String> keys = new HashSet<>();
        for (int i = 0; i < template.lists().size(); i++) {
            LookupListCheck.check("/lists/" + i, template.lists().get(i), keys, texts, this::report);
        }
    }

    private void roles() {
        atMost("/roles", template.roles().size(), MOST_OTHERS, "roles");
        Set<String> keys = new HashSet<>();
        for (int i = 0; i < template.roles().size(); i++) {
            Role role = template.roles().get(i);
            String path = "/roles/" + i;
            if (!Keys.isKey(role.key()) || !keys.add(role.key())) {
                report(
                        path + "/key",
                        "“%s” cannot be the key of a role, or is used twice."
                                .formatted(TextBounds.shortened(role.key())));
            }
            texts.line(path + "/name", role.name());
            if (role.name().length() > Role.LONGEST_NAME) {
                report(path + "/name", "The name of a role has at most %d characters.".formatted(Role.LONGEST_NAME));
            }
            if (role.name().isBlank()) {
                report(path + "/name", "The role has no name; give it one.");
            }
            Condition takesPart = role.takesPart();
            if (takesPart != null) {
                condition(path + "/takesPart", takesPart, null);
            }
        }
    }

    private void finish() {
        atMost("/finish", template.finish().size(), MOST_RULES, "conditions for finishing");
        for (int i = 0; i < template.finish().size(); i++) {
            FinishRule rule = template.finish().get(i);
            condition("/finish/" + i + "/when", rule.when(), null);
            message("/finish/" + i + "/message", rule.message());
        }
    }

    private void pageSettings() {
        String language = template.pageSettings().language();
        if (!language.isEmpty() && !LANGUAGE.matcher(language).matches()) {
            report(
                    "/pageSettings/language",
                    "“%s” is not a language tag like de or ar-EG (BCP 47).".formatted(TextBounds.shortened(language)));
        }
    }

    private void trials() {
        atMost("/trials", template.trials().size(), MOST_OTHERS, "trials");
        Set<String> names = new HashSet<>();
        for (int i = 0; i < template.trials().size(); i++) {
            Trial trial = template.trials().get(i);
            String path = "/trials/" + i;
            texts.line(path + "/name", trial.name());
            if (trial.name().isBlank() || !names.add(trial.name())) {
                report(path + "/name", "A trial has a name of its own; give it one.");
            }
            atMost(path + "/answers", trial.answers().size(), MOST_ANSWERS, "answers");
        }
    }

    private void atMost(String path, int count, int most, String what) {
        if (count > most) {
            report(path, "There are %d %s; the most is %d.".formatted(count, what, most));
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
