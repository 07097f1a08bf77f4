package loesscape.formats.word;

import static loesscape.formats.word.PackedDocument.control;
import static loesscape.formats.word.PackedDocument.docx;
import static loesscape.formats.word.PackedDocument.line;
import static loesscape.formats.word.PackedDocument.listed;
import static loesscape.formats.word.PackedDocument.row;
import static loesscape.formats.word.PackedDocument.styled;
import static loesscape.formats.word.PackedDocument.table;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Item;
import loesscape.core.model.Medium;
import loesscape.core.model.Notice;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Validation;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Documents of word processors become templates. Elements by ISO/IEC 29500-1 (17) and ISO/IEC 26300-1; content controls for
 * squares and rows by their later editions (from memory).
 */
class ImportedDocumentTest {

    /** A template as lines: sections with their depth, questions with their kind, texts as they are written. */
    private static List<String> told(Template template) {
        List<String> told = new ArrayList<>();
        template.pages().getFirst().sections().forEach(section -> tell(section, 1, told));
        return told;
    }

    private static void tell(Item item, int depth, List<String> told) {
        switch (item) {
            case Section section -> {
                told.add("#".repeat(depth) + " " + section.title() + (section.isRepeating() ? " (rows)" : ""));
                section.items().forEach(inner -> tell(inner, depth + 1, told));
            }
            case Field field ->
                told.add(field.label() + ": " + kind(field.kind()) + width(field)
                        + (field.medium() == Medium.FILLING ? " (asked)" : ""));
            case Notice notice ->
                told.add("“%s”%s%s"
                        .formatted(
                                notice.text(),
                                notice.clause() > 0 ? " clause " + notice.clause() : "",
                                notice.medium() == Medium.DOCUMENT ? " (document)" : ""));
            default -> told.add(item.key());
        }
    }

    private static String width(Field field) {
        return field.width() == Field.Width.FULL
                ? ""
                : " " + field.width().name().toLowerCase(Locale.ROOT);
    }

    private static String kind(FieldKind kind) {
        String name = kind.getClass().getSimpleName();
        return kind instanceof FieldKind.Choosing choosing
                ? name + choosing.choices().stream().map(Choice::label).toList() + (choosing.other() ? "…" : "")
                : name;
    }

    private static List<String> told(String body) {
        ImportedDocument imported = docx(body).read();
        assertThat(Validation.of(imported.template())).isEmpty();
        return told(imported.template());
    }

    @Test
    void headingsAreSectionsAndLinesAreTexts() {
        ImportedDocument imported = docx(styled("T", "Lease of a mill")
                        + styled("H1", "1. The mill")
                        + line("It stands at the ditch.")
                        + styled("H2", "Its wheel")
                        + "<w:p><w:r><w:rPr><w:b/></w:rPr><w:t>Oak</w:t></w:r><w:r><w:t xml:space=\"preserve\"> and </w:t></w:r><w:r><w:rPr><w:i/></w:rPr><w:t>iron</w:t></w:r></w:p>"
                        + styled("O", "The rent")
                        + line("Paid {paid} [twice]"))
                .read();
        assertThat(imported.template().title()).isEqualTo("Lease of a mill");
        assertThat(told(imported.template()))
                .containsExactly(
                        "# The mill",
                        "“It stands at the ditch.”",
                        "## Its wheel",
                        "“**Oak** and *iron*”",
                        "# The rent",
                        "paid: Text half",
                        "twice: Text half");
    }

    @Test
    void signsThatControlAreNoPartOfATextButItsLinesAre() {
        assertThat(told("<w:p><w:r><w:t>a&#127;b&#13;c</w:t><w:br/><w:t>d</w:t></w:r></w:p>"))
                .containsExactly("# A document", "“abc\nd”");
    }

    @Test
    void listsAndNumbersAreKept() {
        assertThat(told(listed(2, 0, "bread")
                        + listed(2, 0, "salt")
                        + listed(1, 0, "The lessee pays.")
                        + listed(1, 1, "in silver")))
                .containsExactly(
                        "# A document", "“- bread\n- salt”", "“The lessee pays.” clause 1", "“in silver” clause 2");
    }

    @Test
    void linesToBeFilledInAreQuestions() {
        assertThat(told(line("Name: __________ Born on: ________")
                        + line("Place ..............................")
                        + line("____________________")
                        + line("Signature of the lessee")
                        + line("Remarks:")
                        + "<w:p><w:pPr><w:pBdr><w:bottom w:val=\"single\"/></w:pBdr></w:pPr></w:p>".repeat(3)))
                .containsExactly(
                        "# A document",
                        "Name: Text half",
                        "Born on: Date half",
                        "Place: Text",
                        "Signature of the lessee: Signature",
                        "Remarks: LongText");
    }

    @Test
    void whatStandsInASentenceStaysInIt() {
        assertThat(told(line("The lessee [Name of the lessee] rents the mill at «Place» for {{rent}} crowns a year.")
                        + line("[Name of the lessee] pays until the ______ of each month, at the latest.")))
                .containsExactly(
                        "# A document",
                        "Name of the lessee: Text (asked)",
                        "Place: Text (asked)",
                        "rent: Money (asked)",
                        "“The lessee {name_of_the_lessee} rents the mill at {place} for {rent} crowns a year.” (document)",
                        "pays until the: Text (asked)",
                        "“{name_of_the_lessee} pays until the {pays_until_the} of each month, at the latest.” (document)");
    }

    @Test
    void nobodySignsInTheMiddleOfASentence() {
        assertThat(told(line("The rules were read, and signed by ____________ on behalf of the guild.")))
                .containsExactly(
                        "# A document",
                        "The rules were read, and signed by: Text (asked)",
                        "“The rules were read, and signed by {the_rules_were_read_and_signed_by} on behalf of the guild.” (document)");
    }

    @Test
    void squaresAreChoices() {
        assertThat(told(line("Kind of mill: ☐ water ☐ wind")
                        + line("Is there a dam? [ ] Yes [ ] No")
                        + line("It grinds")
                        + line("☐ rye")
                        + line("☐ oats")
                        + line("The end of it.")
                        + line("☐ I have read the rules.")
                        + line("Fed by [ditch / river]")))
                .containsExactly(
                        "# A document",
                        "Kind of mill: SeveralChoices[water, wind]",
                        "Is there a dam?: YesNo",
                        "It grinds: SeveralChoices[rye, oats]",
                        "“The end of it.”",
                        "I have read the rules.: YesNo",
                        "Fed by: OneChoice[ditch, river]");
    }

    @Test
    void nothingThatIsWrittenOnALineIsLeftOut() {
        String rules = "I have read the rules of the mill, ".repeat(12).strip();
        assertThat(
                        told(
                                line("Length: ______ m")
                                        + line("Paid to ______ (the miller)")
                                        + line("I agree: ☐ yes")
                                        + line("☐ " + rules)
                                        + line("Grain: ☐ rye ☐ other: ________")
                                        + "<w:p><w:sdt><w:sdtPr><w:alias w:val=\"Dam\"/><w14:checkbox/></w:sdtPr><w:sdtContent><w:r><w:t>☐</w:t></w:r></w:sdtContent></w:sdt><w:r><w:t xml:space=\"preserve\"> there is a dam</w:t></w:r></w:p>"))
                .containsExactly(
                        "# A document",
                        "Length: Number",
                        "Paid to … (the miller): Text",
                        "I agree: yes: YesNo",
                        rules + ": YesNo",
                        "Grain: SeveralChoices[rye, other]",
                        "other: Text",
                        "there is a dam: YesNo");
        assertThat(docx(line("Length: ______ m"))
                        .read()
                        .template()
                        .fields()
                        .getFirst()
                        .kind())
                .isInstanceOfSatisfying(
                        FieldKind.Number.class,
                        number -> assertThat(number.unit()).isEqualTo("m"));
    }

    /** The most characters of a label and of a text are the template's own bounds; nothing of the document is left out for them. */
    @Test
    void whatIsTooLongForALabelStandsWholeInATextBesideIt() {
        String words = "I declare that the well was drilled by my own hand and that its casing is sound. ";
        String declaration = words.repeat(20).strip();
        assertThat(told(line("☐ " + declaration)))
                .satisfiesExactly(
                        heading -> {},
                        text -> assertThat(text).isEqualTo("“" + declaration + "”"),
                        question -> assertThat(question)
                                .startsWith("I declare")
                                .endsWith("…: YesNo")
                                .hasSizeLessThan(1_020));
        assertThat(List.of(
                        line(declaration + ": ________"),
                        line("Which: ☐ " + declaration + " ☐ none"),
                        styled("H1", declaration),
                        styled("T", declaration),
                        control("<w:text/><w:alias w:val=\"" + declaration + "\"/>", ""),
                        control(
                                "<w:dropDownList><w:listItem w:displayText=\"" + declaration
                                        + "\" w:value=\"1\"/></w:dropDownList>",
                                ""),
                        table(row(declaration, "When"), row("", ""), row("", ""))))
                .allSatisfy(body -> assertThat(told(body)).anyMatch(text -> text.startsWith("“" + declaration)));
    }

    @Test
    void whatIsTooLongForATextBecomesSeveral() {
        String sentence = "The lessee keeps the ditch. ";
        List<String> texts = told(line(sentence.repeat(2_000)));
        assertThat(texts).hasSize(4);
        assertThat(String.join(" ", texts.subList(1, 4)).replaceAll("[“”]", ""))
                .isEqualTo(sentence.repeat(2_000).strip());
        List<String> points = told(listed(2, 0, sentence.repeat(30)).repeat(60));
        assertThat(points).hasSizeGreaterThan(2);
        assertThat(String.join("\n", points.subList(1, points.size())).replaceAll("[“”]", ""))
                .isEqualTo(
                        ("- " + sentence.repeat(30).strip() + "\n").repeat(60).strip());
        assertThat(told(line("x".repeat(50_000)))).hasSize(4);
    }

    @Test
    void contentControlsKeepTheirKinds() {
        assertThat(told(control("<w:alias w:val=\"Lessee\"/><w:tag w:val=\"lessee\"/><w:text/>", "x")
                        + control("<w:alias w:val=\"Again\"/><w:tag w:val=\"lessee\"/><w:text/>", "x")
                        + control("<w:showingPlcHdr/><w:text w:multiLine=\"1\"/>", "What was agreed")
                        + control(
                                "<w:alias w:val=\"Grain\"/><w:dropDownList><w:listItem w:value=\"\"/><w:listItem w:displayText=\"Rye\" w:value=\"1\"/><w:listItem w:value=\"Oats\"/></w:dropDownList>",
                                "")
                        + control("<w:alias w:val=\"Wood\"/><w:comboBox><w:listItem w:value=\"Oak\"/></w:comboBox>", "")
                        + control("<w:alias w:val=\"From\"/><w:date/>", "1 May")
                        + control(
                                "<w:alias w:val=\"Dam\"/><w14:checkbox><w14:checked w14:val=\"0\"/></w14:checkbox>",
                                "☐")))
                .containsExactly(
                        "# A document",
                        "Lessee: Text",
                        "What was agreed: LongText",
                        "Grain: OneChoice[Rye, Oats]",
                        "Wood: OneChoice[Oak]…",
                        "From: Date",
                        "Dam: YesNo");
    }

    @Test
    void olderFieldsAreRead() {
        String begin = "<w:r><w:fldChar w:fldCharType=\"begin\">%s</w:fldChar></w:r>";
        String end =
                "<w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>shown</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
        String code = "<w:r><w:instrText>%s</w:instrText></w:r>";
        assertThat(told("<w:p><w:r><w:t xml:space=\"preserve\">Owner </w:t></w:r>"
                        + begin.formatted("<w:ffData><w:name w:val=\"Text1\"/><w:textInput/></w:ffData>") + end
                        + "</w:p>"
                        + "<w:p>"
                        + begin.formatted(
                                "<w:ffData><w:statusText w:val=\"Day\"/><w:textInput><w:type w:val=\"date\"/></w:textInput></w:ffData>")
                        + end + "</w:p>"
                        + "<w:p>"
                        + begin.formatted(
                                "<w:ffData><w:helpText w:val=\"Grain\"/><w:ddList><w:listEntry w:val=\"Rye\"/><w:listEntry w:val=\"Oats\"/></w:ddList></w:ffData>")
                        + end + "</w:p>"
                        + "<w:p>" + begin.formatted("") + code.formatted(" MERGEFIELD \"Town_name\" \\* MERGEFORMAT ")
                        + end + "</w:p>"
                        + "<w:p>" + begin.formatted("") + code.formatted(" PAGE ") + end + "</w:p>"))
                .containsExactly(
                        "# A document",
                        "Owner: Text",
                        "Day: Date",
                        "Grain: OneChoice[Rye, Oats]",
                        "Town name: Text",
                        "“shown”");
    }

    @Test
    void tablesAskInTheirCells() {
        assertThat(told(table(row("Owner", ""), row("Parcel", ""))
                        + table(row("No.", "Depth", "Soil"), row("1", "", ""), row("2", "", ""))
                        + table(row("Question", "Yes", "No"), row("Flooded?", "☐", "☐"))
                        + table(row(line("Surname") + line(""), line("Born on") + line("")))
                        + table(row("Class", "Fee"), row("small", "25"))
                        + table(row("", ""), row("Place, date", "Signature"))))
                .containsExactly(
                        "# A document",
                        "Owner: Text",
                        "Parcel: Text",
                        "## Rows (rows)",
                        "Depth: Number",
                        "Soil: Text",
                        "“Question”",
                        "Flooded?: YesNo",
                        "Surname: Text",
                        "Born on: Date",
                        "“| Class | Fee |\n|---|---:|\n| small | 25 |”",
                        "Place, date: Text",
                        "Signature: Signature");
    }

    @Test
    void tablesStayTablesWithTheirHeadsMarksAndLines() {
        String bold = "<w:p><w:r><w:rPr><w:b/></w:rPr><w:t>%s</w:t></w:r></w:p>";
        assertThat(told(table(row(bold.formatted("Kind"), bold.formatted("Due")), row("*lease* | rent", "in May"))
                        + table(row("Kind", "Due"), row("lease", "in May"))
                        + table(
                                row("Kind", "Due").replace("<w:tr>", "<w:tr><w:trPr><w:tblHeader/></w:trPr>"),
                                row(line("lease") + line("of a mill"), listed(2, 0, "May") + listed(2, 0, "June")))
                        + table(row("", "small", "large"), row("Fee", "25", "1,250.00"), row("Days", "3", "5"))
                        + table(
                                row("For", "When", "Sum"),
                                row("Lease", "May", "[Rent] EUR"),
                                row("Late", "June", "3 EUR"))))
                .containsExactly(
                        "# A document",
                        "“| Kind | Due |\n|---|---|\n| \\*lease\\* \\| rent | in May |”",
                        "“| Kind | Due |\n| lease | in May |”",
                        "“| Kind | Due |\n|---|---|\n| lease\\\nof a mill | • May\\\n• June |”",
                        "“|  | small | large |\n|---|---:|---:|\n| Fee | 25 | 1,250.00 |\n| Days | 3 | 5 |”",
                        "Rent: Money (asked)",
                        "“| For | When | Sum |\n|---|---|---:|\n| Lease | May | {rent:figure} EUR |\n| Late | June | 3 EUR |” (document)");
    }

    @Test
    void whatHasANameUnderHeadsIsAskedAndStandsInTheTable() {
        assertThat(told(table(
                                row("What", "Who", "Sum"),
                                row("Lease of [Parcel]", "[Lessee]", "€ [Rent]"),
                                row("Again", "[Lessee]", "none"))
                        + table(row("Name", "[Lessor]"), row("Town", "[Town]"))))
                .containsExactly(
                        "# A document",
                        "Parcel: Text (asked)",
                        "Lessee: Text (asked)",
                        "Rent: Money (asked)",
                        "“| What | Who | Sum |\n|---|---|---|\n| Lease of {parcel} | {lessee} | € {rent:figure} |\n"
                                + "| Again | {lessee} | none |” (document)",
                        "Lessor: Text",
                        "Town: Text");
    }

    @Test
    void aCurrencyIsSaidOnce() {
        assertThat(told(line(
                        "The lessee pays the [Rent] in May, and a fee of [Fee] EUR, or [Late fee] € for each day.")))
                .containsExactly(
                        "# A document",
                        "Rent: Money (asked)",
                        "Fee: Money (asked)",
                        "Late fee: Money (asked)",
                        "“The lessee pays the {rent} in May, and a fee of {fee:figure} EUR, or {late_fee:figure} € for each day.” (document)");
    }

    /** Merged cells: ISO/IEC 29500-1, 17.4.17 (columns) and 17.4.84 (rows). */
    @Test
    void cellsOverSeveralColumnsAndRowsAskOnce() {
        String wide = "<w:tc><w:tcPr><w:gridSpan w:val=\"2\"/></w:tcPr>%s</w:tc>";
        String high = "<w:tc><w:tcPr><w:vMerge%s/></w:tcPr>%s</w:tc>";
        assertThat(told(table("<w:tr>" + wide.formatted(line("Lessee")) + "<w:tc>" + line("") + "</w:tc></w:tr>")
                        + table(
                                "<w:tr>" + high.formatted(" w:val=\"restart\"", line("Parcel")) + "<w:tc>" + line("")
                                        + "</w:tc></w:tr>",
                                "<w:tr>" + high.formatted("", line("")) + "<w:tc>" + line("") + "</w:tc></w:tr>")
                        + table(
                                "<w:tr>" + wide.formatted(line("Fees of a year")) + "</w:tr>",
                                row("lease", "due in May"))))
                .containsExactly(
                        "# A document",
                        "Lessee: Text",
                        "Parcel: Text",
                        "Parcel: Text",
                        "“| Fees of a year |  |\n| lease | due in May |”");
    }

    @Test
    void aFrameOfOneColumnIsNoTable() {
        assertThat(told(table(
                        row(styled("H1", "The mill") + line("It stands at the ditch.")), row("Its wheel is of oak."))))
                .containsExactly("# The mill", "“It stands at the ditch.”", "“Its wheel is of oak.”");
    }

    @Test
    void aLongTableIsSeveralThatSayTheHeadsAgain() {
        String[] rows = new String[400];
        rows[0] = row("No", "What is to be done, and by whom");
        for (int i = 1; i < rows.length; i++) {
            rows[i] = row(Integer.toString(i), "Work of the day " + "and more ".repeat(6));
        }
        List<String> told = told(table(rows));
        assertThat(told.size()).isGreaterThan(2);
        assertThat(told.subList(1, told.size()))
                .allMatch(text -> text.startsWith("“| No | What is to be done, and by whom |\n|---:|---|\n| "));
        assertThat(String.join("\n", told)).contains("| 1 | Work", "| 200 | Work", "| 399 | Work");
    }

    @Test
    void rowsThatRepeatStayRows() {
        assertThat(told(table(row("Name", "Age"))
                        .replace(
                                "</w:tbl>",
                                "<w:sdt><w:sdtPr><w:alias w:val=\"Children\"/><w15:repeatingSection/></w:sdtPr><w:sdtContent>"
                                        + "<w:sdt><w:sdtPr><w15:repeatingSectionItem/></w:sdtPr><w:sdtContent>"
                                        + row(
                                                control("<w:text/>", "x"),
                                                control("<w:alias w:val=\"Years\"/><w:text/>", "x"))
                                        + "</w:sdtContent></w:sdt></w:sdtContent></w:sdt></w:tbl>")))
                .contains("## Children (rows)", "Name: Text", "Years: Text");
    }

    @Test
    void whatWasStruckOutIsGone() {
        assertThat(
                        told(
                                "<w:p><w:del><w:r><w:delText>never</w:delText></w:r></w:del><w:ins><w:r><w:t>always</w:t></w:r></w:ins></w:p>"))
                .containsExactly("# A document", "“always”");
    }

    @ParameterizedTest
    @ValueSource(strings = {"mixed-a.docx", "mixed-a.odt", "long-a.docx", "long-a.odt"})
    void whatAWordProcessorWroteIsRead(String name) throws IOException {
        try (InputStream file = ImportedDocumentTest.class.getResourceAsStream(name)) {
            byte[] bytes = Objects.requireNonNull(file).readAllBytes();
            assertThat(ImportedDocument.isDocument(bytes)).isTrue();
            List<String> told = told(ImportedDocument.read(bytes, "Form").template());
            if (name.startsWith("mixed")) {
                assertThat(told)
                        .contains(
                                "Name: Text",
                                "Telephone: Phone",
                                "Length in m: Number",
                                "Depth in m: Number",
                                "Date: Date half",
                                "Signature: Signature half");
            } else {
                assertThat(told)
                        .contains(
                                "Kind of well: SeveralChoices[bored, dug, driven]",
                                "Is there a well already?: YesNo",
                                "## Rows (rows)",
                                "Signature of the applicant: Signature");
            }
        }
    }

    @Test
    void whatIsNotTakenAlongIsSaid() {
        ImportedDocument imported = docx(line("Name: ______"))
                .with("word/vbaProject.bin", "x")
                .with("word/media/image1.png", "x")
                .with("word/header1.xml", "<x/>")
                .with(
                        "word/_rels/document.xml.rels",
                        "<R><Relationship TargetMode=\"External\" Type=\"a/image\" Target=\"http://example.org/x.png\"/></R>")
                .read();
        assertThat(imported.remarks())
                .hasSize(5)
                .anyMatch(remark -> remark.contains("macros"))
                .anyMatch(remark -> remark.contains("Nothing was fetched"));
    }

    @Test
    void whatIsNoDocumentIsRefusedWithASentence() {
        byte[] whole = docx(line("x")).file();
        String nested = "<w:tbl><w:tr><w:tc>".repeat(6_000) + "</w:tc></w:tr></w:tbl>".repeat(6_000);
        for (byte[] file : List.of(
                Arrays.copyOf(whole, 60),
                docx("<w:p>").file(),
                docx("").with("word/document.xml", "<!DOCTYPE x [<!ENTITY a SYSTEM \"file:///etc/passwd\">]><x>&a;</x>")
                        .file(),
                docx("").with("word/document.xml", "<x/>").file(),
                docx(nested).file())) {
            assertThatThrownBy(() -> ImportedDocument.read(file, "x"))
                    .isInstanceOf(UnreadableDocument.class)
                    .message()
                    .endsWith(".");
        }
        byte[] large = docx(" ".repeat(21_000_000)).file();
        assertThatThrownBy(() -> ImportedDocument.read(large, "x")).hasMessageContaining("word/document.xml");
        assertThat(ImportedDocument.isDocument(large)).isFalse();
        assertThat(ImportedDocument.isDocument("PK no".getBytes(StandardCharsets.UTF_8)))
                .isFalse();
    }

    @Test
    void rowsUnderADeepHeadingStandInTheSectionAroundIt() {
        String rows = """
                <w:tbl><w:tr><w:tc>%s</w:tc></w:tr><w:sdt><w:sdtPr><w:alias w:val="Samples"/><w15:repeatingSection/></w:sdtPr>
                <w:sdtContent><w:sdt><w:sdtPr><w15:repeatingSectionItem/></w:sdtPr><w:sdtContent><w:tr><w:tc>%s</w:tc></w:tr>
                </w:sdtContent></w:sdt></w:sdtContent></w:sdt></w:tbl>""".formatted(
                        line("Depth"), control("<w:alias w:val=\"Depth\"/><w:tag w:val=\"depth\"/><w:text/>", ""));
        assertThat(told(styled("H1", "Soil")
                        + styled("H2", "Samples")
                        + line("Taken on site.")
                        + rows
                        + line("Thank you.")))
                .containsExactly(
                        "# Soil",
                        "## Samples",
                        "“Taken on site.”",
                        "## Samples (rows)",
                        "Depth: Number",
                        "“Thank you.”");
    }

    @Test
    void aSecondTitleIsASectionAndSectionsStandInSectionsOneDeep() {
        assertThat(told(styled("T", "A form")
                        + styled("T", "Part one")
                        + styled("H1", "Soil")
                        + styled("H2", "Samples")
                        + control("<w:alias w:val=\"Depth\"/><w:text/>", "")))
                .containsExactly("# Part one", "# Soil", "## Samples", "Depth: Number");
    }
}
