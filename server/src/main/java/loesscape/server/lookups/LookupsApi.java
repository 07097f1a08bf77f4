package loesscape.server.lookups;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Refusal;
import loesscape.core.editing.Tables;
import loesscape.core.model.LookupList;
import loesscape.core.model.Refused;
import loesscape.core.model.Template;
import loesscape.formats.table.SeparatedTable;
import loesscape.server.accounts.Author;
import loesscape.server.draft.DraftChange;
import loesscape.server.draft.Drafts;
import loesscape.server.outside.Directory;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The lookup lists of the organisation: handed in as tables, edited, kept in versions, and taken into templates. */
@RestController
class LookupsApi {

    private static final int LONGEST_NAME = 200;

    private final LookupStore lookups;
    private final Directory directory;
    private final Drafts drafts;
    private final TemplateStore templates;

    LookupsApi(LookupStore lookups, Directory directory, Drafts drafts, TemplateStore templates) {
        this.lookups = lookups;
        this.directory = directory;
        this.drafts = drafts;
        this.templates = templates;
    }

    /** A list in the list of lists. */
    public record LookupRow(String id, String name, int version, String by, Instant made) {}

    /** All lists, and the registers of the directory that could become lists. */
    public record Lookups(List<LookupRow> lookups, List<Directory.Register> registers) {}

    /** A version of a list. */
    public record VersionRow(int version, String by, Instant made) {}

    /** A template whose working copy has taken a list, in one of its versions. */
    public record LookupUse(String template, String title, int version) {}

    /** A list as it stands in one of its versions. */
    public record LookupPage(
            String id, LookupList list, int version, List<VersionRow> versions, List<LookupUse> uses) {}

    /** A list handed in as a table ({@link SeparatedTable}). */
    public record NewLookup(String name, String table) {}

    /**
     * The next version of a list: as a table ({@link SeparatedTable}), or, where that is empty, as lines of cells.
     *
     * @param version the one it was made from
     * @param lines the first of them the titles of the columns
     */
    public record NextLookup(int version, String name, String table, List<List<String>> lines) {}

    /** A register of the directory that is wanted as a list. */
    public record RegisterWanted(String key) {}

    /** An entry of a register that is wanted in the list of that: what stands in its first column. */
    public record EntryWanted(String key) {}

    /** The list of the organisation that is wanted in a template, and the revision of that. */
    public record LookupWanted(int revision, String lookup) {}

    @GetMapping("/api/lookups")
    Lookups list() {
        return new Lookups(
                lookups.list().stream()
                        .map(it -> new LookupRow(it.id().toString(), it.name(), it.version(), it.by(), it.made()))
                        .toList(),
                Directory.REGISTERS);
    }

    /**
     * Asks the directory for a register: a new list, or the next version of the one of its name. Where the directory does
     * not answer, the list stays as it is.
     */
    @PostMapping("/api/lookups/registers")
    LookupPage ask(@RequestBody RegisterWanted wanted, @AuthenticationPrincipal Author author) {
        Directory.Register register = register(wanted.key());
        String table = directory.answer(register.key()).orElseThrow(LookupsApi::missing);
        return known(register)
                .map(known ->
                        keep(known.id(), new NextLookup(known.version(), register.name(), table, List.of()), author))
                .orElseGet(() -> add(new NewLookup(register.name(), table), author));
    }

    /**
     * Asks the directory for one entry of a register and puts it into the list of that: in the place of the entry with the
     * same key, or at the end.
     */
    @PostMapping("/api/lookups/registers/{register}/entries")
    LookupPage askEntry(
            @PathVariable("register") String key,
            @RequestBody EntryWanted wanted,
            @AuthenticationPrincipal Author author) {
        Directory.Register register = register(key);
        List<List<String>> entry = directory
                .entry(register, wanted.key())
                .orElseThrow(() -> new Problems.Missing("The directory knows no “%s” among the %s."
                        .formatted(wanted.key().strip(), register.name())));
        Optional<LookupStore.ListedLookup> known = known(register);
        if (known.isEmpty()) {
            return find(lookups.add(Tables.list(register.name(), entry, null), author.id()), null);
        }
        LookupPage page = find(known.get().id(), null);
        List<List<String>> lines = Tables.withRow(page.list(), entry.getFirst(), entry.getLast());
        return keep(known.get().id(), new NextLookup(page.version(), page.list().name(), "", lines), author);
    }

    private static Directory.Register register(String key) {
        return Directory.REGISTERS.stream()
                .filter(it -> it.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new Problems.Missing("The directory has no such register."));
    }

    private Optional<LookupStore.ListedLookup> known(Directory.Register register) {
        return lookups.list().stream()
                .filter(it -> it.name().equals(register.name()))
                .findFirst();
    }

    @PostMapping("/api/lookups")
    LookupPage add(@RequestBody NewLookup wanted, @AuthenticationPrincipal Author author) {
        LookupList list = Tables.list(named(wanted.name()), SeparatedTable.read(wanted.table()), null);
        return find(lookups.add(list, author.id()), null);
    }

    @GetMapping("/api/lookups/{id}")
    LookupPage find(@PathVariable UUID id, @RequestParam(required = false) @Nullable Integer version) {
        List<LookupStore.Version> versions = lookups.versions(id);
        if (versions.isEmpty()) {
            throw missing();
        }
        int shown = version == null ? versions.getFirst().version() : version;
        return new LookupPage(
                id.toString(),
                lookups.find(id, shown).orElseThrow(LookupsApi::missing),
                shown,
                versions.stream()
                        .map(it -> new VersionRow(it.version(), it.by(), it.made()))
                        .toList(),
                uses(id));
    }

    private List<LookupUse> uses(UUID id) {
        List<LookupUse> uses = new ArrayList<>();
        for (TemplateStore.WorkingCopy copy : templates.mentioning(id)) {
            taken(copy.template(), id.toString())
                    .map(list -> Objects.requireNonNull(list.source()))
                    .ifPresent(source -> uses.add(
                            new LookupUse(copy.id().toString(), copy.template().title(), source.version())));
        }
        return uses;
    }

    /** What a template has taken of a list. */
    private static Optional<LookupList> taken(Template template, String lookup) {
        return template.lists().stream()
                .filter(list -> list.source() != null && list.source().list().equals(lookup))
                .findFirst();
    }

    @PutMapping("/api/lookups/{id}")
    @Transactional
    public LookupPage keep(
            @PathVariable UUID id, @RequestBody NextLookup next, @AuthenticationPrincipal Author author) {
        LookupPage last = find(id, null);
        if (last.version() != next.version()) {
            throw new Refused(
                    Refused.Cause.CHANGED,
                    "There is a version %d of this list by now; look at it first.".formatted(last.version()));
        }
        List<List<String>> lines = next.table().isBlank() ? next.lines() : SeparatedTable.read(next.table());
        LookupList list = Tables.list(named(next.name()), lines, last.list());
        if (!list.equals(last.list())) {
            lookups.keep(id, last.version() + 1, list, author.id());
        }
        return find(id, null);
    }

    /** Takes the last version of a list into a template: as a new list there, or in place of the one taken before. */
    @PostMapping("/api/templates/{template}/draft/lookups")
    @Transactional
    public DraftChange take(
            @PathVariable("template") UUID id,
            @RequestBody LookupWanted wanted,
            @AuthenticationPrincipal Author author) {
        LookupPage page = find(identity(wanted.lookup()), null);
        Template template =
                templates.find(id).orElseThrow(TemplateStore::missing).template();
        String key = taken(template, page.id()).map(LookupList::key).orElse("");
        LookupList list = page.list();
        LookupList taken = new LookupList(
                key, list.name(), list.columns(), list.rows(), new LookupList.Source(page.id(), page.version()));
        return drafts.edit(id, wanted.revision(), new Edit.PutList(taken), author.id());
    }

    private static UUID identity(String text) {
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            throw missing();
        }
    }

    private static String named(String name) {
        String stripped = name.strip();
        if (stripped.isEmpty() || stripped.length() > LONGEST_NAME) {
            throw new Refusal("Give the list a name of at most %d characters.".formatted(LONGEST_NAME));
        }
        return stripped;
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such lookup list.");
    }
}
