package loesscape.core.model;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.LocalDate;

/**
 * The value of a field. Values of different kinds are never equal, and {@link Blank} is the absence of a value for
 * every kind.
 */
public sealed interface Value {

    /** The one blank value. */
    static Value blank() {
        return Blank.BLANK;
    }

    /** Tells whether there is no value. */
    default boolean isBlank() {
        return this instanceof Blank;
    }

    /** No value. */
    enum Blank implements Value {
        BLANK
    }

    /** Text in Unicode normalization form C (UAX 15) without outer white space; never empty. */
    record Text(String text) implements Value {

        public Text {
            if (text.isEmpty()) {
                throw new IllegalArgumentException("Empty text is blank, not a text value");
            }
        }

        /** The text as a value: composed (NFC), trimmed, and blank when nothing is left. */
        public static Value of(String raw) {
            String text = Normalizer.normalize(raw, Normalizer.Form.NFC).strip();
            return text.isEmpty() ? blank() : new Text(text);
        }
    }

    /** A decimal number; 2.0 and 2.00 are the same number. Also an amount of money, in its field's currency. */
    record Number(BigDecimal number) implements Value {

        public Number {
            number = Numbers.canonical(number);
        }
    }

    /** Yes or no. */
    record YesNo(boolean yes) implements Value {}

    /** A day of the calendar, without a time or a time zone. */
    record Date(LocalDate date) implements Value {}

    /** The chosen choice, by its identity (see {@link Choice#id()}), not by its label. */
    record Chosen(String choice) implements Value {}
}
