package loesscape.server.security;

import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * A signed-in author.
 *
 * @param id of the account
 * @param name shown in the pages
 * @param hash of the password; never leaves the server
 */
public record Author(long id, String name, String hash) implements UserDetails {

    @Override
    public List<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_AUTHOR"));
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
