package loesscape.server.templates;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import loesscape.core.model.Template;
import loesscape.formats.template.TemplateFile;
import loesscape.server.platform.doors.Secrets;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Releases, which never change, and the links that lead to them. */
@Repository
public class ReleaseStore {

    private final JdbcClient database;
    private final Clock clock;

    ReleaseStore(JdbcClient database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** A release in the list of a template's releases. */
    public record ListedRelease(
            int number, Instant released, String by, String notes, String accepted, int links, int records) {}

    /** The releases of a template, the newest first. */
    public List<ListedRelease> list(UUID template) {
        return database.sql("""
                        SELECT r.number, r.released, a.name, r.notes, r.accepted,
                               (SELECT count(*) FROM link l WHERE l.template_id = r.template_id AND l.release = r.number)
                                 AS links,
                               (SELECT count(*) FROM record c WHERE c.template_id = r.template_id AND c.release = r.number)
                                 AS records
                        FROM release r JOIN account a ON a.id = r.account_id
                        WHERE r.template_id = ?
                        ORDER BY r.number DESC
                        """)
                .param(template)
                .query((row, n) -> new ListedRelease(
                        row.getInt("number"),
                        row.getObject("released", OffsetDateTime.class).toInstant(),
                        row.getString("name"),
                        row.getString("notes"),
                        row.getString("accepted"),
                        row.getInt("links"),
                        row.getInt("records")))
                .list();
    }

    /**
     * Makes the next release of a working copy that its caller has locked. Trials are its author's own: a release goes into
     * every document that is signed, and to all who sign it.
     *
     * @param accepted why it is made although something was found that should keep it from being made; may be empty
     */
    @Transactional
    public int add(TemplateStore.WorkingCopy copy, String notes, String accepted, long account) {
        int number = database.sql("SELECT coalesce(max(number), 0) + 1 FROM release WHERE template_id = ?")
                .param(copy.id())
                .query(Integer.class)
                .single();
        database.sql("""
                        INSERT INTO release (template_id, number, revision, document, notes, accepted, account_id, released)
                        VALUES (?, ?, ?, ?, ?, ?, ?, ?)
                        """)
                .params(
                        copy.id(),
                        number,
                        copy.revision(),
                        TemplateFile.write(copy.template().withoutTrials()),
                        notes,
                        accepted,
                        account,
                        OffsetDateTime.now(clock))
                .update();
        return number;
    }

    /** The template as it was released. */
    public Optional<Template> find(UUID template, int number) {
        return text(template, number).map(TemplateFile::kept);
    }

    /** The revision that a release was made of. */
    public OptionalInt revision(UUID template, int number) {
        return database.sql("SELECT revision FROM release WHERE template_id = ? AND number = ?")
                .params(template, number)
                .query(Integer.class)
                .optional()
                .map(OptionalInt::of)
                .orElse(OptionalInt.empty());
    }

    /** The template file as it was released. */
    public Optional<String> text(UUID template, int number) {
        return database.sql("SELECT document FROM release WHERE template_id = ? AND number = ?")
                .params(template, number)
                .query(String.class)
                .optional();
    }

    /**
     * From when until when a link leads somewhere.
     *
     * @param opens null for at once
     * @param closes null for never
     */
    public record LinkTimes(
            @Nullable Instant opens, @Nullable Instant closes) {

        /** At once and for good. */
        public static final LinkTimes ALWAYS = new LinkTimes(null, null);
    }

    /** Makes a link to a release and tells its secret, which is kept nowhere. */
    public String addLink(UUID template, int number, LinkTimes opening) {
        String secret = Secrets.make();
        database.sql("INSERT INTO link (hash, template_id, release, created, opens, closes) VALUES (?, ?, ?, ?, ?, ?)")
                .param(Secrets.hash(secret))
                .param(template)
                .param(number)
                .param(OffsetDateTime.now(clock))
                .param(time(opening.opens()))
                .param(time(opening.closes()))
                .update();
        return secret;
    }

    private static @Nullable OffsetDateTime time(@Nullable Instant instant) {
        return instant == null ? null : OffsetDateTime.ofInstant(instant, ZoneOffset.UTC);
    }

    /**
     * Where a link leads.
     *
     * @param opening from when until when it does
     * @param ended when somebody ended it; null while nobody has
     */
    public record LinkTarget(
            UUID template,
            int release,
            LinkTimes opening,
            @Nullable Instant ended) {}

    /** Where the link with a secret leads, or led; empty where there is none. */
    public Optional<LinkTarget> follow(String secret) {
        return database.sql("SELECT template_id, release, opens, closes, ended FROM link WHERE hash = ?")
                .param(Secrets.hash(secret))
                .query((row, n) -> new LinkTarget(
                        row.getObject("template_id", UUID.class),
                        row.getInt("release"),
                        new LinkTimes(instant(row, "opens"), instant(row, "closes")),
                        instant(row, "ended")))
                .optional();
    }

    private static @Nullable Instant instant(ResultSet row, String column) throws SQLException {
        OffsetDateTime time = row.getObject(column, OffsetDateTime.class);
        return time == null ? null : time.toInstant();
    }

    /**
     * A link that was made.
     *
     * @param begun how many have begun to fill in through it
     * @param finished how many of them have finished
     */
    public record FillLink(
            int id,
            int release,
            Instant made,
            LinkTimes opening,
            @Nullable Instant ended,
            int begun,
            int finished) {}

    /** The links to releases of a template, the newest first. */
    public List<FillLink> links(UUID template) {
        return database.sql("""
                        SELECT id, release, created, opens, closes, ended,
                          (SELECT count(*) FROM filling WHERE link = hash) AS begun,
                          (SELECT count(*) FROM filling WHERE link = hash AND finished IS NOT NULL) AS finished
                        FROM link WHERE template_id = ? ORDER BY created DESC, id DESC LIMIT 500
                        """)
                .param(template)
                .query((row, n) -> new FillLink(
                        row.getInt("id"),
                        row.getInt("release"),
                        row.getObject("created", OffsetDateTime.class).toInstant(),
                        new LinkTimes(instant(row, "opens"), instant(row, "closes")),
                        instant(row, "ended"),
                        row.getInt("begun"),
                        row.getInt("finished")))
                .list();
    }

    /** Sets when a link opens and closes; tells whether there is one that nobody has ended. */
    public boolean setOpening(UUID template, int link, LinkTimes opening) {
        return database.sql("UPDATE link SET opens = ?, closes = ? WHERE template_id = ? AND id = ? AND ended IS NULL")
                        .param(time(opening.opens()))
                        .param(time(opening.closes()))
                        .param(template)
                        .param(link)
                        .update()
                == 1;
    }

    /** Ends a link for good; tells whether there is one that nobody had ended. */
    public boolean endLink(UUID template, int link) {
        return database.sql("UPDATE link SET ended = ? WHERE template_id = ? AND id = ? AND ended IS NULL")
                        .params(OffsetDateTime.now(clock), template, link)
                        .update()
                == 1;
    }
}
