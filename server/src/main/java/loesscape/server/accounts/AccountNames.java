package loesscape.server.accounts;

import com.ibm.icu.lang.UCharacter;
import java.text.Normalizer;

/** Names of accounts as they are compared: in one form and one case, whatever script they are written in. */
public final class AccountNames {

    private AccountNames() {}

    /** The form in which two names that look alike to their reader are the same (Unicode, default caseless matching). */
    public static String folded(String name) {
        String normal = Normalizer.normalize(name.strip(), Normalizer.Form.NFKC);
        return Normalizer.normalize(UCharacter.foldCase(normal, true), Normalizer.Form.NFKC);
    }
}
