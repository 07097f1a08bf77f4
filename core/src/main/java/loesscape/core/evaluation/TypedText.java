package loesscape.core.evaluation;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.model.Choice;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;

/** The way back from values to texts: what would have to be typed into a field for this value to stand in it. */
public final class TypedText {

    private TypedText() {}

    /** The text that {@link Reading} reads as a value; empty for blank, and for rows, which are not typed. */
    public static String of(Value value) {
        return switch (value) {
            case Value.Blank ignored -> "";
            case Value.Text(var text) -> text;
            case Value.Number(var number) -> NumberReading.text(number);
            case Value.YesNo(var yes) -> yes ? FieldKind.YesNo.YES : FieldKind.YesNo.NO;
            case Value.Date(var day) -> day.toString();
            case Value.Time(var time) -> time.toString();
            case Value.Chosen(var choice, var words) -> choice.equals(Choice.OTHER) ? Reading.OTHER + words : choice;
            case Value.ChosenSet(var choices, var words) ->
                Stream.concat(
                                choices.stream().filter(choice -> words.isEmpty() || !choice.equals(Choice.OTHER)),
                                words.isEmpty() ? Stream.empty() : Stream.of(Reading.OTHER + words))
                        .collect(Collectors.joining(","));
            case Value.Signed(var signed) -> signed;
            case Value.Files(var files) ->
                files.stream()
                        .map(file -> "%s %d %s".formatted(file.id(), file.bytes(), file.name()))
                        .collect(Collectors.joining("\n"));
            case Value.Paid(var amount, var reference) -> Numbers.plain(amount) + " " + reference;
        };
    }
}
