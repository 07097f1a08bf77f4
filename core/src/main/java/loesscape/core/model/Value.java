package loesscape.core.model;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;

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
            String text = WhiteSpace.stripped(Normalizer.normalize(raw, Normalizer.Form.NFC));
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

    /** A time of the day, without a time zone. */
    record Time(LocalTime time) implements Value {}

    /**
     * The chosen choice.
     *
     * @param choice its identity (see {@link Choice#id()}), not its label; the text of the cell where it was looked up
     * @param words the filler's own words where the choice is {@link Choice#OTHER}; empty otherwise
     */
    record Chosen(String choice, String words) implements Value {

        /** A choice that needs no words. */
        public Chosen(String choice) {
            this(choice, "");
        }
    }

    /**
     * Several chosen choices.
     *
     * @param choices their identities, each once, in the order in which they are offered; at least one
     * @param words the filler's own words where {@link Choice#OTHER} is among them; empty otherwise
     */
    record ChosenSet(List<String> choices, String words) implements Value {

        public ChosenSet {
            choices = List.copyOf(choices);
            if (choices.isEmpty()) {
                throw new IllegalArgumentException("An empty set is blank, not a set of choices");
            }
        }
    }

    /** A signature or initials that are there; {@code reference} says where they are kept or what was written. */
    record Signed(String reference) implements Value {}

    /** Files that were handed in; at least one. */
    record Files(List<File> files) implements Value {

        public Files {
            files = List.copyOf(files);
        }
    }

    /**
     * A file that was handed in.
     *
     * @param id where it is kept
     * @param bytes its size
     * @param name the name it came with
     */
    record File(String id, int bytes, String name) {}

    /**
     * A payment that was made.
     *
     * @param amount in the currency of its field
     * @param reference by which the payment desk knows it
     */
    record Paid(BigDecimal amount, String reference) implements Value {

        public Paid {
            amount = Numbers.canonical(amount);
        }
    }
}
