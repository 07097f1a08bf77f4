package loesscape.formats.word;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Keys;
import loesscape.core.model.Notice;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.prose.Prose;
import org.jspecify.annotations.Nullable;

/** The sections of a template while it is put together, and the text that may turn out to be what a question asks. */
final class Outline {

    private static final int LONGEST_PROMPT = 90;
    private static final int DEEPEST_SECTION = 3;

    private final Set<String> keys = new HashSet<>(Set.of("page_1"));
    private final Part root = new Part("", "", 0);
    private final List<Part> open = new ArrayList<>(List.of(root));
    private String title;
    private boolean hasTitle;
    private int questions;

    /** The text that was just added. */
    private @Nullable Notice last;

    /** A section while it is put together. */
    private record Part(String key, String title, int level, List<Object> content) {

        Part(String key, String title, int level) {
            this(key, title, level, new ArrayList<>());
        }
    }

    Outline(String title) {
        this.title = title;
    }

    /** A text on one line, as a label; of one that is too long for that, the beginning. */
    static String label(String text) {
        return CutText.beginning(WordText.plain(text), Template.LONGEST_LINE);
    }

    int questions() {
        return questions;
    }

    /** A key that nothing else has. */
    String key(String label, String fallback) {
        String key = Keys.from(label, fallback, keys::contains);
        keys.add(key);
        return key;
    }

    /**
     * Adds an item to the section that is open; rows, which are a section, to one that can hold them. A text that is too long
     * for one becomes several.
     */
    void put(Item item) {
        if (item instanceof Section) {
            closeInner();
        }
        if (item instanceof Notice notice && notice.text().length() > Template.LONGEST_PARAGRAPH) {
            List<String> parts = CutText.parts(notice.text(), Template.LONGEST_PARAGRAPH);
            add(notice.withText(parts.getFirst()));
            for (String part : parts.subList(1, parts.size())) {
                add(Notice.of(key(part, "text"), part).withMedium(notice.medium()));
            }
        } else {
            add(item);
        }
    }

    private void add(Item item) {
        open.getLast().content.add(item);
        last = item instanceof Notice notice ? notice : null;
        questions += asked(item);
    }

    /** Says the whole of what a label or a choice can only begin to say; nothing of a long declaration is left out. */
    void sayWhole(String text) {
        if (WordText.plain(text).length() > Template.LONGEST_LINE) {
            put(Notice.of(key(text, "text"), Prose.literal(WordText.plain(text))));
            settle();
        }
    }

    /** Sections stand in sections one deep. */
    private void closeInner() {
        while (open.size() > 2) {
            open.removeLast();
        }
    }

    private static int asked(Item item) {
        return switch (item) {
            case Field ignored -> 1;
            case Section section ->
                section.items().stream().mapToInt(Outline::asked).sum();
            default -> 0;
        };
    }

    /** Takes words as the title, where there is none yet and nothing was asked. */
    boolean title(String words) {
        if (hasTitle || questions > 0) {
            return false;
        }
        sayWhole(words);
        title = words;
        hasTitle = true;
        return true;
    }

    /** Begins a section under the last one that is less deep. */
    void heading(String words, int level) {
        int depth = Math.min(level, DEEPEST_SECTION);
        while (open.size() > 1 && open.getLast().level >= depth) {
            open.removeLast();
        }
        closeInner();
        String told = label(words.replaceAll("^[0-9]+(\\.[0-9]+)*[.)]?\\s+(?=\\p{L})", ""));
        Part part = new Part(key(told, "section"), told, depth);
        open.getLast().content.add(part);
        open.add(part);
        last = null;
        sayWhole(words);
    }

    /** The text that was just added, where it is as short as what a question asks. */
    @Nullable
    Notice shortText() {
        Notice text = last;
        return text != null && text.text().length() <= LONGEST_PROMPT && text.clause() == 0 ? text : null;
    }

    /** The same where it ends as a question does. */
    @Nullable
    Notice prompt() {
        Notice text = shortText();
        return text != null && (text.text().endsWith(":") || text.text().endsWith("?")) ? text : null;
    }

    /** Takes the text back that was just added; gives it as a label. */
    String takeText() {
        Notice text = last;
        if (text == null) {
            return "";
        }
        open.getLast().content.removeLast();
        last = null;
        return label(WordText.label(text.text().replaceAll("[*\\\\]", "")));
    }

    /** The text that was just added was what a question asks. */
    void replaceText(FieldKind kind) {
        String key = last == null ? "question" : last.key();
        put(Field.of(key, takeText(), kind));
    }

    /** The text that was just added was not a prompt. */
    void settle() {
        last = null;
    }

    /** A list whose points go on: taken back to be put again with the next one; null where none does. */
    @Nullable
    Notice takeList() {
        List<Object> content = open.getLast().content;
        if (!content.isEmpty()
                && content.getLast() instanceof Notice before
                && before.text().startsWith("- ")) {
            content.removeLast();
            return before;
        }
        return null;
    }

    Template template() {
        List<Section> sections = new ArrayList<>();
        List<Item> first = new ArrayList<>();
        for (Object each : root.content) {
            if (each instanceof Part part) {
                sections.add(section(part));
            } else {
                first.add((Item) each);
            }
        }
        String name = label(title).isEmpty() ? "Document" : label(title);
        if (!first.isEmpty() || sections.isEmpty()) {
            sections.addFirst(Section.of(key(name, "section"), name, first));
        }
        return Template.of(name, List.of(new Page("page_1", "Page 1", null, sections)));
    }

    private static Section section(Part part) {
        return Section.of(
                part.key,
                part.title,
                part.content.stream()
                        .map(each -> each instanceof Part inner ? section(inner) : (Item) each)
                        .toList());
    }
}
