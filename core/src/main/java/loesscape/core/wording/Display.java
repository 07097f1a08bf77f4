package loesscape.core.wording;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.stream.Collectors;
import loesscape.core.model.Choice;
import loesscape.core.model.Currencies;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;

/** Values as a reader sees them. */
public final class Display {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

    private Display() {}

    /** The value in words: 120 m, € 260.00, Irrigation, Yes, 24 November 2026; empty for blank. */
    public static String of(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Blank ignored -> "";
            case Value.Text(var text) -> text;
            case Value.Number(var number) -> number(kind, number);
            case Value.YesNo(var yes) -> yes ? "Yes" : "No";
            case Value.Date(var date) -> day(date);
            case Value.Time(var time) -> time(time);
            case Value.Chosen(var choice, var words) -> words.isEmpty() ? choice(kind, choice) : words;
            case Value.ChosenSet(var choices, var words) ->
                choices.stream()
                        .map(choice -> choice.equals(Choice.OTHER) && !words.isEmpty() ? words : choice(kind, choice))
                        .collect(Collectors.joining(", "));
            case Value.Signed ignored -> "Signed";
            case Value.Files(var files) -> files.stream().map(Value.File::name).collect(Collectors.joining(", "));
            case Value.Paid(var amount, var ignored) -> number(kind, amount);
        };
    }

    /** A number with the unit or currency of its field. */
    public static String number(FieldKind kind, BigDecimal number) {
        return switch (kind) {
            case FieldKind.Money money -> money(money.currency(), number);
            case FieldKind.Payment payment -> money(payment.currency(), number);
            case FieldKind.Rating(var most) -> Numbers.plain(number) + " of " + most;
            case FieldKind.Number it when !it.unit().isEmpty() -> Numbers.plain(number) + " " + it.unit();
            case FieldKind.SelfContained ignored -> Numbers.plain(number);
            case FieldKind.Choosing ignored -> Numbers.plain(number);
            case FieldKind.Lookup ignored -> Numbers.plain(number);
        };
    }

    /** What numbers of a field come to; a total of ratings is not one of them. */
    public static String total(FieldKind kind, BigDecimal total) {
        boolean isOfMarks = kind instanceof FieldKind.Numeric it && !it.marks().isEmpty();
        return isOfMarks ? Numbers.plain(total) : number(kind, total);
    }

    private static String money(String currency, BigDecimal number) {
        int decimals = Math.max(Currencies.decimals(currency), Math.max(0, number.scale()));
        return Currencies.sign(currency) + " "
                + number.setScale(decimals, RoundingMode.UNNECESSARY).toPlainString();
    }

    /** A time of the day: 09:30, with seconds where there are any. */
    public static String time(LocalTime time) {
        return time.toString();
    }

    /** A day written out: 24 November 2026. */
    public static String day(LocalDate date) {
        return DAY.format(date);
    }

    /** The label of a choice; its identity where the kind no longer offers it. */
    public static String choice(FieldKind kind, String id) {
        return kind.offered().stream()
                .filter(choice -> choice.id().equals(id))
                .map(Choice::label)
                .findFirst()
                .orElse(id);
    }
}
