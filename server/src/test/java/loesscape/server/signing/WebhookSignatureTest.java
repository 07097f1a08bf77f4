package loesscape.server.signing;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** RFC 4231, section 4: test cases 1 to 4, 6 and 7 of HMAC-SHA-256. */
class WebhookSignatureTest {

    private static byte[] bytes(String hex) {
        return HexFormat.of().parseHex(hex);
    }

    @ParameterizedTest
    @CsvSource({
        "0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b0b, 4869205468657265,"
                + " b0344c61d8db38535ca8afceaf0bf12b881dc200c9833da726e9376c2e32cff7",
        "4a656665, 7768617420646f2079612077616e7420666f72206e6f7468696e673f,"
                + " 5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843",
        "aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa,"
                + " dddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddddd,"
                + " 773ea91e36800e46854db8ebd09181a72959098b3ef8c122d9635514ced565fe",
        "0102030405060708090a0b0c0d0e0f10111213141516171819,"
                + " cdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcdcd,"
                + " 82558a389a443c0ea4cc819899f2083a85f0faa3e578f8077a2e3ff46729665b"
    })
    void shortKeys(String key, String data, String expected) {
        assertThat(Webhooks.signature(bytes(key), bytes(data))).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Test Using Larger Than Block-Size Key - Hash Key First"
                        + "|60e431591ee0b67f0d8a26aacbf5b77f8e0bc6213728c5140546040f0ee37f54",
                "This is a test using a larger than block-size key and a larger than block-size data. The key needs to be hashed before being used by the HMAC algorithm."
                        + "|9b09ffa71b942fcb27635fbcd5b0e944bfdc63644f0713938a7f51535c3a35e2"
            })
    void longKeys(String data, String expected) {
        assertThat(Webhooks.signature(bytes("aa".repeat(131)), data.getBytes(StandardCharsets.US_ASCII)))
                .isEqualTo(expected);
    }
}
