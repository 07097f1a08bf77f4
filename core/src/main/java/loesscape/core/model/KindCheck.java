package loesscape.core.model;

import java.math.BigDecimal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.regex.Pattern;
import loesscape.core.expression.Type;
import org.jspecify.annotations.Nullable;

/** The rules that the kinds of fields keep: sensible limits, choices with identities, what they are offered by. */
final class KindCheck {

    private static final Pattern ENDING = Pattern.compile("[a-z0-9]{1,10}");
    private static final int MOST_COLUMNS = 6;

    private final SymbolTable symbols;
    private final TextBounds texts;
    private final BiConsumer<String, String> report;

    KindCheck(SymbolTable symbols, TextBounds texts, BiConsumer<String, String> report) {
        this.symbols = symbols;
        this.texts = texts;
        this.report = report;
    }

    void check(String path, Field field) {
        switch (field.kind()) {
            case FieldKind.Text text -> text(path, text.placeholder(), text.longest());
            case FieldKind.LongText text -> text(path, text.placeholder(), text.longest());
            case FieldKind.Number number -> {
                texts.line(path + "/unit", number.unit());
                if (number.decimals() < 0 || number.decimals() > 10) {
                    report.accept(path + "/decimals", "A number has 0 to 10 decimals.");
                }
                limits(path, number.lower(), number.upper());
            }
            case FieldKind.Money money -> {
                currency(path, money.currency());
                limits(path, money.lower(), money.upper());
            }
            case FieldKind.Rating(var most) -> {
                if (most < 2 || most > FieldKind.Rating.HIGHEST) {
                    report.accept(
                            path + "/most", "A rating goes from 1 to 2 up to %d.".formatted(FieldKind.Rating.HIGHEST));
                }
            }
            case FieldKind.Email() -> {}
            case FieldKind.Phone(var region) -> {
                if (!region.isEmpty() && !Addresses.isRegion(region)) {
                    report.accept(
                            path + "/region",
                            "“%s” is not a country by two letters of ISO 3166-1, such as NL."
                                    .formatted(TextBounds.shortened(region)));
                }
            }
            case FieldKind.WebAddress() -> {}
            case FieldKind.YesNo() -> {}
            case FieldKind.OneChoice it -> choices(path, field, it, it.style());
            case FieldKind.SeveralChoices it -> {
                choices(path, field, it, it.style());
                if (it.least() < 0 || it.most() < 0 || (it.most() > 0 && it.most() < it.least())) {
                    report.accept(path + "/most", "The most choices are not below the least, and neither is below 0.");
                }
            }
            case FieldKind.Lookup it -> lookup(path, field, it);
            case FieldKind.Date it ->
                later(path, it.earliest(), it.latest(), "The latest day lies before the earliest.");
            case FieldKind.Time it ->
                later(path, it.earliest(), it.latest(), "The latest time lies before the earliest.");
            case FieldKind.DateSigned() -> {}
            case FieldKind.Signature() -> {}
            case FieldKind.Initials() -> {}
            case FieldKind.Attachment it -> attachment(path, it);
            case FieldKind.Picture(var largest) -> largest(path, largest);
            case FieldKind.Payment it -> {
                currency(path, it.currency());
                new FormulaCheck(symbols, symbols.rowsAround(field.key()), report)
                        .check(path + "/amount", it.amount(), Type.Simple.NUMBER, "What is to be paid is a number");
            }
        }
    }

    private <T extends Comparable<? super T>> void later(
            String path, @Nullable T earliest, @Nullable T latest, String message) {
        if (earliest != null && latest != null && latest.compareTo(earliest) < 0) {
            report.accept(path + "/latest", message);
        }
    }

    private void currency(String path, String currency) {
        if (!Currencies.isKnown(currency)) {
            report.accept(
                    path + "/currency",
                    "“%s” is not a currency code of ISO 4217, such as EUR.".formatted(TextBounds.shortened(currency)));
        }
    }

    private void attachment(String path, FieldKind.Attachment it) {
        largest(path, it.largest());
        if (it.most() < 1 || it.most() > FieldKind.Attachment.MOST) {
            report.accept(path + "/most", "A field takes 1 to %d files.".formatted(FieldKind.Attachment.MOST));
        }
        for (int i = 0; i < it.endings().size(); i++) {
            if (!ENDING.matcher(it.endings().get(i)).matches()) {
                report.accept(
                        path + "/endings/" + i,
                        "“%s” is not the ending of a file name, such as pdf."
                                .formatted(TextBounds.shortened(it.endings().get(i))));
            }
        }
    }

    private void largest(String path, int largest) {
        if (largest < 1 || largest > FieldKind.Attachment.LARGEST) {
            report.accept(
                    path + "/largest", "A file has at most 1 to %d megabytes.".formatted(FieldKind.Attachment.LARGEST));
        }
    }

    private void text(String path, String placeholder, int longest) {
        texts.line(path + "/placeholder", placeholder);
        if (longest < 0 || longest > TextBounds.LONGEST_ANSWER) {
            report.accept(
                    path + "/longest",
                    "The longest answer is 0 (no limit) to %d characters.".formatted(TextBounds.LONGEST_ANSWER));
        }
    }

    private void limits(String path, @Nullable Bound lower, @Nullable Bound upper) {
        if ((lower != null && lower.isOfDays()) || (upper != null && upper.isOfDays())) {
            report.accept(path, "The limits of a number are numbers, not days.");
        }
        number(path + "/lower/at", lower == null ? null : lower.at());
        number(path + "/upper/at", upper == null ? null : upper.at());
        if (lower != null && upper != null) {
            int order = lower.at().compareTo(upper.at());
            if (order > 0 || (order == 0 && !(lower.included() && upper.included()))) {
                report.accept(
                        path + "/upper", "No number lies between these limits; the upper one must be above the lower.");
            }
        }
    }

    private void number(String path, @Nullable BigDecimal number) {
        if (number != null && !Numbers.isReasonable(number)) {
            report.accept(path, "The number is too long; at most %d digits.".formatted(Numbers.MOST_DIGITS));
        }
    }

    private void choices(String path, Field field, FieldKind.Choosing kind, FieldKind.ChoiceStyle style) {
        List<Choice> choices = kind.choices();
        String at = path + "/choices";
        if (choices.isEmpty()) {
            report.accept(at, "There is nothing to choose from; add a choice.");
        }
        if (style.columns() < 0 || style.columns() > MOST_COLUMNS) {
            report.accept(
                    path + "/style/columns",
                    "Choices stand in 1 to %d columns; 0 for as many as fit.".formatted(MOST_COLUMNS));
        }
        if (choices.size() > Validation.MOST_NODES) {
            report.accept(
                    at,
                    "There are %d choices; the most is %d. A longer list can be a lookup list."
                            .formatted(choices.size(), Validation.MOST_NODES));
            return;
        }
        Set<String> ids = new HashSet<>();
        for (int c = 0; c < choices.size(); c++) {
            Choice choice = choices.get(c);
            Identities.check(at + "/" + c + "/id", choice.id(), ids, report);
            texts.line(at + "/" + c + "/label", choice.label());
            texts.line(at + "/" + c + "/stored", choice.stored());
            if (choice.label().isBlank()) {
                report.accept(at + "/" + c + "/label", "The choice has no label; give it one.");
            }
        }
        if (kind.other() && ids.contains(Choice.OTHER)) {
            report.accept(
                    path + "/other",
                    "An answer in own words goes by the identity “%s”, which one of the choices has."
                            .formatted(Choice.OTHER));
        }
        Offer offer = kind.offer();
        if (offer != null) {
            offer(path + "/offer", field, offer, ids);
        }
    }

    private void offer(String path, Field field, Offer offer, Set<String> ids) {
        Field parent = parent(path + "/parent", field, offer.parent());
        if (parent == null) {
            return;
        }
        boolean fits = parent.kind() instanceof FieldKind.OneChoice || parent.kind() instanceof FieldKind.YesNo;
        if (!fits) {
            report.accept(
                    path + "/parent",
                    "Choices follow a field with one choice; “%s” is none.".formatted(parent.label()));
        }
        Set<String> answers = symbols.choices(parent);
        offer.perAnswer().forEach((answer, offered) -> {
            if (fits && !answers.contains(answer)) {
                report.accept(
                        path + "/perAnswer/" + answer,
                        "“%s” has no choice “%s”.".formatted(parent.label(), TextBounds.shortened(answer)));
            }
            offered.stream()
                    .filter(id -> !ids.contains(id))
                    .forEach(id -> report.accept(
                            path + "/perAnswer/" + answer,
                            "“%s” has no choice “%s”.".formatted(field.label(), TextBounds.shortened(id))));
        });
    }

    private @Nullable Field parent(String path, Field field, String key) {
        Field parent = symbols.field(key);
        if (parent == null) {
            report.accept(path, "There is no field “%s”.".formatted(TextBounds.shortened(key)));
            return null;
        }
        String rows = symbols.rowsAround(key);
        if (rows != null && !rows.equals(symbols.rowsAround(field.key()))) {
            report.accept(
                    path,
                    "“%s” stands in rows; only what stands in the same rows can follow it.".formatted(parent.label()));
        }
        return parent;
    }

    private void lookup(String path, Field field, FieldKind.Lookup it) {
        LookupList list = symbols.list(it.list());
        if (list == null) {
            report.accept(path + "/list", "There is no lookup list “%s”.".formatted(TextBounds.shortened(it.list())));
            return;
        }
        column(path + "/column", list, it.column());
        it.filters().forEach((column, key) -> {
            column(path + "/filters/" + column, list, column);
            Field parent = parent(path + "/filters/" + column, field, key);
            if (parent != null
                    && !parent.kind().isText()
                    && !parent.kind().isOneChoice()
                    && !parent.kind().isNumeric()) {
                report.accept(
                        path + "/filters/" + column,
                        "A list follows a text, a number or one choice; “%s” is none of these."
                                .formatted(parent.label()));
            }
        });
    }

    private void column(String path, LookupList list, String column) {
        if (list.column(column) < 0) {
            report.accept(path, "“%s” has no column “%s”.".formatted(list.name(), TextBounds.shortened(column)));
        }
    }
}
