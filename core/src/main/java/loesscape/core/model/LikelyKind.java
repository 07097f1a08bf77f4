package loesscape.core.model;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * The kind of question that a label most likely asks for, by its words, in some languages of documents (common practice, no
 * published source). The pages know the same hints ({@code web/src/api/kinds.ts}).
 */
public final class LikelyKind {

    /**
     * What tells a kind.
     *
     * @param pattern looked for in a label, whatever its case; read alike by Java and ECMAScript
     */
    public record Hint(KindFacts kind, String pattern) {}

    /** The first that is found counts. */
    public static final List<Hint> HINTS = List.of(
            new Hint(KindFacts.ONE_CHOICE, "[?:] .+ / "),
            // What is written on one line beside each other is one text.
            new Hint(
                    KindFacts.TEXT,
                    "^(place|town|ort|lieu|lugar|luogo|local|plaats|miejscowość|místo|τόπος)\\s*(,|and|und|et|y|e|en|i)\\s"),
            new Hint(KindFacts.EMAIL, "\\be-?(mail|posta)\\b|courriel|correo electr|sähköposti"),
            new Hint(KindFacts.PHONE, "\\b(tele)?phone\\b|\\bmobile\\b|t[eé]l[eé]fon|τηλέφωνο|puhelin|телефон"),
            new Hint(KindFacts.WEB_ADDRESS, "\\b(web ?site|web address|url|home ?page)\\b"),
            new Hint(
                    KindFacts.RATING,
                    "\\b(rating|satisfaction|stars)\\b|^(please )?rate\\b|\\bhow (satisfied|happy|likely)\\b"),
            new Hint(KindFacts.MONEY, ",\\s*(EUR|USD|GBP|CHF|€|\\$|£)$"),
            new Hint(
                    KindFacts.NUMBER,
                    ",\\s*\\S{1,8}$|%|\\bin (m|cm|mm|km|kg|g|t|l|ha|m²|m³|kwh|(cubic |square )?met(re|er)s?|hectares?|lit(re|er)s?|days|hours|years)$|\\b(number of|how many|how much|depth|length|width|height|area|weight|count|quantity|percentage|age)\\b"),
            new Hint(KindFacts.YES_NO, "^(do|does|did|is|are|was|were|will|has|have|can|may|should)\\b.*\\?$"),
            new Hint(KindFacts.ONE_CHOICE, "^(which|what kind|who|choose)\\b"),
            new Hint(KindFacts.TIME, "\\b(time|o'clock|at what hour)\\b"),
            new Hint(
                    KindFacts.SIGNATURE,
                    "\\bsign(ature|ed)\\b|unterschrift|\\bfirma\\b|assinatura|handtekening|podpis|υπογραφή|aláírás|underskrift|allekirjoitus|imza|подпись|підпис|توقيع|חתימה"),
            new Hint(KindFacts.ATTACHMENT, "\\b(attach|upload|hand in|document)\\b"),
            new Hint(KindFacts.SEVERAL_CHOICES, "\\b(which of these|all that apply|which ones)\\b"),
            new Hint(
                    KindFacts.MONEY,
                    "\\b(fees?|amount|price|costs?|deposit|rent|salary|budget|(day|daily|hourly) rate)\\b|[€$£]"),
            new Hint(
                    KindFacts.DATE,
                    "\\b(date|day|when|born|birthday|deadline|due|expires?|starts? on|ends? on)\\b|\\bdatum\\b|\\bfecha\\b|\\bdata\\b|\\bdato\\b|dátum|\\btarih|päivämäärä|ημερομηνία|дата"),
            new Hint(KindFacts.LONG_TEXT, "\\b(remarks?|describe|description|reasons?|why|comments?|explain)\\b"));

    /** The kinds whose answers are written on a line, rather than marked, chosen or handed in. */
    public static final Set<KindFacts> WRITTEN = EnumSet.of(
            KindFacts.TEXT,
            KindFacts.LONG_TEXT,
            KindFacts.EMAIL,
            KindFacts.PHONE,
            KindFacts.WEB_ADDRESS,
            KindFacts.NUMBER,
            KindFacts.MONEY,
            KindFacts.DATE,
            KindFacts.TIME,
            KindFacts.SIGNATURE,
            KindFacts.INITIALS);

    private static final List<Pattern> PATTERNS = HINTS.stream()
            .map(hint -> Pattern.compile(hint.pattern(), Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE))
            .toList();

    private LikelyKind() {}

    /** The kind that a label most likely asks for; a text where nothing tells. */
    public static KindFacts of(String label) {
        for (int i = 0; i < HINTS.size(); i++) {
            if (PATTERNS.get(i).matcher(label.strip()).find()) {
                return HINTS.get(i).kind();
            }
        }
        return KindFacts.TEXT;
    }

    /** The same of what is printed before a line to write on. */
    public static KindFacts onLine(String label) {
        KindFacts likely = of(label);
        return WRITTEN.contains(likely) && likely != KindFacts.LONG_TEXT ? likely : KindFacts.TEXT;
    }
}
