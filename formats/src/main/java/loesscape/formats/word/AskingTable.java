package loesscape.formats.word;

import java.util.List;
import java.util.stream.IntStream;
import loesscape.formats.word.WordBlock.Cell;
import loesscape.formats.word.WordBlock.Paragraph;
import loesscape.formats.word.WordPiece.Words;

/** A table, and what each of its cells is for: those that ask, those that are to be filled in, and those that say something. */
record AskingTable(List<List<Cell>> rows) {

    private static final int LONGEST_PROMPT_IN_WORDS = 16;

    /** What a cell is for. */
    enum CellRole {
        /** Empty, to be written in. */
        ROOM,
        /** A prompt with an empty line beneath it. */
        PROMPT_WITH_ROOM,
        /** A square under “yes”; the one beside it under “no” is a label. */
        YES,
        /** A square alone. */
        MARK,
        /** Says what another cell is for, or parts others. */
        LABEL,
        /** Whatever else stands in it. */
        CONTENT
    }

    private boolean isThere(int row, int column) {
        return row >= 0
                && row < rows.size()
                && column >= 0
                && column < rows.get(row).size();
    }

    /** The words of a cell as a label, of a place that is covered those of what covers it; empty where there is none. */
    String wordsAt(int row, int column) {
        if (!isThere(row, column)) {
            return "";
        }
        Cell cell = rows.get(row).get(column);
        return switch (cell.cover()) {
            case NONE -> WordText.label(WordText.of(cell));
            case BEFORE -> wordsAt(row, column - 1);
            case ABOVE -> wordsAt(row - 1, column);
        };
    }

    List<String> heads() {
        return rows.getFirst().stream().map(WordText::of).toList();
    }

    /** Whether it is a heading over empty rows, which may be counted in their first column. */
    boolean isRows() {
        if (rows.size() < 3 || rows.getFirst().size() < 2) {
            return false;
        }
        int width = rows.getFirst().size();
        boolean hasHeads = heads().stream().filter(head -> !head.isEmpty()).count() >= width - 1;
        return hasHeads
                && rows.stream()
                        .skip(1)
                        .allMatch(row -> row.size() == width
                                && row.stream().skip(1).allMatch(AskingTable::isEmpty)
                                && WordText.of(row.getFirst()).matches("[0-9.)]*"));
    }

    /** Whether anything in it is to be filled in. */
    boolean asks() {
        return rows.stream().flatMap(List::stream).anyMatch(AskingTable::isToFill);
    }

    /** Whether it belongs to the text: beside each other, with nothing to be filled in but what has a name and stands under heads. */
    boolean isWritten() {
        int width = width();
        boolean isOfText = IntStream.range(0, rows.size())
                .allMatch(row -> IntStream.range(0, rows.get(row).size())
                        .allMatch(column ->
                                role(row, column) == CellRole.CONTENT || role(row, column) == CellRole.LABEL));
        List<Cell> asking = rows.stream()
                .flatMap(List::stream)
                .filter(AskingTable::hasPlaces)
                .toList();
        return width > 1
                && isOfText
                && asking.stream().allMatch(AskingTable::isOfNames)
                && (asking.isEmpty() || (hasHeadsOfWords() && (width > 2 || hasBoldHeads())));
    }

    /** How many columns the longest row has. */
    int width() {
        return rows.stream().mapToInt(List::size).max().orElse(0);
    }

    /** Whether the first row says what stands beneath: in bold, or over nothing but figures or what is to be filled in. */
    boolean hasHeads() {
        boolean isOverOthers = IntStream.range(0, rows.getFirst().size())
                .anyMatch(column -> rows.stream()
                        .skip(1)
                        .allMatch(row -> column < row.size()
                                && (hasPlaces(row.get(column))
                                        || WrittenTable.isFigure(WordText.of(row.get(column))))));
        return rows.size() > 1 && hasHeadsOfWords() && (isOverOthers || hasBoldHeads());
    }

    private boolean hasHeadsOfWords() {
        return rows.size() > 1
                && rows.getFirst().stream().noneMatch(AskingTable::hasPlaces)
                && rows.getFirst().stream().skip(1).allMatch(cell -> cell.isCovered() || !isEmpty(cell))
                && rows.getFirst().stream().noneMatch(cell -> WrittenTable.isFigure(WordText.of(cell)));
    }

    private boolean hasBoldHeads() {
        return rows.getFirst().stream()
                .flatMap(cell -> cell.blocks().stream())
                .allMatch(block -> block instanceof Paragraph it
                        && it.pieces().stream()
                                .allMatch(piece -> piece instanceof Words words
                                        && (words.isBold() || words.text().isBlank())));
    }

    /** Whether all that is to be filled in there has a name, and is told in words. */
    private static boolean isOfNames(Cell cell) {
        return cell.blocks().stream()
                .allMatch(block -> block instanceof Paragraph it
                        && WordText.parted(it.pieces()).stream().allMatch(AskingTable::isNamed));
    }

    private static boolean isNamed(WordPiece piece) {
        return switch (piece) {
            case Words ignored -> true;
            case WordPiece.Asked it ->
                it.control().kind() != WordPiece.Asking.MARK
                        && it.control().kind() != WordPiece.Asking.PICTURE
                        && !(it.control().name().isBlank()
                                && it.control().label().isBlank());
            case WordPiece.Room ignored -> false;
            case WordPiece.Square ignored -> false;
        };
    }

    private static boolean isEmpty(Cell cell) {
        return !cell.isCovered() && hasNothing(cell);
    }

    private static boolean hasNothing(Cell cell) {
        return cell.blocks().stream()
                .allMatch(block -> block instanceof Paragraph it
                        && it.pieces().stream()
                                .allMatch(piece -> piece instanceof Words words
                                        && words.text().isBlank()));
    }

    private static boolean hasPlaces(Cell cell) {
        return cell.blocks().stream()
                .anyMatch(block -> !(block instanceof Paragraph it) || WordText.asks(WordText.parted(it.pieces())));
    }

    private static boolean hasRoomBeneath(Cell cell) {
        String words = WordText.of(cell);
        return cell.blocks().size() >= 2
                && !words.isEmpty()
                && words.split("\\s+", -1).length <= LONGEST_PROMPT_IN_WORDS
                && !hasPlaces(cell)
                && cell.blocks().getLast() instanceof Paragraph last
                && WordText.of(last.pieces()).isEmpty();
    }

    private static boolean isToFill(Cell cell) {
        return isEmpty(cell) || hasRoomBeneath(cell) || hasPlaces(cell);
    }

    private boolean isToFill(int row, int column) {
        return isThere(row, column) && isToFill(rows.get(row).get(column));
    }

    private static boolean isMark(Cell cell) {
        return cell.blocks().size() == 1
                && cell.blocks().getFirst() instanceof Paragraph it
                && !it.pieces().isEmpty()
                && WordText.parted(it.pieces()).stream()
                        .allMatch(piece -> FlowingTemplate.isMark(piece)
                                || (piece instanceof Words words && words.text().isBlank()));
    }

    /** Words right beneath an empty cell that nothing else says anything of, as under a signature. */
    private boolean isCaption(int row, int column) {
        return isThere(row - 1, column)
                && isEmpty(rows.get(row - 1).get(column))
                && !isToFill(row, column)
                && wordsAt(row - 1, column - 1).isEmpty()
                && wordsAt(row - 2, column).isEmpty();
    }

    CellRole role(int row, int column) {
        Cell cell = rows.get(row).get(column);
        if (cell.isCovered()) {
            return CellRole.LABEL;
        }
        if (isEmpty(cell)) {
            return label(row, column).isEmpty() ? CellRole.LABEL : CellRole.ROOM;
        }
        if (isMark(cell) && !hasRoomBeneath(cell)) {
            boolean isUnderYes = WordText.isYes(wordsAt(0, column)) && WordText.isNo(wordsAt(0, column + 1));
            boolean isUnderNo = WordText.isNo(wordsAt(0, column)) && WordText.isYes(wordsAt(0, column - 1));
            return row > 0 && isUnderYes ? CellRole.YES : row > 0 && isUnderNo ? CellRole.LABEL : CellRole.MARK;
        }
        if (isToFill(cell)) {
            return hasRoomBeneath(cell) ? CellRole.PROMPT_WITH_ROOM : CellRole.CONTENT;
        }
        boolean isPrompt = isToFill(row, behind(row, column));
        boolean isHead = row == 0 && isToFill(1, column);
        return isPrompt || isHead || isCaption(row, column) ? CellRole.LABEL : CellRole.CONTENT;
    }

    /** The place behind a cell, however many columns wide that is. */
    private int behind(int row, int column) {
        int next = column + 1;
        while (isThere(row, next) && rows.get(row).get(next).cover() == WordBlock.Cover.BEFORE) {
            next++;
        }
        return next;
    }

    /** What an empty cell is for: the words before it, above it, at the head of its column, or beneath it. */
    String label(int row, int column) {
        String below = wordsAt(row + 1, column);
        boolean isCorner = row == 0 && column == 0 && !wordsAt(0, 1).isEmpty() && !below.isEmpty();
        if (isCorner) {
            return "";
        }
        String left = isCaption(row, column - 1) ? "" : wordsAt(row, column - 1);
        String above = wordsAt(row - 1, column);
        String head = row > 0 ? wordsAt(0, column) : "";
        return !left.isEmpty() ? left : !above.isEmpty() ? above : !head.isEmpty() ? head : below;
    }

    String labelBeside(int row, int column) {
        String left = wordsAt(row, column - 1);
        return left.isEmpty() ? wordsAt(row - 1, column) : left;
    }

    /** A square in a table: what its row asks, and what its column says. */
    String labelOfMark(int row, int column) {
        String head = wordsAt(0, column);
        String first = wordsAt(row, 0);
        if (column > 0 && row > 0 && !head.isEmpty() && !first.isEmpty()) {
            return first + ": " + head;
        }
        String left = wordsAt(row, column - 1);
        return left.isEmpty() ? wordsAt(row, column + 1) : left;
    }
}
