package loesscape.server.accounts;

import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * Somebody who is signed in.
 *
 * @param id of the account
 * @param name shown in the pages
 * @param hash of the password; never leaves the server
 * @param role what the account may do
 * @param epoch grows whenever all sessions of the account end; a session of another epoch is over
 */
public record Author(long id, String name, String hash, AccountRole role, int epoch) implements UserDetails {

    @Override
    public List<? extends GrantedAuthority> getAuthorities() {
        return role.authorities();
    }

    @Override
    public String getPassword() {
        return hash;
    }

    @Override
    public String getUsername() {
        return name;
    }

    @Override
    public String toString() {
        return "Author " + id;
    }
}
