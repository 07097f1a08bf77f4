package loesscape.server.accounts;

import java.util.Optional;
import loesscape.core.model.PageSettings;
import loesscape.formats.paper.Theme;
import loesscape.formats.picture.SafePicture;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Who hands the documents out. */
@Repository
public class OrganisationStore {

    private final JdbcClient database;

    OrganisationStore(JdbcClient database) {
        this.database = database;
    }

    /**
     * Who hands the documents out.
     *
     * @param name empty where it is not told
     * @param accent a colour as {@code #rrggbb}; empty for the usual one
     * @param hasLogo whether there is a logo
     */
    public record Organisation(String name, String accent, boolean hasLogo) {

        static final Organisation NONE = new Organisation("", "", false);
    }

    /**
     * What its paper says beside its name.
     *
     * @param letterhead the lines at the head of the first page, such as its address; may be empty
     * @param footer what stands at the foot of every page; may be empty
     * @param typeface what text is set in
     * @param paper what documents are printed on that are begun from now on; each may have another
     */
    public record Stationery(String letterhead, String footer, Theme.Typeface typeface, PageSettings.Paper paper) {

        static final Stationery NONE = new Stationery("", "", Theme.Typeface.SANS, PageSettings.PLAIN.paper());
    }

    /** What its paper says beside its name. */
    public Stationery stationery() {
        return database.sql("SELECT letterhead, footer, typeface, paper FROM organisation")
                .query(Stationery.class)
                .optional()
                .orElse(Stationery.NONE);
    }

    /** Keeps what its paper says. */
    @Transactional
    public void keep(Stationery stationery) {
        Organisation now = find();
        keep(now.name(), now.accent());
        database.sql("UPDATE organisation SET letterhead = ?, footer = ?, typeface = ?, paper = ?")
                .params(
                        stationery.letterhead(),
                        stationery.footer(),
                        stationery.typeface().name(),
                        stationery.paper().name())
                .update();
    }

    /** How its paper looks. */
    @Transactional(readOnly = true)
    public Theme theme() {
        Organisation organisation = find();
        Stationery stationery = stationery();
        return new Theme(
                organisation.name(),
                stationery.letterhead().lines().filter(line -> !line.isBlank()).toList(),
                stationery.footer(),
                organisation.accent(),
                stationery.typeface(),
                logo().orElse(null));
    }

    /** Who hands the documents out. */
    public Organisation find() {
        return database.sql("SELECT name, accent, logo IS NOT NULL AS has_logo FROM organisation")
                .query(Organisation.class)
                .optional()
                .orElse(Organisation.NONE);
    }

    /** The logo. */
    public Optional<SafePicture> logo() {
        return database.sql("SELECT 'logo' AS name, media, logo AS content FROM organisation WHERE logo IS NOT NULL")
                .query(SafePicture.class)
                .optional();
    }

    /** Keeps the name and the accent colour. */
    @Transactional
    public void keep(String name, String accent) {
        if (database.sql("UPDATE organisation SET name = ?, accent = ?")
                        .params(name, accent)
                        .update()
                == 0) {
            database.sql("INSERT INTO organisation (name, accent) VALUES (?, ?)")
                    .params(name, accent)
                    .update();
        }
    }

    /** Keeps a logo; null for none. */
    @Transactional
    public void keepLogo(@Nullable SafePicture logo) {
        Organisation now = find();
        keep(now.name(), now.accent());
        database.sql("UPDATE organisation SET media = ?, logo = ?")
                .param(1, logo == null ? null : logo.media())
                .param(2, logo == null ? null : logo.content())
                .update();
    }
}
