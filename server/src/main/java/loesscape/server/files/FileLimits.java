package loesscape.server.files;

import loesscape.core.model.Refused;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How many bytes of files are kept.
 *
 * @param filling by one person
 * @param link through one link, by all together
 * @param installation in all
 */
@ConfigurationProperties("loesscape.files")
public record FileLimits(
        @DefaultValue("200000000") long filling,
        @DefaultValue("5000000000") long link,
        @DefaultValue("50000000000") long installation) {

    /** Refuses what would be too much for the installation. */
    public void checkRoom(FileStore files, long more) {
        if (files.size() + more > installation) {
            throw new Refused(
                    Refused.Cause.NOT_NOW,
                    "No more files are taken here at the moment; what was handed in before is still there.");
        }
    }
}
