package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;

/** Takes the cells of a list apart: those that are named, or each where each is told apart, and all others. */
final class ListPieces {

    private static final int MOST_TOLD = 3;

    private final Field field;
    private final SymbolTable symbols;
    private final ClauseMeaning meaning;
    private final List<Clause.ChoiceClause> asking;
    private final List<String> named;
    private final boolean isEach;

    ListPieces(Field field, SymbolTable symbols, Cutting cutting) {
        this.field = field;
        this.symbols = symbols;
        this.meaning = new ClauseMeaning(symbols);
        this.asking = cutting.clauses(field.key()).stream()
                .filter(Clause.ChoiceClause.class::isInstance)
                .map(Clause.ChoiceClause.class::cast)
                .distinct()
                .toList();
        this.isEach = cutting.isCellByCell(field.key());
        this.named = named();
    }

    /** The cells that clauses name, those alone that there are. */
    private List<String> named() {
        Set<String> all = new LinkedHashSet<>();
        asking.forEach(clause -> all.addAll(clause.choices()));
        Set<String> there = symbols.choices(field);
        return all.stream()
                .filter(cell -> there.contains(cell) || symbols.isNumberColumn(field))
                .toList();
    }

    List<AnswerPiece> of(List<Region> regions) {
        List<AnswerPiece> pieces = new ArrayList<>();
        for (Region region : regions) {
            if (region.value() instanceof Value.Chosen value
                    && pieces.stream().noneMatch(piece -> meets(piece.condition(), value))) {
                pieces.add(piece(region, value));
            }
        }
        return pieces;
    }

    /** Numbers are compared by their size, so that another cell can be the same answer. */
    private boolean meets(Condition condition, Value value) {
        return condition instanceof Clause clause && meaning.meets(clause, value, List.of());
    }

    private AnswerPiece piece(Region region, Value.Chosen value) {
        List<String> cells = isEach
                ? List.of(value.choice())
                : named.stream()
                        .filter(cell -> isAlike(value, new Value.Chosen(cell)))
                        .toList();
        if (!cells.isEmpty()) {
            return piece(PieceShape.CHOICE, words(cells), ChoiceTest.IS, cells, region);
        }
        return named.isEmpty()
                ? new AnswerPiece(
                        PieceShape.LIKE,
                        "answered",
                        new Clause.Answered(field.key()),
                        region.typed(),
                        region.others(),
                        false,
                        null,
                        null)
                : piece(PieceShape.OTHERS, AnswerPieces.ANYTHING_ELSE, ChoiceTest.IS_NOT, named, region);
    }

    private AnswerPiece piece(PieceShape shape, String words, ChoiceTest test, List<String> cells, Region region) {
        return new AnswerPiece(
                shape,
                words,
                new Clause.ChoiceClause(field.key(), test, cells, test == ChoiceTest.IS ? null : false),
                region.typed(),
                region.others(),
                shape == PieceShape.CHOICE && cells.size() == 1,
                null,
                null);
    }

    /** Whether no clause tells two cells apart. */
    private boolean isAlike(Value one, Value other) {
        return asking.stream()
                .allMatch(clause -> meaning.meets(clause, one, List.of()) == meaning.meets(clause, other, List.of()));
    }

    private static String words(List<String> cells) {
        return cells.size() <= MOST_TOLD
                ? String.join(" or ", cells)
                : "%s or %d others"
                        .formatted(String.join(", ", cells.subList(0, MOST_TOLD - 1)), cells.size() - MOST_TOLD + 1);
    }
}
