package loesscape.core.model;

import java.util.regex.Pattern;

/** How well one colour is read on another: the contrast ratio of WCAG 2.2 (definitions of relative luminance and contrast ratio). */
public final class Contrast {

    /** The least ratio for text (WCAG 2.2, 1.4.3, level AA). */
    public static final double LEAST = 4.5;

    private static final int STEPS = 100;
    private static final Pattern COLOUR = Pattern.compile("#[0-9a-fA-F]{6}");

    private Contrast() {}

    /** Whether a text is a colour, written {@code #rrggbb}. */
    public static boolean isColour(String text) {
        return COLOUR.matcher(text).matches();
    }

    /** The contrast ratio of two colours, 1 to 21, whichever comes first. */
    public static double of(String one, String other) {
        double first = luminance(one);
        double second = luminance(other);
        return (Math.max(first, second) + 0.05) / (Math.min(first, second) + 0.05);
    }

    /** The colour nearest to one, darker or lighter, that can be read on another. */
    public static String nearest(String colour, String on) {
        String to = luminance(on) > 0.18 ? "#000000" : "#ffffff";
        for (int step = 0; step <= STEPS; step++) {
            String mixed = mixed(colour, to, (double) step / STEPS);
            if (of(mixed, on) >= LEAST) {
                return mixed;
            }
        }
        return to;
    }

    private static String mixed(String from, String to, double share) {
        StringBuilder colour = new StringBuilder("#");
        for (int at = 1; at < 7; at += 2) {
            int one = Integer.parseInt(from.substring(at, at + 2), 16);
            int other = Integer.parseInt(to.substring(at, at + 2), 16);
            colour.append("%02x".formatted(Math.round(one + (other - one) * share)));
        }
        return colour.toString();
    }

    private static double luminance(String colour) {
        return 0.2126 * linear(colour, 1) + 0.7152 * linear(colour, 3) + 0.0722 * linear(colour, 5);
    }

    private static double linear(String colour, int at) {
        double part = Integer.parseInt(colour.substring(at, at + 2), 16) / 255.0;
        return part <= 0.04045 ? part / 12.92 : Math.pow((part + 0.055) / 1.055, 2.4);
    }
}
