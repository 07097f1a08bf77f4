package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.i18n.phonenumbers.PhoneNumberUtil;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The form of addresses, with the examples of the documents that define it. */
class AddressesTest {

    /** RFC 3696, section 3, the examples without quotes; RFC 6530 for a domain in another script. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "user+mailbox@example.com",
                "customer/department=shipping@example.com",
                "$A12345@example.com",
                "!def!xyz%abc@example.com",
                "_somename@example.com",
                "ilvo@veldhollow.example",
                "name@bücher.example"
            })
    void theseAreEmailAddresses(String text) {
        assertThat(Addresses.isEmail(text)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "example.com",
                "a@b@example.com",
                "a@",
                "@example.com",
                "a@example",
                "a b@example.com",
                "a@-x.com",
                "a@example..com",
                ".a@example.com"
            })
    void theseAreNot(String text) {
        assertThat(Addresses.isEmail(text)).isFalse();
    }

    /** RFC 3986, section 1.1.2, its example for http; reserved names of RFC 2606. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "http://www.ietf.org/rfc/rfc2396.txt",
                "https://example.com",
                "https://www.example.com/a/b?c=d&e=f#g",
                "https://veldhollow.example:8443/wells"
            })
    void theseAreWebAddresses(String text) {
        assertThat(Addresses.isWebAddress(text)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "www.example.com",
                "ftp://example.com",
                "javascript:alert(1)",
                "https://",
                "https://exa mple.com",
                "https://example",
                "https://-x.com"
            })
    void theseAreNoWebAddresses(String text) {
        assertThat(Addresses.isWebAddress(text)).isFalse();
    }

    /** The library's own example of every country that has one, written as at home and as from abroad. */
    @Test
    void theExampleNumberOfEveryCountryIsATelephoneNumber() {
        PhoneNumberUtil phones = PhoneNumberUtil.getInstance();
        int seen = 0;
        for (String region : phones.getSupportedRegions()) {
            var example = phones.getExampleNumber(region);
            if (example != null) {
                seen++;
                assertThat(Addresses.isPhone(
                                phones.format(example, PhoneNumberUtil.PhoneNumberFormat.INTERNATIONAL), ""))
                        .as(region)
                        .isTrue();
                assertThat(Addresses.isPhone(
                                phones.format(example, PhoneNumberUtil.PhoneNumberFormat.NATIONAL), region))
                        .as(region)
                        .isTrue();
            }
        }
        assertThat(seen).isGreaterThan(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"020 123 4567", "12", "+", "+999 123", "a telephone", "+31 20 1234567890123"})
    void theseAreNoTelephoneNumbersWithoutACountry(String text) {
        assertThat(Addresses.isPhone(text, "")).isFalse();
    }
}
