package loesscape.core.evaluation;

import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import loesscape.core.model.Addresses;
import loesscape.core.model.Bound;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;
import loesscape.core.wording.Limits;
import org.jspecify.annotations.Nullable;

/** The limits of a field's kind, checked on an answer. */
final class Checks {

    private static final int MEGABYTE = 1_000_000;
    private static final Bound ONE = new Bound(BigDecimal.ONE, true);

    private Checks() {}

    /** What is wrong with a value of the field's own kind, in words that say how to mend it; null when nothing is. */
    static @Nullable String problem(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Text(var text) -> kind instanceof FieldKind.Textual it ? text(it, text) : null;
            case Value.Number(var number) -> kind instanceof FieldKind.Numeric it ? number(it, number) : null;
            case Value.Time(var time) ->
                kind instanceof FieldKind.Time it && !within(time, it.earliest(), it.latest())
                        ? "The time must be %s.".formatted(Limits.words(kind))
                        : null;
            case Value.ChosenSet(var choices, var ignored) ->
                kind instanceof FieldKind.SeveralChoices it ? count(choices.size(), it.least(), it.most()) : null;
            case Value.Files(var files) -> files(kind, files);
            case Value.Signed ignored -> null;
            case Value.Paid ignored -> null;
            case Value.Date(var date) ->
                kind instanceof FieldKind.Date it && !within(date, it.earliest(), it.latest())
                        ? "The day must be %s.".formatted(Limits.words(kind))
                        : null;
            case Value.Blank ignored -> null;
            case Value.YesNo ignored -> null;
            case Value.Chosen ignored -> null;
        };
    }

    private static @Nullable String text(FieldKind.Textual kind, String text) {
        return switch (kind) {
            case FieldKind.Text it -> length(text, it.longest());
            case FieldKind.LongText it -> length(text, it.longest());
            case FieldKind.Email() ->
                Addresses.isEmail(text) ? null : "This is not an e-mail address; write it like name@example.com.";
            case FieldKind.Phone(var region) -> phone(text, region);
            case FieldKind.WebAddress() ->
                Addresses.isWebAddress(text)
                        ? null
                        : "This is not a web address; write it like https://www.example.com.";
        };
    }

    private static @Nullable String number(FieldKind.Numeric kind, BigDecimal number) {
        return switch (kind) {
            case FieldKind.Number it -> number(kind, number, it.lower(), it.upper());
            case FieldKind.Money it -> number(kind, number, it.lower(), it.upper());
            case FieldKind.Rating(var most) -> number(kind, number, ONE, new Bound(BigDecimal.valueOf(most), true));
        };
    }

    private static @Nullable String phone(String text, String region) {
        if (Addresses.isPhone(text, region)) {
            return null;
        }
        return region.isEmpty()
                ? "This is not a telephone number; begin with + and the country code, like +31 20 123 4567."
                : "This is not a telephone number; write it with its area code, or with + and the country code.";
    }

    private static @Nullable String length(String text, int longest) {
        int length = text.codePointCount(0, text.length());
        return longest == 0 || length <= longest
                ? null
                : "This has %d characters; at most %d fit.".formatted(length, longest);
    }

    private static @Nullable String number(
            FieldKind kind, BigDecimal number, @Nullable Bound lower, @Nullable Bound upper) {
        int decimals = kind.mostDecimals();
        if ((lower != null && !lower.holdsAbove(number)) || (upper != null && !upper.holdsBelow(number))) {
            return "This must be %s; %s is not."
                    .formatted(
                            Limits.words(kind),
                            kind instanceof FieldKind.Rating ? Numbers.plain(number) : Display.number(kind, number));
        }
        if (number.scale() > decimals) {
            return decimals == 0
                    ? "Write a whole number, without decimals."
                    : "Write at most %d decimal%s; %s has more."
                            .formatted(decimals, decimals == 1 ? "" : "s", Numbers.plain(number));
        }
        return null;
    }

    private static <T extends Comparable<? super T>> boolean within(T value, @Nullable T earliest, @Nullable T latest) {
        return (earliest == null || value.compareTo(earliest) >= 0) && (latest == null || value.compareTo(latest) <= 0);
    }

    private static @Nullable String count(int count, int least, int most) {
        if (count < least) {
            return "Choose at least %d; this is %d.".formatted(least, count);
        }
        return most > 0 && count > most ? "Choose at most %d; this is %d.".formatted(most, count) : null;
    }

    private static @Nullable String files(FieldKind kind, List<Value.File> files) {
        return switch (kind) {
            case FieldKind.Attachment it -> files(files, it.most(), it.largest(), it.endings());
            case FieldKind.Picture(var largest) -> files(files, 1, largest, FieldKind.Picture.ENDINGS);
            // No other kind reads files.
            case FieldKind.SelfContained ignored -> null;
            case FieldKind.Choosing ignored -> null;
            case FieldKind.Lookup ignored -> null;
            case FieldKind.Payment ignored -> null;
        };
    }

    private static @Nullable String files(List<Value.File> files, int most, int largest, List<String> endings) {
        if (files.size() > most) {
            return "At most %d file%s.".formatted(most, most == 1 ? " fits here" : "s fit here");
        }
        for (Value.File file : files) {
            if (file.bytes() > largest * MEGABYTE) {
                return "“%s” is too large; at most %d MB are taken.".formatted(file.name(), largest);
            }
            String name = file.name().toLowerCase(Locale.ROOT);
            if (!endings.isEmpty() && endings.stream().noneMatch(ending -> name.endsWith("." + ending))) {
                return "“%s” cannot be taken; hand in %s.".formatted(file.name(), String.join(", ", endings));
            }
        }
        return null;
    }
}
