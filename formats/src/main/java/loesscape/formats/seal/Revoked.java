package loesscape.formats.seal;

import java.math.BigInteger;
import java.time.Instant;

/**
 * A certificate that was called back.
 *
 * @param serial its number
 * @param since from when it does not hold; to the second, as lists have it (RFC 5280, 5.2.4)
 */
public record Revoked(BigInteger serial, Instant since) {}
