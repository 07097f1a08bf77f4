package loesscape.server.draft;

import java.lang.ref.SoftReference;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BiFunction;
import loesscape.core.analysis.Bonds;
import loesscape.core.analysis.Explaining;
import loesscape.core.analysis.Finding;
import loesscape.core.analysis.LogicFindings;
import loesscape.core.analysis.PromiseVerdict;
import loesscape.core.analysis.Why;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Passage;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.Standing;
import loesscape.core.evaluation.State;
import loesscape.core.model.Divider;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import loesscape.core.reach.Reach;
import loesscape.core.trial.SuggestedTrials;
import loesscape.core.trial.TrialCoverage;
import loesscape.core.trial.TrialRecording;
import loesscape.core.trial.TrialRun;
import loesscape.core.wording.Reasons;
import loesscape.core.wording.Sentence;
import loesscape.core.wording.Sentences;
import org.jspecify.annotations.Nullable;

/** One revision of a template made ready for the Draft view: what it says of every node for any answers. */
final class DraftModel {

    private final CompiledTemplate compiled;
    private final TemplateIndex parts;
    private final Map<String, List<Sentence>> sentences;
    private final DraftSettings settings;
    private final Bonds bonds;
    private final Reasons reasons;
    /** What was asked last: an edit is compared with how the document stood before, which was shown before it. */
    private volatile @Nullable LastAsked last;

    private final ReentrantLock proving = new ReentrantLock();
    private @Nullable Proven lastProven;
    /** What was found of the revision that was looked through last; given up where memory is short. */
    private final AtomicReference<@Nullable SoftReference<EveryFilling>> found;

    /** What was found for a day. */
    record Proven(
            LocalDate day,
            List<Finding> findings,
            List<PromiseVerdict> promises,
            List<DraftProof.TriedView> trials,
            DraftProof.TriedShare coverage) {}

    private record LastAsked(Answers answers, Context context, Stand stand) {}

    DraftModel(Template template) {
        this(PreparedTemplate.of(template), TemplateIndex.of(template), new AtomicReference<>());
    }

    private DraftModel(
            PreparedTemplate prepared,
            TemplateIndex parts,
            AtomicReference<@Nullable SoftReference<EveryFilling>> found) {
        this.found = found;
        this.compiled = CompiledTemplate.ofValid(prepared);
        this.parts = parts;
        Sentences writing = new Sentences(prepared);
        this.sentences = writing.all();
        this.settings = DraftSettings.of(prepared, writing);
        this.bonds = Bonds.of(prepared);
        this.reasons = new Reasons(prepared);
    }

    /** The next revision, prepared by an edit: what was found of this one stays found where it is as it was. */
    DraftModel next(PreparedTemplate prepared, TemplateIndex parts) {
        return new DraftModel(prepared, parts, found);
    }

    /** The same for a revision that is read anew. */
    DraftModel next(Template template) {
        return next(PreparedTemplate.of(template), TemplateIndex.of(template));
    }

    /**
     * A page, section or item as the Draft view shows it.
     *
     * @param node itself, without what it holds
     * @param name what its author calls it
     * @param sentences its logic, as the margin says it
     * @param state how it stands with the answers typed in
     * @param folded why its own condition keeps it folded; empty when it does not
     * @param bond whom it follows and who follows it
     */
    public record NodeView(
            Node node, String name, List<Sentence> sentences, NodeState state, String folded, Bonds.Bond bond) {}

    /**
     * A document as it stands for some answers.
     *
     * @param nodes by key
     * @param inRows how what stands in rows stands, by address
     * @param unmet the messages of the conditions for finishing that do not hold
     */
    record Stand(Map<String, NodeView> nodes, Map<String, NodeState> inRows, List<String> unmet) {}

    TemplateIndex parts() {
        return parts;
    }

    /** What belongs to the document as a whole. */
    DraftSettings settings() {
        return settings;
    }

    /** What it does for all answers on a day; whoever asks for it first works it out, and others wait. */
    Proven proven(LocalDate today) {
        proving.lock();
        try {
            Proven known = lastProven;
            if (known == null || !known.day().equals(today)) {
                known = prove(today);
                lastProven = known;
            }
            return known;
        } finally {
            proving.unlock();
        }
    }

    private Proven prove(LocalDate today) {
        EveryFilling every = EveryFilling.after(taken(), compiled, List.of(), today);
        Proven proven = new Proven(
                today,
                LogicFindings.of(every),
                template().promises().stream()
                        .map(rule -> PromiseVerdict.of(rule, every))
                        .toList(),
                TrialRun.of(compiled, today).stream()
                        .map(outcome -> new DraftProof.TriedView(outcome.trial().name(), outcome.missed()))
                        .toList(),
                DraftProof.TriedShare.of(TrialCoverage.of(compiled, today)));
        found.set(new SoftReference<>(every));
        return proven;
    }

    /** What was found before. Whoever looks through another revision meanwhile does without. */
    private @Nullable EveryFilling taken() {
        SoftReference<EveryFilling> kept = found.getAndSet(null);
        return kept == null ? null : kept.get();
    }

    /** How a table is made, with what was found before. */
    interface ReachMade {

        Reach of(DraftModel model, @Nullable EveryFilling before);
    }

    /** Looks at what a field reaches, one at a time: it may take as long as looking through everything. */
    <T> T reaching(ReachMade made, BiFunction<DraftModel, Reach, T> use) {
        proving.lock();
        try {
            EveryFilling before = taken();
            EveryFilling last = before;
            try {
                Reach reach = made.of(this, before);
                last = reach.every();
                return use.apply(this, reach);
            } finally {
                found.set(new SoftReference<>(last));
            }
        } finally {
            proving.unlock();
        }
    }

    CompiledTemplate compiled() {
        return compiled;
    }

    /** Trials of what its own have not tried; one at a time is looked for. */
    SuggestedTrials.Suggestions suggested(LocalDate today) {
        proving.lock();
        try {
            return SuggestedTrials.of(EveryFilling.of(compiled, today), today);
        } finally {
            proving.unlock();
        }
    }

    /** How it stands for some answers, as a trial; named by its answers where that is blank. */
    Trial recorded(String name, Answers answers, Context context) {
        Answers typed = withRows(answers);
        String named = name.isBlank() ? TrialRecording.name(compiled, typed, context) : name;
        return TrialRecording.of(named, compiled, typed, context);
    }

    /** A trial of which is expected what comes of it now. */
    Trial expecting(Trial trial, LocalDate today) {
        Context context = new Context(trial.day() == null ? today : trial.day(), trial.stage(), trial.role());
        Trial recorded = TrialRecording.of(trial.name(), compiled, new Answers(trial.answers()), context);
        return trial.expecting(recorded.expected());
    }

    Template template() {
        return compiled.template();
    }

    PreparedTemplate prepared() {
        return compiled.prepared();
    }

    /** What it would show when it is finished. */
    Content finished(Answers answers, LocalDate day) {
        State state = compiled.evaluate(withRows(answers), new Context(day, Stage.FINISHED, ""));
        return Content.of(compiled.template(), state);
    }

    /**
     * Every node with these answers, by key. What stands in rows stands as it does in the first row; where there is none,
     * as it does in a row that nobody has touched.
     */
    Stand stand(Answers answers, Context context) {
        LastAsked known = last;
        if (known != null && known.context.equals(context) && known.answers.equals(answers)) {
            return known.stand;
        }
        Stand stand = evaluated(answers, context);
        last = new LastAsked(answers, context, stand);
        return stand;
    }

    private Stand evaluated(Answers answers, Context context) {
        Standing standing = compiled.standing(withRows(answers), context);
        State state = standing.state().numbered(compiled.template());
        Map<String, NodeView> views =
                LinkedHashMap.newLinkedHashMap(parts.nodes().size());
        parts.nodes().forEach((key, node) -> {
            String row = row(key, state);
            NodeState stands = state.nodes().get(row.isEmpty() ? key : RowNames.address(key, row));
            views.put(
                    key,
                    new NodeView(
                            node,
                            node.name(),
                            sentences.getOrDefault(key, List.of()),
                            stands == null ? folded(node) : stands,
                            stands == null ? "its rows are folded" : reasons.folded(key, row, standing),
                            Objects.requireNonNull(bonds.nodes().get(key))));
        });
        Map<String, NodeState> inRows = new LinkedHashMap<>();
        state.nodes().forEach((address, stands) -> {
            if (!RowNames.row(address).isEmpty()) {
                inRows.put(address, stands);
            }
        });
        return new Stand(views, inRows, state.unmet());
    }

    /** Why an item stands as it does; what stands in rows is asked of in the first row, unless its address names one. */
    Optional<Why> why(String address, Answers answers, Context context) {
        Answers typed = withRows(answers);
        State state = compiled.evaluate(typed, context);
        String row = parts.nodes().containsKey(address) ? row(address, state) : "";
        String at = row.isEmpty() ? address : RowNames.address(address, row);
        return state.nodes().containsKey(at)
                ? Optional.of(new Explaining(compiled, typed, context).why(at))
                : Optional.empty();
    }

    Answers withRows(Answers answers) {
        Answers with = answers;
        for (Node node : parts.nodes().values()) {
            boolean empty = node instanceof Section section
                    && section.rows() != null
                    && section.rows().least() == 0
                    && answers.of(node.key()).isEmpty();
            if (empty) {
                with = with.withRows(node.key(), List.of("r1"));
            }
        }
        return with;
    }

    /** The name of the first of the rows in which a node stands; empty where it stands in none or there is none. */
    private String row(String key, State state) {
        String section = compiled.symbols().rowsAround(key);
        return section != null
                        && state.of(section) instanceof NodeState.SectionState it
                        && it.rows() != null
                        && !it.rows().isEmpty()
                ? it.rows().getFirst()
                : "";
    }

    private static NodeState folded(Node node) {
        return switch (node) {
            case Field ignored -> NodeState.FieldState.FOLDED;
            case Indicator ignored -> new NodeState.IndicatorState(false, List.of(), null);
            case Notice it -> new NodeState.NoticeState(false, List.of(), Look.PLAIN, "", Passage.plain(it.text()));
            case Section ignored -> NodeState.SectionState.folded(null, "");
            case Page ignored -> new NodeState.PlainState(false, List.of());
            case Picture ignored -> new NodeState.PlainState(false, List.of());
            case Divider ignored -> new NodeState.PlainState(false, List.of());
            case Overlay ignored -> new NodeState.PlainState(false, List.of());
        };
    }
}
