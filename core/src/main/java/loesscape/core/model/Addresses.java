package loesscape.core.model;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import java.net.IDN;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.Locale;
import java.util.regex.Pattern;
import org.apache.commons.validator.routines.EmailValidator;
import org.apache.commons.validator.routines.RegexValidator;
import org.apache.commons.validator.routines.UrlValidator;
import org.jspecify.annotations.Nullable;

/**
 * Whether texts are addresses by which somebody can be reached: their form only, not whether anybody is there. Domains are
 * checked by their letters and not against a list, so that a new top-level domain is as good as an old one.
 */
public final class Addresses {

    private static final int LONGEST = 2_000;
    private static final int LONGEST_DOMAIN = 253;
    private static final Pattern TOP = Pattern.compile(".*\\.(?=.*[a-z])[a-z0-9-]{2,63}\\.?");
    private static final PhoneNumberUtil PHONES = PhoneNumberUtil.getInstance();
    private static final Mail MAIL = new Mail();
    private static final UrlValidator WEB =
            new UrlValidator(new String[] {"http", "https"}, new RegexValidator(".+"), UrlValidator.ALLOW_2_SLASHES);

    private Addresses() {}

    /** Whether a text has the form of an e-mail address (RFC 5321, RFC 5322). */
    public static boolean isEmail(String text) {
        return text.length() <= LONGEST && MAIL.isValid(text);
    }

    /** Whether a text is the address of a page on the web (RFC 3986, with http or https and a domain). */
    public static boolean isWebAddress(String text) {
        if (text.length() > LONGEST || !WEB.isValid(text)) {
            return false;
        }
        try {
            String host = new URI(text).getHost();
            return host != null && isDomain(host);
        } catch (URISyntaxException e) {
            return false;
        }
    }

    /**
     * Whether a text can be a telephone number (ITU-T E.164, written in any usual way).
     *
     * @param region the country whose numbers need no country code; empty for none
     */
    public static boolean isPhone(String text, String region) {
        try {
            @Nullable String country = region.isEmpty() ? null : region;
            return PHONES.isPossibleNumber(PHONES.parse(text, country));
        } catch (NumberParseException e) {
            return false;
        }
    }

    /** Whether two letters are a country that has telephone numbers. */
    static boolean isRegion(String letters) {
        return PHONES.getSupportedRegions().contains(letters);
    }

    /** Letters, digits and hyphens between full stops (RFC 1123, 2.1), or what IDNA makes into that (RFC 3490). */
    private static boolean isDomain(String domain) {
        try {
            String ascii = IDN.toASCII(domain, IDN.USE_STD3_ASCII_RULES).toLowerCase(Locale.ROOT);
            return ascii.length() <= LONGEST_DOMAIN && TOP.matcher(ascii).matches();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /** The library’s rules for what stands before the @, ours for the domain behind it. */
    private static final class Mail extends EmailValidator {

        Mail() {
            super(false);
        }

        @Override
        protected boolean isValidDomain(String domain) {
            return isDomain(domain);
        }
    }
}
