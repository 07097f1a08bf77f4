package loesscape.core.reach;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.analysis.proof.AnswerPiece.PieceShape;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Aspect;
import loesscape.core.model.Check;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Logic;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Offer;
import loesscape.core.model.Phrase;
import loesscape.core.model.Role;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/** Turns what is set in a table into edits. */
final class ReachWriting {

    private final Field field;
    private final List<AnswerPiece> pieces;
    private final SymbolTable symbols;
    private final ConditionRewriting rewriting;
    private Template now;

    ReachWriting(CompiledTemplate compiled, Field field, List<AnswerPiece> pieces) {
        this.field = field;
        this.pieces = pieces;
        this.symbols = compiled.symbols();
        this.rewriting = new ConditionRewriting(field, pieces, symbols);
        this.now = compiled.template();
    }

    /**
     * One edit for all strokes, in their order.
     *
     * @throws Refusal where something cannot be set there
     */
    Edit of(List<ReachStroke> strokes) {
        if (strokes.size() > Edit.Together.MOST) {
            throw new Refusal("Set at most %,d columns at once.".formatted(Edit.Together.MOST));
        }
        List<Edit> edits = new ArrayList<>();
        for (ReachStroke stroke : strokes) {
            Edit edit = edit(stroke);
            edits.add(edit);
            now = Editing.apply(now, edit);
        }
        return edits.size() == 1 ? edits.getFirst() : new Edit.Together(edits);
    }

    private Edit edit(ReachStroke stroke) {
        for (int row : stroke.rows()) {
            if (row < 0 || row >= pieces.size() || pieces.get(row).shape() == PieceShape.REFUSED) {
                throw new Refusal("There is no such line any more.");
            }
        }
        return switch (stroke.aspect()) {
            case ReachAspect.OfNode(var aspect) -> aspect(stroke, aspect, node(stroke.key()));
            case ReachAspect.OfLook(var rule, var ignored) -> look(stroke, rule, node(stroke.key()));
            case ReachAspect.OfCheck(var check) -> check(stroke, check, node(stroke.key()));
            case ReachAspect.OfChoice(var choice) -> choice(stroke, choice, node(stroke.key()));
            case ReachAspect.OfRole(var role) -> role(stroke, role);
            case ReachAspect.OfPhrase(var phrase) -> phrase(stroke, phrase, node(stroke.key()));
            case ReachAspect.OfFinish(var rule) -> finish(stroke, rule);
            case ReachAspect.OfValue ignored -> throw cannot();
            case ReachAspect.OfSign ignored -> throw cannot();
            case ReachAspect.OfText ignored -> throw cannot();
            case ReachAspect.OfPicture ignored -> throw cannot();
            case ReachAspect.OfList ignored -> throw cannot();
        };
    }

    private static Refusal cannot() {
        return new Refusal("This is only read here. It is set beside the document.");
    }

    private Node node(String key) {
        return now.nodes().stream()
                .filter(node -> node.key().equals(key))
                .findFirst()
                .orElseThrow(ReachWriting::gone);
    }

    private Edit aspect(ReachStroke stroke, Aspect aspect, Node node) {
        if (!aspect.fits(node)) {
            throw new Refusal("“%s” is never %s.".formatted(node.name(), aspect.words()));
        }
        if (node.key().equals(field.key())) {
            throw new Refusal("“%s” cannot follow itself.".formatted(node.name()));
        }
        Condition old = aspect.of(node);
        Condition plain = aspect.plainDefault() ? new Condition.Always() : new Condition.Never();
        Condition fresh = written(old == null ? plain : old, stroke);
        return new Edit.SetCondition(List.of(node.key()), List.of(aspect), fresh.equals(plain) ? null : fresh);
    }

    private Edit look(ReachStroke stroke, int place, Node node) {
        List<LookRule> rules = new ArrayList<>(Logic.looks(node));
        LookRule rule = at(rules, place);
        rules.set(place, new LookRule(written(rule.when(), stroke), rule.look(), rule.extent()));
        return new Edit.SetLooks(List.of(node.key()), rules);
    }

    private Edit check(ReachStroke stroke, int place, Node node) {
        List<Check> checks = new ArrayList<>(node instanceof Field it ? it.checks() : List.of());
        Check check = at(checks, place);
        checks.set(place, new Check(written(check.refusedWhen(), stroke), check.message()));
        return new Edit.SetChecks(node.key(), checks);
    }

    private Edit phrase(ReachStroke stroke, int place, Node node) {
        if (!(node instanceof Notice notice)) {
            throw gone();
        }
        List<Phrase> phrases = new ArrayList<>(notice.phrases());
        Phrase phrase = at(phrases, place);
        phrases.set(place, new Phrase(phrase.name(), written(phrase.when(), stroke)));
        return new Edit.SetText(notice.key(), notice.text(), phrases);
    }

    private Edit finish(ReachStroke stroke, int place) {
        List<FinishRule> rules = new ArrayList<>(now.finish());
        FinishRule rule = at(rules, place);
        rules.set(place, new FinishRule(written(rule.when(), stroke), rule.message()));
        return new Edit.SetFinish(rules);
    }

    private Condition written(Condition old, ReachStroke stroke) {
        return rewriting.of(old, Set.copyOf(stroke.rows()), stroke.is());
    }

    private static Refusal gone() {
        return new Refusal("This is no longer in the document.");
    }

    private static <T> T at(List<T> all, int place) {
        if (place < 0 || place >= all.size()) {
            throw gone();
        }
        return all.get(place);
    }

    private Edit choice(ReachStroke stroke, String choice, Node node) {
        Offer offer = node instanceof Field it && it.kind() instanceof FieldKind.Choosing kind ? kind.offer() : null;
        if (offer == null || !offer.parent().equals(field.key())) {
            throw new Refusal("The choices of “%s” do not follow “%s” any more.".formatted(node.name(), field.name()));
        }
        Map<String, List<String>> perAnswer = new LinkedHashMap<>(offer.perAnswer());
        for (int row : stroke.rows()) {
            String answer = answer(pieces.get(row));
            if (answer == null) {
                throw new Refusal("While “%s” is blank, nothing is offered.".formatted(field.name()));
            }
            List<String> offered = new ArrayList<>(perAnswer.getOrDefault(answer, List.of()));
            offered.remove(choice);
            if (stroke.is()) {
                offered.add(choice);
            }
            perAnswer.put(answer, offered);
        }
        return new Edit.SetOffer(node.key(), new Offer(field.key(), perAnswer));
    }

    private static @Nullable String answer(AnswerPiece piece) {
        return piece.condition() instanceof Clause.ChoiceClause it
                ? it.choices().getFirst()
                : null;
    }

    private Edit role(ReachStroke stroke, String key) {
        Role role = now.roles().stream()
                .filter(each -> each.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new Refusal("This role is no longer in the document."));
        Condition old = role.takesPart();
        Condition fresh = written(old == null ? new Condition.Always() : old, stroke);
        return new Edit.PutRole(
                new Role(role.key(), role.name(), role.order(), fresh instanceof Condition.Always ? null : fresh));
    }
}
