package loesscape.core.expression;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import loesscape.core.expression.Type.Simple;
import loesscape.core.expression.functions.ChecksumFunctions;
import loesscape.core.expression.functions.WritingFunctions;
import org.jspecify.annotations.Nullable;

/** Texts written into a formula that a function can do nothing with, so that it would give nothing for ever. */
final class WrittenArguments {

    private WrittenArguments() {}

    /**
     * What is wrong with a text that is given to a function; null where nothing is.
     *
     * @param place of the parameter, which counts from 0
     * @param count how many arguments are given
     * @param first the type of the first argument
     */
    static @Nullable String problem(String function, int place, int count, Type first, String text) {
        return switch (function) {
            case "matches", "replace", "split" -> place == 1 ? pattern(text) : null;
            case "date" ->
                place == 0 && count == 1 && Temporals.date(text) == null ? no(text, "date like 2026-11-24") : null;
            case "time" ->
                place == 0 && count == 1 && Temporals.time(text) == null ? no(text, "time like 09:42:00") : null;
            case "date and time" ->
                place == 0 && count == 1 && Temporals.dateTime(text) == null
                        ? no(text, "date and time like 2026-11-24T09:42:00")
                        : null;
            case "duration" -> Temporals.duration(text) == null ? no(text, "duration like P30D, PT12H or P1Y2M") : null;
            case "format" -> place == 1 ? format(first, text) : place == 2 ? language(text) : null;
            case "weekday name", "month name", "spell out" -> place == 1 ? language(text) : null;
            case "checksum", "check characters" ->
                place == 1 && !ChecksumFunctions.methods().contains(text.toLowerCase(Locale.ROOT))
                        ? "There is no method “%s”; there are %s."
                                .formatted(
                                        text,
                                        String.join(
                                                ", ",
                                                ChecksumFunctions.methods().stream()
                                                        .sorted()
                                                        .toList()))
                        : null;
            default -> null;
        };
    }

    private static String no(String text, String what) {
        return "“%s” is no %s.".formatted(text, what);
    }

    private static @Nullable String pattern(String text) {
        try {
            TextPattern.of(text, 0);
            return null;
        } catch (TextPattern.NoPattern e) {
            return e.getMessage();
        }
    }

    private static @Nullable String language(String text) {
        return Locale.forLanguageTag(text).getLanguage().isEmpty() ? no(text, "language tag like de or pt-BR") : null;
    }

    /** An example of each type that can be formatted: what its pattern cannot write, no value of it can be written by. */
    private static @Nullable String format(Type type, String pattern) {
        List<Object> examples = switch (type.base()) {
            case Simple.NUMBER -> List.of(BigDecimal.ONE);
            case Simple.DATE -> List.of(LocalDate.EPOCH);
            case Simple.TIME -> List.of(LocalTime.NOON);
            case Simple.DATE_TIME -> List.of(LocalDate.EPOCH.atStartOfDay());
            case Simple.ANY ->
                List.of(BigDecimal.ONE, LocalDate.EPOCH, LocalTime.NOON, LocalDateTime.of(2026, 1, 1, 0, 0));
            default -> List.of();
        };
        if (examples.isEmpty()) {
            return null;
        }
        return examples.stream().anyMatch(each -> WritingFunctions.format(each, pattern, Locale.ENGLISH) != null)
                ? null
                : "“%s” is no pattern for %s; numbers are written by one like #,##0.00, dates by one like d MMMM yyyy."
                        .formatted(pattern, type == Simple.ANY ? "this" : type.words());
    }
}
