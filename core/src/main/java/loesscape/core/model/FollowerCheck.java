package loesscape.core.model;

import java.util.HashSet;
import java.util.Set;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;

/** Checks the items that follow a field: indicators and pictures. */
final class FollowerCheck {

    private final SymbolTable symbols;
    private final TextBounds texts;
    private final LookCheck looks;
    private final BiConsumer<String, String> report;

    FollowerCheck(SymbolTable symbols, TextBounds texts, LookCheck looks, BiConsumer<String, String> report) {
        this.symbols = symbols;
        this.texts = texts;
        this.looks = looks;
        this.report = report;
    }

    void check(String path, Indicator indicator) {
        texts.line(path + "/label", indicator.label());
        Field followed = followed(path, indicator.follows(), indicator.key());
        int ways = (indicator.bands().isEmpty() ? 0 : 1)
                + (indicator.choices().isEmpty() ? 0 : 1)
                + (indicator.presence() == null ? 0 : 1);
        if (ways != 1) {
            report.accept(path, "An indicator shows bands, or choices, or the presence of an answer: one of these.");
        }
        if (followed != null && !indicator.bands().isEmpty()) {
            if (followed.kind().hasBands()) {
                looks.edges(path + "/bands", indicator.bands(), followed);
            } else {
                report.accept(
                        path + "/follows",
                        "Bands follow a number or a date; “%s” is neither.".formatted(followed.label()));
            }
        }
        looks.bands(path + "/bands", indicator.bands());
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < indicator.choices().size(); i++) {
            Indicator.ChoiceSign each = indicator.choices().get(i);
            String at = path + "/choices/" + i;
            looks.sign(at + "/sign", each.sign());
            if (!seen.add(each.choice())) {
                report.accept(at + "/choice", "This choice is there twice.");
            }
            if (followed != null && !symbols.choices(followed).contains(each.choice())) {
                report.accept(
                        at + "/choice",
                        "“%s” has no choice “%s”.".formatted(followed.label(), TextBounds.shortened(each.choice())));
            }
        }
        Indicator.Presence presence = indicator.presence();
        if (presence != null) {
            looks.sign(path + "/presence/answered", presence.answered());
            looks.sign(path + "/presence/blank", presence.blank());
        }
    }

    void check(String path, Picture picture) {
        texts.line(path + "/label", picture.label());
        looks.file(path + "/file", picture.file());
        if (!picture.follows().isEmpty()) {
            Field followed = followed(path, picture.follows(), picture.key());
            if (followed != null && !(followed.kind() instanceof FieldKind.Picture)) {
                report.accept(path + "/follows", "“%s” does not take a picture.".formatted(followed.label()));
            }
        }
    }

    /** The field something follows; it must be there, and stand in the same rows or outside of rows. */
    private @Nullable Field followed(String path, String key, String follower) {
        Field followed = symbols.field(key);
        if (followed == null) {
            report.accept(path + "/follows", "There is no field “%s”.".formatted(TextBounds.shortened(key)));
            return null;
        }
        String rows = symbols.rowsAround(key);
        if (rows != null && !rows.equals(symbols.rowsAround(follower))) {
            report.accept(
                    path + "/follows",
                    "“%s” stands in rows; only what stands in the same rows can follow it."
                            .formatted(followed.label()));
        }
        return followed;
    }
}
