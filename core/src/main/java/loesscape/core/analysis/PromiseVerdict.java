package loesscape.core.analysis;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import loesscape.core.analysis.proof.Claim;
import loesscape.core.analysis.proof.Decision;
import loesscape.core.analysis.proof.EveryFilling;
import loesscape.core.analysis.proof.Example;
import loesscape.core.model.Aspect;
import loesscape.core.model.Condition;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Promised;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Whether what an author promises is so, over all possible answers. */
public sealed interface PromiseVerdict {

    /**
     * It is so for every set of answers.
     *
     * @param isIdle whether there are no answers at all for which it promises anything
     */
    record Kept(boolean isIdle) implements PromiseVerdict {}

    /**
     * It is not so for these answers, which were tried.
     *
     * @param hint what would end it in a sentence, where only answers that nobody gives break it; empty otherwise
     */
    record Broken(Example example, String hint) implements PromiseVerdict {

        static Broken of(Example example, EveryFilling every) {
            String fields =
                    every.farNumbers(example).stream().map("“%s”"::formatted).collect(Collectors.joining(" and "));
            return new Broken(
                    example,
                    fields.isEmpty()
                            ? ""
                            : "Only numbers of more than 18 digits break it; with limits for %s none is taken."
                                    .formatted(fields));
        }
    }

    /**
     * It cannot be told.
     *
     * @param because the rules that are out of reach, in words
     */
    record Open(List<String> because) implements PromiseVerdict {

        public Open {
            because = List.copyOf(because);
        }
    }

    /** Looks a promise through. */
    static PromiseVerdict of(PromiseRule rule, EveryFilling every) {
        String within = within(rule.promised(), every.compiled().symbols());
        Claim whenever = new Claim.Meets(rule.whenever(), within, true);
        List<Claim> against = new ArrayList<>();
        if (!(rule.whenever() instanceof Condition.Always) || within != null) {
            against.add(whenever);
        }
        against.addAll(against(rule.promised()));
        return switch (every.decide(against)) {
            case Decision.Impossible() -> new Kept(every.isImpossible(List.of(whenever)));
            case Decision.Possible(var example) -> Broken.of(example, every);
            case Decision.NotDecided(var because) -> new Open(because);
        };
    }

    /** The repeating section in whose rows a promise is asked; null where it is about what stands in none. */
    private static @Nullable String within(Promised promised, SymbolTable symbols) {
        return switch (promised) {
            case Promised.NodeIs(var key, var ignored, var ignoredToo) -> symbols.rowsAround(key);
            case Promised.NodeLooks(var key, var ignored, var ignoredToo) -> symbols.rowsAround(key);
            case Promised.SomeShown(var keys, var ignored) -> symbols.rowsAround(keys.getFirst());
            case Promised.RoleSigns ignored -> null;
            case Promised.CanFinish ignored -> null;
            case Promised.IsMet ignored -> null;
        };
    }

    /** What would have to be so for the promise to be broken. */
    private static List<Claim> against(Promised promised) {
        return switch (promised) {
            case Promised.NodeIs(var key, var aspect, var is) -> against(key, aspect, is);
            case Promised.NodeLooks(var key, var look, var is) ->
                List.of(new Claim.Shows(key, true), new Claim.Looks(key, look, !is));
            case Promised.SomeShown(var keys, var count) -> List.of(new Claim.SomeShown(keys, count, false));
            case Promised.RoleSigns(var role, var is) -> List.of(new Claim.TakesPart(role, !is));
            case Promised.CanFinish(var is) -> List.of(new Claim.IsHeldUp(is));
            case Promised.IsMet(var condition, var is) -> List.of(new Claim.Meets(condition, null, !is));
        };
    }

    private static List<Claim> against(String key, Aspect aspect, boolean is) {
        return switch (aspect) {
            case SHOWN -> List.of(new Claim.Shows(key, !is));
            case OPEN -> List.of(new Claim.Shows(key, true), new Claim.Is(key, aspect, !is));
            case REQUIRED, EDITABLE -> List.of(new Claim.InTurn(key), new Claim.Is(key, aspect, !is));
        };
    }
}
