package loesscape.core.wording;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.model.Bound;
import loesscape.core.model.FieldKind;
import org.jspecify.annotations.Nullable;

/** The limits of a field's kind in words, such as "more than 0 and at most 400". */
public final class Limits {

    private Limits() {}

    /** The limits of a kind; empty where it has none. */
    public static String words(FieldKind kind) {
        List<String> limits = new ArrayList<>(2);
        switch (kind) {
            case FieldKind.Number it -> numbers(kind, it.lower(), it.upper(), limits);
            case FieldKind.Money it -> numbers(kind, it.lower(), it.upper(), limits);
            case FieldKind.Date it -> {
                if (it.earliest() != null) {
                    limits.add(Display.day(it.earliest()) + " or later");
                }
                if (it.latest() != null) {
                    limits.add(Display.day(it.latest()) + " or earlier");
                }
            }
            case FieldKind.Text it -> longest(it.longest(), limits);
            case FieldKind.LongText it -> longest(it.longest(), limits);
            case FieldKind.Email() -> limits.add("an e-mail address");
            case FieldKind.Phone ignored -> limits.add("a telephone number");
            case FieldKind.WebAddress() -> limits.add("a web address");
            case FieldKind.YesNo() -> {}
            case FieldKind.OneChoice ignored -> {}
        }
        return String.join(" and ", limits);
    }

    private static void longest(int longest, List<String> limits) {
        if (longest > 0) {
            limits.add("at most " + longest + (longest == 1 ? " character" : " characters"));
        }
    }

    private static void numbers(FieldKind kind, @Nullable Bound lower, @Nullable Bound upper, List<String> limits) {
        if (lower != null) {
            limits.add((lower.included() ? "at least " : "more than ") + Display.number(kind, lower.at()));
        }
        if (upper != null) {
            limits.add((upper.included() ? "at most " : "less than ") + Display.number(kind, upper.at()));
        }
    }
}
