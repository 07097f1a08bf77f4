package loesscape.server.outside;

import java.net.Inet4Address;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.util.Arrays;
import java.util.List;
import org.springframework.security.web.util.matcher.IpAddressMatcher;

/**
 * Which addresses are those of others, and not of this machine, its network, or whoever runs it: those that the registries
 * of special-purpose addresses (IANA, RFC 6890 and its successors) do not name.
 */
public final class PublicAddresses {

    private static final List<IpAddressMatcher> SPECIAL = Arrays.stream(new String[] {
                "0.0.0.0/8",
                "10.0.0.0/8",
                "100.64.0.0/10",
                "127.0.0.0/8",
                "169.254.0.0/16",
                "172.16.0.0/12",
                "192.0.0.0/24",
                "192.0.2.0/24",
                "192.88.99.0/24",
                "192.168.0.0/16",
                "198.18.0.0/15",
                "198.51.100.0/24",
                "203.0.113.0/24",
                "224.0.0.0/4",
                "240.0.0.0/4",
            })
            .map(IpAddressMatcher::new)
            .toList();

    /** Of IPv6 only what is given out to be reached from everywhere, 2000::/3, and of that not what stands for IPv4. */
    private static final IpAddressMatcher GLOBAL = new IpAddressMatcher("2000::/3");

    private static final List<IpAddressMatcher> NOT_GLOBAL = Arrays.stream(
                    new String[] {"2001::/23", "2001:db8::/32", "2002::/16", "3fff::/20"})
            .map(IpAddressMatcher::new)
            .toList();

    private PublicAddresses() {}

    /** Whether an address is that of somebody else. */
    public static boolean isPublic(InetAddress address) {
        String numbers = address.getHostAddress().replaceFirst("%.*", "");
        return switch (address) {
            case Inet4Address ignored -> SPECIAL.stream().noneMatch(special -> special.matches(numbers));
            case Inet6Address ignored ->
                GLOBAL.matches(numbers) && NOT_GLOBAL.stream().noneMatch(special -> special.matches(numbers));
            default -> false;
        };
    }
}
