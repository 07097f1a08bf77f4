package loesscape.core.editing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import loesscape.core.evaluation.StartingAnswers;
import loesscape.core.model.Band;
import loesscape.core.model.Choice;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Keys;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Problem;
import loesscape.core.model.Section;
import loesscape.core.model.Sign;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;

/**
 * Applies edits: the one entrance to changing a template.
 *
 * <pre>{@code
 * Template empty = Template.of("Permit", List.of(new Page("p", "", null, List.of(Section.of("s", "Well", List.of())))));
 * Template asked = Editing.apply(empty, new Edit.Add(Edit.Novelty.NUMBER, "Planned depth, m", "s", null, null));
 * Template named = Editing.apply(asked, new Edit.RenameKey("planned_depth", "depth"));
 * try {
 *     Editing.apply(named, new Edit.RenameKey("depth", "s")); // a section is called so
 * } catch (Refusal refusal) {
 *     refusal.getMessage(); // says why in a sentence; the template is as it was
 * }
 * Change change = Change.between(TemplateIndex.of(asked), TemplateIndex.of(named)); // can be kept, told in words, and taken back
 * }</pre>
 */
public final class Editing {

    private Editing() {}

    /**
     * The template after an edit.
     *
     * @throws Refusal when the edit cannot be made; the template given is untouched
     */
    public static Template apply(Template template, Edit edit) {
        return apply(TemplateIndex.of(template), edit).prepared().template();
    }

    /**
     * A template after an edit.
     *
     * @param prepared itself, for whoever looks at it next
     * @param parts itself, taken apart
     */
    public record Edited(PreparedTemplate prepared, TemplateIndex parts) {}

    /**
     * The same, of a template that was taken apart already.
     *
     * @throws Refusal when the edit cannot be made
     */
    public static Edited apply(TemplateIndex before, Edit edit) {
        TemplateIndex parts = Acceptances.tidied(Placing.tidied(SharedUses.tidied(edited(before, edit))));
        PreparedTemplate prepared = PreparedTemplate.of(parts.template());
        valid(prepared);
        return new Edited(prepared, parts);
    }

    private static TemplateIndex edited(TemplateIndex parts, Edit edit) {
        return switch (edit) {
            case Edit.Retitle it ->
                parts.titled(it.title().strip(), it.subtitle().strip());
            case Edit.Add it -> Additions.add(parts, it);
            case Edit.AddLookups it -> Additions.lookups(parts, it);
            case Edit.Relabel it -> relabel(parts, it.key(), it.label());
            case Edit.SetHelp it -> help(parts, it.key(), it.help());
            case Edit.RenameKey it -> Rekeying.rename(parts, it.key(), it.to());
            case Edit.SetWidth it -> width(parts, it);
            case Edit.SetKind it -> Kinds.set(parts, it);
            case Edit.AddChoice it -> ChoiceEdits.add(parts, it);
            case Edit.RelabelChoice it -> ChoiceEdits.relabel(parts, it);
            case Edit.MoveChoice it -> ChoiceEdits.move(parts, it);
            case Edit.RemoveChoice it -> ChoiceEdits.remove(parts, it);
            case Edit.SetCondition it -> Conditions.set(parts, it);
            case Edit.SetBands it -> bands(parts, it);
            case Edit.Follow it -> follow(parts, it);
            case Edit.Move it -> Moves.move(parts, it);
            case Edit.Duplicate it -> Rekeying.duplicate(parts, it);
            case Edit.Delete it -> Deletions.delete(parts, it);
            case Edit.StoreChoice it -> ChoiceEdits.store(parts, it);
            case Edit.SetOffer it -> ChoiceEdits.offer(parts, it);
            case Edit.CopyLogic it -> Conditions.copy(parts, it);
            case Edit.SetLooks it -> PropertyEdits.looks(parts, it);
            case Edit.SetValue it -> parts.with(parts.field(it.key()).withValue(it.value()));
            case Edit.SetChecks it -> parts.with(parts.field(it.key()).withChecks(it.checks()));
            case Edit.SetRole it -> PropertyEdits.role(parts, it);
            case Edit.SetFolding it -> PropertyEdits.folding(parts, it);
            case Edit.SetText it ->
                parts.with(PropertyEdits.notice(parts, it.key())
                        .withText(it.text().strip())
                        .withPhrases(it.phrases()));
            case Edit.SetClause it -> PropertyEdits.clause(parts, it);
            case Edit.SetMedium it -> PropertyEdits.medium(parts, it);
            case Edit.SetRows it -> PropertyEdits.rows(parts, it);
            case Edit.SetSigns it -> PropertyEdits.signs(parts, it);
            case Edit.SetPicture it -> PropertyEdits.picture(parts, it);
            case Edit.NewShared it -> SharedUses.add(parts, it);
            case Edit.SetShared it -> SharedUses.set(parts, it);
            case Edit.Extract it -> SharedUses.extract(parts, it);
            case Edit.Inline it -> SharedUses.inline(parts, it.condition());
            case Edit.RemoveShared it -> SharedUses.remove(parts, it);
            case Edit.PutRole it -> Others.put(parts, it.role());
            case Edit.RemoveRole it -> Others.remove(parts, it);
            case Edit.PutList it -> Others.put(parts, it.list());
            case Edit.PutTable it -> Others.put(parts, it);
            case Edit.RemoveList it -> Others.removeList(parts, it.key());
            case Edit.SetPageSettings it -> parts.with(parts.rest().withPageSettings(it.pageSettings()));
            case Edit.SetPromises it -> parts.with(parts.rest().withPromises(it.promises()));
            case Edit.AcceptFinding it -> Acceptances.accept(parts, it);
            case Edit.PutTrials it -> Others.put(parts, it.trials());
            case Edit.RemoveTrial it -> Others.removeTrial(parts, it.name());
            case Edit.Together it -> together(parts, it);
            case Edit.UseBlock it -> Blocks.use(parts, it);
            case Edit.TakeOver it -> Blocks.takeOver(parts, it);
            case Edit.SetOrigin it -> parts.with(Blocks.section(parts, it.key()).withOrigin(it.origin()));
            case Edit.SetPlaces it -> Placing.set(parts, it);
            case Edit.AddAt it -> Placing.add(parts, it);
            case Edit.AddPrinted it -> PrintedQuestions.add(parts, it);
            case Edit.SetOverlay it -> PropertyEdits.overlay(parts, it);
            case Edit.SetFinish it -> parts.with(parts.rest().withFinish(it.finish()));
        };
    }

    private static TemplateIndex together(TemplateIndex parts, Edit.Together several) {
        if (several.edits().isEmpty() || several.edits().size() > Edit.Together.MOST) {
            throw new Refusal("Make 1 to %,d edits at once.".formatted(Edit.Together.MOST));
        }
        TemplateIndex now = parts;
        for (Edit edit : several.edits()) {
            if (edit instanceof Edit.Together) {
                throw new Refusal("Edits that are made together hold no others.");
            }
            now = apply(now, edit).parts();
        }
        return now;
    }

    /** The template itself, or a refusal that says what would be wrong with it. */
    static Template valid(Template template) {
        valid(PreparedTemplate.of(template));
        return template;
    }

    private static void valid(PreparedTemplate prepared) {
        List<Problem> problems = new ArrayList<>(Validation.of(prepared));
        problems.addAll(StartingAnswers.problems(prepared.template()));
        if (!problems.isEmpty()) {
            throw new Refusal(problems.stream().map(Problem::message).distinct().collect(Collectors.joining(" ")));
        }
    }

    private static TemplateIndex relabel(TemplateIndex parts, String key, String label) {
        String text = label.strip();
        Node relabelled = switch (parts.node(key)) {
            case Page it -> it.withTitle(text);
            case Section it -> it.withTitle(text);
            case Field it -> it.withLabel(text);
            case Notice it -> it.withText(text);
            case Indicator it -> it.withLabel(text);
            case Picture it -> new Picture(it.key(), text, it.file(), it.follows(), it.shown(), it.folding());
            case Overlay it -> new Overlay(it.key(), text, it.shape(), it.words(), it.shown());
            case Divider it ->
                throw new Refusal("A %s has no label.".formatted(it.name().toLowerCase(Locale.ROOT)));
        };
        return parts.with(relabelled);
    }

    private static TemplateIndex help(TemplateIndex parts, String key, String help) {
        String text = help.strip();
        return switch (parts.node(key)) {
            case Section it -> parts.with(it.withHelp(text));
            case Field it -> parts.with(it.withHelp(text));
            case Node other -> throw new Refusal("“%s” has no help line.".formatted(other.name()));
        };
    }

    private static TemplateIndex width(TemplateIndex parts, Edit.SetWidth edit) {
        return parts.with(parts.field(edit.key()).withWidth(edit.width()));
    }

    /** Sets bands; where a field and indicators that follow it have the same bands, they go on having the same. */
    private static TemplateIndex bands(TemplateIndex parts, Edit.SetBands edit) {
        Node changed = parts.node(edit.key());
        String field = changed instanceof Indicator it ? it.follows() : edit.key();
        List<Band> before = bands(changed);
        TemplateIndex with = banded(parts, changed, edit.bands());
        for (Node node : parts.nodes().values()) {
            boolean about = node.key().equals(field)
                    || (node instanceof Indicator it && it.follows().equals(field));
            if (about && !before.isEmpty() && bands(node).equals(before)) {
                with = banded(with, node, edit.bands());
            }
        }
        return with;
    }

    private static List<Band> bands(Node node) {
        return switch (node) {
            case Field it -> it.bands();
            case Indicator it -> it.bands();
            default -> List.of();
        };
    }

    private static TemplateIndex banded(TemplateIndex parts, Node node, List<Band> bands) {
        return switch (node) {
            case Field it -> parts.with(it.withBands(bands));
            case Indicator it ->
                parts.with(it.withBands(bands).withChoices(List.of()).withPresence(null));
            default -> throw new Refusal("“%s” has no bands.".formatted(node.name()));
        };
    }

    private static TemplateIndex follow(TemplateIndex parts, Edit.Follow edit) {
        if (parts.node(edit.key()) instanceof Indicator it) {
            return parts.with(fitting(it, parts.field(edit.field()), parts));
        }
        throw new Refusal(
                "“%s” is not an indicator.".formatted(parts.node(edit.key()).name()));
    }

    /** The indicator following a field, with what it shows as far as that fits the field, or what one begins with. */
    private static Indicator fitting(Indicator indicator, Field field, TemplateIndex parts) {
        Indicator following = indicator.withFollows(field.key());
        if (field.kind().hasBands()) {
            boolean isFitting = !following.bands().isEmpty()
                    && following.bands().stream()
                            .allMatch(band -> band.upTo() == null
                                    || band.upTo().isOfDays() == field.kind().isDay());
            return following
                    .withBands(
                            isFitting
                                    ? following.bands()
                                    : Additions.startingBands(field.kind().isDay()))
                    .withChoices(List.of())
                    .withPresence(null);
        }
        Indicator bare = following.withBands(List.of()).withChoices(List.of());
        List<Indicator.ChoiceSign> signs = parts.symbols().choices(field).stream()
                .map(choice -> new Indicator.ChoiceSign(choice, Sign.saying(label(field, choice))))
                .toList();
        boolean hasChoices = !signs.isEmpty() && !(field.kind() instanceof FieldKind.Lookup);
        return indicator.presence() == null && hasChoices
                ? bare.withChoices(signs).withPresence(null)
                : bare.withPresence(
                        indicator.presence() == null
                                ? new Indicator.Presence(Sign.saying("There"), Sign.saying("Missing"))
                                : indicator.presence());
    }

    private static String label(Field field, String choice) {
        return field.kind() instanceof FieldKind.Choosing it
                ? it.choices().stream()
                        .filter(each -> each.id().equals(choice))
                        .map(Choice::label)
                        .findFirst()
                        .orElse(Keys.words(choice))
                : Keys.words(choice);
    }

    /** The names of some nodes, quoted, for a message. */
    static String names(TemplateIndex parts, List<String> keys) {
        List<String> names = new ArrayList<>();
        keys.forEach(key -> names.add("“%s”".formatted(parts.node(key).name())));
        return String.join(", ", names);
    }
}
