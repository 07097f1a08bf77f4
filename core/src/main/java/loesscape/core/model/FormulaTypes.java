package loesscape.core.model;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.expression.Type;

/** What formulas know of the fields of a template. */
public final class FormulaTypes {

    private FormulaTypes() {}

    /** The fields as names of formulas, with the types of their answers. A choice is text: its identity. */
    public static Map<String, Type> of(List<Field> fields) {
        Map<String, Type> types = new LinkedHashMap<>();
        fields.forEach(field -> types.put(field.key(), of(field.kind())));
        return types;
    }

    private static Type of(FieldKind kind) {
        return switch (kind) {
            case FieldKind.Text ignored -> Type.Simple.TEXT;
            case FieldKind.LongText ignored -> Type.Simple.TEXT;
            case FieldKind.Email() -> Type.Simple.TEXT;
            case FieldKind.Phone ignored -> Type.Simple.TEXT;
            case FieldKind.WebAddress() -> Type.Simple.TEXT;
            case FieldKind.Number ignored -> Type.Simple.NUMBER;
            case FieldKind.Money ignored -> Type.Simple.NUMBER;
            case FieldKind.YesNo() -> Type.Simple.YES_NO;
            case FieldKind.OneChoice ignored -> Type.Simple.TEXT;
            case FieldKind.Date ignored -> Type.Simple.DATE;
        };
    }
}
