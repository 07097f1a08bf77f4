package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/** What a formula gives as the value of a field. */
public final class WorkedOut {

    private WorkedOut() {}

    /**
     * The value of a result: rounded to the decimals of its field, halves away from zero; blank where it is not of the
     * field's kind, or a choice that is not offered.
     */
    static Value value(FieldKind kind, @Nullable Object result, Offered offered) {
        return switch (result) {
            case null -> Value.blank();
            case BigDecimal number when kind.isNumeric() -> number(number, kind.mostDecimals());
            case Boolean yes when kind instanceof FieldKind.YesNo -> new Value.YesNo(yes);
            case LocalDate date when kind instanceof FieldKind.Date -> new Value.Date(date);
            case LocalTime time when kind instanceof FieldKind.Time -> new Value.Time(time);
            case String text when kind.isText() -> Value.Text.of(text);
            case String choice
            when kind instanceof FieldKind.OneChoice && offered.contains(choice) -> new Value.Chosen(choice);
            default -> Value.blank();
        };
    }

    /**
     * A number rounded to some decimals, halves away from zero; blank where it has more digits than a number may have.
     *
     * @param decimals of the field it is worked out for
     */
    public static Value number(BigDecimal number, int decimals) {
        if (number.precision() - (long) number.scale() > Numbers.MOST_DIGITS) {
            return Value.blank();
        }
        BigDecimal rounded = number.scale() > decimals ? number.setScale(decimals, RoundingMode.HALF_UP) : number;
        return Numbers.isReasonable(rounded) ? new Value.Number(rounded) : Value.blank();
    }
}
