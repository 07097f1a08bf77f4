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
            case FieldKind.OneChoice it -> choice(it);
            case FieldKind.SeveralChoices it -> new Type.ListOf(choice(it));
            case FieldKind.Lookup it -> lookup(symbols.list(it.list()));
            case FieldKind.Payment ignored -> Type.Simple.NUMBER;
            case FieldKind.SelfContained it ->
                switch (it.answer()) {
                    case TEXT, SIGNATURE -> Type.Simple.TEXT;
                    case NUMBER -> Type.Simple.NUMBER;
                    case YES_NO -> Type.Simple.YES_NO;
                    case DAY -> Type.Simple.DATE;
                    case TIME -> Type.Simple.TIME;
                    case FILES -> new Type.ListOf(Type.Simple.TEXT);
                    case CHOICE, CHOICES, PAYMENT -> throw new IllegalStateException("Not of one type alone: " + it);
                };
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
