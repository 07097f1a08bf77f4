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
            case FieldKind.Numeric it
            when !it.marks().isEmpty() ->
                limits.add("from %s to %s"
                        .formatted(it.marks().getFirst(), it.marks().getLast()));
            case FieldKind.Numeric it -> numbers(kind, it.lower(), it.upper(), limits);
            case FieldKind.Time it -> {
                if (it.earliest() != null) {
                    limits.add(Display.time(it.earliest()) + " or later");
                }
                if (it.latest() != null) {
                    limits.add(Display.time(it.latest()) + " or earlier");
                }
            }
            case FieldKind.SeveralChoices it -> {
                if (it.least() > 1) {
                    limits.add("at least " + it.least() + " choices");
                }
                if (it.most() > 0) {
                    limits.add("at most " + it.most() + (it.most() == 1 ? " choice" : " choices"));
                }
            }
            case FieldKind.Attachment it -> {
                limits.add("at most " + it.most() + (it.most() == 1 ? " file" : " files"));
                limits.add("each up to " + it.largest() + " MB");
                if (!it.endings().isEmpty()) {
                    limits.add("of the kinds " + String.join(", ", it.endings()));
                }
            }
            case FieldKind.Picture(var largest) -> limits.add("a PNG or JPEG picture up to " + largest + " MB");
            case FieldKind.YesNo() -> {}
            case FieldKind.OneChoice ignored -> {}
            case FieldKind.Lookup ignored -> {}
            case FieldKind.DateSigned() -> {}
            case FieldKind.Signature() -> {}
            case FieldKind.Initials() -> {}
            case FieldKind.Payment ignored -> {}
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
