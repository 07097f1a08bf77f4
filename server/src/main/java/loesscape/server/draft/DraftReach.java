package loesscape.server.draft;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.UUID;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Reading;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.MayBeLeftOut;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.reach.Reach;
import loesscape.core.reach.ReachAcross;
import loesscape.core.reach.ReachColumn;
import loesscape.core.reach.ReachExamples;
import loesscape.core.reach.ReachStroke;
import loesscape.core.reach.ReachTable;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What the answers to one field of a draft reach, and what is set there. */
@Service
class DraftReach {

    private static final int MOST_BESIDES = 100;

    private final DraftVersions versions;
    private final TryoutStore tryouts;
    private final Drafts drafts;
    private final Clock clock;

    DraftReach(DraftVersions versions, TryoutStore tryouts, Drafts drafts, Clock clock) {
        this.versions = versions;
        this.tryouts = tryouts;
        this.drafts = drafts;
        this.clock = clock;
    }

    /** How a table is read. */
    enum ReachReading {
        /** With the other answers as they are tried out. */
        HELD,
        /** For all other answers. */
        ALL
    }

    /**
     * What is asked of a field.
     *
     * @param field its key
     * @param edges answers at which its lines are cut besides, as they would be typed
     * @param besides keys of nodes that do not follow it yet
     */
    record AskedReach(String field, List<String> edges, List<String> besides) {}

    /**
     * A table.
     *
     * @param revision of the draft that was looked at
     */
    public record ReachView(int revision, ReachTable table) {}

    /**
     * What is set in a table.
     *
     * @param revision of the draft of which the table tells
     * @param edges with which it was asked for
     * @param strokes in their order
     */
    public record SetInReach(int revision, @MayBeLeftOut List<String> edges, List<ReachStroke> strokes) {}

    ReachView table(UUID id, AskedReach asked, ReachReading reading, long account) {
        DraftVersions.Current now = versions.current(id);
        TryoutStore.Tryout tryout = tryouts.find(id, account);
        ReachTable table = now.model()
                .reaching((model, before) -> reach(model, before, asked), (model, reach) -> switch (reading) {
                    case HELD ->
                        reach.held(
                                model.withRows(tryout.answers()), new Context(today(), tryout.stage(), tryout.role()));
                    case ALL -> reach.forAll();
                });
        return new ReachView(now.version().revision(), table);
    }

    ReachAcross across(
            UUID id, AskedReach asked, int revision, int column, String other, ReachReading reading, long account) {
        TryoutStore.Tryout tryout = tryouts.find(id, account);
        return at(id, revision).reaching((model, before) -> reach(model, before, asked), (model, reach) -> {
            if (column < 0
                    || column >= reach.columns().size()
                    || model.prepared().symbols().field(other) == null
                    || other.equals(asked.field())) {
                throw changed();
            }
            ReachColumn about = reach.columns().get(column);
            return switch (reading) {
                case HELD ->
                    reach.heldAcross(
                            other,
                            about,
                            model.withRows(tryout.answers()),
                            new Context(today(), tryout.stage(), tryout.role()));
                case ALL -> reach.forAllAcross(other, about);
            };
        });
    }

    /** The draft as it was looked at: lines and columns of another revision may be others. */
    private DraftModel at(UUID id, int revision) {
        DraftVersions.Current now = versions.current(id);
        if (now.version().revision() != revision) {
            throw changed();
        }
        return now.model();
    }

    private static Refusal changed() {
        return new Refusal("The document was changed in the meantime. Look at the table once more.");
    }

    ReachExamples examples(UUID id, AskedReach asked, int revision, int row, int column) {
        return at(id, revision).reaching((model, before) -> reach(model, before, asked), (model, reach) -> {
            if (row < 0
                    || row >= reach.rows().size()
                    || column < 0
                    || column >= reach.columns().size()) {
                throw changed();
            }
            return reach.examples(row, reach.columns().get(column));
        });
    }

    DraftChange set(UUID id, String field, SetInReach set, long account) {
        if (set.strokes().isEmpty()) {
            throw new Refusal("Choose the lines in which something is to be set.");
        }
        AskedReach asked = new AskedReach(field, set.edges(), List.of());
        // Nobody else's edit waits until something else was looked through.
        return drafts.edit(
                id, set.revision(), model -> reach(model, null, asked).set(set.strokes()), account);
    }

    private LocalDate today() {
        return LocalDate.now(clock);
    }

    private Reach reach(DraftModel model, @Nullable EveryFilling before, AskedReach asked) {
        Field field = model.prepared().symbols().field(asked.field());
        if (field == null) {
            throw new Refusal("This field is no longer in the document.");
        }
        if (asked.edges().size() > Reach.MOST_EDGES) {
            throw new Refusal("A table is cut at most at %d answers of its own.".formatted(Reach.MOST_EDGES));
        }
        if (asked.besides().size() > MOST_BESIDES) {
            throw new Refusal("A table has at most %d columns of its own.".formatted(MOST_BESIDES));
        }
        List<Value> edges = new ArrayList<>();
        for (String typed : asked.edges()) {
            edges.add(edge(model.prepared().symbols(), field, typed));
        }
        return Reach.after(before, model.compiled(), field.key(), edges, new LinkedHashSet<>(asked.besides()), today());
    }

    private static Value edge(SymbolTable symbols, Field field, String typed) {
        if (!Reach.canBeCut(field.kind())) {
            throw new Refusal("The answers to “%s” are all told apart.".formatted(field.name()));
        }
        Reading read = Reading.settled(field.kind(), typed.strip());
        if (read instanceof Reading.Unreadable(var problem)) {
            throw new Refusal("“%s” is no answer to “%s”: %s".formatted(typed, field.name(), problem));
        }
        Value value = read.value();
        if (value.isBlank()) {
            throw new Refusal("Say at which answer the lines are to be cut.");
        }
        if (field.kind() instanceof FieldKind.Lookup && !symbols.choices(field).contains(typed.strip())) {
            throw new Refusal("“%s” is not in the list of “%s”.".formatted(typed, field.name()));
        }
        return value;
    }
}
