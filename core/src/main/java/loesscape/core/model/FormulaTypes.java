package loesscape.core.model;

import java.util.LinkedHashMap;
import java.util.Map;
import loesscape.core.expression.Names;
import loesscape.core.expression.Type;

/** What formulas know of the answers to fields. */
final class FormulaTypes {

    /** The names that stand for how the document is looked at. */
    static final Map<String, Type> CONTEXT =
            Map.of(Names.TODAY, Type.Simple.DATE, Names.STAGE, Type.Simple.TEXT, Names.ROLE, Type.Simple.TEXT);

    private FormulaTypes() {}

    /**
     * The type of the answers of a kind. A choice is its identity. Several choices are a list of those, files a
     * list of their names, a signature some text, a payment its amount, and a lookup the cells of its row.
     */
    static Type of(FieldKind kind, SymbolTable symbols) {
        return switch (kind) {
            case FieldKind.Text ignored -> Type.Simple.TEXT;
            case FieldKind.LongText ignored -> Type.Simple.TEXT;
            case FieldKind.Email() -> Type.Simple.TEXT;
            case FieldKind.Phone ignored -> Type.Simple.TEXT;
            case FieldKind.WebAddress() -> Type.Simple.TEXT;
            case FieldKind.Number ignored -> Type.Simple.NUMBER;
            case FieldKind.Money ignored -> Type.Simple.NUMBER;
            case FieldKind.Rating ignored -> Type.Simple.NUMBER;
            case FieldKind.YesNo() -> Type.Simple.YES_NO;
            case FieldKind.OneChoice it -> choice(it);
            case FieldKind.SeveralChoices it -> new Type.ListOf(choice(it));
            case FieldKind.Lookup it -> lookup(symbols.list(it.list()));
            case FieldKind.Date ignored -> Type.Simple.DATE;
            case FieldKind.DateSigned() -> Type.Simple.DATE;
            case FieldKind.Time ignored -> Type.Simple.TIME;
            case FieldKind.Signature() -> Type.Simple.TEXT;
            case FieldKind.Initials() -> Type.Simple.TEXT;
            case FieldKind.Attachment ignored -> new Type.ListOf(Type.Simple.TEXT);
            case FieldKind.Picture ignored -> new Type.ListOf(Type.Simple.TEXT);
            case FieldKind.Payment ignored -> Type.Simple.NUMBER;
        };
    }

    private static Type lookup(@org.jspecify.annotations.Nullable LookupList list) {
        return list == null ? Type.Simple.ANY : cells(list);
    }

    private static Type choice(FieldKind.Choosing kind) {
        Map<String, String> labels = new LinkedHashMap<>();
        kind.offered().forEach(choice -> labels.put(choice.id(), choice.label()));
        return new Type.Choice(labels);
    }

    /** The type of a row of a lookup list. */
    static Type cells(LookupList list) {
        Map<String, Type> cells = new LinkedHashMap<>();
        list.columns()
                .forEach(column -> cells.put(column.key(), column.number() ? Type.Simple.NUMBER : Type.Simple.TEXT));
        return new Type.Context(cells);
    }
}
