package loesscape.core.evaluation;

import java.math.BigDecimal;
import loesscape.core.model.Refused;
import loesscape.core.model.Value;

/** Numbers as authors type them: as limits, edges of bands and values of conditions. They are read as fillers' are. */
public final class TypedNumber {

    private TypedNumber() {}

    /** Whether a text is one number and no other. */
    public static boolean isNumber(String typed) {
        return NumberReading.of(typed) instanceof Reading.Read;
    }

    /** Whether a text is a number, but could be two, such as “1,234”. */
    public static boolean couldBeTwo(String typed) {
        return NumberReading.couldBeTwo(typed);
    }

    /** A number as it would be typed, so that it is the same number in every language. */
    public static String text(BigDecimal number) {
        return NumberReading.text(number);
    }

    /**
     * Reads a number.
     *
     * @throws Refused when it is none, or could be two
     */
    public static BigDecimal of(String typed) {
        return switch (NumberReading.of(typed)) {
            case Reading.Read(Value.Number(var number)) -> number;
            case Reading.Unreadable(var why) ->
                throw new Refused(Refused.Cause.NOT_VALID, "“%s”: %s".formatted(typed.strip(), why));
            case Reading.Read other -> throw new IllegalStateException("A number is read as " + other.value());
        };
    }
}
