package loesscape.core.expression.functions;

import org.jspecify.annotations.Nullable;

/** A function that a formula gives to another, to be asked of elements. */
public interface GivenFunction {

    /** What it says of some values, one for each of its parameters. */
    @Nullable
    Object of(@Nullable Object... values);
}
