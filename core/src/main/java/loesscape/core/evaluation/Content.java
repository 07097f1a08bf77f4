package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.Medium;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Template;

/**
 * A filled-in document as its reader sees it: what is shown, in document order, and nothing of what is folded.
 *
 * @param title of the document
 * @param subtitle of the document
 * @param sections the sections that are shown, with the titles of pages between them
 * @param settings how it lies on its pages
 * @param filled the pages of PDF files it is written on; what stands there is not among the sections
 */
public record Content(
        String title, String subtitle, List<Block> sections, PageSettings settings, List<FilledPage> filled) {

    /** A document that is set from its items. */
    public Content(String title, String subtitle, List<Block> sections, PageSettings settings) {
        this(title, subtitle, sections, settings, List.of());
    }

    /** The same with more to tell at the end of its sections. */
    public Content with(Block block) {
        List<Block> more = new ArrayList<>(sections);
        more.add(block);
        return new Content(title, subtitle, more, settings, filled);
    }

    /** A part of the document that is shown. */
    public sealed interface Block {

        /** May be empty. */
        String title();

        /** How deep its title stands: 1 for what stands on its own, more for what stands in another. */
        int level();

        /** Everything in it that has an address or says something, in reading order. */
        List<Line> lines();

        /** The title of a page; only told where there are several. */
        record PageTitle(String title) implements Block {

            @Override
            public int level() {
                return 1;
            }

            @Override
            public List<Line> lines() {
                return List.of();
            }
        }

        /**
         * A section, or one of its rows.
         *
         * @param number of a section that carries one; empty for none
         * @param lines the items that are shown
         */
        record Lines(String title, int level, String number, List<Line> lines) implements Block {}

        /**
         * A section whose rows hold nothing but answers, as a table.
         *
         * @param number of a section that carries one; empty for none
         * @param columns the fields that are shown in any row
         * @param rows in their order; may be empty
         */
        record Rows(String title, int level, String number, List<TableColumn> columns, List<TableRow> rows)
                implements Block {

            @Override
            public List<Line> lines() {
                return rows.stream()
                        .flatMap(row -> row.cells().stream())
                        .filter(cell -> !cell.key().isEmpty())
                        .map(Line.class::cast)
                        .toList();
            }
        }
    }

    /**
     * A column of a table of rows.
     *
     * @param isNumeric whether its answers are numbers, which stand one below the other
     */
    public record TableColumn(String label, boolean isNumeric) {}

    /**
     * A row of such a table.
     *
     * @param look how the row as a whole looks
     * @param cells one for each column; without a key where the field is folded in this row
     */
    public record TableRow(Look look, List<Line.Answer> cells) {}

    /**
     * A choice as it stands on paper, with its mark.
     *
     * @param label what it is called
     * @param isChosen whether it was chosen
     */
    public record Marked(String label, boolean isChosen) {}

    /**
     * The choices of an answer with their marks.
     *
     * @param marks in order; empty where the answer is told in words alone
     * @param columns beside each other; 0 for one below the other
     */
    public record Choices(List<Marked> marks, int columns) {

        /** Told in words alone. */
        static final Choices NONE = new Choices(List.of(), 0);
    }

    /** An item that is shown. */
    public sealed interface Line {

        /**
         * A question with its answer.
         *
         * @param key the address of the field
         * @param label the question
         * @param text the answer in words; empty where there is none
         * @param look how the answer looks
         * @param width the part of a row that it takes
         * @param choices what was to be marked
         */
        record Answer(String key, String label, String text, Look look, Field.Width width, Choices choices)
                implements Line {

            /** An answer in words on a row of its own. */
            public static Answer of(String key, String label, String text, Look look) {
                return new Answer(key, label, text, look, Field.Width.FULL, Choices.NONE);
            }
        }

        /**
         * A signature or initials.
         *
         * @param key the address of the field
         * @param label what is signed
         * @param signed as it was given: the path of the pen, a picture as a data address, or a name; empty where there is
         *     none
         * @param role the key of the role that signs; empty for whoever fills in
         * @param roleName what that role is called; empty where there is none
         * @param width the part of a row that it takes
         */
        record Signature(String key, String label, String signed, String role, String roleName, Field.Width width)
                implements Line {}

        /**
         * A picture that was handed in.
         *
         * @param key the address of the field
         * @param label what was asked for
         * @param file the identity of the file; empty where there is none
         * @param name what the file is called
         * @param width the part of a row that it takes
         */
        record HandedIn(String key, String label, String file, String name, Field.Width width) implements Line {}

        /**
         * A text and how it looks.
         *
         * @param number of a clause; empty for none
         * @param clause how deep the clause is counted; 0 for none
         * @param text without references: their numbers stand in their places
         */
        record Told(String number, int clause, List<Passage> text, Look look) implements Line {}

        /** An indicator that shows something. */
        record Indicated(String label, String text, Look look) implements Line {}

        /**
         * A picture in the document.
         *
         * @param label what it shows; empty for mere ornament
         * @param picture its name beside the template; empty where a file that was handed in stands in its place
         * @param file the identity of that file; empty for none
         */
        record Pictured(String label, String picture, String file) implements Line {}

        /** A line between items. */
        record Ruled() implements Line {}

        /** What is to be said of the answer or signature before it. */
        record Noted(String text) implements Line {}
    }

    /** What a finished document made of a template says. */
    public static Content of(Template template, State state) {
        return of(template, state, Settled.NOTHING);
    }

    /** What a finished document made of a template says, with what is to be said of what was settled. */
    public static Content of(Template template, State state, Settled settled) {
        ContentWriter writer = new ContentWriter(template, state, settled, Medium::isOnPaper);
        PageFilling filling = new PageFilling(template, state, writer);
        return new Content(
                template.title(),
                template.subtitle(),
                writer.blocksWithout(filling.placed()),
                template.pageSettings(),
                filling.pages());
    }

    /** What was asked and told while it was filled in, whether or not it became part of the document. */
    public static Content asked(Template template, State state, Settled settled) {
        return new Content(
                template.title(),
                template.subtitle(),
                new ContentWriter(template, state, settled, Medium::isOnScreen).blocksWithout(Set.of()),
                template.pageSettings());
    }
}
