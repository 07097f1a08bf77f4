package loesscape.server.api;

import java.util.List;
import java.util.Objects;
import loesscape.core.model.Refused;
import loesscape.server.security.AccountRole;
import loesscape.server.store.Accounts;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The accounts of those who work here; seen to by authors. */
@RestController
@RequestMapping("/api/accounts")
class AccountsApi {

    private final Accounts accounts;
    private final PasswordEncoder encoder;

    AccountsApi(Accounts accounts, PasswordEncoder encoder) {
        this.accounts = accounts;
        this.encoder = encoder;
    }

    /** An account. */
    public record AccountRow(String name, AccountRole role) {}

    /** All accounts. */
    public record AccountList(List<AccountRow> accounts) {}

    /** An account to be made. */
    public record NewAccount(String name, String password, AccountRole role) {

        @Override
        public String toString() {
            return "NewAccount of " + name;
        }
    }

    @GetMapping
    AccountList list() {
        return new AccountList(accounts.list().stream()
                .map(it -> new AccountRow(it.name(), it.role()))
                .toList());
    }

    @PostMapping
    @Transactional
    public AccountList add(@RequestBody NewAccount wanted) {
        String name = wanted.name().strip();
        SessionApi.checkCredentials(name, wanted.password());
        if (accounts.find(name).isPresent()) {
            throw new Refused(Refused.Cause.NOT_VALID, "There is an account of this name already; choose another.");
        }
        accounts.add(name, Objects.requireNonNull(encoder.encode(wanted.password())), wanted.role());
        return list();
    }
}
