package loesscape.server.outside;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.InetAddress;
import java.net.URI;
import loesscape.server.platform.doors.Facing;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** IANA IPv4 and IPv6 Special-Purpose Address Registries (RFC 6890, RFC 8190), and what hosts of machines use besides. */
class PublicAddressesTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "0.0.0.0",
                "10.255.0.1",
                "100.64.0.1",
                "127.0.0.1",
                "127.255.255.255",
                "169.254.169.254",
                "172.16.0.1",
                "172.31.255.255",
                "192.0.0.1",
                "192.0.2.7",
                "192.168.1.1",
                "198.18.0.1",
                "198.51.100.1",
                "203.0.113.9",
                "224.0.0.1",
                "255.255.255.255",
                "::",
                "::1",
                "::ffff:10.0.0.1",
                "::ffff:127.0.0.1",
                "64:ff9b::a00:1",
                "100::1",
                "2001:db8::1",
                "2002:a00:1::",
                "2001::1",
                "3fff::1",
                "fc00::1",
                "fd00:ec2::254",
                "fe80::1",
                "ff02::1"
            })
    void addressesInsideAreNotPublic(String address) {
        assertThat(PublicAddresses.isPublic(InetAddress.ofLiteral(address))).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"1.1.1.1", "172.15.0.1", "172.32.0.1", "192.169.0.1", "100.128.0.1", "2606:4700::1111", "2a00::1"
            })
    void addressesOfOthersAre(String address) {
        assertThat(PublicAddresses.isPublic(InetAddress.ofLiteral(address))).isTrue();
    }

    @Test
    void addressesThatCanBeNamed() {
        OutgoingRequests strict = new OutgoingRequests(Facing.START);
        for (String refused : new String[] {
            "http://hooks.example/",
            "https://localhost/",
            "https://printer/",
            "https://127.0.0.1/",
            "https://[::1]/",
            "https://169.254.169.254/latest/meta-data",
            "https://10.1.2.3:8443/",
            "https://server.local/",
            "https://metadata.google.internal/",
            "https://localhost./"
        }) {
            assertThat(strict.isAllowed(URI.create(refused))).as(refused).isFalse();
        }
        assertThat(strict.isAllowed(URI.create("https://hooks.example/x?y"))).isTrue();
        assertThat(strict.isAllowed(URI.create("https://1.1.1.1/"))).isTrue();
        assertThat(new OutgoingRequests(Facing.DEMO).isAllowed(URI.create("http://127.0.0.1:9/")))
                .isTrue();
    }
}
