package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a label most likely asks for; the pages ask the same of the same hints (kinds.test.ts, proposals.test.ts). */
class LikelyKindTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Date of birth             | DATE
            Geburtsdatum              | TEXT
            Datum                     | DATE
            Ημερομηνία                | DATE
            E-mail                    | EMAIL
            Telefon                   | PHONE
            ΤΗΛΈΦΩΝΟ                  | PHONE
            Signature of the applicant| SIGNATURE
            Unterschrift              | SIGNATURE
            Place, date               | TEXT
            Ort, Datum                | TEXT
            Length in m               | NUMBER
            Share of clay, %          | NUMBER
            Costs of the well         | MONEY
            Is the site fenced?       | YES_NO
            Which pump? Hand / Motor  | ONE_CHOICE
            Remarks                   | LONG_TEXT
            Name                      | TEXT
            """)
    void isToldByItsWords(String label, KindFacts kind) {
        assertThat(LikelyKind.of(label)).isEqualTo(kind);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Is the site fenced?       | TEXT
            Which pump? Hand / Motor  | TEXT
            Remarks                   | TEXT
            Datum                     | DATE
            Signature                 | SIGNATURE
            """)
    void whatIsWrittenOnALineIsNeitherMarkedNorChosen(String label, KindFacts kind) {
        assertThat(LikelyKind.onLine(label)).isEqualTo(kind);
    }
}
