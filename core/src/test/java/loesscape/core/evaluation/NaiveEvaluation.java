package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** The meaning of a document straight from its definition: every question is answered anew, nothing is remembered. */
final class NaiveEvaluation {

    private final Template template;
    private final Answers answers;

    private final Context context;

    NaiveEvaluation(Template template, Answers answers, Context context) {
        this.template = template;
        this.answers = answers;
        this.context = context;
    }

    boolean shown(Node node) {
        Node holder = holder(node);
        return (holder == null || shown(holder)) && (node.shown() == null || holds(node.shown()));
    }

    private @Nullable Node holder(Node node) {
        for (Page page : template.pages()) {
            for (Section section : page.sections()) {
                if (section.key().equals(node.key())) {
                    return page;
                }
                if (section.items().stream().anyMatch(item -> item.key().equals(node.key()))) {
                    return section;
                }
            }
        }
        return null;
    }

    Value counting(Field field) {
        return shown(field) ? Reading.of(field.kind(), answers.of(field.key())).value() : Value.blank();
    }

    boolean editable(Field field) {
        return shown(field) && (field.editable() == null || holds(field.editable()));
    }

    boolean required(Field field) {
        return editable(field) && field.required() != null && holds(field.required());
    }

    @Nullable
    String band(Field field) {
        return band(field.bands(), counting(field));
    }

    @Nullable
    String band(Indicator indicator) {
        return band(indicator.bands(), counting(field(indicator.follows())));
    }

    private static @Nullable String band(List<Band> bands, Value value) {
        if (!(value instanceof Value.Number(BigDecimal number))) {
            return null;
        }
        for (Band band : bands) {
            if (band.upTo() == null
                    || number.compareTo(band.upTo().at()) < 0
                    || (band.upTo().included() && number.compareTo(band.upTo().at()) == 0)) {
                return band.id();
            }
        }
        return null;
    }

    private Field field(String key) {
        return template.fields().stream()
                .filter(field -> field.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    boolean holds(Condition condition) {
        return switch (condition) {
            case Condition.Always() -> true;
            case Condition.Never() -> false;
            case Condition.All(var parts) ->
                parts.stream().filter(part -> !holds(part)).count() == 0;
            case Condition.Any(var parts) -> parts.stream().filter(this::holds).count() > 0;
            case Condition.None(var parts) -> parts.stream().filter(this::holds).count() == 0;
            case Condition.AtLeast(var count, var parts) ->
                parts.stream().filter(this::holds).count() >= count;
            case Condition.Written(var formula) -> written(formula.split(" ", -1));
            case Condition.StageIs(var stages) -> stages.contains(context.stage());
            case Clause clause -> clause(clause);
        };
    }

    /** The few formulas that are made for tests: key, key > number, key <= number, key = day, key != null. */
    private boolean written(String[] words) {
        Value value = counting(field(words[0]));
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

    private Value other(Clause.Operand operand) {
        return switch (operand) {
            case Clause.Operand.NumberOperand(var number) -> new Value.Number(number);
            case Clause.Operand.DateOperand(var date) -> new Value.Date(date);
            case Clause.Operand.FieldOperand(var key) -> counting(field(key));
            case Clause.Operand.TodayOperand(var days) ->
                context.today() == null
                        ? Value.blank()
                        : new Value.Date(context.today().plusDays(days));
        };
    }

    private boolean isUnknown(Clause clause) {
        return switch (clause) {
            case Clause.Comparison it -> other(it.to()).isBlank();
            case Clause.Between it ->
                other(it.from()).isBlank() || other(it.to()).isBlank();
            default -> false;
        };
    }

    private boolean clause(Clause clause) {
        Value value = counting(field(clause.field()));
        if (value.isBlank() || isUnknown(clause)) {
            return switch (clause) {
                case Clause.Answered ignored -> false;
                case Clause.IsBlank ignored -> true;
                case Clause.ChoiceClause it -> or(it.whenBlank(), it.test() == Clause.ChoiceClause.ChoiceTest.IS_NOT);
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
            case Clause.Comparison it -> met(it.test(), order(value, it.to()));
            case Clause.LengthClause it -> {
                String text = ((Value.Text) value).text();
                yield met(it.test(), text.codePointCount(0, text.length()) - it.length());
            }
            case Clause.BandClause it ->
                it.bands().contains(band(field(it.field()).bands(), value));
            case Clause.Between it -> {
                int from = order(value, it.from());
                int to = order(value, it.to());
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

    private int order(Value value, Clause.Operand operand) {
        Value other = other(operand);
        return value instanceof Value.Number(var number)
                ? number.compareTo(((Value.Number) other).number())
                : ((Value.Date) value).date().compareTo(((Value.Date) other).date());
    }

    private static String folded(String text) {
        return Normalizer.normalize(text.toUpperCase(Locale.ROOT), Normalizer.Form.NFC)
                .strip();
    }
}
