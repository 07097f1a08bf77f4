package loesscape.core.analysis.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState.FieldState;
import loesscape.core.evaluation.Standing;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;

/** What is said of every filling, against all fillings gone through one by one. */
class EveryFillingTest {

    private static final Context TODAY = Context.filling(SmallTemplates.TODAY);

    @Test
    void whatIsDecidedIsWhatAllFillingsSay() {
        Cases.check("every filling, all gone through", 1_500, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.template(random, true);
            CompiledTemplate compiled = CompiledTemplate.compile(small.template());
            List<Standing> all = standings(compiled, small);
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            for (List<Claim> claims : claims(random, compiled)) {
                boolean found = all.stream().anyMatch(standing -> areSo(claims, compiled, standing));
                Decision decision = every.decide(claims);
                assertThat(every.isImpossible(claims)).isEqualTo(!found);
                assertThat(decision)
                        .as("%s of %s", claims, small.template())
                        .isInstanceOf(found ? Decision.Possible.class : Decision.Impossible.class);
                if (decision instanceof Decision.Possible(var example)) {
                    Standing standing = compiled.standing(new Answers(example.answers()), example.context());
                    assertThat(areSo(claims, compiled, standing)).isTrue();
                }
            }
        });
    }

    @Test
    void whatIsOutOfReachIsNeverDecidedWrongly() {
        Cases.check("every filling, some rules out of reach", 500, (random, size) -> {
            SmallTemplates.Small small = SmallTemplates.template(random, false);
            CompiledTemplate compiled = CompiledTemplate.compile(small.template());
            List<Standing> all = standings(compiled, small);
            EveryFilling every = EveryFilling.of(compiled, SmallTemplates.TODAY);
            for (List<Claim> claims : claims(random, compiled)) {
                boolean found = all.stream().anyMatch(standing -> areSo(claims, compiled, standing));
                switch (every.decide(claims)) {
                    case Decision.Impossible ignored ->
                        assertThat(found)
                                .as("%s of %s", claims, small.template())
                                .isFalse();
                    case Decision.Possible(var example) ->
                        assertThat(areSo(
                                        claims,
                                        compiled,
                                        compiled.standing(new Answers(example.answers()), example.context())))
                                .isTrue();
                    case Decision.NotDecided(var because) ->
                        assertThat(because)
                                .as("%s of %s", claims, small.template())
                                .isNotEmpty();
                }
            }
        });
    }

    private static List<List<Claim>> claims(RandomGenerator random, CompiledTemplate compiled) {
        List<Claim> all = new ArrayList<>();
        for (Node node : compiled.template().nodes()) {
            all.add(new Claim.Shows(node.key(), true));
            all.add(new Claim.Shows(node.key(), false));
            all.add(new Claim.Stands(node.key()));
            for (Logic.StandingCondition place : Logic.conditions(node)) {
                all.add(new Claim.Meets(place.condition(), null, true));
                all.add(new Claim.Meets(place.condition(), null, false));
            }
            if (node instanceof Field field && field.kind() instanceof FieldKind.Choosing it) {
                it.choices().forEach(choice -> {
                    all.add(new Claim.Offers(field.key(), choice.id(), true));
                    all.add(new Claim.Offers(field.key(), choice.id(), false));
                });
            }
        }
        List<Condition> conditions = TemplateConditions.of(compiled.template());
        if (!conditions.isEmpty()) {
            all.add(new Claim.Differ(
                    conditions.get(random.nextInt(conditions.size())),
                    conditions.get(random.nextInt(conditions.size())),
                    null));
        }
        List<List<Claim>> asked = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            List<Claim> together = new ArrayList<>();
            for (int n = 1 + random.nextInt(3); n > 0; n--) {
                together.add(all.get(random.nextInt(all.size())));
            }
            asked.add(together);
        }
        return asked;
    }

    private static List<Standing> standings(CompiledTemplate compiled, SmallTemplates.Small small) {
        return small.all().stream()
                .map(answers -> compiled.standing(new Answers(answers), TODAY))
                .toList();
    }

    private static boolean areSo(List<Claim> claims, CompiledTemplate compiled, Standing standing) {
        return claims.stream().allMatch(claim -> switch (claim) {
            case Claim.Stands(var key) ->
                compiled.holder(key).isEmpty()
                        || standing.state().of(compiled.holder(key)).shown();
            case Claim.Shows(var key, var is) -> standing.state().of(key).shown() == is;
            case Claim.Meets(var condition, var within, var is) -> holds(condition, standing) == is;
            case Claim.Differ(var one, var other, var within) -> holds(one, standing) != holds(other, standing);
            case Claim.Offers(var key, var choice, var is) -> {
                FieldState state = (FieldState) standing.state().of(key);
                List<String> offered = state.offered();
                yield state.shown() && (offered == null || offered.contains(choice)) == is;
            }
            case Claim.Is ignored -> throw new IllegalArgumentException("Asked by promises");
            case Claim.Looks ignored -> throw new IllegalArgumentException("Asked by promises");
            case Claim.InTurn ignored -> throw new IllegalArgumentException("Asked by promises");
            case Claim.Refuses ignored -> throw new IllegalArgumentException("Asked by promises");
            case Claim.SomeShown ignored -> throw new IllegalArgumentException("Asked by promises");
            case Claim.TakesPart ignored -> throw new IllegalArgumentException("Asked by promises");
            case Claim.IsHeldUp ignored -> throw new IllegalArgumentException("Asked by promises");
        });
    }

    private static boolean holds(Condition condition, Standing standing) {
        return standing.holds(condition, null, "");
    }
}
