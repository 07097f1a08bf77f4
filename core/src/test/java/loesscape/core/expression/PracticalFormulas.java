package loesscape.core.expression;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Formulas as practitioners write them, with what they give; {@code docs/formulas.md} shows them. */
final class PracticalFormulas {

    /** A formula, what it is for, and what it gives as text; {@code heading} where a new group begins, with no formula. */
    record Practical(String heading, String purpose, String formula, String gives) {}

    private PracticalFormulas() {}

    static List<Practical> all() {
        try (var in = PracticalFormulas.class.getResourceAsStream("practical-formulas.txt")) {
            return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(PracticalFormulas::practical)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Practical practical(String line) {
        if (line.startsWith("# ")) {
            return new Practical(line.substring(2), "", "", "");
        }
        int first = line.indexOf(" | ");
        int last = line.lastIndexOf(" | ");
        return new Practical("", line.substring(0, first), line.substring(first + 3, last), line.substring(last + 3));
    }

    private static final Map<String, Type> BILL =
            Map.of("item", Type.Simple.TEXT, "amount", Type.Simple.NUMBER, "paid", Type.Simple.YES_NO);

    /** The names that they refer to, with their values. */
    private static final Map<String, Map.Entry<Type, Object>> KNOWN = known();

    private static Map<String, Map.Entry<Type, Object>> known() {
        Map<String, Map.Entry<Type, Object>> known = new LinkedHashMap<>();
        known.put(Names.TODAY, Map.entry(Type.Simple.DATE, LocalDate.of(2026, 11, 27)));
        known.put("born", Map.entry(Type.Simple.DATE, LocalDate.of(1988, 3, 14)));
        known.put("start", Map.entry(Type.Simple.DATE, LocalDate.of(2026, 11, 24)));
        known.put("end", Map.entry(Type.Simple.DATE, LocalDate.of(2027, 2, 26)));
        known.put("from", Map.entry(Type.Simple.TIME, LocalTime.of(7, 30)));
        known.put("until", Map.entry(Type.Simple.TIME, LocalTime.of(16, 15)));
        Map.of("fee", "1200", "hours", "7.5", "rate", "42", "quantity", "120")
                .forEach((name, number) -> known.put(name, Map.entry(Type.Simple.NUMBER, new BigDecimal(number))));
        Map.of(
                        "first", "Ada",
                        "last", "Marsh",
                        "reference", "VM-204417",
                        "mail", "ada@Loess.example",
                        "iban", "GB82 WEST 1234 5698 7654 32",
                        "note", "clay; sand; silt")
                .forEach((name, text) -> known.put(name, Map.entry(Type.Simple.TEXT, text)));
        known.put("urgent", Map.entry(Type.Simple.YES_NO, true));
        known.put(
                "purpose",
                Map.entry(
                        new Type.Choice(Map.of("irrigation", "Irrigation of fields", "well", "House well")),
                        "irrigation"));
        known.put(
                "soils",
                Map.entry(
                        new Type.ListOf(new Type.Choice(Map.of("clay", "Clay", "loess", "Loess"))),
                        List.of("loess", "clay")));
        known.put(
                "equipment",
                Map.entry(
                        new Type.Context(Map.of("name", Type.Simple.TEXT, "day_rate", Type.Simple.NUMBER)),
                        Map.of("name", "Auger", "day_rate", BigDecimal.valueOf(180))));
        known.put(
                Names.list("holidays"),
                Map.entry(
                        new Type.ListOf(new Type.Context(Map.of("day", Type.Simple.TEXT))),
                        List.of(Map.of("day", "2026-12-25"), Map.of("day", "2027-01-01"))));
        known.put(
                "bills",
                Map.entry(
                        new Type.ListOf(new Type.Context(BILL, true)),
                        List.of(
                                bill("casing", "120.50", true),
                                bill("grout", null, null),
                                bill("screen", "80", false))));
        return known;
    }

    private static Map<String, @Nullable Object> bill(String item, @Nullable String amount, @Nullable Boolean paid) {
        Map<String, @Nullable Object> bill = new HashMap<>();
        bill.put("item", item);
        bill.put("amount", amount == null ? null : new BigDecimal(amount));
        bill.put("paid", paid);
        return bill;
    }

    /** What one gives, as text; null where it gives nothing. */
    static @Nullable Object run(String formula) {
        Map<String, Type> types = new HashMap<>();
        KNOWN.forEach((name, known) -> types.put(name, known.getKey()));
        types.put("advance", Type.Simple.NUMBER);
        types.put("middle", Type.Simple.TEXT);
        List<String> names = List.copyOf(KNOWN.keySet());
        Object[] values =
                Arrays.copyOf(KNOWN.values().stream().map(Map.Entry::getValue).toArray(), names.size());
        Object result = Formula.of(formula, types).compile(names).run(values);
        return Formula.of("string(x)", Map.of("x", Type.Simple.ANY))
                .compile(List.of("x"))
                .run(result);
    }
}
