package loesscape.core.translation;

import java.text.Normalizer;
import java.util.List;
import loesscape.core.expression.Tree;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.TextClause.TextTest;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/** Formulas about texts, as leaves. */
final class TextLeaves {

    private final SymbolTable symbols;

    TextLeaves(SymbolTable symbols) {
        this.symbols = symbols;
    }

    boolean isText(String name) {
        Field field = symbols.field(name);
        return field != null && field.kind().isText();
    }

    @Nullable
    Condition texts(TextTest test, List<Tree> arguments) {
        return arguments.size() == 2 ? text(test, arguments.get(0), arguments.get(1)) : null;
    }

    @Nullable
    Condition text(TextTest test, Tree left, Tree right) {
        Tree.Call folded = Trees.callOf(left, "upper case", 1);
        Tree.Call sought = Trees.callOf(right, "upper case", 1);
        boolean matchCase = folded == null && sought == null;
        Tree subject = folded == null ? left : folded.arguments().getFirst();
        Tree other = sought == null ? right : sought.arguments().getFirst();
        boolean both = matchCase || (folded != null && sought != null);
        return both
                        && subject instanceof Tree.Name(var name)
                        && isText(name)
                        && AsFormula.fixed(other) instanceof String text
                        && isPlain(text)
                ? new Clause.TextClause(name, test, text, matchCase, null)
                : null;
    }

    /** Whether a text is as answers are: composed, trimmed and not blank. Any other is found by no answer. */
    private static boolean isPlain(String text) {
        return !text.isBlank()
                && Normalizer.normalize(text, Normalizer.Form.NFC).strip().equals(text);
    }

    @Nullable
    Condition matches(List<Tree> arguments) {
        boolean ignoresCase = arguments.size() == 3 && "i".equals(AsFormula.fixed(arguments.get(2)));
        return (arguments.size() == 2 || ignoresCase)
                        && arguments.get(0) instanceof Tree.Name(var name)
                        && isText(name)
                        && AsFormula.fixed(arguments.get(1)) instanceof String pattern
                        && !pattern.isBlank()
                ? new Clause.TextClause(name, TextTest.MATCHES, pattern, !ignoresCase, null)
                : null;
    }
}
