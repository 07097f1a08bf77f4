package loesscape.formats.form;

import java.util.List;
import loesscape.formats.form.PdfForm.FormPlace;

/** A field of a PDF. What is only pressed (push buttons) asks nothing and is none. */
public sealed interface FormField {

    /** What all fields have. */
    Common common();

    /**
     * What all fields have.
     *
     * @param name its full name, the parts joined by points
     * @param tooltip what it says of itself to people; may be empty
     * @param required whether it has to be filled in
     * @param locked whether it cannot be changed
     */
    record Common(String name, String tooltip, boolean required, boolean locked) {}

    /**
     * Something to choose.
     *
     * @param stored what is kept of it
     * @param label what people read
     */
    record Option(String stored, String label) {}

    /**
     * A text that is written.
     *
     * @param places at least one; the same answer stands in each
     * @param multiline whether it has several lines
     * @param longest the most characters; 0 for no limit
     * @param combed whether each character has a cell of its own, as many as the longest
     * @param value what stands there now; may be empty
     */
    record WrittenText(
            Common common, List<FormPlace> places, boolean multiline, int longest, boolean combed, String value)
            implements FormField {}

    /**
     * One mark that is set or not.
     *
     * @param places at least one; the same answer stands in each
     * @param stored what is kept when it is set
     * @param isSet whether it is now
     */
    record SingleMark(Common common, List<FormPlace> places, String stored, boolean isSet) implements FormField {}

    /**
     * Marks of which one is set, each with places of its own.
     *
     * @param marks at least two
     * @param chosen what is kept of the one that is set; empty for none
     */
    record MarksForOne(Common common, List<PlacedMark> marks, String chosen) implements FormField {}

    /**
     * One of several marks.
     *
     * @param option what it stands for
     * @param places at least one
     */
    record PlacedMark(Option option, List<FormPlace> places) {}

    /**
     * A list to choose from.
     *
     * @param places at least one; the same answer stands in each
     * @param options in order
     * @param several whether several can be chosen
     * @param open whether something else can be written
     * @param chosen what is kept of those that are chosen now
     */
    record ChoiceList(
            Common common,
            List<FormPlace> places,
            List<Option> options,
            boolean several,
            boolean open,
            List<String> chosen)
            implements FormField {}

    /**
     * A place for a signature.
     *
     * @param places at least one
     */
    record SignaturePlace(Common common, List<FormPlace> places) implements FormField {}
}
