package loesscape.server.accounts;

import java.util.Optional;
import java.util.UUID;

/** Who may do what with templates, and with what was sent of them. */
public interface Rights {

    /** What somebody may do with a template; empty where there is none of this identity. */
    Optional<Right> of(Author author, UUID template);

    /**
     * What somebody may do with a dispatch: what they may with its template, and {@link Right#WRITE} with what they have sent
     * themselves; empty where there is none of this identity.
     */
    Optional<Right> ofDispatch(Author author, UUID dispatch);
}
