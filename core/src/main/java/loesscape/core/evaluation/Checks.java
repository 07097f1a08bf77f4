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
    private static final Limit NO_LIMIT = value -> null;

    private Checks() {}

    /** What is said of the values of one kind, picked once for what is asked again and again. */
    interface Limit {

        /** What is wrong with a value of the kind, in words that say how to mend it; null when nothing is. */
        @Nullable
        String problem(Value value);
    }

    /** The limits of a kind. Of values of other kinds, blank among them, they say nothing. */
    static Limit of(FieldKind kind) {
        return switch (kind) {
            case FieldKind.Textual it -> value -> value instanceof Value.Text(var text) ? text(it, text) : null;
            case FieldKind.Numeric it -> number(it, it.lower(), it.upper());
            case FieldKind.Date it ->
                value -> value instanceof Value.Date(var date) && !within(date, it.earliest(), it.latest())
                        ? "The day must be %s.".formatted(Limits.words(it))
                        : null;
            case FieldKind.Time it ->
                value -> value instanceof Value.Time(var time) && !within(time, it.earliest(), it.latest())
                        ? "The time must be %s.".formatted(Limits.words(it))
                        : null;
            case FieldKind.SeveralChoices it ->
                value -> value instanceof Value.ChosenSet(var choices, var ignored)
                        ? count(choices.size(), it.least(), it.most())
                        : null;
            case FieldKind.Attachment it -> files(it.most(), it.largest(), it.endings());
            case FieldKind.Picture it -> files(1, it.largest(), FieldKind.Picture.ENDINGS);
            case FieldKind.YesNo ignored -> NO_LIMIT;
            case FieldKind.OneChoice ignored -> NO_LIMIT;
            case FieldKind.Lookup ignored -> NO_LIMIT;
            case FieldKind.DateSigned ignored -> NO_LIMIT;
            case FieldKind.Signature ignored -> NO_LIMIT;
            case FieldKind.Initials ignored -> NO_LIMIT;
            case FieldKind.Payment ignored -> NO_LIMIT;
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

    private static Limit number(FieldKind.Numeric kind, @Nullable Bound lower, @Nullable Bound upper) {
        int decimals = kind.mostDecimals();
        return value -> value instanceof Value.Number(var number) ? number(kind, number, lower, upper, decimals) : null;
    }

    private static @Nullable String number(
            FieldKind.Numeric kind, BigDecimal number, @Nullable Bound lower, @Nullable Bound upper, int decimals) {
        if ((lower != null && !lower.holdsAbove(number)) || (upper != null && !upper.holdsBelow(number))) {
            return "This must be %s; %s is not."
                    .formatted(
                            Limits.words(kind),
                            kind.marks().isEmpty() ? Display.number(kind, number) : Numbers.plain(number));
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

    private static Limit files(int most, int largest, List<String> endings) {
        return value -> value instanceof Value.Files(var files) ? files(files, most, largest, endings) : null;
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
