package loesscape.core.wording;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
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
            case Value.Chosen(var choice) -> choice(kind, choice);
        };
    }

    /** A number with the unit or currency of its field. */
    public static String number(FieldKind kind, BigDecimal number) {
        return switch (kind) {
            case FieldKind.Money money -> {
                int decimals = Math.max(Currencies.decimals(money.currency()), Math.max(0, number.scale()));
                yield Currencies.sign(money.currency()) + " "
                        + number.setScale(decimals, RoundingMode.UNNECESSARY).toPlainString();
            }
            case FieldKind.Number it when !it.unit().isEmpty() -> Numbers.plain(number) + " " + it.unit();
            default -> Numbers.plain(number);
        };
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
