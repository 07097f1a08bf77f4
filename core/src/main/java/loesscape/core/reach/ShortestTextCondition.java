package loesscape.core.reach;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import loesscape.core.analysis.proof.AnswerPiece;
import loesscape.core.evaluation.ClauseMeaning;
import loesscape.core.evaluation.Reading;
import loesscape.core.model.Clause;
import loesscape.core.model.Condition;
import loesscape.core.model.FieldKind;
import loesscape.core.model.References;
import loesscape.core.model.Value;

/**
 * The shortest condition that tells some texts from others by what the document asks of them anyway: what they are, contain, begin
 * or end with, look like, how long they are. One group or two of at most {@value #MOST_IN_GROUP} clauses are looked through, of
 * two where much is asked; beyond that it is short, not always the shortest. With as few clauses, “or” stands before “and”.
 */
final class ShortestTextCondition {

    /** How many clauses may stand together in one of several groups that are looked through. */
    private static final int MOST_IN_GROUP = 3;

    /** With more clauses than these, only pairs are looked through. */
    private static final int MANY = 16;

    private final List<Clause.TextualClause> clauses;
    private final List<BitSet> met;
    private final BitSet wanted;
    private final BitSet others;

    /** So many groups are compared with each other. */
    private static final int MOST_GROUPS = 1_000;

    /** A clause, or that it is not met. */
    private record Said(int clause, boolean is) {}

    /** Some of these, all of which have to be so, and the texts for which they are. */
    private record Group(List<Said> said, BitSet of) {}

    private ShortestTextCondition(FieldKind kind, List<AnswerPiece> pieces, BitSet wanted, ClauseMeaning meaning) {
        this.clauses = clauses(pieces);
        List<Value> values = pieces.stream()
                .map(piece -> Reading.settled(kind, piece.typed()).value())
                .toList();
        this.met = clauses.stream()
                .map(clause -> {
                    BitSet of = new BitSet();
                    for (int i = 0; i < values.size(); i++) {
                        of.set(i, meaning.meets(clause, values.get(i), List.of()));
                    }
                    return of;
                })
                .toList();
        this.wanted = wanted;
        this.others = (BitSet) wanted.clone();
        others.flip(0, pieces.size());
    }

    /**
     * The condition.
     *
     * @param pieces answers, of which no two are alike for all that is asked of them
     * @param wanted the places of those that are to meet it; some, and not all
     * @param blank whether a blank is to meet it
     */
    static Condition of(FieldKind kind, List<AnswerPiece> pieces, BitSet wanted, boolean blank, ClauseMeaning meaning) {
        return new ShortestTextCondition(kind, pieces, wanted, meaning).condition(blank);
    }

    private Condition condition(boolean blank) {
        List<Group> so = groups(wanted, others);
        List<Group> notSo = groups(others, wanted);
        return size(notSo) < size(so) || (size(notSo) == size(so) && isOneGroup(notSo) && !isPlain(so))
                ? none(notSo, blank)
                : any(so, blank);
    }

    /** Whether there is neither “or” within “and” nor the other way round. */
    private static boolean isPlain(List<Group> groups) {
        return groups.stream().allMatch(group -> group.said().size() == 1);
    }

    private static boolean isOneGroup(List<Group> groups) {
        return groups.size() == 1;
    }

    private static int size(Collection<Group> groups) {
        return groups.stream().mapToInt(group -> group.said().size()).sum();
    }

    /** All that is asked of these texts, each as what is so. */
    private static List<Clause.TextualClause> clauses(List<AnswerPiece> pieces) {
        Set<Clause.TextualClause> all = new LinkedHashSet<>();
        for (AnswerPiece piece : pieces) {
            for (Condition.Leaf leaf : References.leaves(piece.condition())) {
                if (leaf instanceof Clause.TextualClause clause) {
                    Clause.TextualClause plain = clause.withRule(null);
                    Clause.TextualClause opposite = plain.opposite();
                    all.add(opposite != null && plain.metWhenBlank() ? opposite : plain);
                }
            }
        }
        return List.copyOf(all);
    }

    /** Groups that take in all of some texts and none of the others, with as few clauses as are found. */
    private List<Group> groups(BitSet in, BitSet out) {
        Map<BitSet, Group> found = new LinkedHashMap<>();
        BitSet all = new BitSet();
        all.set(0, in.cardinality() + out.cardinality());
        collect(new Group(List.of(), all), in, out, found);
        List<Group> candidates = new ArrayList<>(found.values().stream()
                .sorted(Comparator.comparingInt(group -> group.said().size()))
                .limit(MOST_GROUPS)
                .toList());
        for (int text = in.nextSetBit(0); text >= 0; text = in.nextSetBit(text + 1)) {
            if (!isTakenIn(text, candidates)) {
                candidates.add(alone(text, out));
            }
        }
        List<Group> greedy = greedy(in, candidates);
        return greedy.size() < 2 ? greedy : pair(in, candidates, greedy);
    }

    private static boolean isTakenIn(int text, List<Group> groups) {
        return groups.stream().anyMatch(group -> group.of().get(text));
    }

    /** Goes through all groups of a few clauses that are so for none of the others. */
    private void collect(Group begun, BitSet in, BitSet out, Map<BitSet, Group> found) {
        int most = clauses.size() > MANY ? MOST_IN_GROUP - 1 : MOST_IN_GROUP;
        int from = begun.said().isEmpty() ? 0 : begun.said().getLast().clause() + 1;
        for (int clause = from; clause < clauses.size(); clause++) {
            for (boolean is : new boolean[] {true, false}) {
                Group group = with(begun, new Said(clause, is));
                if (!group.of().intersects(in)) {
                    continue;
                }
                if (!group.of().intersects(out)) {
                    keep(group, in, found);
                } else if (group.said().size() < most) {
                    collect(group, in, out, found);
                }
            }
        }
    }

    /** Of groups for the same texts, the smaller one is enough. */
    private static void keep(Group group, BitSet in, Map<BitSet, Group> found) {
        BitSet of = (BitSet) group.of().clone();
        of.and(in);
        found.merge(of, group, (one, other) -> other.said().size() < one.said().size() ? other : one);
    }

    private Group with(Group group, Said said) {
        List<Said> more = new ArrayList<>(group.said());
        more.add(said);
        BitSet of = (BitSet) group.of().clone();
        if (said.is()) {
            of.and(met.get(said.clause()));
        } else {
            of.andNot(met.get(said.clause()));
        }
        return new Group(more, of);
    }

    /** All that is so for one text, without what is not needed to tell it from the others. */
    private Group alone(int text, BitSet out) {
        List<Said> needed = new ArrayList<>();
        for (int clause = 0; clause < clauses.size(); clause++) {
            needed.add(new Said(clause, met.get(clause).get(text)));
        }
        for (Said said : List.copyOf(needed)) {
            needed.remove(said);
            if (group(needed, out, text).of().intersects(out)) {
                needed.add(said);
            }
        }
        return group(needed, out, text);
    }

    private Group group(List<Said> said, BitSet out, int text) {
        BitSet all = (BitSet) out.clone();
        all.set(text);
        Group group = new Group(List.of(), all);
        for (Said each : said) {
            group = with(group, each);
        }
        return group;
    }

    /** Always the group next that takes in most for each of its clauses. */
    private static List<Group> greedy(BitSet in, List<Group> candidates) {
        List<Group> taken = new ArrayList<>();
        BitSet left = (BitSet) in.clone();
        while (!left.isEmpty()) {
            Group best = candidates.getFirst();
            for (Group group : candidates) {
                if (taken(group, left) * best.said().size()
                        > taken(best, left) * group.said().size()) {
                    best = group;
                }
            }
            taken.add(best);
            left.andNot(best.of());
        }
        return taken;
    }

    private static int taken(Group group, BitSet left) {
        BitSet of = (BitSet) group.of().clone();
        of.and(left);
        return of.cardinality();
    }

    /** One or two groups that are enough, where these need fewer clauses; those with fewest stand first. */
    private static List<Group> pair(BitSet in, List<Group> candidates, List<Group> known) {
        List<Group> best = known;
        for (int i = 0; i < candidates.size() && candidates.get(i).said().size() < size(best); i++) {
            Group one = candidates.get(i);
            if (areEnough(one, one, in)) {
                return List.of(one);
            }
            for (int j = i + 1; j < candidates.size(); j++) {
                Group other = candidates.get(j);
                if (one.said().size() + other.said().size() >= size(best)) {
                    break;
                }
                if (areEnough(one, other, in)) {
                    best = List.of(one, other);
                }
            }
        }
        return best;
    }

    private static boolean areEnough(Group one, Group other, BitSet in) {
        BitSet left = (BitSet) in.clone();
        left.andNot(one.of());
        left.andNot(other.of());
        return left.isEmpty();
    }

    /** One of the groups is so. */
    private Condition any(List<Group> groups, boolean blank) {
        List<Condition> parts = new ArrayList<>();
        for (int i = 0; i < groups.size(); i++) {
            List<Condition> said = new ArrayList<>();
            for (Said each : groups.get(i).said()) {
                // Of several that are each enough, one speaks of blanks.
                said.add(words(each, blank && i == 0));
            }
            parts.add(said.size() == 1 ? said.getFirst() : new Condition.All(said));
        }
        return parts.size() == 1 ? parts.getFirst() : new Condition.Any(parts);
    }

    /** None of the groups is so: in each, something is not. */
    private Condition none(List<Group> groups, boolean blank) {
        List<Condition> parts = new ArrayList<>();
        for (Group group : groups) {
            List<Condition> said = new ArrayList<>();
            for (Said each : group.said()) {
                said.add(words(new Said(each.clause(), !each.is()), blank && said.isEmpty()));
            }
            parts.add(said.size() == 1 ? said.getFirst() : new Condition.Any(said));
        }
        return parts.size() == 1 ? parts.getFirst() : new Condition.All(parts);
    }

    private Condition words(Said said, boolean blank) {
        Clause.TextualClause clause = clauses.get(said.clause());
        if (said.is()) {
            return ShortestCondition.ruled(clause, blank);
        }
        Clause.TextualClause opposite = clause.opposite();
        return opposite == null
                ? new Condition.None(List.of(ShortestCondition.ruled(clause, !blank)))
                : ShortestCondition.ruled(opposite, blank);
    }
}
