package loesscape.server.templates;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.editing.Change;
import loesscape.core.model.Template;
import loesscape.formats.template.ChangeFile;
import loesscape.formats.template.TemplateFile;
import loesscape.server.platform.web.Problems;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The working copies of templates, and every edit made to them. */
@Repository
public class TemplateStore {

    /** After how many edits the text of a working copy is written anew; writing a long one takes a third of an edit. */
    private static final int EDITS_TO_A_TEXT = 32;

    private final JdbcClient database;
    private final AccessStore access;
    private final Clock clock;

    TemplateStore(JdbcClient database, AccessStore access, Clock clock) {
        this.database = database;
        this.access = access;
        this.clock = clock;
    }

    /** A working copy. */
    public record WorkingCopy(UUID id, Template template, int revision, Instant changed) {

        /** What tells this state of it from every other. */
        public Version version() {
            return new Version(revision, changed);
        }
    }

    /** Tells one state of a working copy from every other. */
    public record Version(int revision, Instant changed) {}

    /** What is said where there is none, or none any more. */
    public static Problems.Missing missing() {
        return new Problems.Missing("There is no such template.");
    }

    /** A template in the list of templates. */
    public record ListedTemplate(
            UUID id, String title, Instant changed, int revision, int releases, int releasedRevision, int records) {}

    /** Whether an edit stands. */
    public enum EditStanding {
        DONE,
        UNDONE,
        DROPPED
    }

    /** How a revision came about. */
    public enum Kind {
        EDIT,
        UNDO,
        REDO
    }

    /** An edit that was made. */
    public record StoredEdit(int revision, Change change) {}

    /**
     * An edit in the history of a template.
     *
     * @param by who made it
     */
    public record Past(int revision, Kind kind, EditStanding standing, String by, Instant made, Change change) {}

    /** The templates of which an account may see anything, the last changed first. */
    public List<ListedTemplate> list(long account) {
        return database.sql("""
                        SELECT t.id, t.title, t.changed, t.revision,
                               (SELECT count(*) FROM release r WHERE r.template_id = t.id) AS releases,
                               (SELECT coalesce(max(r.revision), -1) FROM release r WHERE r.template_id = t.id)
                                 AS released_revision,
                               (SELECT count(*) FROM record c WHERE c.template_id = t.id) AS records
                        FROM template t
                        WHERE t.id IN (%s)
                        ORDER BY t.changed DESC, t.title
                        """.formatted(AccessStore.SHARED_WITH))
                .param(account)
                .query((row, n) -> new ListedTemplate(
                        row.getObject("id", UUID.class),
                        row.getString("title"),
                        row.getObject("changed", OffsetDateTime.class).toInstant(),
                        row.getInt("revision"),
                        row.getInt("releases"),
                        row.getInt("released_revision"),
                        row.getInt("records")))
                .list();
    }

    /** The working copies in whose text, or in edits since that was written, something is mentioned. */
    public List<WorkingCopy> mentioning(UUID mentioned) {
        String like = "%" + mentioned + "%";
        return database.sql("""
                        SELECT id FROM template
                        WHERE document LIKE ? OR EXISTS (SELECT * FROM edit WHERE template_id = id
                          AND revision > document_revision AND change LIKE ?)
                        ORDER BY title, id
                        """).params(like, like).query((row, n) -> row.getObject("id", UUID.class)).list().stream()
                .flatMap(id -> find(id).stream())
                .toList();
    }

    /** Keeps a new template. */
    public UUID add(Template template, long owner) {
        UUID id = UUID.randomUUID();
        OffsetDateTime now = OffsetDateTime.now(clock);
        database.sql("INSERT INTO template (id, title, document, revision, created, changed) VALUES (?, ?, ?, 0, ?, ?)")
                .params(id, template.title(), TemplateFile.write(template), now, now)
                .update();
        access.own(id, owner);
        return id;
    }

    /** What a template is called. */
    public Optional<String> title(UUID id) {
        return database.sql("SELECT title FROM template WHERE id = ?")
                .param(id)
                .query(String.class)
                .optional();
    }

    /** Whether a working copy was changed since its last release, or never released. */
    public boolean isChangedSinceRelease(UUID id) {
        return database.sql("""
                        SELECT revision <> (SELECT coalesce(max(r.revision), -1) FROM release r WHERE r.template_id = t.id)
                        FROM template t WHERE t.id = ?
                        """).param(id).query(Boolean.class).single();
    }

    /** A working copy as it was last kept. */
    public Optional<WorkingCopy> find(UUID id) {
        return find(id, "");
    }

    /** Which version of a working copy is the last, without reading the document. */
    public Optional<Version> version(UUID id) {
        return version(id, "");
    }

    private Optional<Version> version(UUID id, String locking) {
        return database.sql("SELECT revision, changed FROM template WHERE id = ?" + locking)
                .param(id)
                .query((row, n) -> new Version(
                        row.getInt("revision"),
                        row.getObject("changed", OffsetDateTime.class).toInstant()))
                .optional();
    }

    /** Which version of a working copy is the last; it is kept from change by others until the transaction ends. */
    public Optional<Version> lockVersion(UUID id) {
        return version(id, " FOR UPDATE");
    }

    /** A working copy, kept from change by others until the transaction ends. */
    public Optional<WorkingCopy> lock(UUID id) {
        return find(id, " FOR UPDATE");
    }

    private Optional<WorkingCopy> find(UUID id, String locking) {
        return database.sql(
                        "SELECT document, document_revision, revision, changed FROM template WHERE id = ?" + locking)
                .param(id)
                .query((row, n) -> new WorkingCopy(
                        id,
                        since(id, row.getInt("document_revision"), TemplateFile.kept(row.getString("document"))),
                        row.getInt("revision"),
                        row.getObject("changed", OffsetDateTime.class).toInstant()))
                .optional();
    }

    private Template since(UUID id, int revision, Template template) {
        Template now = template;
        for (Change change : changesSince(id, revision)) {
            now = change.applyTo(now);
        }
        return now;
    }

    /** Keeps the next revision with how it came about. */
    @Transactional
    public WorkingCopy keep(WorkingCopy before, Template template, Change change, Kind kind, long account) {
        int revision = before.revision() + 1;
        // As exact as it is stored, so that what is remembered of this version is found again.
        OffsetDateTime now = OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
        int updated = database.sql(
                        "UPDATE template SET title = ?, revision = ?, changed = ? WHERE id = ? AND revision = ?")
                .params(template.title(), revision, now, before.id(), before.revision())
                .update();
        if (updated != 1) {
            throw new IllegalStateException(
                    "Revision %d of %s is not the last".formatted(before.revision(), before.id()));
        }
        database.sql("""
                        INSERT INTO edit (template_id, revision, account_id, kind, standing, change, made)
                        VALUES (?, ?, ?, ?, 'DONE', ?, ?)
                        """)
                .params(before.id(), revision, account, kind.name(), ChangeFile.write(change), now)
                .update();
        if (revision % EDITS_TO_A_TEXT == 0) {
            database.sql("UPDATE template SET document = ?, document_revision = ? WHERE id = ?")
                    .params(TemplateFile.compact(template), revision, before.id())
                    .update();
        }
        return new WorkingCopy(before.id(), template, revision, now.toInstant());
    }

    /** Whether an author has edits of a standing: such that can be undone, or such that can be redone. */
    public boolean has(UUID id, long account, EditStanding standing) {
        return database.sql("""
                        SELECT EXISTS (SELECT * FROM edit
                                       WHERE template_id = ? AND account_id = ? AND kind = 'EDIT' AND standing = ?)
                        """)
                .params(id, account, standing.name())
                .query(Boolean.class)
                .single();
    }

    /** The last edit of an author that stands and can be undone. */
    public Optional<StoredEdit> lastDone(UUID id, long account) {
        return made(id, account, EditStanding.DONE, "DESC");
    }

    /** The edit of an author that was undone last and can be redone. */
    public Optional<StoredEdit> lastUndone(UUID id, long account) {
        return made(id, account, EditStanding.UNDONE, "ASC");
    }

    private Optional<StoredEdit> made(UUID id, long account, EditStanding standing, String order) {
        return database.sql("""
                        SELECT revision, change FROM edit
                        WHERE template_id = ? AND account_id = ? AND kind = 'EDIT' AND standing = ?
                        ORDER BY revision %s LIMIT 1
                        """.formatted(order))
                .params(id, account, standing.name())
                .query((row, n) -> new StoredEdit(row.getInt("revision"), ChangeFile.read(row.getString("change"))))
                .optional();
    }

    /** Says whether an edit stands from now on. */
    public void mark(UUID id, int revision, EditStanding standing) {
        database.sql("UPDATE edit SET standing = ? WHERE template_id = ? AND revision = ?")
                .params(standing.name(), id, revision)
                .update();
    }

    /** A new edit ends what an author could have redone. */
    public void dropUndone(UUID id, long account) {
        database.sql(
                        "UPDATE edit SET standing = 'DROPPED' WHERE template_id = ? AND account_id = ? AND standing = 'UNDONE'")
                .params(id, account)
                .update();
    }

    /** What was changed last, the newest first. */
    public List<Past> history(UUID id, int most) {
        return database.sql("""
                        SELECT revision, kind, standing, account.name, made, change
                        FROM edit JOIN account ON account.id = edit.account_id
                        WHERE template_id = ? ORDER BY revision DESC LIMIT ?
                        """)
                .params(id, most)
                .query((row, n) -> new Past(
                        row.getInt("revision"),
                        Kind.valueOf(row.getString("kind")),
                        EditStanding.valueOf(row.getString("standing")),
                        row.getString("name"),
                        row.getObject("made", OffsetDateTime.class).toInstant(),
                        ChangeFile.read(row.getString("change"))))
                .list();
    }

    /** What was changed after a revision, oldest first. */
    public List<Change> changesSince(UUID id, int revision) {
        return database.sql("SELECT change FROM edit WHERE template_id = ? AND revision > ? ORDER BY revision")
                .params(id, revision)
                .query((row, n) -> ChangeFile.read(row.getString("change")))
                .list();
    }
}
