package loesscape.server.accounts.passkeys;

import java.util.List;

/** What the pages know of passkeys. */
public final class PasskeyTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            PasskeysApi.PasskeyAsked.class,
            PasskeysApi.PasskeyWanted.class,
            PasskeysApi.PasskeyMade.class,
            PasskeysApi.PasskeyAnswer.class,
            PasskeysApi.PasskeyList.class);

    private PasskeyTypes() {}
}
