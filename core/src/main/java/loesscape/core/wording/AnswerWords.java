package loesscape.core.wording;

import java.math.BigDecimal;
import java.text.ListFormat;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.chrono.IsoChronology;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import loesscape.core.expression.functions.WritingFunctions;
import loesscape.core.model.AnswerFormat;
import loesscape.core.model.Choice;
import loesscape.core.model.Currencies;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Numbers;
import loesscape.core.model.Value;

/**
 * Answers as they are written in the language of a document: days, numbers, amounts and lists as the Unicode CLDR has them
 * (as the JDK carries it). English without a region is written as in Britain, with the sign of a currency in front.
 *
 * <pre>{@code
 * AnswerWords.in(Locale.GERMAN).of(new FieldKind.Date(null, null), new Value.Date(day)); // 27. November 2026
 * }</pre>
 */
public final class AnswerWords {

    /** Below this numbers are written without signs between thousands: 2026 may be a year, and 1250 a house. */
    private static final BigDecimal GROUPED_FROM = BigDecimal.valueOf(10_000);

    private final Locale language;
    private final boolean isEnglish;
    private final ResourceBundle words;

    private AnswerWords(Locale language) {
        this.isEnglish = language.getLanguage().equals("en");
        this.language = isEnglish && language.getCountry().isEmpty() ? Locale.UK : language;
        this.words = ResourceBundle.getBundle(
                "loesscape.core.wording.answers",
                language,
                ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES));
    }

    /** In a language; its words for yes and no are English where they are not known. */
    public static AnswerWords in(Locale language) {
        return new AnswerWords(language);
    }

    /** An answer in the usual way of its kind; empty for blank. */
    public String of(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Blank ignored -> "";
            case Value.Text(var text) -> text;
            case Value.Number(var number) -> number(kind, number);
            case Value.YesNo(var yes) -> words.getString(yes ? "yes" : "no");
            case Value.Date(var date) -> day(date, FormatStyle.LONG);
            case Value.Time(var time) -> time(time);
            case Value.Chosen(var choice, var own) -> own.isEmpty() ? Display.choice(kind, choice) : own;
            case Value.ChosenSet it -> joined(labels(kind, it), ListFormat.Type.STANDARD);
            case Value.Signed ignored -> words.getString("signed");
            case Value.Files(var files) ->
                joined(files.stream().map(Value.File::name).toList(), ListFormat.Type.STANDARD);
            case Value.Paid(var amount, var ignored) -> number(kind, amount);
        };
    }

    /**
     * An answer in another way, which fits its kind; empty for blank.
     *
     * @throws IllegalArgumentException where the format does not fit
     */
    public String of(FieldKind kind, Value value, AnswerFormat format) {
        if (!format.fits(kind)) {
            throw new IllegalArgumentException(format + " does not fit " + kind);
        }
        if (value.isBlank()) {
            return "";
        }
        return switch (format) {
            case SHORT -> value instanceof Value.Date(var date) ? pattern(date, "yMd") : of(kind, value);
            case FULL -> value instanceof Value.Date(var date) ? day(date, FormatStyle.FULL) : of(kind, value);
            case MONTH -> value instanceof Value.Date(var date) ? pattern(date, "yMMMM") : of(kind, value);
            case YEAR -> value instanceof Value.Date(var date) ? pattern(date, "y") : of(kind, value);
            case FIGURE -> figure(kind, value);
            case WORDS -> inWords(kind, value);
            case LOWER -> of(kind, value).toLowerCase(language);
            case UPPER -> of(kind, value).toUpperCase(language);
            case STORED -> stored(kind, value);
            case OR ->
                value instanceof Value.ChosenSet it ? joined(labels(kind, it), ListFormat.Type.OR) : of(kind, value);
        };
    }

    /**
     * A day in figures alone, for forms with a cell for each: day, month and year in the order of the language, the year in
     * two figures where there are six cells.
     */
    public String figures(LocalDate day, int cells) {
        String order = DateTimeFormatterBuilder.getLocalizedDateTimePattern(
                FormatStyle.SHORT, null, IsoChronology.INSTANCE, language);
        StringBuilder figures = new StringBuilder();
        for (int letter : order.chars().distinct().toArray()) {
            figures.append(
                    switch (letter) {
                        case 'd' -> "%02d".formatted(day.getDayOfMonth());
                        case 'M' -> "%02d".formatted(day.getMonthValue());
                        case 'y' ->
                            cells < FULL_FIGURES
                                    ? "%02d".formatted(day.getYear() % 100)
                                    : "%04d".formatted(day.getYear());
                        default -> "";
                    });
        }
        return figures.toString();
    }

    /** Two for the day, two for the month, four for the year. */
    private static final int FULL_FIGURES = 8;

    /** How many there are of something, in figures. */
    public String count(int number) {
        return grouped(BigDecimal.valueOf(number));
    }

    /** What stands behind each of so many things in a list: commas, then “and”, then nothing. */
    public List<String> joints(int count) {
        if (count < 2) {
            return List.of("");
        }
        // A sign that no language joins with, so that what is between them can be told.
        String list = joined(Collections.nCopies(count, MARKER), ListFormat.Type.STANDARD);
        List<String> joints = new ArrayList<>(List.of(list.split(MARKER, -1)));
        joints.removeFirst();
        return joints;
    }

    private static final String MARKER = "\uFFFC";

    private String joined(List<String> all, ListFormat.Type type) {
        return all.isEmpty()
                ? ""
                : ListFormat.getInstance(language, type, ListFormat.Style.FULL).format(all);
    }

    private static List<String> labels(FieldKind kind, Value.ChosenSet chosen) {
        return chosen.choices().stream()
                .map(choice -> choice.equals(Choice.OTHER) && !chosen.words().isEmpty()
                        ? chosen.words()
                        : Display.choice(kind, choice))
                .toList();
    }

    private String stored(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Chosen(var choice, var ignored) -> stored(kind, choice);
            case Value.ChosenSet(var choices, var ignored) ->
                joined(choices.stream().map(choice -> stored(kind, choice)).toList(), ListFormat.Type.STANDARD);
            default -> of(kind, value);
        };
    }

    private static String stored(FieldKind kind, String id) {
        return kind.offered().stream()
                .filter(choice -> choice.id().equals(id))
                .map(choice -> choice.stored().isEmpty() ? choice.label() : choice.stored())
                .findFirst()
                .orElse(id);
    }

    private String number(FieldKind kind, BigDecimal number) {
        return switch (kind) {
            case FieldKind.Money money -> money(money.currency(), number);
            case FieldKind.Payment payment -> money(payment.currency(), number);
            case FieldKind.Rating(var most) ->
                words.getString("rating").formatted(grouped(number), grouped(BigDecimal.valueOf(most)));
            case FieldKind.Number it when !it.unit().isEmpty() -> grouped(number) + " " + it.unit();
            case FieldKind.SelfContained ignored -> grouped(number);
            case FieldKind.Choosing ignored -> grouped(number);
            case FieldKind.Lookup ignored -> grouped(number);
        };
    }

    private String figure(FieldKind kind, Value value) {
        return switch (value) {
            case Value.Number(var number) ->
                kind instanceof FieldKind.Money it ? amount(it.currency(), number) : grouped(number);
            case Value.Paid(var number, var ignored) ->
                kind instanceof FieldKind.Payment it ? amount(it.currency(), number) : grouped(number);
            default -> of(kind, value);
        };
    }

    /** In figures where it has no words. */
    private String inWords(FieldKind kind, Value value) {
        BigDecimal number = switch (value) {
            case Value.Number(var it) -> it;
            case Value.Paid(var it, var ignored) -> it;
            default -> null;
        };
        String said = number == null ? null : WritingFunctions.inWords(number.stripTrailingZeros(), language);
        return said == null ? figure(kind, value) : said;
    }

    private String grouped(BigDecimal number) {
        BigDecimal plain = new BigDecimal(Numbers.plain(number));
        NumberFormat format = NumberFormat.getNumberInstance(language);
        format.setGroupingUsed(plain.abs().compareTo(GROUPED_FROM) >= 0);
        return format(format, plain, Math.max(0, plain.scale()));
    }

    private static int decimals(String currency, BigDecimal number) {
        return Math.max(
                Currencies.decimals(currency),
                Math.max(0, number.stripTrailingZeros().scale()));
    }

    private String amount(String currency, BigDecimal number) {
        return format(NumberFormat.getNumberInstance(language), number, decimals(currency, number));
    }

    private String money(String currency, BigDecimal number) {
        if (isEnglish) {
            return Currencies.sign(currency) + " " + amount(currency, number);
        }
        NumberFormat format = NumberFormat.getCurrencyInstance(language);
        format.setCurrency(Currency.getInstance(currency));
        return format(format, number, decimals(currency, number));
    }

    private static String format(NumberFormat format, BigDecimal number, int decimals) {
        format.setMinimumFractionDigits(decimals);
        format.setMaximumFractionDigits(decimals);
        return format.format(number);
    }

    private String day(LocalDate date, FormatStyle style) {
        return DateTimeFormatter.ofLocalizedDate(style).withLocale(language).format(date);
    }

    private String pattern(LocalDate date, String parts) {
        return DateTimeFormatter.ofLocalizedPattern(parts).withLocale(language).format(date);
    }

    private String time(LocalTime time) {
        if (isEnglish) {
            return Display.time(time);
        }
        FormatStyle style = time.getSecond() == 0 ? FormatStyle.SHORT : FormatStyle.MEDIUM;
        return DateTimeFormatter.ofLocalizedTime(style).withLocale(language).format(time);
    }
}
