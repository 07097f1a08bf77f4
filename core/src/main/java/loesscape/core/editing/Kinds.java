package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;

/** Changes what kind of answer a field takes. */
final class Kinds {

    private Kinds() {}

    static Parts set(Parts parts, Edit.SetKind edit) {
        Field field = parts.field(edit.key());
        FieldKind kind = withChoices(edit.kind(), field.kind());
        if (kind.getClass() != field.kind().getClass()) {
            refuseIfFollowed(parts, field, kind);
        }
        List<loesscape.core.model.Band> bands = kind.isNumeric() ? field.bands() : List.of();
        return parts.with(field.withKind(kind).withBands(bands));
    }

    /** Choices have edits of their own, so that what follows them is carried along; here they stay. */
    private static FieldKind withChoices(FieldKind kind, FieldKind before) {
        if (!(kind instanceof FieldKind.OneChoice one)) {
            return kind;
        }
        FieldKind.OneChoice source = before instanceof FieldKind.OneChoice was ? was : Additions.startingChoices();
        return new FieldKind.OneChoice(source.choices(), one.layout());
    }

    /** Conditions that compare the answer must still fit; those that only ask whether there is one always do. */
    private static void refuseIfFollowed(Parts parts, Field field, FieldKind kind) {
        Parts changed = parts.with(field.withKind(kind).withBands(List.of()));
        List<Refusal.Follower> followers = Followers.of(parts, List.of(field.key()));
        if (followers.isEmpty()) {
            return;
        }
        try {
            Editing.valid(changed.template());
        } catch (Refusal refusal) {
            throw new Refusal(
                    "“%s” cannot become another kind while conditions compare its answer. Change or drop these first."
                            .formatted(field.name()),
                    followers);
        }
    }
}
