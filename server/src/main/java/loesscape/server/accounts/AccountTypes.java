package loesscape.server.accounts;

import java.util.List;

/** What the pages know of accounts. */
public final class AccountTypes {

    /** The records that are written and read by the pages. */
    public static final List<Class<?>> SHARED = List.of(
            SessionApi.SessionView.class,
            SessionApi.Credentials.class,
            AccountsApi.AccountList.class,
            AccountsApi.AccountRights.class,
            AccountsApi.ResetMade.class,
            AccountsApi.NewAccount.class,
            OrganisationApi.Wanted.class,
            OrganisationStore.Stationery.class,
            OrganisationApi.Readable.class,
            SessionApi.FirstAuthor.class,
            SessionApi.PasswordChange.class,
            SessionApi.PasswordSet.class,
            SessionApi.PasswordOf.class);

    private AccountTypes() {}
}
