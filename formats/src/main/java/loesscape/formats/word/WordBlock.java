package loesscape.formats.word;

import java.util.List;

/** A part of a document, one beneath the other. */
sealed interface WordBlock {

    /** What a paragraph begins with. */
    enum Listing {
        NONE,
        POINT,
        NUMBER
    }

    /**
     * Some lines.
     *
     * @param heading 0 for none; otherwise how deep, 1 for the title of the document
     * @param listing what they begin with
     * @param depth how deep they are listed, counted from 0
     * @param isRuled whether a line is drawn beneath
     */
    record Paragraph(List<WordPiece> pieces, int heading, Listing listing, int depth, boolean isRuled)
            implements WordBlock {

        public Paragraph {
            pieces = List.copyOf(pieces);
        }
    }

    /**
     * A table, row by row, cell by cell.
     *
     * @param hasHeads whether the file says that its first row is heads
     */
    record Grid(boolean hasHeads, List<List<Cell>> rows) implements WordBlock {

        public Grid {
            rows = rows.stream().map(List::copyOf).toList();
        }
    }

    /** What covers a place in a table, so that nothing stands in it. */
    enum Cover {
        NONE,
        /** The cell before it, which is several columns wide. */
        BEFORE,
        /** The cell above it, which is several rows high. */
        ABOVE
    }

    /** What stands in a cell of a table. */
    record Cell(List<WordBlock> blocks, Cover cover) {

        public Cell {
            blocks = List.copyOf(blocks);
        }

        Cell(List<WordBlock> blocks) {
            this(blocks, Cover.NONE);
        }

        static Cell covered(Cover by) {
            return new Cell(List.of(), by);
        }

        boolean isCovered() {
            return cover != Cover.NONE;
        }
    }

    /**
     * Rows that are added by whoever fills them in.
     *
     * @param label what they are called; may be empty
     * @param columns what is asked in each row
     */
    record Repeated(String label, List<WordPiece.Control> columns) implements WordBlock {

        public Repeated {
            columns = List.copyOf(columns);
        }
    }
}
