package loesscape.formats.answers;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import loesscape.core.editing.Refusal;
import loesscape.core.evaluation.RowNames;
import loesscape.formats.form.FormField;
import loesscape.formats.form.FormReader;
import loesscape.formats.form.UnreadableForm;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.table.SeparatedTable;
import loesscape.formats.template.TemplateArchive;
import loesscape.formats.word.FilledControls;
import loesscape.formats.word.ImportedDocument;
import loesscape.formats.word.UnreadableDocument;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdfparser.FDFParser;
import org.apache.pdfbox.pdmodel.fdf.FDFDocument;
import org.apache.pdfbox.pdmodel.fdf.FDFField;
import tools.jackson.databind.JsonNode;

/**
 * Files with answers.
 *
 * <pre>{@code
 * for (GivenAnswers given : AnswersBrought.read(file)) {
 *     AnswerMatching.Matched matched = AnswerMatching.of(template).match(given);
 * }
 * }</pre>
 */
public final class AnswersBrought {

    /** The most bytes a file may have. */
    public static final int LARGEST = 32 * 1024 * 1024;

    /** The most documents that one file has answers for. */
    public static final int MOST = 10_000;

    private static final int DEEPEST = 20;

    private AnswersBrought() {}

    /**
     * Reads a file: by what it holds, not by what it is called.
     *
     * @return one for each document there are answers for
     * @throws UnreadableAnswers where there are none that can be read
     */
    public static List<GivenAnswers> read(byte[] file) {
        if (file.length > LARGEST) {
            throw new UnreadableAnswers(
                    "The file has %d MB; at most %d are read.".formatted(file.length >> 20, LARGEST >> 20));
        }
        String begin = new String(file, 0, Math.min(file.length, 1_024), StandardCharsets.ISO_8859_1);
        String first = begin.replaceFirst("^(\u00ef\u00bb\u00bf)?\\s*", "");
        if (begin.contains("%FDF-")) {
            return List.of(fdf(file));
        }
        if (FormReader.isPdf(file)) {
            return List.of(pdf(file));
        }
        if (ImportedDocument.isDocument(file)) {
            return List.of(docx(file));
        }
        if (TemplateArchive.isArchive(file)) {
            throw new UnreadableAnswers("This archive is no document of a word processor; it has no answers.");
        }
        if (first.startsWith("<")) {
            return List.of(XfdfFile.read(file));
        }
        if (first.startsWith("{") || first.startsWith("[")) {
            return json(new String(file, StandardCharsets.UTF_8));
        }
        return table(new String(file, StandardCharsets.UTF_8));
    }

    /** Whether reading a file takes much memory for a while, so that not many are read at once. */
    public static boolean takesMuch(byte[] file) {
        return FormReader.isPdf(file) || TemplateArchive.isArchive(file);
    }

    private static GivenAnswers pdf(byte[] file) {
        Map<String, List<String>> values = new LinkedHashMap<>();
        try {
            for (FormField field : FormReader.read(file, "").fields()) {
                String name = field.common().name();
                switch (field) {
                    case FormField.WrittenText it -> put(values, name, it.value());
                    case FormField.SingleMark it -> put(values, name, it.isSet() ? it.stored() : "");
                    case FormField.MarksForOne it -> put(values, name, it.chosen());
                    case FormField.ChoiceList it -> it.chosen().forEach(chosen -> put(values, name, chosen));
                    case FormField.SignaturePlace ignored -> {}
                }
            }
        } catch (UnreadableForm e) {
            throw new UnreadableAnswers(String.valueOf(e.getMessage()));
        }
        return new GivenAnswers(values);
    }

    /** A form of ours in a word processor: its controls are called as its answers, marks with their choices behind a stroke. */
    private static GivenAnswers docx(byte[] file) {
        Map<String, List<String>> values = new LinkedHashMap<>();
        try {
            for (FilledControls.Filled control : FilledControls.of(file)) {
                int stroke = control.tag().indexOf('/');
                String address = stroke < 0 ? control.tag() : control.tag().substring(0, stroke);
                String name =
                        control.row() == 0 ? address : RowNames.address(RowNames.key(address), "r" + control.row());
                String part = stroke < 0 ? "" : control.tag().substring(stroke + 1);
                if (control.isMark()) {
                    put(values, name + "." + part, control.isSet() ? "yes" : "");
                } else if (part.equals("words")) {
                    put(values, "words/" + name, control.text());
                } else if (part.isEmpty() && !values.containsKey(name)) {
                    // The same answer may stand in several places.
                    put(values, name, control.text());
                }
            }
        } catch (UnreadableDocument e) {
            throw new UnreadableAnswers(String.valueOf(e.getMessage()));
        }
        return new GivenAnswers(values);
    }

    /** What is blank says nothing. */
    static void put(Map<String, List<String>> values, String name, String value) {
        if (!value.isBlank()) {
            values.computeIfAbsent(name, ignored -> new ArrayList<>()).add(value);
        }
    }

    private static GivenAnswers fdf(byte[] file) {
        Map<String, List<String>> values = new LinkedHashMap<>();
        // Its objects are read when they are looked at, so what they are read from stays open.
        try (RandomAccessReadBuffer source = new RandomAccessReadBuffer(file);
                FDFDocument document = new FDFParser(source).parse()) {
            List<FDFField> fields = document.getCatalog().getFDF().getFields();
            if (fields != null) {
                for (FDFField field : fields) {
                    fdf(field, "", 0, values);
                }
            }
        } catch (IOException | RuntimeException e) {
            throw new UnreadableAnswers("The FDF file is broken: %s.".formatted(e.getMessage()));
        }
        return new GivenAnswers(values);
    }

    private static void fdf(FDFField field, String around, int depth, Map<String, List<String>> values) {
        if (depth > DEEPEST) {
            throw new UnreadableAnswers("The fields of the FDF file are nested more than %d deep.".formatted(DEEPEST));
        }
        String part = field.getPartialFieldName() == null ? "" : field.getPartialFieldName();
        String name = around.isEmpty() ? part : around + "." + part;
        COSBase value = field.getCOSObject().getDictionaryObject(COSName.V);
        switch (value) {
            case COSString text -> put(values, name, text.getString());
            case COSName state -> put(values, name, state.getName().equals("Off") ? "" : state.getName());
            case COSStream stream -> put(values, name, stream.toTextString());
            case COSArray several -> {
                for (int i = 0; i < several.size(); i++) {
                    if (several.getObject(i) instanceof COSString each) {
                        put(values, name, each.getString());
                    }
                }
            }
            case null, default -> {}
        }
        List<FDFField> kids = field.getKids();
        if (kids != null) {
            for (FDFField kid : kids) {
                fdf(kid, name, depth + 1, values);
            }
        }
    }

    private static List<GivenAnswers> json(String text) {
        try {
            JsonNode tree = Json.parse(text);
            List<JsonNode> all = tree.isArray() ? List.copyOf(tree.values()) : List.of(tree);
            if (all.size() > MOST) {
                throw new UnreadableAnswers("The file has answers for more than %,d documents.".formatted(MOST));
            }
            List<GivenAnswers> given = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                if (!all.get(i).isObject()) {
                    throw new UnreadableAnswers(
                            "Entry %d is no object; answers are names with values.".formatted(i + 1));
                }
                given.add(json(all.get(i)));
            }
            return given;
        } catch (JsonProblem e) {
            throw new UnreadableAnswers(String.valueOf(e.getMessage()));
        }
    }

    private static GivenAnswers json(JsonNode object) {
        Map<String, List<String>> values = new LinkedHashMap<>();
        object.properties().forEach(entry -> {
            JsonNode value = entry.getValue();
            boolean isRows = value.isArray()
                    && !value.isEmpty()
                    && value.values().stream().allMatch(JsonNode::isObject);
            if (isRows) {
                for (int i = 0; i < value.size(); i++) {
                    String row = "@r" + (i + 1);
                    value.get(i).properties().forEach(cell -> put(values, cell.getKey() + row, text(cell.getValue())));
                }
            } else if (value.isArray()) {
                value.values().forEach(each -> put(values, entry.getKey(), text(each)));
            } else {
                put(values, entry.getKey(), text(value));
            }
        });
        return new GivenAnswers(values);
    }

    private static String text(JsonNode value) {
        if (value.isObject() && value.has("other")) {
            return "=" + value.get("other").asString("");
        }
        return value.isNull() || value.isContainer()
                ? ""
                : value.isBoolean() ? (value.booleanValue() ? "yes" : "no") : value.asString("");
    }

    private static List<GivenAnswers> table(String text) {
        SeparatedTable.Headed table;
        try {
            table = SeparatedTable.headed(text, MOST);
        } catch (Refusal e) {
            throw new UnreadableAnswers(String.valueOf(e.getMessage()));
        }
        List<String> heading = table.heading();
        List<GivenAnswers> given = new ArrayList<>();
        for (List<String> line : table.lines()) {
            Map<String, List<String>> values = new LinkedHashMap<>();
            for (int i = 0; i < Math.min(line.size(), heading.size()); i++) {
                put(values, heading.get(i), line.get(i));
            }
            for (int i = heading.size(); i < line.size(); i++) {
                put(values, "column " + (i + 1) + " without a heading", line.get(i));
            }
            given.add(new GivenAnswers(values));
        }
        return given;
    }
}
