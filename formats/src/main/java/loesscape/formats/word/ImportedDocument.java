package loesscape.formats.word;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import loesscape.core.model.Problem;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;

/**
 * A document of a word processor that somebody brought, made a template.
 *
 * <pre>{@code
 * ImportedDocument imported = ImportedDocument.read(bytes, "Drilling agreement");
 * imported.template(); // headings as sections, lines as texts, what is to be filled in as questions
 * }</pre>
 *
 * @param remarks what its author should know, a sentence each
 */
public record ImportedDocument(Template template, List<String> remarks) {

    /** The most bytes a file may have. */
    public static final int LARGEST = 32 * 1024 * 1024;

    public ImportedDocument {
        remarks = List.copyOf(remarks);
    }

    /** Whether packed bytes are a document of a word processor: Office Open XML or OpenDocument text. */
    public static boolean isDocument(byte[] file) {
        if (file.length < 4 || file[0] != 'P' || file[1] != 'K') {
            return false;
        }
        try {
            DocumentParts parts = DocumentParts.of(file);
            return parts.has("word/document.xml") || parts.has("content.xml");
        } catch (UnreadableDocument unknown) {
            return false;
        }
    }

    /**
     * Reads a file.
     *
     * @param title what the document is called, where it does not say
     * @throws UnreadableDocument where it is no document of a word processor, is broken, or more than is read
     */
    public static ImportedDocument read(byte[] file, String title) {
        if (file.length > LARGEST) {
            throw new UnreadableDocument(
                    "The file has %d MB; at most %d are read.".formatted(file.length >> 20, LARGEST >> 20));
        }
        DocumentParts parts = DocumentParts.of(file);
        try {
            List<WordBlock> blocks = parts.has("word/document.xml") ? DocxBody.of(parts) : OdtBody.of(parts);
            FlowingTemplate.MadeFlow made = FlowingTemplate.of(blocks, title);
            List<Problem> problems = Validation.of(made.template());
            if (!problems.isEmpty()) {
                throw new UnreadableDocument("No template can be made of this document. %s"
                        .formatted(problems.getFirst().message()));
            }
            return new ImportedDocument(made.template(), remarks(parts, made.questions()));
        } catch (StackOverflowError deep) {
            throw new UnreadableDocument("The document is nested so deep that it cannot be read.");
        }
    }

    private static List<String> remarks(DocumentParts parts, int questions) {
        List<String> remarks = new ArrayList<>();
        remarks.add(
                switch (questions) {
                    case 0 -> "Nothing in the document looked as if it were to be filled in; all of it is text.";
                    case 1 -> "One question was made of what is to be filled in. Look at its kind.";
                    default ->
                        "%d questions were made of what is to be filled in. Look at their kinds.".formatted(questions);
                });
        Set<String> names = parts.names();
        if (names.stream().anyMatch(name -> name.endsWith("vbaProject.bin") || name.startsWith("Basic/"))) {
            remarks.add("The document has macros. They are not run, and not taken along.");
        }
        if (names.stream().anyMatch(name -> name.startsWith("word/media/") || name.startsWith("Pictures/"))) {
            remarks.add("Its pictures are not taken along; add those that are wanted.");
        }
        if (names.stream().anyMatch(name -> name.matches("word/(header|footer)\\d*\\.xml"))) {
            remarks.add("Its headers and footers are not taken along: those of the organisation stand on each page.");
        }
        if (isLinked(parts)) {
            remarks.add("The document fetches something from elsewhere. Nothing was fetched.");
        }
        return remarks;
    }

    /** Whether something other than a link to be followed lies outside of the file. */
    private static boolean isLinked(DocumentParts parts) {
        return Elements.all(parts.xml("word/_rels/document.xml.rels"), "Relationship").stream()
                .anyMatch(each -> Elements.attribute(each, "TargetMode").equals("External")
                        && !Elements.attribute(each, "Type").endsWith("/hyperlink"));
    }
}
