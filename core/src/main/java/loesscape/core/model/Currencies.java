package loesscape.core.model;

import java.util.Currency;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/** Currencies by their ISO 4217 code, from the tables of the Java runtime. */
public final class Currencies {

    private static final Set<String> CODES = Currency.getAvailableCurrencies().stream()
            .filter(currency -> currency.getDefaultFractionDigits() >= 0)
            .map(Currency::getCurrencyCode)
            .collect(Collectors.toUnmodifiableSet());

    private Currencies() {}

    /** Tells whether {@code code} is a currency that amounts can be given in. */
    public static boolean isKnown(String code) {
        return CODES.contains(code);
    }

    /** How many decimals an amount has: 2 for EUR, 0 for JPY, 3 for KWD. */
    public static int decimals(String code) {
        return Currency.getInstance(code).getDefaultFractionDigits();
    }

    /** The sign written before an amount: € for EUR; the code itself where there is no common sign. */
    public static String sign(String code) {
        return switch (code) {
            case "EUR" -> "€";
            case "GBP" -> "£";
            case "USD" -> "$";
            case "JPY" -> "¥";
            default -> Currency.getInstance(code).getSymbol(Locale.ROOT);
        };
    }
}
