package loesscape.server.draft;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import loesscape.core.editing.Blocks;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.editing.Refusal;
import loesscape.core.editing.TemplateIndex;
import loesscape.core.model.Origin;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.server.draft.BlockStore.ListedBlock;
import loesscape.server.platform.web.Problems;
import loesscape.server.templates.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** An author's own library of blocks, and their use in documents. */
@Service
class Library {

    private static final int LONGEST_NAME = 200;

    private final BlockStore blocks;
    private final TemplateStore templates;
    private final Drafts drafts;

    Library(BlockStore blocks, TemplateStore templates, Drafts drafts) {
        this.blocks = blocks;
        this.templates = templates;
        this.drafts = drafts;
    }

    List<ListedBlock> list(long account) {
        return blocks.list(account);
    }

    /** Keeps a section as a new block, or as the next version of the one it was made from. */
    @Transactional
    public DraftChange keep(UUID template, int revision, String section, String name, long account) {
        Template document = document(template);
        TemplateIndex parts = TemplateIndex.of(document);
        Template block = Blocks.cut(document, section);
        Origin origin = origin(parts, section);
        ListedBlock known = origin == null ? null : find(account, origin.block());
        Map<String, String> keys = new HashMap<>();
        parts.withContent(section).forEach(key -> keys.put(key, key));
        if (origin == null || known == null) {
            String called = name.isBlank() ? parts.node(section).name() : name.strip();
            if (called.length() > LONGEST_NAME) {
                throw new Refusal("The name is longer than %d characters.".formatted(LONGEST_NAME));
            }
            Origin fresh = new Origin(blocks.add(account, called, block).toString(), 1, keys);
            return drafts.edit(template, revision, new Edit.SetOrigin(section, fresh), account);
        }
        int version = known.version() + 1;
        Template original = block;
        for (Map.Entry<String, String> entry : origin.keys().entrySet()) {
            original = renamedBack(original, entry.getKey(), entry.getValue(), keys);
        }
        blocks.keep(known.id(), version, original);
        Origin now = new Origin(origin.block(), version, keys);
        return drafts.edit(template, revision, new Edit.SetOrigin(section, now), account);
    }

    /** A later version goes on with the keys of the first, so that sections made from earlier ones find theirs again. */
    private static Template renamedBack(Template block, String original, String key, Map<String, String> keys) {
        TemplateIndex parts = TemplateIndex.of(block);
        if (original.equals(key) || !parts.nodes().containsKey(key) || parts.uses(original)) {
            return block;
        }
        keys.remove(key);
        keys.put(original, key);
        return Editing.apply(block, new Edit.RenameKey(key, original));
    }

    /** Puts a section made from the last version of a block there. */
    @Transactional
    public DraftChange use(
            UUID template, int revision, String block, String holder, @Nullable String after, long account) {
        ListedBlock last = found(account, block);
        Template content = version(account, last.id(), last.version());
        return drafts.edit(
                template, revision, new Edit.UseBlock(content, block, last.version(), holder, after), account);
    }

    /** What the last version of its block would change in a section; empty where there is no later one. */
    @Transactional(readOnly = true)
    public List<Blocks.Difference> differences(UUID template, String section, long account) {
        Template document = document(template);
        Origin origin = origin(TemplateIndex.of(document), section);
        ListedBlock last = origin == null ? null : find(account, origin.block());
        if (origin == null || last == null || last.version() <= origin.version()) {
            return List.of();
        }
        return Blocks.differences(
                document,
                section,
                version(account, last.id(), origin.version()),
                version(account, last.id(), last.version()));
    }

    /** Takes over some of what the last version of its block has otherwise. */
    @Transactional
    public DraftChange takeOver(UUID template, int revision, String section, List<String> items, long account) {
        Origin origin = origin(TemplateIndex.of(document(template)), section);
        ListedBlock last = found(account, origin == null ? "" : origin.block());
        Template content = version(account, last.id(), last.version());
        return drafts.edit(template, revision, new Edit.TakeOver(section, content, last.version(), items), account);
    }

    @Transactional
    public boolean remove(UUID block, long account) {
        return blocks.remove(account, block);
    }

    private static @Nullable Origin origin(TemplateIndex parts, String section) {
        return parts.node(section) instanceof Section it ? it.origin() : null;
    }

    private Template document(UUID template) {
        return templates.find(template).orElseThrow(TemplateStore::missing).template();
    }

    private Template version(long account, UUID block, int version) {
        return blocks.find(account, block, version)
                .orElseThrow(() -> new Problems.Missing("This version of the block is not in your library."));
    }

    private ListedBlock found(long account, String block) {
        ListedBlock found = find(account, block);
        if (found == null) {
            throw new Problems.Missing("There is no such block in your library any more.");
        }
        return found;
    }

    private @Nullable ListedBlock find(long account, String block) {
        return blocks.list(account).stream()
                .filter(each -> each.id().toString().equals(block))
                .findFirst()
                .orElse(null);
    }
}
