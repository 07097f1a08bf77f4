package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.TypedText;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Comparison.OrderTest;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import org.jspecify.annotations.Nullable;

/** Takes the answers to a field apart, edge by edge, choice by choice. */
final class AnswerPieces {

    /** What an author calls answers that are none of those told apart. */
    static final String ANYTHING_ELSE = "anything else";

    private final Field field;
    private final SymbolTable symbols;
    private final Cutting cutting;

    AnswerPieces(Field field, SymbolTable symbols, Cutting cutting) {
        this.field = field;
        this.symbols = symbols;
        this.cutting = cutting;
    }

    List<AnswerPiece> all() {
        List<AnswerPiece> all = new ArrayList<>();
        all.add(new AnswerPiece(
                PieceShape.BLANK, "blank", new Clause.IsBlank(field.key()), "", List.of(), true, null, null));
        switch (cutting.of(field.key())) {
            case FieldRegions.AnyOf(var choices, var least, var ignored) ->
                choices.forEach(choice -> all.add(set(choice, choices, least)));
            case FieldRegions.OneOf(var regions) -> {
                if (isOrdered()) {
                    ordered(all);
                } else if (field.kind() instanceof FieldKind.Lookup) {
                    all.addAll(new ListPieces(field, symbols, cutting).of(regions));
                } else {
                    regions.stream()
                            .skip(1)
                            .map(this::one)
                            .filter(Objects::nonNull)
                            .forEach(all::add);
                }
                // What is none of those that are told stands behind them.
                all.sort(Comparator.comparing(piece -> piece.words().equals(ANYTHING_ELSE)));
            }
        }
        return all;
    }

    private boolean isOrdered() {
        return field.kind().isNumeric() || field.kind().isDay() || field.kind() instanceof FieldKind.Time;
    }

    private AnswerPiece set(String choice, List<String> choices, int least) {
        List<String> typed = new ArrayList<>(List.of(choice));
        choices.stream()
                .filter(other -> !other.equals(choice))
                .limit(Math.max(0, least - 1))
                .forEach(typed::add);
        return new AnswerPiece(
                PieceShape.CHOICE,
                "%s among them".formatted(Display.choice(field.kind(), choice)),
                new Clause.SetClause(field.key(), Clause.SetClause.SetTest.INCLUDES, List.of(choice), null),
                String.join(",", typed),
                List.of(),
                false,
                null,
                null);
    }

    /** One choice, or what stands for texts that are alike; null for texts of which nobody knows one. */
    private @Nullable AnswerPiece one(Region region) {
        Value value = region.value();
        if (value == null) {
            return null;
        }
        String choice = switch (value) {
            case Value.Chosen(var id, var ignored) when field.kind() instanceof FieldKind.OneChoice -> id;
            case Value.YesNo(var yes) -> yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO;
            default -> "";
        };
        if (!choice.isEmpty()) {
            return new AnswerPiece(
                    PieceShape.CHOICE,
                    Display.choice(field.kind(), choice),
                    new Clause.ChoiceClause(field.key(), Clause.ChoiceClause.ChoiceTest.IS, List.of(choice), null),
                    region.typed(),
                    List.of(),
                    !choice.equals(Choice.OTHER),
                    null,
                    null);
        }
        List<Clause> asked = cutting.clauses(field.key()).stream()
                .filter(clause -> !(clause instanceof Clause.Answered) && !(clause instanceof Clause.IsBlank))
                .map(clause -> clause.withRule(null))
                .distinct()
                .toList();
        String words = asked.isEmpty() ? "answered" : likeWords(asked, value);
        return new AnswerPiece(
                PieceShape.LIKE,
                words,
                asked.isEmpty() ? new Clause.Answered(field.key()) : alike(asked, value),
                region.typed(),
                region.others(),
                words.startsWith("“"),
                null,
                null);
    }

    /** Where it is asked only which text it is, that is told. */
    private String likeWords(List<Clause> asked, Value value) {
        String words = "“%s”".formatted(Display.of(field.kind(), value));
        if (!asked.stream().allMatch(AnswerPieces::isWhole)) {
            return "such as " + words;
        }
        ClauseMeaning meaning = new ClauseMeaning(symbols);
        boolean isNamed = asked.stream()
                .anyMatch(clause -> meaning.meets(clause, value, List.of()) != clause.usuallyMetWhenBlank());
        return isNamed ? words : ANYTHING_ELSE;
    }

    private static boolean isWhole(Clause clause) {
        return clause instanceof Clause.TextClause it && (it.test() == TextTest.IS || it.test() == TextTest.IS_NOT);
    }

    /** What is met by all for which each clause says the same as for this one. */
    private Condition alike(List<Clause> asked, Value value) {
        ClauseMeaning meaning = new ClauseMeaning(symbols);
        List<Condition> met = new ArrayList<>(List.of(new Clause.Answered(field.key())));
        List<Condition> unmet = new ArrayList<>();
        asked.forEach(clause -> (meaning.meets(clause, value, List.of()) ? met : unmet).add(clause));
        if (!unmet.isEmpty()) {
            met.add(new Condition.None(unmet));
        }
        return met.size() == 1 ? met.getFirst() : new Condition.All(met);
    }

    private void ordered(List<AnswerPiece> all) {
        SizeLine line = field.value() instanceof FieldValue.WorkedOut
                ? SizeLine.of(field.kind()).ofFormula()
                : SizeLine.of(field.kind());
        List<BigDecimal> edges = cutting.allEdges(field.key()).stream()
                .filter(edge -> !SizeLine.isFar(edge))
                .toList();
        BigDecimal lowest = line.lowest();
        BigDecimal highest = line.highest();
        if (lowest != null && line.refusesBelow()) {
            all.add(refused("under " + words(line, lowest)));
        }
        for (int i = 0; i <= edges.size(); i++) {
            BigDecimal low = i == 0 ? null : edges.get(i - 1);
            BigDecimal high = i == edges.size() ? null : edges.get(i);
            // An edge beyond the limits is none.
            between(
                    line,
                    low == null || (lowest != null && low.compareTo(lowest) < 0) ? null : low,
                    high == null || (highest != null && high.compareTo(highest) > 0) ? null : high,
                    all);
            if (high != null && line.accepts(high)) {
                all.add(exactly(line, high, operandCondition(line, OrderTest.EQUAL, high)));
            }
        }
        if (highest != null && line.refusesAbove()) {
            all.add(refused("over " + words(line, highest)));
        }
    }

    private void between(SizeLine line, @Nullable BigDecimal low, @Nullable BigDecimal high, List<AnswerPiece> all) {
        BigDecimal first = line.first(low);
        BigDecimal last = line.last(high);
        if (first != null && last != null && first.compareTo(last) > 0) {
            return;
        }
        Condition condition = low == null
                ? high == null ? new Clause.Answered(field.key()) : operandCondition(line, OrderTest.LESS, high)
                : high == null
                        ? operandCondition(line, OrderTest.MORE, low)
                        : new Clause.Between(
                                field.key(), false, operand(line, low), false, operand(line, high), false, null);
        if (first != null && last != null && first.compareTo(last) == 0) {
            all.add(exactly(line, first, condition));
            return;
        }
        BigDecimal plain = line.plain(first, last);
        List<String> others = new ArrayList<>();
        for (BigDecimal other : new BigDecimal[] {first, last}) {
            if (other != null && other.compareTo(plain) != 0) {
                others.add(TypedText.of(line.value(other)));
            }
        }
        all.add(new AnswerPiece(
                PieceShape.BETWEEN,
                words(line, low, high),
                condition,
                TypedText.of(line.value(plain)),
                others,
                first != null && last != null,
                low == null ? null : line.value(low),
                high == null ? null : line.value(high)));
    }

    private AnswerPiece exactly(SizeLine line, BigDecimal at, Condition condition) {
        Value value = line.value(at);
        return new AnswerPiece(
                PieceShape.EXACTLY,
                "exactly " + words(line, at),
                condition,
                TypedText.of(value),
                List.of(),
                true,
                value,
                value);
    }

    private static AnswerPiece refused(String words) {
        return new AnswerPiece(PieceShape.REFUSED, words, new Condition.Never(), "", List.of(), true, null, null);
    }

    /** An edge stands in a line of its own, a limit is the last that is taken. */
    private String words(SizeLine line, @Nullable BigDecimal low, @Nullable BigDecimal high) {
        BigDecimal lowest = line.lowest();
        BigDecimal highest = line.highest();
        if (low != null && high != null) {
            return "between %s and %s".formatted(words(line, low), words(line, high));
        }
        if (low != null) {
            return highest == null
                    ? "over " + words(line, low)
                    : "over %s up to %s".formatted(words(line, low), words(line, highest));
        }
        if (high != null) {
            return lowest == null
                    ? "under " + words(line, high)
                    : "from %s to under %s".formatted(words(line, lowest), words(line, high));
        }
        return lowest == null
                ? highest == null ? "answered" : "up to " + words(line, highest)
                : highest == null
                        ? words(line, lowest) + " or more"
                        : "from %s to %s".formatted(words(line, lowest), words(line, highest));
    }

    private String words(SizeLine line, BigDecimal point) {
        return Display.of(field.kind(), line.value(point));
    }

    private Condition operandCondition(SizeLine line, OrderTest test, BigDecimal at) {
        return new Clause.Comparison(field.key(), test, operand(line, at), null);
    }

    private static Operand operand(SizeLine line, BigDecimal at) {
        return switch (line.value(at)) {
            case Value.Date(var date) -> new Operand.DateOperand(date);
            case Value.Time(var time) -> new Operand.TimeOperand(time);
            default -> new Operand.NumberOperand(at);
        };
    }
}
