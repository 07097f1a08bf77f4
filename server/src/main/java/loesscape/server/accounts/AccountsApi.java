package loesscape.server.accounts;

import java.util.List;
import java.util.Objects;
import loesscape.core.model.Refused;
import loesscape.server.platform.doors.SecurityEvent;
import loesscape.server.platform.doors.Told;
import loesscape.server.platform.web.Problems;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The accounts of those who work here; seen to by authors. */
@RestController
@RequestMapping("/api/accounts")
class AccountsApi {

    private final AccountStore accounts;
    private final PasswordEncoder encoder;

    AccountsApi(AccountStore accounts, PasswordEncoder encoder) {
        this.accounts = accounts;
        this.encoder = encoder;
    }

    /** An account. */
    public record AccountRow(int id, String name, AccountRole role) {}

    /** All accounts. */
    public record AccountList(List<AccountRow> accounts) {}

    /** An account to be made. */
    public record NewAccount(String name, String password, AccountRole role) {

        @Override
        public String toString() {
            return "NewAccount of " + name;
        }
    }

    /** What an account may do from now on. */
    public record AccountRights(AccountRole role) {}

    /** Where somebody sets a new password: a path, told once. */
    public record ResetMade(String path) {}

    @GetMapping
    AccountList list() {
        return new AccountList(accounts.list().stream()
                .map(it -> new AccountRow((int) it.id(), it.name(), it.role()))
                .toList());
    }

    @PostMapping
    @Transactional
    @Told(SecurityEvent.ACCOUNT_ADDED)
    public AccountList add(@RequestBody NewAccount wanted) {
        String name = wanted.name().strip();
        PasswordRules.check(name, wanted.password());
        if (accounts.find(name).isPresent()) {
            throw new Refused(Refused.Cause.NOT_VALID, "There is an account of this name already; choose another.");
        }
        accounts.add(name, Objects.requireNonNull(encoder.encode(wanted.password())), wanted.role());
        return list();
    }

    @PutMapping("/{account}/role")
    @Transactional
    @Told(SecurityEvent.RIGHTS_CHANGED)
    public AccountList setRole(@PathVariable long account, @RequestBody AccountRights rights) {
        Author of = find(account);
        if (rights.role() != AccountRole.AUTHOR) {
            staysAnAuthor(of);
        }
        accounts.setRole(of.id(), rights.role());
        return list();
    }

    /** Makes a link by which somebody who has lost their password sets a new one. */
    @PostMapping("/{account}/reset")
    @Told(SecurityEvent.RESET_LINK_MADE)
    ResetMade reset(@PathVariable long account) {
        return new ResetMade("/reset/" + accounts.addResetLink(find(account).id()));
    }

    @PostMapping("/{account}/end-sessions")
    @Told(SecurityEvent.SESSIONS_ENDED)
    AccountList endSessions(@PathVariable long account) {
        accounts.endSessions(find(account).id());
        return list();
    }

    /** Removes an account. What it owned and sent is seen to by whoever removes it. */
    @DeleteMapping("/{account}")
    @Transactional
    @Told(SecurityEvent.ACCOUNT_REMOVED)
    public AccountList remove(@PathVariable long account, @AuthenticationPrincipal Author author) {
        Author of = find(account);
        if (of.id() == author.id()) {
            throw new Refused(Refused.Cause.NOT_VALID, "Nobody removes their own account; ask another author.");
        }
        staysAnAuthor(of);
        accounts.remove(of.id(), author.id());
        return list();
    }

    private void staysAnAuthor(Author of) {
        if (of.role() == AccountRole.AUTHOR && !accounts.isAnotherAuthor(of.id())) {
            throw new Refused(Refused.Cause.NOT_VALID, "This is the only author; make somebody else one before that.");
        }
    }

    private Author find(long account) {
        return accounts.find(account).orElseThrow(() -> new Problems.Missing("There is no such account any more."));
    }
}
