package loesscape.formats.word;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Choice;
import loesscape.core.model.Currencies;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Keys;
import loesscape.core.model.KindFacts;
import loesscape.core.model.LikelyKind;
import loesscape.core.model.Medium;
import loesscape.formats.word.WordPiece.Asking;
import loesscape.formats.word.WordPiece.Control;

/** The kinds of questions that are made of what a document asks. */
final class AskedKind {

    private static final int MOST_CHOICES = 200;

    /** A unit behind a number, not a word of a sentence. */
    private static final int LONGEST_UNIT = 8;

    /** A sign of a currency, or its code (ISO 4217). */
    private static final String CURRENCY = "(\\p{Sc}|\\b[A-Z]{3}\\b)";

    private static final Pattern CURRENCY_LAST = Pattern.compile(CURRENCY + "\\s*$");
    private static final Pattern CURRENCY_FIRST = Pattern.compile("^\\s*" + CURRENCY);

    private AskedKind() {}

    /** Whether words say the currency of what stands behind them. */
    static boolean endsWithCurrency(String words) {
        return isCurrency(CURRENCY_LAST.matcher(words));
    }

    /** Whether words say the currency of what stands before them. */
    static boolean beginsWithCurrency(String words) {
        return isCurrency(CURRENCY_FIRST.matcher(words));
    }

    private static boolean isCurrency(Matcher matcher) {
        return matcher.find() && (matcher.group(1).length() == 1 || Currencies.isKnown(matcher.group(1)));
    }

    /** Of room to write on a line: what its label most likely asks for. */
    static FieldKind onLine(String label) {
        return LikelyKind.onLine(label).starting();
    }

    /** The same with what stands behind the room, as the unit of a number; where it is none, the label says it. */
    static FieldKind withUnit(FieldKind kind, String behind) {
        return kind instanceof FieldKind.Number number && isUnit(behind)
                ? new FieldKind.Number(number.decimals(), behind, number.lower(), number.upper())
                : kind;
    }

    static boolean isUnit(String behind) {
        return !behind.isEmpty() && behind.length() <= LONGEST_UNIT && !behind.contains(" ");
    }

    static FieldKind of(Control control, String label, Medium medium) {
        boolean isOpen = control.kind() == Asking.CHOICE_OR_OTHER;
        return switch (control.kind()) {
            case TEXT -> written(label, medium);
            case LONG_TEXT -> new FieldKind.LongText("", 0);
            case DATE -> KindFacts.DATE.starting();
            case MARK -> new FieldKind.YesNo();
            case PICTURE -> KindFacts.PICTURE.starting();
            case ONE_CHOICE, CHOICE_OR_OTHER -> {
                List<Choice> choices = choices(control.choices());
                yield choices.isEmpty()
                        ? new FieldKind.Text("", 0)
                        : new FieldKind.OneChoice(
                                choices, FieldKind.ChoiceLayout.LIST, FieldKind.ChoiceStyle.PLAIN, isOpen, null);
            }
        };
    }

    /** A sentence names who signed; nobody signs in the middle of it. */
    private static FieldKind written(String label, Medium medium) {
        KindFacts likely = LikelyKind.onLine(label);
        boolean isSigned = likely.answer() == AnswerType.SIGNATURE;
        return isSigned && medium == Medium.FILLING ? new FieldKind.Text("", 0) : likely.starting();
    }

    /** Of squares with these words: yes or no, or any number of choices. */
    static FieldKind ofMarks(List<String> labels) {
        boolean isYesAndNo = labels.size() == 2 && WordText.isYes(labels.getFirst()) && WordText.isNo(labels.getLast());
        return isYesAndNo ? new FieldKind.YesNo() : several(labels);
    }

    static FieldKind several(List<String> labels) {
        return new FieldKind.SeveralChoices(
                choices(labels), FieldKind.ChoiceLayout.LIST, FieldKind.ChoiceStyle.PLAIN, false, null, 0, 0);
    }

    private static List<Choice> choices(List<String> labels) {
        Map<String, Choice> choices = new LinkedHashMap<>();
        for (String label : labels) {
            String told = Outline.label(label).isEmpty() ? "Choice " + (choices.size() + 1) : Outline.label(label);
            String id = Keys.from(told, "choice", it -> choices.containsKey(it) || it.equals(Choice.OTHER));
            if (choices.size() < MOST_CHOICES) {
                choices.put(id, Choice.of(id, told));
            }
        }
        return List.copyOf(choices.values());
    }
}
