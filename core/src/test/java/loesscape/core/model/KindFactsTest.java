package loesscape.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.testing.Documents;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class KindFactsTest {

    /** The records that a sealed type permits, however deep. */
    private static List<Class<?>> records(Class<?> type) {
        if (!type.isSealed()) {
            return List.of(type);
        }
        List<Class<?>> all = new ArrayList<>();
        Arrays.stream(type.getPermittedSubclasses()).forEach(it -> all.addAll(records(it)));
        return all;
    }

    @Test
    void everyKindHasALineOfItsOwn() {
        assertThat(Arrays.stream(KindFacts.values())
                        .<Class<?>>map(it -> it.starting().getClass()))
                .containsExactlyInAnyOrderElementsOf(records(FieldKind.class));
        assertThat(Arrays.stream(KindFacts.values()).map(KindFacts::key)).doesNotHaveDuplicates();
        for (KindFacts facts : KindFacts.values()) {
            assertThat(facts.starting().facts()).isSameAs(facts);
        }
    }

    /** Written down from docs/meaning.md, and not from the code. */
    @ParameterizedTest
    @CsvSource(textBlock = """
            # kind,         answers,   given, begins, worked out, bands, ordered, signed
            TEXT,            TEXT,      false, true,  true,  false, false, false
            LONG_TEXT,       TEXT,      false, true,  true,  false, false, false
            EMAIL,           TEXT,      false, true,  true,  false, false, false
            PHONE,           TEXT,      false, true,  true,  false, false, false
            WEB_ADDRESS,     TEXT,      false, true,  true,  false, false, false
            NUMBER,          NUMBER,    false, true,  true,  true,  true,  false
            MONEY,           NUMBER,    false, true,  true,  true,  true,  false
            RATING,          NUMBER,    false, true,  true,  true,  true,  false
            YES_NO,          YES_NO,    false, true,  true,  false, false, false
            ONE_CHOICE,      CHOICE,    false, true,  true,  false, false, false
            SEVERAL_CHOICES, CHOICES,   false, true,  false, false, false, false
            LOOKUP,          CHOICE,    false, true,  false, false, false, false
            DATE,            DAY,       false, true,  true,  true,  true,  false
            TIME,            TIME,      false, true,  true,  false, true,  false
            DATE_SIGNED,     DAY,       true,  false, false, true,  true,  false
            SIGNATURE,       SIGNATURE, false, false, false, false, false, true
            INITIALS,        SIGNATURE, false, false, false, false, false, true
            ATTACHMENT,      FILES,     false, false, false, false, false, false
            PICTURE,         FILES,     false, false, false, false, false, false
            PAYMENT,         PAYMENT,   true,  false, false, false, false, false
            """)
    void factsAreWhatTheMeaningSays(
            KindFacts facts,
            AnswerType answer,
            boolean given,
            boolean begins,
            boolean workedOut,
            boolean bands,
            boolean ordered,
            boolean signed) {
        FieldKind kind = facts.starting();
        assertThat(facts.answer()).isEqualTo(answer);
        assertThat(facts.isGiven()).as("given").isEqualTo(given);
        assertThat(facts.canBegin()).as("begins").isEqualTo(begins);
        assertThat(facts.canBeWorkedOut()).as("worked out").isEqualTo(workedOut);
        assertThat(kind.hasBands()).as("bands").isEqualTo(bands);
        assertThat(kind.isOrdered()).as("ordered").isEqualTo(ordered);
        assertThat(kind.isSigned()).as("signed").isEqualTo(signed);
    }

    /** What stands in a field of a kind, on a sheet of its own, after its example was typed. */
    @ParameterizedTest
    @EnumSource
    void theExampleIsAnAnswer(KindFacts facts) {
        Field field = Field.of("f", "F", facts.starting());
        if (facts.starting() instanceof FieldKind.Choosing || facts == KindFacts.LOOKUP) {
            return; // An answer to these is one of what they offer, and a new one offers nothing yet.
        }
        String example = facts == KindFacts.PAYMENT ? "10 reference" : facts.example();
        Template template = Documents.onePage(Section.of("s", "S", List.of(field)));
        NodeState state = CompiledTemplate.compile(template)
                .evaluate(Answers.NONE.with("f", example), Context.UNDATED)
                .of("f");
        assertThat(state).isInstanceOfSatisfying(NodeState.FieldState.class, it -> {
            assertThat(it.value().isBlank()).isFalse();
            assertThat(it.problem()).isNull();
        });
    }

    @ParameterizedTest
    @CsvSource({"NUMBER, 2", "MONEY, 2", "RATING, 0", "PAYMENT, 2", "TEXT, 0", "DATE, 0", "ONE_CHOICE, 0", "LOOKUP, 0"})
    void decimalsAreThoseOfTheKind(KindFacts facts, int decimals) {
        assertThat(facts.starting().mostDecimals()).isEqualTo(decimals);
        assertThat(new FieldKind.Money("JPY", null, null).mostDecimals()).isZero();
    }
}
