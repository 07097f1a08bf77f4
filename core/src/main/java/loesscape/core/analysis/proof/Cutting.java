package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Comparing;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Cuts the answers of every field at all that any rule compares them with: edges of conditions and bands, choices, texts,
 * lengths. Fields that are compared with each other are cut at the same places.
 */
final class Cutting {

    private final LocalDate today;
    private final Map<String, List<Clause>> clauses = new HashMap<>();
    private final Map<String, TreeSet<BigDecimal>> edges = new HashMap<>();
    private final Set<String> fixed = new LinkedHashSet<>();
    private final Map<String, String> alike = new HashMap<>();
    private final Map<String, FieldRegions> regions = new LinkedHashMap<>();
    private final TurningPoints turningPoints;
    private final Map<Asked, Found> along = new HashMap<>();
    private final Map<String, Field> fields = new LinkedHashMap<>();
    private final Pairs pairs;
    private final Set<String> hasFilter = new HashSet<>();
    private final Set<String> cellByCell = new HashSet<>();

    /** A rule of a version. */
    private record Asked(PreparedTemplate version, FormulaRule rule) {}

    /**
     * @param followed the key of the field whose answers are cut where the rule turns
     * @param cuts where that was cut for which it works something out
     */
    private record Found(String followed, List<BigDecimal> cuts) {}

    private static final int MOST_ROUNDS = 4;

    /** How many cells a list has at most that are told apart one by one. */
    private static final int MOST_CELLS = 100;

    private static final FieldRegions YES_OR_NO = oneOf(List.of(
            Region.of(FieldKind.YesNo.YES, new Value.YesNo(true)),
            Region.of(FieldKind.YesNo.NO, new Value.YesNo(false))));

    private Cutting(List<PreparedTemplate> versions, List<Clause> besides, LocalDate today, SharedVariables shared) {
        this.today = today;
        this.turningPoints = new TurningPoints(shared);
        besides.forEach(this::look);
        for (PreparedTemplate version : versions) {
            for (Condition.Leaf leaf : TemplateConditions.leaves(version.template())) {
                look(leaf);
            }
            bands(version.template());
            filters(version.template());
            for (Field each : version.template().fields()) {
                fields.merge(each.key(), each, CommonAnswers::of);
            }
        }
        // Once it is known what is compared with what.
        versions.forEach(version -> limits(version.template()));
        formulas(versions, besides);
        SymbolTable symbols = versions.getFirst().symbols();
        ClauseMeaning meaning = new ClauseMeaning(symbols);
        fields.forEach((key, field) -> regions.put(
                key, cut(field, versions.stream().map(PreparedTemplate::symbols).toList(), meaning)));
        this.pairs = new Pairs(
                versions.stream()
                        .flatMap(version -> lookingAtTwo(version, besides).stream())
                        .toList(),
                this,
                shared);
    }

    /**
     * The cuts of a template, or of several versions of one: whatever any of them tells apart.
     *
     * @param versions of which fields of one key take the same kind of answer
     * @param besides clauses that none of them has, and that are asked all the same
     * @param shared what was found out for other revisions
     */
    static Cutting of(List<PreparedTemplate> versions, List<Clause> besides, LocalDate today, SharedVariables shared) {
        return new Cutting(versions, besides, today, shared);
    }

    /** The regions of a field. */
    FieldRegions of(String field) {
        return Objects.requireNonNull(regions.get(field), field);
    }

    /** A field with the answers that all versions accept. */
    Field field(String key) {
        return Objects.requireNonNull(fields.get(key), key);
    }

    /** The two fields that a rule looks at, as far as it tells their answers apart; null where that is not known. */
    @Nullable
    Together together(PreparedTemplate version, FormulaRule rule) {
        return pairs.of(version, rule);
    }

    /**
     * Whether what a field says about today is the same on every day: it is where the field, and all it is compared with,
     * is held against no fixed day.
     */
    boolean isSameEveryDay(String field) {
        String root = root(field);
        return fixed.stream().noneMatch(other -> root(other).equals(root));
    }

    private void look(Condition.Leaf leaf) {
        if (leaf instanceof Clause clause) {
            clauses.computeIfAbsent(clause.field(), ignored -> new ArrayList<>())
                    .add(clause);
            if (clause instanceof Comparing comparing) {
                comparing.operands().forEach(operand -> edge(clause.field(), operand));
            }
        }
    }

    private void edge(String field, Operand operand) {
        switch (operand) {
            case Operand.NumberOperand(var number) -> fixedEdge(field, number);
            case Operand.DateOperand(var date) -> fixedEdge(field, Bound.number(date));
            case Operand.TimeOperand(var time) -> fixedEdge(field, BigDecimal.valueOf(time.toSecondOfDay()));
            case Operand.TodayOperand(var days) -> edges(field).add(Bound.number(today.plusDays(days)));
            case Operand.FieldOperand(var other) -> join(field, other);
            case Operand.FormulaOperand ignored -> {}
        }
    }

    private void fixedEdge(String field, BigDecimal at) {
        fixed.add(field);
        edges(field).add(at);
    }

    private Set<BigDecimal> edges(String field) {
        return edges.computeIfAbsent(field, ignored -> new TreeSet<>());
    }

    private void bands(Template template) {
        for (Node node : template.nodes()) {
            if (node instanceof Field field) {
                bands(field.key(), field.bands());
            } else if (node instanceof Indicator indicator) {
                bands(indicator.follows(), indicator.bands());
            }
        }
    }

    private void limits(Template template) {
        for (Field field : template.fields()) {
            SizeLine line = SizeLine.of(field.kind());
            for (BigDecimal limit : new BigDecimal[] {line.lowest(), line.highest()}) {
                if (limit != null) {
                    fixed.add(field.key());
                    if (isWorkedOut(field) || alike.containsKey(field.key()) || alike.containsValue(field.key())) {
                        // What a formula gives, or another field it is compared with has, may lie beyond it.
                        edges(field.key()).add(limit);
                    }
                }
            }
        }
    }

    /** All that hangs on a formula. */
    private static List<FormulaRule> rules(PreparedTemplate version, List<Clause> besides) {
        List<FormulaRule> rules = new ArrayList<>();
        Stream.concat(TemplateConditions.leaves(version.template()).stream(), besides.stream())
                .map(FormulaRule::of)
                .filter(Objects::nonNull)
                .forEach(rules::add);
        rules.addAll(FormulaRule.workedOut(version));
        return rules;
    }

    /** Each answer to a field by itself, where a formula looks at it and it takes a handful. */
    private void few(PreparedTemplate version, FormulaRule rule) {
        for (String name : rule.names(version.symbols())) {
            Field field = version.symbols().field(name);
            if (field != null && field.kind().isNumeric() && !isWorkedOut(field)) {
                List<BigDecimal> all = SizeLine.of(field.kind()).few();
                if (!all.isEmpty()) {
                    edges(name).addAll(all);
                }
            }
        }
    }

    /**
     * Looks at what hangs on formulas until that cuts nothing any more: where one hangs on what another gives, the one is
     * followed by the answers of the other.
     */
    private void formulas(List<PreparedTemplate> versions, List<Clause> besides) {
        Map<PreparedTemplate, List<FormulaRule>> rules = new LinkedHashMap<>();
        versions.forEach(version -> rules.put(version, rules(version, besides)));
        rules.forEach((version, all) -> all.forEach(rule -> few(version, rule)));
        for (int round = 0; round < MOST_ROUNDS; round++) {
            rules.forEach((version, all) -> all.forEach(rule -> along(version, rule)));
            if (!along.entrySet().removeIf(each -> isCutAnew(each.getKey().rule(), each.getValue()))) {
                return;
            }
        }
    }

    private boolean isCutAnew(FormulaRule rule, Found found) {
        return rule instanceof FormulaRule.Given(var told, var ignored)
                && !found.cuts().equals(allEdges(told.key()));
    }

    /** How often formulas were worked out to find where they turn. */
    int tried() {
        return turningPoints.tried();
    }

    /** Whether a rule was looked through that follows the answers to a field, so that none of its regions does both. */
    boolean isAlong(PreparedTemplate version, FormulaRule rule, String field) {
        Found found = along.get(new Asked(version, rule));
        return found != null && found.followed().equals(field);
    }

    /** The answers to a field, one by one, where they are few; null where they are not. */
    private @Nullable FieldRegions fewAnswers(Field field) {
        return switch (field.kind()) {
            case FieldKind.YesNo ignored -> YES_OR_NO;
            case FieldKind.OneChoice it -> it.other() ? null : choices(it);
            case FieldKind kind ->
                kind.isNumeric()
                                && !isWorkedOut(field)
                                && !SizeLine.of(kind).few().isEmpty()
                        ? ordered(field)
                        : null;
        };
    }

    private static boolean canBeFollowed(Field field) {
        return switch (field.kind()) {
            case FieldKind.Number ignored -> true;
            case FieldKind.Money ignored -> true;
            case FieldKind.Date ignored -> !isWorkedOut(field);
            default -> false;
        };
    }

    private static SizeLine line(Field field) {
        return isWorkedOut(field) ? SizeLine.of(field.kind()).ofFormula() : SizeLine.of(field.kind());
    }

    /** The answers to a field at which a formula turns that looks at few answers else. */
    private void along(PreparedTemplate version, FormulaRule rule) {
        Pairs.SeenFormula two = lookingAtTwo(version, rule);
        if (two != null) {
            two.fields().alone().forEach(each -> along(version, each));
            return;
        }
        List<TurningPoints.Source> sources = new ArrayList<>();
        Field followed = null;
        if (along.containsKey(new Asked(version, rule))) {
            return;
        }
        for (String name : rule.names(version.symbols())) {
            Field field = version.symbols().field(name);
            if (field == null || version.symbols().rowsAround(name) != null) {
                return;
            }
            if (fewAnswers(fields.getOrDefault(name, field)) instanceof FieldRegions.OneOf(var regions)) {
                sources.add(new TurningPoints.Source(field, regions));
            } else if (followed != null || !canBeFollowed(field)) {
                return;
            } else {
                followed = field;
            }
        }
        if (followed == null) {
            return;
        }
        List<BigDecimal> cuts =
                rule instanceof FormulaRule.Given(var told, var ignored) ? allEdges(told.key()) : List.of();
        TurningPoints.Along found = turningPoints.of(
                version, rule, sources, followed, line(fields.getOrDefault(followed.key(), followed)), cuts);
        if (found != null) {
            found.points().forEach(point -> fixedEdge(found.key(), point));
            along.put(new Asked(version, rule), new Found(found.key(), cuts));
        }
    }

    /** The rules that look at two numbers or days, and at few answers else. */
    private List<Pairs.SeenFormula> lookingAtTwo(PreparedTemplate version, List<Clause> besides) {
        List<FormulaRule> all = new ArrayList<>(rules(version, besides));
        Stream.concat(TemplateConditions.leaves(version.template()).stream(), besides.stream())
                .filter(Cutting::comparesFields)
                .map(FormulaRule.Met::new)
                .forEach(all::add);
        List<Pairs.SeenFormula> found = new ArrayList<>();
        for (FormulaRule rule : new LinkedHashSet<>(all)) {
            Pairs.SeenFormula seen = lookingAtTwo(version, rule);
            if (seen != null
                    && seen.fields().alone().stream().allMatch(each -> along.containsKey(new Asked(version, each)))) {
                found.add(seen);
            }
        }
        return found;
    }

    private Pairs.@Nullable SeenFormula lookingAtTwo(PreparedTemplate version, FormulaRule rule) {
        Map<String, SizeLine> lines = new HashMap<>();
        List<TurningPoints.Source> few = new ArrayList<>();
        Map<String, BigDecimal> sizes = new HashMap<>();
        for (String name : rule.names(version.symbols())) {
            Field field = version.symbols().field(name) == null ? null : field(name);
            if (field == null || version.symbols().rowsAround(name) != null) {
                return null;
            }
            if (fewAnswers(field) instanceof FieldRegions.OneOf(var some)) {
                few.add(new TurningPoints.Source(field, some));
                sizes.put(name, TurningPoints.size(some));
            } else if (canBeFollowed(field) && !isWorkedOut(field)) {
                lines.put(name, SizeLine.of(field.kind()));
            } else {
                return null;
            }
        }
        TwoFields fields = lines.size() == 2 ? TwoFields.of(rule, lines, sizes) : null;
        return fields == null ? null : new Pairs.SeenFormula(version, rule, fields, few);
    }

    private static boolean comparesFields(Condition.Leaf leaf) {
        return leaf instanceof Comparing comparing
                && comparing.operands().stream().anyMatch(Operand.FieldOperand.class::isInstance)
                && comparing.operands().stream().noneMatch(Operand.FormulaOperand.class::isInstance);
    }

    private void bands(String field, List<Band> bands) {
        for (Band band : bands) {
            Bound upTo = band.upTo();
            if (upTo != null) {
                fixedEdge(field, upTo.at());
            }
        }
    }

    private void join(String one, String other) {
        if (!root(one).equals(root(other))) {
            alike.put(root(one), root(other));
        }
    }

    private String root(String field) {
        String root = field;
        for (String next = alike.get(root); next != null; next = alike.get(root)) {
            root = next;
        }
        return root;
    }

    /** What is asked of a field. */
    List<Clause> clauses(String field) {
        return clauses.getOrDefault(field, List.of());
    }

    /** The edges of a field and of all that it is compared with, in their order. */
    List<BigDecimal> allEdges(String field) {
        String root = root(field);
        TreeSet<BigDecimal> all = new TreeSet<>(edges.getOrDefault(field, new TreeSet<>()));
        if (alike.containsKey(field) || alike.containsValue(field)) {
            edges.forEach((other, some) -> {
                if (root(other).equals(root)) {
                    all.addAll(some);
                }
            });
        }
        return List.copyOf(all);
    }

    private FieldRegions cut(Field field, List<SymbolTable> symbols, ClauseMeaning meaning) {
        return switch (field.kind()) {
            case FieldKind.SeveralChoices it ->
                new FieldRegions.AnyOf(
                        it.offered().stream().map(Choice::id).toList(),
                        Math.max(1, it.least()),
                        it.most() == 0 ? Integer.MAX_VALUE : it.most());
            case FieldKind.OneChoice it -> choices(it);
            case FieldKind.YesNo ignored -> YES_OR_NO;
            case FieldKind.Lookup ignored -> oneOf(cells(field, symbols, meaning));
            case FieldKind.Textual ignored ->
                oneOf(new TextAtoms(field, clauses(field.key()), meaning).regions(isWorkedOut(field)));
            case FieldKind.Numeric ignored -> ordered(field);
            case FieldKind.Date ignored -> ordered(field);
            case FieldKind.Time ignored -> ordered(field);
            case FieldKind.DateSigned ignored -> ordered(field);
            case FieldKind.Signature ignored -> given(field);
            case FieldKind.Initials ignored -> given(field);
            case FieldKind.Attachment ignored -> given(field);
            case FieldKind.Picture ignored -> given(field);
            case FieldKind.Payment ignored ->
                oneOf(List.of(Region.of("1 example", new Value.Paid(BigDecimal.ONE, "example"))));
        };
    }

    private static boolean isWorkedOut(Field field) {
        return field.value() instanceof FieldValue.WorkedOut;
    }

    private static FieldRegions oneOf(List<Region> answered) {
        List<Region> all = new ArrayList<>();
        all.add(Region.BLANK);
        all.addAll(answered);
        return new FieldRegions.OneOf(all);
    }

    private static FieldRegions choices(FieldKind.OneChoice kind) {
        List<Region> all = new ArrayList<>();
        kind.choices().forEach(choice -> all.add(Region.of(choice.id(), new Value.Chosen(choice.id()))));
        if (kind.other()) {
            String words = "Something else";
            all.add(Region.of(Reading.OTHER + words, new Value.Chosen(Choice.OTHER, words)));
        }
        return oneOf(all);
    }

    /** The cells that the field offers in all versions that have it. */
    private static Set<String> commonCells(String field, List<SymbolTable> symbols) {
        Set<String> common = new LinkedHashSet<>();
        for (SymbolTable version : symbols) {
            Field own = version.field(field);
            if (own == null) {
                continue;
            }
            if (common.isEmpty()) {
                common.addAll(version.choices(own));
            } else {
                common.retainAll(new HashSet<>(version.choices(own)));
            }
        }
        return common;
    }

    /**
     * One cell for all that no clause tells apart: a list may have a hundred thousand of them. Where it is short, and what is
     * left of it hangs on others, or they hang on it, each by itself.
     */
    private List<Region> cells(Field field, List<SymbolTable> symbols, ClauseMeaning meaning) {
        List<Clause> asking = clauses(field.key()).stream()
                .filter(Clause.ChoiceClause.class::isInstance)
                .distinct()
                .toList();
        Map<List<Boolean>, Region> found = new LinkedHashMap<>();
        Set<String> common = commonCells(field.key(), symbols);
        for (String cell : common) {
            Value value = new Value.Chosen(cell);
            List<Boolean> said = asking.stream()
                    .map(clause -> meaning.meets(clause, value, List.of()))
                    .toList();
            found.putIfAbsent(said, Region.of(cell, value));
        }
        if (!hasFilter.contains(field.key()) || common.size() > MOST_CELLS) {
            return List.copyOf(found.values());
        }
        cellByCell.add(field.key());
        return common.stream()
                .map(cell -> Region.of(cell, new Value.Chosen(cell)))
                .toList();
    }

    /** Whether each cell that a field offers is told apart from all others. */
    boolean isCellByCell(String field) {
        return cellByCell.contains(field);
    }

    /** Lists that leave cells for the answers of others, and those that these are the answers to. */
    private void filters(Template template) {
        for (Field field : template.fields()) {
            if (field.kind() instanceof FieldKind.Lookup it && !it.filters().isEmpty()) {
                hasFilter.add(field.key());
                hasFilter.addAll(it.filters().values());
            }
        }
    }

    private static FieldRegions given(Field field) {
        String typed = field.kind().facts().example();
        Reading read = Reading.of(field.kind(), typed);
        return oneOf(List.of(Region.of(typed, read.value())));
    }

    private FieldRegions ordered(Field field) {
        SizeLine line = line(field);
        List<BigDecimal> cuts = allEdges(field.key());
        List<Region> found = new ArrayList<>();
        for (int i = 0; i <= cuts.size(); i++) {
            BigDecimal low = i == 0 ? null : cuts.get(i - 1);
            BigDecimal high = i == cuts.size() ? null : cuts.get(i);
            Region between = between(line, 2 * i, line.first(low), line.last(high));
            if (between != null) {
                found.add(between);
            }
            if (high != null && line.accepts(high)) {
                found.add(at(line, 2 * i + 1, high, List.of()));
            }
        }
        return oneOf(found);
    }

    private static @Nullable Region between(
            SizeLine line, int position, @Nullable BigDecimal first, @Nullable BigDecimal last) {
        if (first != null && last != null && first.compareTo(last) > 0) {
            return null;
        }
        BigDecimal plain = line.plain(first, last);
        List<BigDecimal> others = new ArrayList<>();
        others.add(first != null ? first : plain.subtract(BigDecimal.TEN));
        others.add(last != null ? last : plain.add(BigDecimal.TEN));
        return at(line, position, plain, others);
    }

    private static Region at(SizeLine line, int position, BigDecimal point, List<BigDecimal> others) {
        Value value = line.value(point);
        return new Region(
                TypedText.of(value),
                value,
                position,
                others.stream()
                        .filter(other -> other.compareTo(point) != 0)
                        .map(other -> TypedText.of(line.value(other)))
                        .distinct()
                        .toList());
    }
}
