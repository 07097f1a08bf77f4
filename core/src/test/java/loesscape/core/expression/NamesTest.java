package loesscape.core.expression;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a formula names of the document: everything but what it binds itself, in reading order. */
class NamesTest {

    private static List<String> in(String formula) {
        return List.copyOf(Names.in(formula));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12 |",
                "a | a",
                "b + a * b | b a",
                "-a | a",
                "a.b | a",
                "a < b | a b",
                "a between b and c | a b c",
                "a in (b, c) | a b c",
                "a in [b..c] | a b c",
                "a in (< b) | a b",
                "a and b | a b",
                "a or b | a b",
                "if a then b else c | a b c",
                "max(a, b) | a b",
                "[a, b] | a b",
                "a instance of number | a",
                "for x in a return x + b | a b",
                "for x in a..b return x | a b",
                "for x in a, y in x return y + x | a",
                "for x in a return partial | a",
                "some x in a satisfies x > b | a b",
                "every x in a satisfies x > x | a",
                "a[item > b] | a b",
                "{k: a, m: k + b} | a b",
                "sort(a, function(p, q) p < q + b) | a b",
            })
    void inReadingOrder(String formula, String names) {
        assertThat(String.join(" ", in(formula))).isEqualTo(names == null ? "" : names);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "(for x in a return x) + x | a x",
                "(some x in a satisfies x > 1) and x > 2 | a x",
                "[a[item > 1], item] | a item",
                "[{k: a}, k] | a k",
                "[for x in a return x, partial] | a partial",
                "sort(a, function(x, y) x < y) + y | a y",
            })
    void whatIsBoundInAPartIsNotBoundBehindIt(String formula, String names) {
        assertThat(String.join(" ", in(formula))).isEqualTo(names);
    }

    @Test
    void aNameThatIsMadeOfAKeyNamesTheKeyToo() {
        assertThat(in("previous(depth) + 1")).containsExactly(Names.previous("depth"), "depth");
        assertThat(in("running total(depth)")).containsExactly(Names.runningTotal("depth"), "depth");
        assertThat(in("row number()")).containsExactly(Names.ROW_NUMBER);
        assertThat(in("today()")).containsExactly(Names.TODAY);
        assertThat(in("list(\"pumps\")")).containsExactly(Names.list("pumps"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a +", "(a", "a b c (", "1..", "if a then b"})
    void whatIsNotUnderstoodNamesNothing(String formula) {
        assertThat(in(formula)).isEmpty();
    }

    @Test
    void keysAreFoundInNames() {
        assertThat(Names.key("depth")).isEqualTo("depth");
        assertThat(Names.key(Names.previous("depth"))).isEqualTo("depth");
        assertThat(Names.key(Names.list("pumps"))).isEqualTo("pumps");
        assertThat(Names.key(Names.TODAY)).isEmpty();
        assertThat(Names.isList(Names.list("pumps"))).isTrue();
        assertThat(Names.isList(Names.previous("pumps"))).isFalse();
        assertThat(Names.isList("list")).isFalse();
    }

    @Test
    void wordsOfTheLanguageAreReserved() {
        assertThat(List.of("if", "then", "for", "in", "between", "and", "item")).allMatch(Names::isReserved);
        assertThat(List.of("depth", "items", "iff", "sum")).noneMatch(Names::isReserved);
    }
}
