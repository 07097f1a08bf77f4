package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * The values of one field as whole numbers that stand to each other as the values do, as far as its conditions tell:
 * numbers are scaled to the digits of what they are compared with; twice that, so that what lies between two of these
 * digits has the odd number between them.
 */
final class Codes {

    /** The code of a blank. */
    static final long BLANK = Long.MIN_VALUE;

    private static final BigDecimal MOST = BigDecimal.valueOf(1L << 60);
    private static final long BEYOND = 1L << 62;

    private final int scale;
    private final Map<String, Long> choices = new HashMap<>();

    /**
     * @param compared what the conditions of the template compare the field with
     */
    Codes(Field field, List<Operand> compared) {
        int most = 0;
        for (Operand operand : compared) {
            if (operand instanceof Operand.NumberOperand(var number)) {
                most = Math.max(most, number.scale());
            }
        }
        this.scale = most;
        field.kind().offered().forEach(choice -> choices.put(choice.id(), (long) choices.size()));
    }

    /** The code of a value; that of a value that no condition asks about is that of any other. */
    long of(Value value) {
        return switch (value) {
            case Value.Blank ignored -> BLANK;
            case Value.Number(var number) -> number(number);
            case Value.Date(var date) -> 2 * date.toEpochDay();
            case Value.Time(var time) -> 2 * time.toNanoOfDay();
            case Value.YesNo(var yes) -> choice(yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO);
            case Value.Chosen(var choice, var ignored) -> choice(choice);
            default -> 0;
        };
    }

    /** The code of a choice; that of one that is not offered is -1. */
    long choice(String id) {
        return choices.getOrDefault(id, -1L);
    }

    /** The code of a fixed value that is compared with; null where it has none. */
    @Nullable
    Long of(Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> {
                long code = number(number);
                yield Math.abs(code) == BEYOND ? null : code;
            }
            case Operand.DateOperand(var date) -> 2 * date.toEpochDay();
            case Operand.TimeOperand(var time) -> 2 * time.toNanoOfDay();
            default -> null;
        };
    }

    private long number(BigDecimal number) {
        BigDecimal scaled = number.movePointRight(scale);
        if (scaled.abs().compareTo(MOST) >= 0) {
            return number.signum() * BEYOND;
        }
        BigDecimal below = scaled.setScale(0, RoundingMode.FLOOR);
        return 2 * below.longValueExact() + (below.compareTo(scaled) == 0 ? 0 : 1);
    }
}
