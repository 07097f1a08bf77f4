package loesscape.server.draft;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.model.FieldKind;
import loesscape.core.wording.Operator;

/**
 * The verbs a clause can have.
 *
 * @param operators for each field, the verbs in the order in which they are offered
 */
public record Vocabulary(Map<String, List<Verb>> operators) {

    /** A verb with its words, and whether a blank meets it where the author does not say otherwise. */
    public record Verb(Operator operator, String words, boolean metWhenBlank) {}

    /** The verbs for every kind of field there is, by the kind's name in JSON. */
    static Vocabulary all() {
        Map<String, List<Verb>> operators = new LinkedHashMap<>();
        KINDS.forEach((name, kind) -> operators.put(
                name,
                Operator.of(kind).stream()
                        .map(operator -> new Verb(operator, operator.words(kind), operator.metWhenBlank()))
                        .toList()));
        return new Vocabulary(operators);
    }

    private static final Map<String, FieldKind> KINDS = kinds();

    private static Map<String, FieldKind> kinds() {
        Map<String, FieldKind> kinds = new LinkedHashMap<>();
        kinds.put("text", new FieldKind.Text("", 0));
        kinds.put("longText", new FieldKind.LongText("", 0));
        kinds.put("email", new FieldKind.Email());
        kinds.put("phone", new FieldKind.Phone(""));
        kinds.put("webAddress", new FieldKind.WebAddress());
        kinds.put("number", new FieldKind.Number(0, "", null, null));
        kinds.put("money", new FieldKind.Money("EUR", null, null));
        kinds.put("rating", new FieldKind.Rating(5));
        kinds.put("yesNo", new FieldKind.YesNo());
        kinds.put("oneChoice", FieldKind.OneChoice.of(List.of()));
        kinds.put("severalChoices", FieldKind.SeveralChoices.of(List.of()));
        kinds.put("lookup", new FieldKind.Lookup("", "", Map.of()));
        kinds.put("date", new FieldKind.Date(null, null));
        kinds.put("time", new FieldKind.Time(null, null));
        kinds.put("dateSigned", new FieldKind.DateSigned());
        kinds.put("signature", new FieldKind.Signature());
        kinds.put("initials", new FieldKind.Initials());
        kinds.put("attachment", new FieldKind.Attachment(1, 1, List.of()));
        kinds.put("picture", new FieldKind.Picture(1));
        kinds.put("payment", new FieldKind.Payment("EUR", "0"));
        return kinds;
    }
}
