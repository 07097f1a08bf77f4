package loesscape.server.outside;

import java.util.Objects;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.platform.doors.Facing;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** By what messages go out: the mail server that is named, or into the mailbox that can be looked into. */
@Configuration(proxyBeanMethods = false)
class PostConfiguration {

    @Bean
    Post post(
            Facing facing,
            OrganisationStore organisations,
            @Value("${server.port}") int port,
            @Value("${LOESSCAPE_SMTP_PASSWORD:}") String password,
            @Value("${loesscape.smtp.trusted:}") String trusted) {
        if (facing.smtp() == null) {
            return message -> {};
        }
        String base = facing.publicUrl() == null
                ? "http://localhost:" + port
                : Objects.requireNonNull(facing.publicUrl()).toString();
        return new SmtpPost(
                Objects.requireNonNull(facing.smtp()), password, facing.mailFrom(), base, trusted, organisations);
    }
}
