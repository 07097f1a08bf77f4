package loesscape.server.accounts;

import java.util.Arrays;
import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;

/** What an account may do; each may also do what those below it may. */
public enum AccountRole {
    /** Looks at dispatches and records. */
    READER,
    /** Sends releases and looks after dispatches. */
    SENDER,
    /** Writes and releases templates, and sees to accounts and to the world outside. */
    AUTHOR;

    /** The authorities that come with it. */
    public List<GrantedAuthority> authorities() {
        return Arrays.stream(values())
                .filter(role -> role.compareTo(this) <= 0)
                .<GrantedAuthority>map(role -> new SimpleGrantedAuthority("ROLE_" + role.name()))
                .toList();
    }
}
