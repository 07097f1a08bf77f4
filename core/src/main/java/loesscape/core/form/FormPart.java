package loesscape.core.form;

import java.util.List;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Notice;
import loesscape.core.model.Picture;

/** A part of a form, one beneath the other. */
public sealed interface FormPart {

    /**
     * The title of a page or section.
     *
     * @param key of the page or section
     * @param row the name of the row it stands above; empty for none
     * @param number of a section that carries one; empty for none
     * @param level how deep it stands, from 1
     * @param title may be empty where something else is told
     * @param help what is told beneath; may be empty
     * @param onlyWhen when it is there, in words; empty for always
     */
    record Heading(String key, String row, String number, int level, String title, String help, String onlyWhen)
            implements FormPart {}

    /**
     * A question.
     *
     * @param address of its answer
     * @param onlyWhen when it is asked, in words; empty for always
     */
    record Question(Field field, String address, String onlyWhen) implements FormPart {}

    /**
     * Rows of questions that fit beside each other.
     *
     * @param section its key
     * @param label what its rows are called; may be empty
     * @param fields what is asked in each row
     * @param onlyWhen when a field is asked, in words, one for each field; empty for always
     * @param rows the names of the rows there is room for
     * @param most how many there can be
     */
    record Table(String section, String label, List<Field> fields, List<String> onlyWhen, List<String> rows, int most)
            implements FormPart {

        public Table {
            fields = List.copyOf(fields);
            onlyWhen = List.copyOf(onlyWhen);
            rows = List.copyOf(rows);
        }
    }

    /**
     * A text.
     *
     * @param number of a clause; empty for none
     * @param row the name of the row it stands in; empty for none
     * @param onlyWhen when it stands there, in words; empty for always
     */
    record Told(Notice notice, String number, String row, String onlyWhen) implements FormPart {}

    /** Something that shows how an answer stands. */
    record Indicated(Indicator indicator, String row) implements FormPart {}

    /** A picture of the template. */
    record Illustrated(Picture picture) implements FormPart {}

    /** A line between items, by its key. */
    record Ruled(String key) implements FormPart {}
}
