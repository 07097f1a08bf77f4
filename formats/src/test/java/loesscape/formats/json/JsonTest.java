package loesscape.formats.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** JSON text (RFC 8259) is read to the letter, or refused with a word on what is wrong with it. */
class JsonTest {

    @ParameterizedTest
    @ValueSource(strings = {"1.0", "1.00", "-0.5", "1E+3", "100000000000000000000000000000000000000000.5"})
    void numbersStayAsTheyWereWritten(String number) {
        assertThat(Json.compact(Json.parse("[" + number + "]"))).isEqualTo("[" + number + "]");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''                    | The file is empty",
                "{\"a\":1,\"a\":2}     | uplicate",
                "{\"a\":1} x           | line 1, column",
                "[1,]                  | line 1, column",
                "{'a':1}               | line 1, column",
                "[1e99999999999999999] | a number in it is too large or too small",
                "[1e-9999999999999999] | a number in it is too large or too small",
                "[NaN]                 | line 1, column"
            })
    void whatIsWrongIsSaid(String text, String message) {
        assertThatThrownBy(() -> Json.parse(text))
                .isInstanceOf(JsonProblem.class)
                .hasMessageContaining(message);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2})
    void whatIsTooMuchIsRefusedBeforeItIsRead(int which) {
        String text = switch (which) {
            case 0 -> "[".repeat(201) + "]".repeat(201);
            case 1 -> "[" + "1".repeat(101) + "]";
            default -> "{\"" + "n".repeat(1_001) + "\":1}";
        };
        assertThatThrownBy(() -> Json.parse(text))
                .isInstanceOf(JsonProblem.class)
                .hasMessageContaining("nested more than 200 deep");
    }

    @Test
    void aMarkOfTheOrderOfBytesIsNoPartOfTheText() {
        assertThat(Json.compact(Json.parse("\uFEFF{}"))).isEqualTo("{}");
    }
}
