package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Band;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.ChoiceClause.ChoiceTest;
import loesscape.core.model.Clause.SetClause.SetTest;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Validation;

/** Changes what kind of answer a field takes. */
final class Kinds {

    private Kinds() {}

    static TemplateIndex set(TemplateIndex parts, Edit.SetKind edit) {
        Field field = parts.field(edit.key());
        FieldKind kind = withChoices(edit.kind(), field.kind());
        boolean keeps = kind.hasBands() && kind.isDay() == field.kind().isDay();
        List<Band> bands = keeps ? field.bands() : List.of();
        Field changed = field.withKind(kind).withBands(bands);
        if (kind.getClass() != field.kind().getClass()) {
            changed = withFittingValue(parts, changed);
            TemplateIndex carried = carried(parts.with(changed), changed);
            refuseIfFollowed(parts, field, carried);
            return carried;
        }
        return parts.with(changed);
    }

    /** Clauses about one choice become clauses about several, and the other way round as far as they say the same. */
    private static TemplateIndex carried(TemplateIndex parts, Field field) {
        String key = field.key();
        return switch (field.kind()) {
            case FieldKind.SeveralChoices ignored ->
                Mappings.mapped(
                        parts,
                        Mappings.rewriting(leaf -> leaf instanceof Clause.ChoiceClause it
                                        && it.field().equals(key)
                                ? new Clause.SetClause(
                                        key,
                                        it.test() == ChoiceTest.IS ? SetTest.INCLUDES : SetTest.DOES_NOT_INCLUDE,
                                        it.choices(),
                                        it.whenBlank())
                                : leaf));
            case FieldKind.OneChoice ignored ->
                Mappings.mapped(
                        parts,
                        Mappings.rewriting(leaf -> leaf instanceof Clause.SetClause it
                                        && it.field().equals(key)
                                ? one(it)
                                : leaf));
            case FieldKind.Lookup ignored -> parts;
            case FieldKind.Payment ignored -> parts;
            case FieldKind.SelfContained ignored -> parts;
        };
    }

    private static Clause one(Clause.SetClause it) {
        boolean single = it.choices().size() == 1;
        return switch (it.test()) {
            case INCLUDES -> new Clause.ChoiceClause(it.field(), ChoiceTest.IS, it.choices(), it.whenBlank());
            case DOES_NOT_INCLUDE ->
                new Clause.ChoiceClause(it.field(), ChoiceTest.IS_NOT, it.choices(), it.whenBlank());
            case INCLUDES_ALL, IS_EXACTLY ->
                single ? new Clause.ChoiceClause(it.field(), ChoiceTest.IS, it.choices(), it.whenBlank()) : it;
        };
    }

    /** Choices have edits of their own, so that what follows them is carried along; here they stay. */
    private static FieldKind withChoices(FieldKind kind, FieldKind before) {
        if (!(kind instanceof FieldKind.Choosing to)) {
            return kind;
        }
        FieldKind.Choosing source = before instanceof FieldKind.Choosing was ? was : Additions.startingChoices();
        return to.withChoices(source.choices()).withOffer(source.offer());
    }

    /** A value that the new kind cannot begin with or work out is dropped; it says nothing any more. */
    private static Field withFittingValue(TemplateIndex parts, Field field) {
        if (field.value() == null) {
            return field;
        }
        boolean fits = Validation.of(parts.with(field).template()).isEmpty();
        return fits
                        || !Validation.of(parts.with(field.withValue(null)).template())
                                .isEmpty()
                ? field
                : field.withValue(null);
    }

    /**
     * Conditions that compare the answer must still fit; those that could be carried along have been.
     */
    private static void refuseIfFollowed(TemplateIndex parts, Field field, TemplateIndex changed) {
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
