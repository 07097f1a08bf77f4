package loesscape.server.accounts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import loesscape.core.model.Refused;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PasswordRulesTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Mira Tensen | short | has 10 to",
                "Mira Tensen | 1234567890 | So many people",
                "Mira Tensen | Password123! | So many people",
                "Mira Tensen | qwertyuiop | So many people",
                "Mira Tensen | 123iloveyou!!! | So many people",
                "Mira Tensen | miratensen | hardly more than the name",
                "Mira Tensen | Tensen-Mira-1 | hardly more than the name",
                "'' | long enough words | Give a name"
            })
    void whatIsGuessedAtOnceIsRefused(String name, String password, String message) {
        assertThatThrownBy(() -> PasswordRules.check(name, password))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(message);
    }

    @ParameterizedTest
    @ValueSource(strings = {"long enough words", "löss und lehm", "黄土黄土黄土黄土黄土", "Mira walks to the well"})
    void wordsPutTogetherAreTaken(String password) {
        assertThatCode(() -> PasswordRules.check("Mira Tensen", password)).doesNotThrowAnyException();
    }

    /** Default caseless matching (Unicode, 3.13, D145) after NFKC. */
    @ParameterizedTest
    @CsvSource({"MIRA,mira", "Straße,STRASSE", "Ⅳ. Amt,iv. amt", "ΣΊΣΥΦΟΣ,σίσυφος", "Ａda,ada"})
    void namesAreComparedInOneForm(String a, String b) {
        assertThat(AccountNames.folded(a)).isEqualTo(AccountNames.folded(b));
    }

    @Test
    void differentNamesStayDifferent() {
        assertThat(AccountNames.folded("Mira")).isNotEqualTo(AccountNames.folded("Mirá"));
    }
}
