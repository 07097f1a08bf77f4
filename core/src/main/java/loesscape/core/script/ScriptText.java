package loesscape.core.script;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Collection;
import java.util.Locale;
import java.util.stream.Collectors;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;

/** Values as a script writes them, in letters that every reader of files takes. */
final class ScriptText {

    private ScriptText() {}

    static String of(String text) {
        StringBuilder written = new StringBuilder("\"");
        for (int i = 0; i < text.length(); i++) {
            char character = text.charAt(i);
            boolean isPlain = character >= ' ' && character < 0x7F && "\"\\<>&'".indexOf(character) < 0;
            written.append(
                    isPlain ? String.valueOf(character) : String.format(Locale.ROOT, "\\u%04x", (int) character));
        }
        return written.append('"').toString();
    }

    static String of(Collection<String> texts) {
        return texts.stream().map(ScriptText::of).collect(Collectors.joining(",", "[", "]"));
    }

    static String of(Value value) {
        return switch (value) {
            case Value.Text(var text) -> of(text);
            case Value.Number(var number) -> of(number);
            default -> throw new IllegalArgumentException("Not in a list: " + value);
        };
    }

    static String of(BigDecimal number) {
        return "loess.n(\"" + Numbers.plain(number) + "\")";
    }

    static String of(LocalDate day) {
        return "loess.day(" + day.toEpochDay() + ")";
    }

    static String of(LocalTime time) {
        return "loess.time(" + time.toSecondOfDay() + ")";
    }
}
