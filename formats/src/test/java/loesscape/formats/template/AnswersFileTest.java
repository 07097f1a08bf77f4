package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import loesscape.formats.json.JsonProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Answers files: what is read, and what is refused, with words of our own. */
class AnswersFileTest {

    private static Map<String, String> read(String text) {
        return AnswersFile.read(text).typed();
    }

    @Test
    void answersAreReadAsTheyWouldBeTyped() {
        assertThat(read("""
                {"text": " as typed ", "number": 12.50, "yes": true, "no": false, "blank": null, "several": ["a", "b"],
                 "own": {"other": "words"}, "both": ["a", {"other": "words"}],
                 "rows": [{"depth": 3}, {"depth": 5, "why": "deep"}], "none": []}"""))
                .containsExactlyInAnyOrderEntriesOf(Map.ofEntries(
                        Map.entry("text", " as typed "),
                        Map.entry("number", "12.5"),
                        Map.entry("yes", "yes"),
                        Map.entry("no", "no"),
                        Map.entry("blank", ""),
                        Map.entry("several", "a,b"),
                        Map.entry("own", "=words"),
                        Map.entry("both", "a,=words"),
                        Map.entry("rows", "r1,r2"),
                        Map.entry("depth@r1", "3"),
                        Map.entry("depth@r2", "5"),
                        Map.entry("why@r2", "deep"),
                        Map.entry("none", "")));
    }

    /** One answer that its field will not take is no reason not to read the others. */
    @Test
    void aNumberThatNoFieldTakesStandsThereAsItIsWritten() {
        assertThat(read("{\"a\": 12345678901234567890123456789012345, \"b\": 1}"))
                .containsEntry("a", "12345678901234567890123456789012345")
                .containsEntry("b", "1");
        assertThat(read("{\"a\": 1e999999}").get("a")).hasSizeLessThan(20);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            {"a": {"other": [1]}}     | /a/other        | Own words are a text.
            {"a": {"other": null}}    | /a/other        | Own words are a text.
            {"a": [{"b": [{"c": 1}]}]} | /a/0/b         | There are no rows in rows.
            {"a": {"b": 1}}           | /a              | An answer is a text
            [1]                       | ''              | holds one JSON object
            {"a": 1, "a": 2}          | ''              | This is not JSON
            {"a": }                   | ''              | This is not JSON
            """)
    void whatCannotBeAnAnswerIsToldWithItsPlace(String text, String path, String message) {
        assertThatThrownBy(() -> read(text))
                .isInstanceOfSatisfying(
                        JsonProblem.class, problem -> assertThat(problem.path()).isEqualTo(path))
                .hasMessageContaining(message);
    }

    @Test
    void whatIsTooMuchIsToldInWordsOfOurOwn() {
        for (String text : new String[] {
            "{\"a\": " + "9".repeat(200) + "}", "[".repeat(2_000), "{\"" + "a".repeat(5_000) + "\": 1}"
        }) {
            assertThatThrownBy(() -> read(text))
                    .isInstanceOf(JsonProblem.class)
                    .hasMessageContaining("nested more than 200 deep")
                    .hasMessageNotContaining("Stream");
        }
    }
}
