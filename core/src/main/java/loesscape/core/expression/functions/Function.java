package loesscape.core.expression.functions;

import java.util.List;
import java.util.Map;
import loesscape.core.expression.Work;
import org.jspecify.annotations.Nullable;

/**
 * A built-in function.
 *
 * @param name as it is called
 * @param parameters their names, in order
 * @param required how many of them have to be given
 * @param isVariadic whether the last may be repeated
 * @param says what it gives, in one sentence
 * @param example a formula that calls it; the documentation shows what it gives
 * @param body works it out; arguments that were not given are null
 */
public record Function(
        String name,
        List<String> parameters,
        int required,
        boolean isVariadic,
        String says,
        String example,
        Body body) {

    /** Works a function out. */
    public interface Body {

        /** The result; null where the arguments have none. */
        @Nullable
        Object of(Work work, Arguments arguments);
    }

    /** Names that the standard has for the first parameter where a function is given parts (DMN 1.4, table 62). */
    private static final Map<String, String> OF_PARTS = Map.of("date", "year", "time", "hour", "date and time", "date");

    /** The place of a parameter; below 0 where it has none of that name. */
    public int place(String parameter) {
        return parameter.equals(OF_PARTS.get(name)) ? 0 : parameters.indexOf(parameter);
    }

    /** Whether it can be called with so many arguments. */
    public boolean takes(int count) {
        return count >= required && (isVariadic || count <= parameters.size());
    }
}
