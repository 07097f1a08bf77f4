package loesscape.core.prose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import loesscape.core.prose.Prose.Piece;
import loesscape.core.prose.Prose.Style;
import loesscape.core.testing.Cases;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ProseTest {

    /** What was read, written so that it can be read: S( strong, E( emphasis, B( both. */
    private static String read(String text) {
        return Prose.of(text).blocks().stream()
                .map(block -> switch (block) {
                    case Prose.Paragraph it -> (it.isPoint() ? "• " : "") + read(it.pieces());
                    case Prose.Table it -> read(it);
                })
                .collect(Collectors.joining(" ¶ "));
    }

    /** Heads and rows between bars, rows parted by slashes; a column of figures with # at its head. */
    private static String read(Prose.Table table) {
        String heads = table.columns().stream()
                .map(column -> read(column.head().pieces()) + (column.isOfFigures() ? "#" : ""))
                .collect(Collectors.joining("|"));
        return "T(" + heads + " // "
                + table.rows().stream()
                        .map(row ->
                                row.stream().map(cell -> read(cell.pieces())).collect(Collectors.joining("|")))
                        .collect(Collectors.joining(" / "))
                + ")";
    }

    private static String read(List<Piece> pieces) {
        return pieces.stream()
                .map(piece -> switch (piece) {
                    case Piece.Words(var words, var style) -> styled(words, style);
                    case Piece.Merged it ->
                        styled("<" + it.key() + (it.format().isEmpty() ? "" : " as " + it.format()) + ">", it.style());
                    case Piece.Reference it -> styled("<to " + it.key() + ">", it.style());
                    case Piece.Bracketed it ->
                        "<" + it.name() + "? " + read(it.pieces())
                                + (it.otherwise().isEmpty() ? "" : " : " + read(it.otherwise())) + ">";
                })
                .collect(Collectors.joining());
    }

    private static String styled(String words, Style style) {
        return style.strong() && style.emphasis()
                ? "B(" + words + ")"
                : style.strong() ? "S(" + words + ")" : style.emphasis() ? "E(" + words + ")" : words;
    }

    /** Emphasis: CommonMark 0.31.2, 6.2, examples 350 to 473 as far as they use one kind of mark and are simple; from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            quoteCharacter = '"',
            value = {
                "plain ~ plain",
                "*foo bar* ~ E(foo bar)",
                "a * foo bar* ~ a * foo bar*",
                "foo*bar* ~ fooE(bar)",
                "*foo bar * ~ *foo bar *",
                "**foo bar** ~ S(foo bar)",
                "** foo bar** ~ ** foo bar**",
                "foo**bar** ~ fooS(bar)",
                "***both*** ~ B(both)",
                "**bold *and both*** ~ S(bold )B(and both)",
                "*slanted **and both*** ~ E(slanted )B(and both)",
                "**a** and **b** ~ S(a) and S(b)",
                "5 * 3 * 2 ~ 5 * 3 * 2",
                "2**3 ~ 2**3",
                "**** ~ ****",
                "*a ~ *a",
                "\\*a\\* ~ *a*",
                "*a\\*b* ~ E(a*b)",
                "**{fee}** ~ S(<fee>)",
                "Pay {fee} by {due:short}. ~ Pay <fee> by <due as short>.",
                "See clause {ref:deposit}. ~ See clause <to deposit>.",
                "{ref:a:b} ~ {ref:a:b}",
                "{Fee} {} {1a} {fee ~ {Fee} {} {1a} {fee",
                "\\{fee} ~ {fee}",
                "due[late: , with {surcharge}] ~ due<late? , with <surcharge>>",
                "is [open: open | shut]. ~ is <open? open : shut>.",
                "[a:b] ~ <a? b>",
                "[a: ] ~ <a? >",
                "[a: x [b: y | z] w | v] ~ <a? x <b? y : z> w : v>",
                "[a: **x**] ~ <a? S(x)>",
                "**x [a: y** z] ~ **x <a? y** z>",
                "**x [a: y] z** ~ S(x )<a? S(y)>S( z)",
                "[see page 3] [A: b] [a b: c] ~ [see page 3] [A: b] [a b: c]",
                "[a: open ~ [a: open",
                "\\[a: b] ~ [a: b]",
                "[a: b \\| c \\] d] ~ <a? b | c ] d>",
                "C:\\temp \\x ~ C:\\temp \\x",
            })
    void isReadAs(String text, String as) {
        assertThat(read(text)).isEqualTo(as);
    }

    @Test
    void aBlankLineBeginsAParagraphAndADashAPoint() {
        assertThat(read("One\nstill one\n\n\nTwo\n- first\n- second\n  goes on\n\nThree\n"))
                .isEqualTo("One\nstill one ¶ Two ¶ • first ¶ • second\n  goes on ¶ Three");
        assertThat(read("a -b\n-c\n\\- d")).isEqualTo("a -b\n-c\n- d");
        assertThat(read("\r\n A\r\n\r\nB ")).isEqualTo("A ¶ B");
        assertThat(Prose.of(" \n\t\n").blocks()).isEmpty();
    }

    /** Tables: GitHub Flavored Markdown 0.29, 4.10, examples 198 to 205 where lines begin with a bar; from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            quoteCharacter = '"',
            value = {
                "| foo | bar |⏎| --- | --- |⏎| baz | bim | ~ T(foo|bar // baz|bim)",
                "| abc | defghi |⏎|:-: | -----------:|⏎|bar | baz ~ T(abc|defghi# // bar|baz)",
                "| f\\|oo  |⏎| ------ |⏎| b **\\|** im | ~ T(f|oo // b S(|) im)",
                "| abc | def |⏎| --- | --- |⏎| bar | baz |⏎⏎bar ~ T(abc|def // bar|baz) ¶ bar",
                "| abc | def |⏎| --- | --- |⏎| bar |⏎| bar | baz | boo | ~ T(abc|def| // bar / bar|baz|boo)",
                // Ours: no heads, and a table ends where a line does not begin with a bar.
                "| a | b |⏎| c | d | ~ T(| // a|b / c|d)",
                "| a | b |⏎|---|---| ~ T(| // a|b)",
                "|---|⏎| a | ~ T( // --- / a)",
                "| a |⏎| b |⏎|---| ~ T( // a / b / ---)",
                "| a |⏎|---|⏎|---| ~ T(a // ---)",
                "| a |⏎b ~ T( // a) ¶ b",
                "| a |⏎- b ~ T( // a) ¶ • b",
                "a⏎| b | ~ a⏎| b |",
                "- a⏎| b | ~ • a⏎| b |",
                "\\| a | ~ | a |",
                "  |a|b  ~ T(| // a|b)",
                "| ~ T( // )",
                "|| a ~ T(| // |a)",
                "| *a | b* | ~ T(| // *a|b*)",
                "| [x: a | b] | {fee} | ~ T(| // <x? a : b>|<fee>)",
                "| [x: a | {ref:c} ~ T(| // [x: a|<to c>)",
                "| a\\⏎  b | c | ~ T(| // a⏎b|c)",
                "| a\\\\⏎| b | ~ T( // a\\ / b)",
                "| C:\\d | ~ T( // C:\\d)",
            })
    void linesOfBarsAreATable(String text, String as) {
        assertThat(read(text.replace('⏎', '\n'))).isEqualTo(as.replace('⏎', '\n'));
    }

    @Test
    void aTableHasSoManyColumnsAndTheLastKeepsTheRest() {
        String cells = "| x ".repeat(Prose.MOST_COLUMNS);
        assertThat(read(cells + "|")).endsWith(" // " + "x|".repeat(Prose.MOST_COLUMNS - 1) + "x)");
        assertThat(read(cells + "| y | z |")).endsWith("|x | y | z |)");
    }

    @ParameterizedTest
    @ValueSource(strings = {"-", "---", ":-", "-:", ":--:", " --- "})
    void dashesInACellMakeNoHeadsOfTheRowAboveIt(String dashes) {
        String text = Prose.table(false, List.of(false), List.of(List.of("a"), List.of(dashes), List.of("b")));
        assertThat(read(text)).isEqualTo("T( // a / " + dashes.strip() + " / b)");
    }

    @Test
    void whatIsWrittenAsATableIsReadAsOne() {
        String marks = "*[]{}|\\-:ab1_ \n.é";
        Cases.check("random tables", 5_000, (random, size) -> {
            int width = 1 + random.nextInt(4);
            List<List<String>> rows = new ArrayList<>();
            for (int row = 0; row < 2 + random.nextInt(3); row++) {
                List<String> cells = new ArrayList<>();
                for (int column = 0; column < width; column++) {
                    StringBuilder cell = new StringBuilder();
                    for (int i = random.nextInt(size + 3); i > 0; i--) {
                        cell.append(marks.charAt(random.nextInt(marks.length())));
                    }
                    cells.add(cell.toString().strip());
                }
                rows.add(cells);
            }
            boolean hasHeads = random.nextBoolean();
            List<Boolean> figures = IntStream.range(0, width)
                    .mapToObj(column -> hasHeads && random.nextBoolean())
                    .toList();
            String text = Prose.table(
                    hasHeads,
                    figures,
                    rows.stream()
                            .map(row -> row.stream().map(Prose::literal).toList())
                            .toList());
            assertThat(Prose.of(text).blocks()).as(text).hasSize(1);
            Prose.Table table = (Prose.Table) Prose.of(text).blocks().getFirst();
            List<List<Prose.Cell>> read = new ArrayList<>(table.rows());
            if (hasHeads) {
                read.addFirst(table.columns().stream().map(Prose.Column::head).toList());
            }
            assertThat(read.stream()
                            .map(row -> row.stream()
                                    .map(cell -> Prose.plain(cell.pieces()))
                                    .toList())
                            .toList())
                    .as(text)
                    .isEqualTo(rows.stream()
                            .map(row -> row.stream()
                                    .map(cell -> cell.replaceAll("\\n +", "\n"))
                                    .toList())
                            .toList());
            assertThat(table.columns().stream().map(Prose.Column::isOfFigures)).isEqualTo(figures);
        });
    }

    @Test
    void emphasisAndBracketsEndWithTheirParagraph() {
        assertThat(read("*a\n\nb* [c: d\n\ne]")).isEqualTo("*a ¶ b* [c: d ¶ e]");
    }

    @Test
    void oneSpaceBesideAMarkIsForTheEye() {
        assertThat(read("x[a:  and y | or z]")).isEqualTo("x<a?  and y : or z>");
        assertThat(read("[a: y  |  z]")).isEqualTo("<a? y  :  z>");
        assertThat(read("[a: y |z]")).isEqualTo("<a? y : z>");
        assertThat(read("[a: y| z]")).isEqualTo("<a? y : z>");
        assertThat(read("[a:y|]")).isEqualTo("<a? y>");
    }

    @Test
    void phrasesStandInPhrasesSoDeepAndNoDeeper() {
        for (String phrase : List.of("[a: x %s]", "[a: x | y %s]")) {
            String text = "z";
            for (int depth = 0; depth < ProseParser.DEEPEST; depth++) {
                text = phrase.formatted(text);
            }
            assertThat(Prose.of(text).bracketed()).as(phrase).hasSize(ProseParser.DEEPEST);
            assertThat(Prose.of(phrase.formatted(text)).bracketed()).as(phrase).hasSize(ProseParser.DEEPEST);
        }
    }

    @Test
    void whatStandsInPhrasesIsFoundToo() {
        Prose prose = Prose.of("[a: {b} {ref:r} | [c: {d} | {ref:s}]]");
        assertThat(prose.merged()).extracting(Piece.Merged::key).containsExactly("b", "d");
        assertThat(prose.references()).extracting(Piece.Reference::key).containsExactly("r", "s");
        assertThat(prose.bracketed()).extracting(Piece.Bracketed::name).containsExactly("a", "c");
        assertThat(Prose.renamed("{a}{b}[c: {d}]", name -> name.equals("d") ? "e" : null))
                .isEmpty();
        assertThat(Prose.renamed("{a}{b}", name -> name.equals("a") ? null : "c"))
                .isEqualTo("{c}");
    }

    @Test
    void theWordsOfATableHaveOneForEachColumn() {
        Prose.Table headed = (Prose.Table)
                Prose.of("| *a* | b |\n|---|---|\n| {c} |\n| d | e |").blocks().getFirst();
        assertThat(headed.hasHeads()).isTrue();
        assertThat(headed.words()).containsExactly(List.of("a", "b"), List.of("{c}", ""), List.of("d", "e"));
        Prose.Table plain = (Prose.Table) Prose.of("| a | b |").blocks().getFirst();
        assertThat(plain.hasHeads()).isFalse();
        assertThat(plain.words()).containsExactly(List.of("", ""), List.of("a", "b"));
        Prose.Table half =
                (Prose.Table) Prose.of("| | b |\n|---|---|\n| c | d |").blocks().getFirst();
        assertThat(half.hasHeads()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "a *b* {c} [d: e | f]",
                "- point",
                "x\n  - point\n-no",
                "\\*",
                "C:\\d",
                "{a:b} {ref:c}",
                "***",
                "|"
            })
    void whatIsLiteralIsReadAsItStands(String text) {
        assertThat(read(Prose.literal(text))).isEqualTo(text);
    }

    @Test
    void everyTextIsReadAndLiteralMeansItself() {
        String marks = "*[]{}|\\-:ab1_ \n.é";
        Cases.check("random texts", 20_000, (random, size) -> {
            StringBuilder text = new StringBuilder(random.nextBoolean() ? "a" : "|");
            for (int i = random.nextInt(3 * size + 5); i > 0; i--) {
                text.append(marks.charAt(random.nextInt(marks.length())));
            }
            Prose prose = Prose.of(text.toString());
            assertThat(Prose.renamed(text.toString(), name -> name)).isEqualTo(text.toString());
            prose.merged()
                    .forEach(it -> assertThat(text.substring(
                                    it.extent().from(), it.extent().to()))
                            .startsWith("{" + it.key())
                            .endsWith("}"));
            String literal = Prose.literal(text.toString());
            Prose same = Prose.of(literal);
            assertThat(same.merged()).isEmpty();
            assertThat(same.bracketed()).isEmpty();
            String joined = text.toString().strip().replaceAll("\\s*\\n\\s*\\n\\s*", "\n\n");
            assertThat(same.blocks()).allMatch(Prose.Paragraph.class::isInstance);
            assertThat(same.runs().stream().map(Prose::plain).collect(Collectors.joining("\n\n")))
                    .isEqualTo(joined);
        });
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "*",
                "**a ",
                "[a:",
                "[a: |",
                "*a [b: ",
                "{",
                "{a",
                "\\",
                "- ",
                "*a* ",
                "[a: b]",
                "***a** ",
                "|",
                "|\n",
                "| a |\n|-",
                "|\\\n",
                "|[a:",
                "|*"
            })
    void readingTakesTimeByTheLengthAlone(String piece) {
        String text = piece.repeat(200_000 / piece.length());
        assertTimeoutPreemptively(
                Duration.ofSeconds(10),
                () -> assertThat(Prose.of(text).blocks()).isNotNull());
    }

    @Test
    void namesAreChangedWhereTheyAreNamesOnly() {
        String text = "fee {fee} {fee:figure} \\{fee} {ref:fee} [fee: {other} *fee*] [fees: x]";
        assertThat(Prose.renamed(text, name -> name.equals("fee") ? "price" : name))
                .isEqualTo("fee {price} {price:figure} \\{fee} {ref:price} [price: {other} *fee*] [fees: x]");
        assertThat(Prose.renamed(text, name -> name.equals("fee") ? null : name))
                .isEqualTo("fee   \\{fee}   [fees: x]");
    }

    @Test
    void namesInTablesAreNamesToo() {
        String text = "| {fee} | b |\n|---|---|\n| [fee: x] | {ref:fee} |";
        assertThat(Prose.renamed(text, name -> "price"))
                .isEqualTo("| {price} | b |\n|---|---|\n| [price: x] | {ref:price} |");
        assertThat(Prose.of(text).merged()).hasSize(1);
        assertThat(Prose.of(text).references()).hasSize(1);
        assertThat(Prose.of(text).plain()).isEqualTo("{fee} b x {fee}");
    }

    @Test
    void plainWordsAreForNames() {
        assertThat(Prose.of("**The fee** is {fee}[late: , more | , less].\n\n- See {ref:pay}")
                        .plain())
                .isEqualTo("The fee is {fee}, more. See {pay}");
        assertThat(Prose.of("a\n\n- \n\nb").plain()).isEqualTo("a b");
    }
}
