package loesscape.server.platform.doors;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.util.Arrays;
import java.util.HexFormat;

/** The network somebody comes from: an IPv4 address, or the half of an IPv6 address that one household has (RFC 6177). */
public final class Network {

    private static final int PREFIX = 8;

    private Network() {}

    /** The network of an address, as a text to be compared; the text itself where it is no address. */
    public static String of(String address) {
        try {
            InetAddress at = InetAddress.ofLiteral(address);
            return at instanceof Inet6Address
                    ? HexFormat.of().formatHex(Arrays.copyOf(at.getAddress(), PREFIX))
                    : at.getHostAddress();
        } catch (IllegalArgumentException e) {
            return address;
        }
    }
}
