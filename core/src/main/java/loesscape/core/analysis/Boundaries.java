package loesscape.core.analysis;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import loesscape.core.analysis.proof.TextAtoms;
import loesscape.core.evaluation.Context;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.References;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;

/**
 * The answers to a field at which conditions change their mind: every choice, both sides of every edge and the edge itself
 * (boundary values, ISO/IEC/IEEE 29119-4), texts that are compared with, any answer at all, and none.
 */
final class Boundaries {

    private static final int MOST_CHOICES = 50;

    /** Of a text that was tried for how long it is, so many letters can be counted at a glance; of more, the number is told. */
    private static final int LONGEST_TOLD = 5;

    private Boundaries() {}

    /**
     * What is worth typing into a field to make some conditions change their mind.
     *
     * @param counting what stands in the fields that it is compared with
     */
    static List<String> of(
            Field field,
            List<Condition> conditions,
            SymbolTable symbols,
            Context context,
            Function<String, Value> counting) {
        Set<String> typed = new LinkedHashSet<>();
        symbols.choices(field).stream()
                .filter(id -> !id.equals(Choice.OTHER))
                .limit(MOST_CHOICES)
                .forEach(typed::add);
        for (Condition condition : conditions) {
            for (Condition.Leaf leaf : References.leaves(condition)) {
                if (leaf instanceof Clause clause && clause.field().equals(field.key())) {
                    of(field, clause, symbols, context, counting, typed);
                }
            }
        }
        if (typed.isEmpty()) {
            typed.add(any(field.kind()));
        }
        typed.add("");
        return List.copyOf(typed);
    }

    private static void of(
            Field field,
            Clause clause,
            SymbolTable symbols,
            Context context,
            Function<String, Value> counting,
            Set<String> typed) {
        switch (clause) {
            case Clause.SetClause it -> {
                typed.add(String.join(",", it.choices()));
                String rest = String.join(
                        ",",
                        symbols.choices(field).stream()
                                .filter(id -> !it.choices().contains(id) && !id.equals(Choice.OTHER))
                                .toList());
                typed.add(rest);
            }
            case Clause.CountClause it -> {
                List<String> all = List.copyOf(symbols.choices(field));
                for (int count = Math.max(1, it.count() - 1); count <= Math.min(all.size(), it.count() + 1); count++) {
                    typed.add(String.join(",", all.subList(0, count)));
                }
            }
            case Clause.TextualClause it -> typed.addAll(TextAtoms.turning(it));
            case Clause.BandClause ignored -> {
                for (Band band : field.bands()) {
                    Bound upTo = band.upTo();
                    if (upTo != null && upTo.day() != null) {
                        around(upTo.day(), typed);
                    } else if (upTo != null) {
                        around(upTo.at(), field.kind(), typed);
                    }
                }
            }
            case Clause.Comparison it -> edge(it.to(), field.kind(), context, counting, typed);
            case Clause.Between it -> {
                edge(it.from(), field.kind(), context, counting, typed);
                edge(it.to(), field.kind(), context, counting, typed);
            }
            case Clause.ChoiceClause it -> typed.addAll(it.choices());
            case Clause.Answered ignored -> typed.add(any(field.kind()));
            case Clause.IsBlank ignored -> {}
        }
    }

    private static void edge(
            Operand operand, FieldKind kind, Context context, Function<String, Value> counting, Set<String> typed) {
        switch (operand) {
            case Operand.NumberOperand(var number) -> around(number, kind, typed);
            case Operand.DateOperand(var date) -> around(date, typed);
            case Operand.TodayOperand(var days) -> {
                LocalDate today = context.today();
                if (today != null) {
                    around(today.plusDays(days), typed);
                }
            }
            case Operand.TimeOperand(var time) -> around(time, typed);
            case Operand.FieldOperand(var other) -> {
                switch (counting.apply(other)) {
                    case Value.Number(var number) -> around(number, kind, typed);
                    case Value.Date(var date) -> around(date, typed);
                    case Value.Time(var time) -> around(time, typed);
                    default -> typed.add(any(kind));
                }
            }
            case Operand.FormulaOperand ignored -> typed.add(any(kind));
        }
    }

    private static void around(BigDecimal edge, FieldKind kind, Set<String> typed) {
        BigDecimal step = BigDecimal.ONE.movePointLeft(kind.mostDecimals());
        typed.add(Numbers.plain(edge));
        typed.add(Numbers.plain(edge.add(step)));
        typed.add(Numbers.plain(edge.subtract(step)));
    }

    private static void around(LocalTime time, Set<String> typed) {
        typed.add(time.toString());
        typed.add(time.minusMinutes(1).toString());
        typed.add(time.plusMinutes(1).toString());
    }

    private static void around(LocalDate day, Set<String> typed) {
        typed.add(day.toString());
        typed.add(day.plusDays(1).toString());
        typed.add(day.minusDays(1).toString());
    }

    /** Some answer of a kind. */
    private static String any(FieldKind kind) {
        List<Choice> own = kind.offered();
        return own.isEmpty() ? kind.facts().example() : own.getFirst().id();
    }

    /** A changed answer in words: Purpose is Irrigation, Depth is 30 m, Name is answered, Name is blank. */
    static String words(Field field, String typed) {
        if (typed.isEmpty()) {
            return field.name() + " is blank";
        }
        FieldKind kind = field.kind();
        if (kind.isNumeric()) {
            return field.name() + " is " + Display.number(kind, new BigDecimal(typed));
        }
        if (kind.isDay()) {
            return field.name() + " is " + Display.day(LocalDate.parse(typed));
        }
        if (kind instanceof FieldKind.Time) {
            return field.name() + " is " + Display.time(LocalTime.parse(typed));
        }
        if (kind instanceof FieldKind.SeveralChoices) {
            return field.name() + " is "
                    + Arrays.stream(typed.split(",", -1))
                            .map(id -> Display.choice(kind, id))
                            .collect(Collectors.joining(", "));
        }
        if (kind.isOneChoice()) {
            return field.name() + " is " + Display.choice(kind, typed);
        }
        if (typed.length() > LONGEST_TOLD && typed.equals("x".repeat(typed.length()))) {
            return field.name() + " is " + typed.length() + " characters long";
        }
        return typed.equals(any(kind)) ? field.name() + " is answered" : field.name() + " is “" + typed + "”";
    }
}
