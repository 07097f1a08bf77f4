package loesscape.core.analysis.proof;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import loesscape.core.analysis.proof.SharedVariables.Group;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * All that a document hangs on, as variables: what is typed into each field, how many rows there are, the stage, who is acting,
 * and whatever is out of reach. They are made when they are first asked for.
 */
final class AnswerVariables {

    /** The stages as variables stand for them. */
    static final List<Stage> STAGES = List.of(Stage.values());

    private final List<PreparedTemplate> versions;
    private final List<String> roleKeys;
    private final LocalDate today;
    private final Cutting cutting;
    private final RowWitnesses witnesses;
    private final SharedVariables shared;
    private final Gates gates;
    private final Map<Object, Typed> typed = new LinkedHashMap<>();
    private final Map<String, Group> rows = new HashMap<>();
    private final Map<String, int[]> rowCounts = new HashMap<>();
    private final Map<Together, Group> bands = new LinkedHashMap<>();
    private final Set<Object> notKnown = new HashSet<>();
    private @Nullable Group stages;
    private @Nullable Group roles;

    /**
     * The variables of what is typed into a field: one for each region, or one for each choice.
     *
     * @param name of what is typed: the same for the same variables
     * @param row of which it is said, from 0; 0 too outside of rows
     */
    record Typed(String name, Field field, int row, FieldRegions regions, int[] variables) {}

    /**
     * @param versions of one template, whose fields of the same key are given the same answers; only answers are looked at that
     *     all of them accept
     * @param besides clauses that none of them has, and that are asked all the same
     */
    AnswerVariables(List<PreparedTemplate> versions, List<Clause> besides, LocalDate today, SharedVariables shared) {
        this.shared = shared;
        this.gates = shared.gates();
        this.versions = List.copyOf(versions);
        this.today = today;
        this.cutting = Cutting.of(versions, besides, today, shared);
        this.roleKeys = versions.stream()
                .flatMap(version -> version.template().roles().stream())
                .map(Role::key)
                .distinct()
                .toList();
        this.witnesses = RowWitnesses.of(versions);
    }

    /** The rows that have to be told apart. */
    RowWitnesses witnesses() {
        return witnesses;
    }

    /** The roles that can be acting, by their keys. */
    List<String> roleKeys() {
        return roleKeys;
    }

    /** The repeating section in whose rows a field stands; null where it stands in none. */
    @Nullable
    String rowsAround(String field) {
        return versions.stream()
                .map(version -> version.symbols().rowsAround(field))
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /** The day on which the document is looked at. */
    LocalDate today() {
        return today;
    }

    /** Whether what a field says about today is the same on every day. */
    boolean isSameEveryDay(String field) {
        return cutting.isSameEveryDay(field);
    }

    Gates gates() {
        return gates;
    }

    /** What other revisions have of them too. */
    SharedVariables shared() {
        return shared;
    }

    /** What cuts the answers. */
    Cutting cutting() {
        return cutting;
    }

    /** The regions of a field. */
    FieldRegions regions(String field) {
        return cutting.of(field);
    }

    /** What is typed. */
    Collection<Typed> typed() {
        return typed.values();
    }

    /** The variables of the numbers of rows that were asked for, by the section. */
    Map<String, Group> rows() {
        return rows;
    }

    /** How many rows each of these stands for. */
    int[] rowCounts(String section) {
        return Objects.requireNonNull(rowCounts.get(section), section);
    }

    @Nullable
    Group stages() {
        return stages;
    }

    @Nullable
    Group roles() {
        return roles;
    }

    /**
     * Whether something is so that is out of reach; the same variable for the same rule over the same gates.
     *
     * @param signature all that decides it
     */
    int unknown(OutOfReach rule, Object signature) {
        return shared.unknown(rule, signature);
    }

    /**
     * What is known of a formula; the same for the same formula over the same gates, in whichever version it stands first.
     *
     * @param signature all that decides it
     * @param fresh what is known of it; null for nothing, which is remembered too
     */
    int @Nullable [] known(Object signature, Supplier<int @Nullable []> fresh) {
        int[] found = notKnown.contains(signature) ? null : shared.known(signature, fresh);
        if (found == null) {
            notKnown.add(signature);
        }
        return found;
    }

    /** The bands of two fields that are looked at together. */
    Group bands(Together together) {
        return bands.computeIfAbsent(together, ignored -> shared.oneOf(together.identity(), together.bands()));
    }

    /** The bands that were asked for, by the fields. */
    Map<Together, Group> bands() {
        return bands;
    }

    /** How two fields compare that lie between the same edges: the first is less, the same, or more. */
    Group order(String pair) {
        return shared.oneOf(List.of("order", pair), 3);
    }

    private int[] oneOf(Object identity, List<Region> regions) {
        int[] variables = shared.usuallyFirst(identity, regions.size()).variables();
        for (int i = 0; i < variables.length; i++) {
            if (regions.get(i).value() instanceof Value.Number(var number) && SizeLine.isFar(number)) {
                shared.setFar(variables[i]);
            }
        }
        return variables;
    }

    /** Whether the document is at one of some stages. */
    int stage(List<Stage> wanted) {
        Group known = stages;
        if (known == null) {
            known = shared.usuallyFirst("stages", STAGES.size());
            stages = known;
        }
        List<Integer> any = new ArrayList<>();
        for (int i = 0; i < STAGES.size(); i++) {
            if (wanted.contains(STAGES.get(i))) {
                any.add(known.variables()[i]);
            }
        }
        return gates.or(any);
    }

    /** Whether one of some roles is acting; the first variable is for nobody in particular. */
    int role(List<String> wanted) {
        Group known = roles;
        if (known == null) {
            known = shared.usuallyFirst(List.of("roles", roleKeys), 1 + roleKeys.size());
            roles = known;
        }
        List<Integer> any = new ArrayList<>();
        for (int i = 0; i < roleKeys.size(); i++) {
            if (wanted.contains(roleKeys.get(i))) {
                any.add(known.variables()[i + 1]);
            }
        }
        return gates.or(any);
    }

    /** How many rows a section has. */
    Group rowsOf(Section section) {
        return rows.computeIfAbsent(section.key(), key -> {
            Set<Integer> starts = new LinkedHashSet<>();
            starts.add(1);
            int least = 0;
            int most = Integer.MAX_VALUE;
            for (PreparedTemplate version : versions) {
                Section own = version.symbols().repeating(key);
                if (own != null && own.rows() != null) {
                    least = Math.max(least, own.rows().least());
                    most = Math.min(most, own.rows().most());
                }
                for (Condition.Leaf leaf : TemplateConditions.leaves(version.template())) {
                    if (leaf instanceof Condition.RowCount it && it.section().equals(key)) {
                        starts.addAll(List.of(it.count() - 1, it.count(), it.count() + 1));
                    }
                }
            }
            starts.add(least);
            starts.add(Math.max(least, most));
            for (int row = 0; row <= witnesses.rows(key); row++) {
                starts.add(row);
            }
            int fewest = least;
            int greatest = Math.max(least, most);
            int[] counts = starts.stream()
                    .filter(count -> count >= fewest && count <= greatest)
                    .mapToInt(Integer::intValue)
                    .sorted()
                    .toArray();
            rowCounts.put(key, counts);
            return shared.usuallyFirst(
                    List.of("rows", key, IntStream.of(counts).boxed().toList()), counts.length);
        });
    }

    /** What is typed into a field, in one of the rows that are told apart where it stands in rows. */
    Typed typed(Field field, int row) {
        return typed(field, row, row == 0 ? field.key() : List.of(field.key(), row));
    }

    /**
     * What is worked out for a field; the same where it is worked out of the same.
     *
     * @param signature all that decides it
     */
    Typed workedOut(Field field, int row, Object signature) {
        return typed(field, row, List.of(field.key(), signature));
    }

    private Typed typed(Field field, int row, Object identity) {
        return typed.computeIfAbsent(identity, ignored -> {
            FieldRegions regions = cutting.of(field.key());
            boolean isWorkedOut = field.value() instanceof FieldValue.WorkedOut;
            List<Object> all = List.of(identity, field.kind(), isWorkedOut, regions);
            int[] variables = switch (regions) {
                case FieldRegions.OneOf(var some) -> oneOf(all, some);
                case FieldRegions.AnyOf(var choices, var ignoredToo, var ignoredAlso) ->
                    shared.some(all, choices.size());
            };
            Typed fresh = new Typed(name(field, variables), field, row, regions, variables);
            int bounds = bounds(fresh);
            for (int variable : variables) {
                shared.setAccepted(variable, bounds);
                if (isWorkedOut) {
                    shared.setOutOfReach(variable, new OutOfReach.WorkedOut(field.key()));
                }
            }
            return fresh;
        });
    }

    private static String name(Field field, int[] variables) {
        return variables.length == 0 ? field.key() : field.key() + "#" + variables[0];
    }

    /** What answers of several choices have to keep beside: so many of them, where not all that is typed need count. */
    private int bounds(Typed it) {
        if (!(it.regions() instanceof FieldRegions.AnyOf(var choices, var least, var most))) {
            return Gates.TRUE;
        }
        boolean isRestricted = it.field().kind() instanceof FieldKind.Choosing kind && kind.offer() != null;
        if (isRestricted) {
            return Gates.TRUE;
        }
        int[] all = it.variables();
        int any = gates.or(all);
        int enough = least <= 1 ? any : least > all.length ? Gates.FALSE : gates.atLeast(least, all);
        int few = most >= all.length ? Gates.TRUE : -gates.atLeast(most + 1, all);
        return gates.or(-any, gates.and(enough, few));
    }
}
