package loesscape.server.security;

import java.util.function.LongFunction;
import org.jspecify.annotations.Nullable;

/** Finds accounts by their identity; null where there is none any more. */
@FunctionalInterface
public interface AccountsById extends LongFunction<@Nullable Author> {}
