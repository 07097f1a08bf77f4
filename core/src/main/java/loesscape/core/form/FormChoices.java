package loesscape.core.form;

import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.LookupList;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.AnswerWords;

/** What a form offers to choose from: all that may be offered, for it does not know what will be answered. */
public final class FormChoices {

    /** Nobody looks through a longer list; what is in it is written. */
    public static final int MOST = 500;

    private final SymbolTable symbols;
    private final AnswerWords words;

    FormChoices(SymbolTable symbols) {
        this.symbols = symbols;
        this.words = AnswerWords.in(symbols.language());
    }

    /** What can be chosen in a field, each with what is stored of it; none where the answer is written. */
    public List<Choice> of(Field field) {
        List<Choice> all = all(field.kind());
        return all.size() > MOST ? List.of() : all;
    }

    private List<Choice> all(FieldKind kind) {
        return switch (kind) {
            case FieldKind.YesNo yesNo ->
                List.of(
                        Choice.of(FieldKind.YesNo.YES, words.of(yesNo, new Value.YesNo(true))),
                        Choice.of(FieldKind.YesNo.NO, words.of(yesNo, new Value.YesNo(false))));
            case FieldKind.Choosing choosing -> choosing.withOther();
            case FieldKind.Numeric it ->
                it.marks().stream()
                        .map(BigDecimal::toPlainString)
                        .map(each -> Choice.of(each, each))
                        .toList();
            case FieldKind.Lookup lookup -> cells(lookup);
            case FieldKind.SelfContained ignored -> List.of();
            case FieldKind.Payment ignored -> List.of();
        };
    }

    private List<Choice> cells(FieldKind.Lookup lookup) {
        LookupList list = symbols.list(lookup.list());
        int column = list == null ? -1 : list.column(lookup.column());
        Set<String> cells = new LinkedHashSet<>();
        if (list != null && column >= 0) {
            list.rows().forEach(row -> cells.add(row.get(column)));
        }
        return cells.stream()
                .filter(cell -> !cell.isBlank())
                .map(cell -> Choice.of(cell, cell))
                .toList();
    }
}
