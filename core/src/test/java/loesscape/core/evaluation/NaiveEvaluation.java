package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.model.Band;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import loesscape.core.wording.AnswerWords;
import org.jspecify.annotations.Nullable;

/** The meaning of a document straight from its definition: every question is answered anew, nothing is remembered. */
final class NaiveEvaluation {

    private final Template template;
    private final Answers answers;
    private final Context context;
    private final Map<String, Node> nodes = new HashMap<>();
    private final Map<String, Node> holders = new HashMap<>();

    NaiveEvaluation(Template template, Answers answers, Context context) {
        this.template = template;
        this.answers = answers;
        this.context = context;
        template.nodes().forEach(node -> nodes.put(node.key(), node));
        for (Page page : template.pages()) {
            for (Section section : page.sections()) {
                holders.put(section.key(), page);
                hold(section);
            }
        }
    }

    /** The repeating section in whose rows a node stands; null where it stands in none. */
    @Nullable
    Section around(Node node) {
        Node holder = holder(node);
        while (holder != null) {
            if (holder instanceof Section section && section.rows() != null) {
                return section;
            }
            holder = holder(holder);
        }
        return null;
    }

    private static final Pattern PIECES =
            Pattern.compile("\\[(\\w+): ([^\\[\\]|]*?)(?: \\| ([^\\[\\]]*))?\\]|\\{(\\w+)\\}|[^\\[{]+");

    /** What a notice says, piece by piece; no brackets in brackets. */
    String text(Notice notice, String row) {
        if (!notice.text().startsWith("|")) {
            return text(notice.text(), notice, row);
        }
        // Two columns beneath heads; see RandomTemplates.
        List<String> lines = notice.text().lines().toList();
        List<String> rows = new ArrayList<>();
        for (String line : lines.subList(2, lines.size())) {
            int bar = line.lastIndexOf(" | ");
            String written = line.substring(1, bar).strip();
            String first = text(written, notice, row);
            String second = line.substring(bar + 3, line.length() - 1).strip();
            if (!first.isBlank() || !second.isBlank() || written.isEmpty()) {
                rows.add((first.isBlank() ? "" : first) + "\t" + second);
            }
        }
        if (rows.isEmpty()) {
            return lines.size() > 2 ? "" : "Notice\tBeside";
        }
        return "Notice\tBeside\n" + String.join("\n", rows);
    }

    private String text(String source, Notice notice, String row) {
        StringBuilder said = new StringBuilder();
        Matcher matcher = PIECES.matcher(source);
        while (matcher.find()) {
            String otherwise = matcher.group(3) == null ? "" : matcher.group(3);
            if (matcher.group(4) != null) {
                Field field = field(matcher.group(4));
                said.append(AnswerWords.in(Locale.ENGLISH).of(field.kind(), counting(field, row)));
            } else if (matcher.group(1) == null) {
                said.append(matcher.group());
            } else if (nodes.get(matcher.group(1)) instanceof Section section) {
                String words = matcher.group(2);
                List<String> rows = rows(section).stream()
                        .filter(each -> {
                            Matcher named = Pattern.compile("\\{(\\w+)\\}").matcher(words);
                            boolean isOfRow = false;
                            boolean isAnswered = false;
                            while (named.find()) {
                                Field field = field(named.group(1));
                                boolean inRow = section.equals(around(field));
                                isOfRow |= inRow;
                                isAnswered |= inRow && !counting(field, each).isBlank();
                            }
                            return isAnswered || !isOfRow;
                        })
                        .toList();
                for (int i = 0; i < rows.size(); i++) {
                    said.append(text(matcher.group(2), notice, rows.get(i)));
                    said.append(i < rows.size() - 2 ? ", " : i == rows.size() - 2 ? " and " : "");
                }
                said.append(rows.isEmpty() ? text(otherwise, notice, row) : "");
            } else {
                Condition when = notice.phrases().stream()
                        .filter(phrase -> phrase.name().equals(matcher.group(1)))
                        .findFirst()
                        .orElseThrow()
                        .when();
                said.append(text(holds(when, row) ? matcher.group(2) : otherwise, notice, row));
            }
        }
        return said.toString();
    }

    /** The names of the rows of a repeating section. */
    List<String> rows(Section section) {
        if (!shown(section, "")) {
            return List.of();
        }
        String typed = answers.typed().get(section.key());
        List<String> rows = new ArrayList<>();
        if (typed == null) {
            for (int i = 1; i <= Objects.requireNonNull(section.rows()).least(); i++) {
                rows.add("r" + i);
            }
            return rows;
        }
        for (String name : typed.split(",", -1)) {
            if (name.matches("[a-z0-9]+") && !rows.contains(name)) {
                rows.add(name);
            }
        }
        int least = Objects.requireNonNull(section.rows()).least();
        for (int i = 1; rows.size() < least; i++) {
            if (!rows.contains("blank" + i)) {
                rows.add("blank" + i);
            }
        }
        return rows;
    }

    boolean shown(Node node, String row) {
        Node holder = holder(node);
        return (holder == null || shown(holder, row)) && (node.shown() == null || holds(node.shown(), row));
    }

    private @Nullable Node holder(Node node) {
        return holders.get(node.key());
    }

    private void hold(Section section) {
        for (Item item : section.items()) {
            holders.put(item.key(), section);
            if (item instanceof Section inner) {
                hold(inner);
            }
        }
    }

    private String address(Field field, String row) {
        return around(field) == null ? field.key() : field.key() + "@" + row;
    }

    Value counting(Field field, String row) {
        return shown(field, row) ? reading(field, row).value() : Value.blank();
    }

    Reading reading(Field field, String row) {
        String typed = answers.typed().get(address(field, row));
        if (field.value() instanceof FieldValue.WorkedOut(var formula, var overtypable)
                && !(overtypable && typed != null && !typed.isBlank())) {
            return new Reading.Read(workedOut(field.kind(), formula, row));
        }
        if (typed == null && field.value() instanceof FieldValue.Starting(var answer)) {
            typed = answer;
        }
        boolean other = field.kind() instanceof FieldKind.Choosing of && of.other();
        return Reading.of(
                field.kind(), typed == null ? "" : typed, new Offered(offered(field, row), depends(field), other));
    }

    /** The few formulas that are made for tests: key, key / 3, sum(section.key[item != null]). */
    private Value workedOut(FieldKind kind, String formula, String row) {
        if (formula.startsWith("sum(")) {
            String[] names = formula.substring(4, formula.indexOf('[')).split("\\.", -1);
            BigDecimal total = total(field(names[1]), section(names[0]));
            return total == null ? Value.blank() : rounded(kind, total);
        }
        String[] words = formula.split(" ", -1);
        Value value = counting(field(words[0]), row);
        if (value instanceof Value.Number(var number)) {
            return rounded(
                    kind, words.length == 1 ? number : number.divide(BigDecimal.valueOf(3), MathContext.DECIMAL128));
        }
        return value;
    }

    private static Value rounded(FieldKind kind, BigDecimal number) {
        int decimals = kind instanceof FieldKind.Number it ? it.decimals() : kind instanceof FieldKind.Money ? 2 : 0;
        return new Value.Number(number.setScale(decimals, RoundingMode.HALF_UP));
    }

    private @Nullable BigDecimal total(Field field, Section section) {
        BigDecimal total = null;
        for (String row : rows(section)) {
            if (counting(field, row) instanceof Value.Number(var number)) {
                total = total == null ? number : total.add(number);
            }
        }
        return total;
    }

    /** What a field offers now, in its own order. */
    List<String> offered(Field field, String row) {
        List<String> offered = new ArrayList<>();
        switch (field.kind()) {
            case FieldKind.Choosing it -> {
                Offer offer = it.offer();
                List<String> named = List.of();
                if (offer != null && counting(field(offer.parent()), row) instanceof Value.Chosen(var id, var words)) {
                    named = offer.perAnswer().getOrDefault(id, List.of());
                }
                boolean some = offer == null
                        || (counting(field(offer.parent()), row) instanceof Value.Chosen(var id, var words)
                                && offer.perAnswer().containsKey(id));
                for (Choice choice : it.choices()) {
                    if (offer == null || named.contains(choice.id())) {
                        offered.add(choice.id());
                    }
                }
                if (it.other() && some) {
                    offered.add("other");
                }
            }
            case FieldKind.Lookup it -> {
                LookupList list = template.lists().getFirst();
                for (List<String> line : list.rows()) {
                    boolean fits = true;
                    for (var filter : it.filters().entrySet()) {
                        Value parent = counting(field(filter.getValue()), row);
                        fits &= parent instanceof Value.Chosen(var cell, var words)
                                && line.get(list.column(filter.getKey())).equalsIgnoreCase(cell);
                    }
                    String cell = line.get(list.column(it.column()));
                    if (fits && !cell.isBlank() && !offered.contains(cell)) {
                        offered.add(cell);
                    }
                }
            }
            default -> {}
        }
        return offered;
    }

    private boolean depends(Field field) {
        return field.kind() instanceof FieldKind.Choosing it
                ? it.offer() != null
                : field.kind() instanceof FieldKind.Lookup lookup
                        && !lookup.filters().isEmpty();
    }

    private boolean isOthers(Field field) {
        boolean isOver = context.stage() == Stage.FINISHED || context.stage() == Stage.PRINT;
        return isOver || isOfAnother(field);
    }

    private boolean isLeftOut(Field field) {
        return template.roles().stream()
                .anyMatch(role -> role.key().equals(field.role())
                        && !role.key().equals(context.role())
                        && role.takesPart() != null
                        && !holds(Objects.requireNonNull(role.takesPart()), ""));
    }

    private boolean isOfAnother(Field field) {
        return !context.role().isEmpty()
                && !field.role().isEmpty()
                && !field.role().equals(context.role());
    }

    boolean editable(Field field, String row) {
        boolean given = field.kind() instanceof FieldKind.DateSigned || field.kind() instanceof FieldKind.Payment;
        boolean workedOut = field.value() instanceof FieldValue.WorkedOut(var formula, var overtypable) && !overtypable;
        return shown(field, row)
                && !isOthers(field)
                && !given
                && !workedOut
                && (field.editable() == null || holds(field.editable(), row));
    }

    boolean required(Field field, String row) {
        boolean pays = field.kind() instanceof FieldKind.Payment
                && shown(field, row)
                && !isOthers(field)
                && (field.editable() == null || holds(field.editable(), row));
        boolean chooses = depends(field) || field.kind() instanceof FieldKind.Lookup;
        boolean canAnswer = !chooses || !offered(field, row).isEmpty();
        return (editable(field, row) || pays)
                && canAnswer
                && !isLeftOut(field)
                && field.required() != null
                && holds(field.required(), row);
    }

    @Nullable
    String refusal(Field field, String row) {
        for (Check check : field.checks()) {
            if (holds(check.refusedWhen(), row)) {
                return check.message();
            }
        }
        return null;
    }

    @Nullable
    Look look(List<LookRule> looks, LookRule.Extent extent, String row) {
        for (LookRule rule : looks) {
            if (holds(rule.when(), row)) {
                return rule.extent() == extent ? rule.look() : null;
            }
        }
        return null;
    }

    @Nullable
    String band(Field field, String row) {
        return band(field.bands(), counting(field, row));
    }

    @Nullable
    String sign(Indicator indicator, String row) {
        Value value = counting(field(indicator.follows()), row);
        if (indicator.presence() != null) {
            return value.isBlank() ? "blank" : "answered";
        }
        if (!indicator.bands().isEmpty()) {
            return band(indicator.bands(), value);
        }
        for (Indicator.ChoiceSign each : indicator.choices()) {
            if (isChosen(value, each.choice())) {
                return each.choice();
            }
        }
        return null;
    }

    private static boolean isChosen(Value value, String choice) {
        return switch (value) {
            case Value.Chosen(var id, var ignored) -> id.equals(choice);
            case Value.ChosenSet(var ids, var ignored) -> ids.contains(choice);
            case Value.YesNo(var yes) -> choice.equals(yes ? "yes" : "no");
            default -> false;
        };
    }

    private static @Nullable String band(List<Band> bands, Value value) {
        for (Band band : bands) {
            Integer order = band.upTo() == null
                    ? Integer.valueOf(-1)
                    : value instanceof Value.Date(var day) && band.upTo().day() != null
                            ? Integer.valueOf(day.compareTo(
                                    Objects.requireNonNull(band.upTo().day())))
                            : value instanceof Value.Number(BigDecimal number)
                                    ? Integer.valueOf(
                                            number.compareTo(band.upTo().at()))
                                    : null;
            boolean isKnown = value instanceof Value.Date || value instanceof Value.Number;
            if (isKnown
                    && order != null
                    && (order < 0
                            || (order == 0 && band.upTo() != null && band.upTo().included()))) {
                return band.id();
            }
        }
        return null;
    }

    private Field field(String key) {
        return (Field) Objects.requireNonNull(nodes.get(key), key);
    }

    private Section section(String key) {
        return (Section) Objects.requireNonNull(nodes.get(key), key);
    }

    private Condition shared(String key) {
        return template.conditions().stream()
                .filter(condition -> condition.key().equals(key))
                .findFirst()
                .orElseThrow()
                .condition();
    }

    boolean holds(Condition condition, String row) {
        return switch (condition) {
            case Condition.Always() -> true;
            case Condition.Never() -> false;
            case Condition.All(var parts) ->
                parts.stream().filter(part -> !holds(part, row)).count() == 0;
            case Condition.Any(var parts) ->
                parts.stream().filter(part -> holds(part, row)).count() > 0;
            case Condition.None(var parts) ->
                parts.stream().filter(part -> holds(part, row)).count() == 0;
            case Condition.AtLeast(var count, var parts) ->
                parts.stream().filter(part -> holds(part, row)).count() >= count;
            case Condition.Written(var formula) -> written(formula.split(" ", -1), row);
            case Condition.StageIs(var stages) -> stages.contains(context.stage());
            case Condition.RoleIs(var roles) -> roles.contains(context.role());
            case Condition.Shared(var key) -> holds(shared(key), row);
            case Condition.RowCount(var section, var test, var count) ->
                met(test, rows(section(section)).size() - count);
            case Condition.Total it -> {
                Field field = field(it.field());
                BigDecimal total = total(field, Objects.requireNonNull(around(field)));
                Value other = other(it.to(), row);
                yield isUndecided(it.to(), row)
                        ? total == null && or(it.whenBlank(), it.test() == Clause.Comparison.OrderTest.NOT_EQUAL)
                        : (total == null || other.isBlank())
                                ? or(it.whenBlank(), it.test() == Clause.Comparison.OrderTest.NOT_EQUAL)
                                : met(it.test(), total.compareTo(((Value.Number) other).number()));
            }
            case Condition.OfRows it -> {
                List<String> rows = rows(section(it.section()));
                long met = rows.stream()
                        .filter(each -> holds(it.condition(), each))
                        .count();
                if (rows.isEmpty()) {
                    yield or(it.whenBlank(), it.quantity() == Condition.OfRows.Quantity.NO);
                }
                yield switch (it.quantity()) {
                    case ANY -> met > 0;
                    case EVERY -> met == rows.size();
                    case NO -> met == 0;
                };
            }
            case Clause clause -> clause(clause, row);
        };
    }

    /**
     * The few formulas that are made for tests: key, key > number, key <= number, key = day, key != null, and the key of
     * a shared condition.
     */
    private boolean written(String[] words, String row) {
        if (words[0].startsWith("shared_")) {
            return holds(shared(words[0]), row);
        }
        Value value = counting(field(words[0]), row);
        if (words.length == 1) {
            return value.equals(new Value.YesNo(true));
        }
        return switch (words[1]) {
            case ">" -> value instanceof Value.Number(var number) && number.compareTo(new BigDecimal(words[2])) > 0;
            case "<=" -> value instanceof Value.Number(var number) && number.compareTo(new BigDecimal(words[2])) <= 0;
            case "=" -> value instanceof Value.Date(var date) && words[2].equals("@\"" + date + "\"");
            default -> !value.isBlank();
        };
    }

    private Value other(Clause.Operand operand, String row) {
        return switch (operand) {
            case Clause.Operand.NumberOperand(var number) -> new Value.Number(number);
            case Clause.Operand.DateOperand(var date) -> new Value.Date(date);
            case Clause.Operand.TimeOperand(var time) -> new Value.Time(time);
            case Clause.Operand.FieldOperand(var key) -> counting(field(key), row);
            case Clause.Operand.FormulaOperand(var key) -> counting(field(key), row);
            case Clause.Operand.TodayOperand(var days) ->
                context.today() == null
                        ? Value.blank()
                        : new Value.Date(context.today().plusDays(days));
        };
    }

    /** Whether the other side is no answer and gives nothing, so that there is nothing to decide by. */
    private boolean isUndecided(Clause.Operand operand, String row) {
        return !(operand instanceof Clause.Operand.FieldOperand)
                && other(operand, row).isBlank();
    }

    private boolean isUndecided(Clause clause, String row) {
        return switch (clause) {
            case Clause.Comparison it -> isUndecided(it.to(), row);
            case Clause.Between it -> isUndecided(it.from(), row) || isUndecided(it.to(), row);
            default -> false;
        };
    }

    private boolean isUnanswered(Clause.Operand operand, String row) {
        return operand instanceof Clause.Operand.FieldOperand
                && other(operand, row).isBlank();
    }

    private boolean isUnknown(Clause clause, String row) {
        return switch (clause) {
            case Clause.Comparison it -> isUnanswered(it.to(), row);
            case Clause.Between it -> isUnanswered(it.from(), row) || isUnanswered(it.to(), row);
            default -> false;
        };
    }

    private boolean clause(Clause clause, String row) {
        Value value = counting(field(clause.field()), row);
        if (!value.isBlank() && !isUnknown(clause, row) && isUndecided(clause, row)) {
            return false;
        }
        if (value.isBlank() || isUnknown(clause, row)) {
            return switch (clause) {
                case Clause.Answered ignored -> false;
                case Clause.IsBlank ignored -> true;
                case Clause.ChoiceClause it -> or(it.whenBlank(), it.test() == Clause.ChoiceClause.ChoiceTest.IS_NOT);
                case Clause.SetClause it -> or(it.whenBlank(), it.test().name().contains("NOT"));
                case Clause.CountClause it -> or(it.whenBlank(), it.test() == Clause.Comparison.OrderTest.NOT_EQUAL);
                case Clause.TextClause it -> or(it.whenBlank(), it.test().name().contains("NOT"));
                case Clause.Comparison it -> or(it.whenBlank(), it.test() == Clause.Comparison.OrderTest.NOT_EQUAL);
                case Clause.Between it -> or(it.whenBlank(), false);
                case Clause.BandClause it -> or(it.whenBlank(), false);
                case Clause.LengthClause it -> or(it.whenBlank(), it.test() == Clause.Comparison.OrderTest.NOT_EQUAL);
            };
        }
        return switch (clause) {
            case Clause.Answered ignored -> true;
            case Clause.IsBlank ignored -> false;
            case Clause.ChoiceClause it -> {
                String chosen = value instanceof Value.YesNo(boolean yes)
                        ? (yes ? "yes" : "no")
                        : ((Value.Chosen) value).choice();
                yield it.choices().contains(chosen) == (it.test() == Clause.ChoiceClause.ChoiceTest.IS);
            }
            case Clause.SetClause it -> {
                Set<String> chosen = new HashSet<>(((Value.ChosenSet) value).choices());
                Set<String> named = new HashSet<>(it.choices());
                yield switch (it.test()) {
                    case INCLUDES -> !Collections.disjoint(chosen, named);
                    case DOES_NOT_INCLUDE -> Collections.disjoint(chosen, named);
                    case INCLUDES_ALL -> chosen.containsAll(named);
                    case IS_EXACTLY -> chosen.equals(named);
                };
            }
            case Clause.CountClause it ->
                met(it.test(), ((Value.ChosenSet) value).choices().size() - it.count());
            case Clause.TextClause it -> {
                String given = ((Value.Text) value).text();
                String text = it.matchCase() ? given : folded(given);
                String sought = it.matchCase() ? it.text() : folded(it.text());
                yield switch (it.test()) {
                    case IS -> text.equals(sought);
                    case IS_NOT -> !text.equals(sought);
                    case CONTAINS -> text.indexOf(sought) >= 0;
                    case DOES_NOT_CONTAIN -> text.indexOf(sought) < 0;
                    case STARTS_WITH -> text.indexOf(sought) == 0;
                    case ENDS_WITH ->
                        text.length() >= sought.length()
                                && text.substring(text.length() - sought.length())
                                        .equals(sought);
                    case MATCHES -> matches(given, it);
                };
            }
            case Clause.Comparison it -> met(it.test(), order(value, other(it.to(), row)));
            case Clause.LengthClause it -> {
                String text = ((Value.Text) value).text();
                yield met(it.test(), text.codePointCount(0, text.length()) - it.length());
            }
            case Clause.BandClause it ->
                it.bands().contains(band(field(it.field()).bands(), value));
            case Clause.Between it -> {
                int from = order(value, other(it.from(), row));
                int to = order(value, other(it.to(), row));
                yield it.outside()
                        ? from < 0 || (from == 0 && it.fromIncluded()) || to > 0 || (to == 0 && it.toIncluded())
                        : (from > 0 || (from == 0 && it.fromIncluded())) && (to < 0 || (to == 0 && it.toIncluded()));
            }
        };
    }

    private static boolean or(@Nullable Boolean set, boolean usual) {
        return set == null ? usual : set;
    }

    private static boolean met(Clause.Comparison.OrderTest test, int order) {
        return switch (test) {
            case EQUAL -> order == 0;
            case NOT_EQUAL -> order != 0;
            case LESS -> order < 0;
            case AT_MOST -> order <= 0;
            case MORE -> order > 0;
            case AT_LEAST -> order >= 0;
        };
    }

    /** The texts of the tests hold no signs of patterns but the full stop, so Java's patterns will do here. */
    private static boolean matches(String text, Clause.TextClause clause) {
        int flags = clause.matchCase() ? 0 : Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE;
        return Pattern.compile(clause.text(), flags).matcher(text).find();
    }

    private static int order(Value value, Value other) {
        return switch (value) {
            case Value.Number(var number) -> number.compareTo(((Value.Number) other).number());
            case Value.Time(var time) -> time.compareTo(((Value.Time) other).time());
            default -> ((Value.Date) value).date().compareTo(((Value.Date) other).date());
        };
    }

    private static String folded(String text) {
        return Normalizer.normalize(text.toUpperCase(Locale.ROOT), Normalizer.Form.NFC)
                .strip();
    }
}
