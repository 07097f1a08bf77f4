package loesscape.core.expression;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import loesscape.core.expression.Token.Kind;
import loesscape.core.expression.Tree.Binding;
import loesscape.core.expression.Tree.Operation;
import loesscape.core.expression.Tree.Test;
import org.jspecify.annotations.Nullable;

/**
 * Makes a tree of the tokens of a formula (DMN 1.4, 10.3.1.2). Names are single words, as the keys of fields are; the
 * built-in functions and their parameters, some of which have several, are known by their words.
 */
final class Parser {

    /** The most characters a formula may have. */
    static final int LONGEST = 20_000;

    private static final int DEEPEST = 120;

    /** How many operations may hang on each other, so that whatever goes through a formula fits on any stack. */
    private static final int LONGEST_CHAIN = 200;

    private static final int MOST_WORDS = 5;

    private static final Set<String> WITH_KEY = Set.of("previous", "running total", "list");

    private static final Set<String> TAKE_FUNCTIONS = Set.of("sort", "list replace");

    private final List<Token> tokens;
    private final Predicate<String> isFunction;
    private final IdentityHashMap<Tree, int[]> places = new IdentityHashMap<>();
    private final IdentityHashMap<Tree, int[]> keys = new IdentityHashMap<>();
    private final IdentityHashMap<Tree, Integer> depths = new IdentityHashMap<>();
    private int next;
    private int depth;
    private int highEnds;

    private Parser(List<Token> tokens, Predicate<String> isFunction) {
        this.tokens = tokens;
        this.isFunction = isFunction;
    }

    /**
     * A tree, and where each of its parts stands in the text.
     *
     * @param keys where the keys stand of names that have one in brackets
     */
    record Parsed(Tree tree, IdentityHashMap<Tree, int[]> places, IdentityHashMap<Tree, int[]> keys) {}

    /**
     * Parses a formula.
     *
     * @throws FormulaProblem with the place, and what was expected there
     */
    static Parsed parse(String text, Predicate<String> isFunction) {
        if (text.length() > LONGEST) {
            throw new FormulaProblem(
                    0,
                    text.length(),
                    "The formula has %d characters; at most %d are read.".formatted(text.length(), LONGEST));
        }
        Parser parser = new Parser(Lexer.cut(text), isFunction);
        Tree tree = parser.expression();
        Token end = parser.peek();
        if (end.kind() != Kind.END) {
            throw parser.expected("an operator or the end of the formula");
        }
        return new Parsed(tree, parser.places, parser.keys);
    }

    private Token peek() {
        return tokens.get(next);
    }

    private Token peek(int ahead) {
        return tokens.get(Math.min(next + ahead, tokens.size() - 1));
    }

    private Token take() {
        return tokens.get(next++);
    }

    private boolean takeIf(String sign) {
        if (peek().is(sign)) {
            next++;
            return true;
        }
        return false;
    }

    private void require(String sign, String why) {
        if (!takeIf(sign)) {
            throw expected("“" + sign + "” " + why);
        }
    }

    private FormulaProblem expected(String what) {
        Token found = peek();
        return new FormulaProblem(found.at(), found.end(), "Expected %s, found %s.".formatted(what, found.words()));
    }

    private <T extends Tree> T placed(int from, T tree) {
        int depth = 1;
        for (Tree child : tree.children()) {
            depth = Math.max(depth, depths.getOrDefault(child, 0) + 1);
        }
        if (depth > LONGEST_CHAIN) {
            throw new FormulaProblem(
                    tokens.get(from).at(),
                    tokens.get(Math.max(from, next - 1)).end(),
                    "The formula hangs together over more than %d steps; use sum([…]), or give parts of it fields of their own."
                            .formatted(LONGEST_CHAIN));
        }
        depths.put(tree, depth);
        places.put(tree, new int[] {
            tokens.get(from).at(), tokens.get(Math.max(from, next - 1)).end()
        });
        return tree;
    }

    private Tree expression() {
        if (++depth > DEEPEST) {
            throw new FormulaProblem(
                    peek().at(), peek().end(), "The formula is nested more than %d deep.".formatted(DEEPEST));
        }
        Tree tree = disjunction();
        depth--;
        return tree;
    }

    private Tree conditional() {
        int from = next++;
        Tree condition = expression();
        require("then", "after the condition of “if”");
        Tree one = expression();
        require("else", "after what “then” gives");
        return placed(from, new Tree.If(condition, one, expression()));
    }

    private Tree loop() {
        int from = next++;
        List<Binding> bindings = bindings();
        require("return", "after what “for” goes through");
        return placed(from, new Tree.For(bindings, expression()));
    }

    private Tree quantified() {
        int from = next;
        boolean every = take().text().equals("every");
        List<Binding> bindings = bindings();
        require("satisfies", "after what is gone through");
        return placed(from, new Tree.Quantified(every, bindings, expression()));
    }

    private List<Binding> bindings() {
        List<Binding> bindings = new ArrayList<>();
        do {
            if (peek().kind() != Kind.NAME) {
                throw expected("a name for each element");
            }
            String name = take().text();
            require("in", "after the name");
            Tree in = expression();
            bindings.add(new Binding(name, in, takeIf("..") ? expression() : null));
        } while (takeIf(","));
        return bindings;
    }

    private Tree disjunction() {
        int from = next;
        Tree left = conjunction();
        while (takeIf("or")) {
            left = placed(from, new Tree.Or(left, conjunction()));
        }
        return left;
    }

    private Tree conjunction() {
        int from = next;
        Tree left = comparison();
        while (takeIf("and")) {
            left = placed(from, new Tree.And(left, comparison()));
        }
        return left;
    }

    private Tree comparison() {
        int from = next;
        Tree left = sum();
        Test test = Test.of(peek());
        if (test != null) {
            next++;
            Tree compared = placed(from, new Tree.Comparison(test, left, sum()));
            if (Test.of(peek()) != null) {
                throw new FormulaProblem(
                        peek().at(),
                        peek().end(),
                        "Compare one after the other, as in 1 < depth and depth < 5; or write depth between 1 and 5, or depth in (1..5).");
            }
            return compared;
        }
        if (takeIf("between")) {
            Tree low = sum();
            require("and", "between the two ends of “between”");
            return placed(from, new Tree.Between(left, low, sum()));
        }
        if (takeIf("in")) {
            return placed(from, new Tree.In(left, tests()));
        }
        return left;
    }

    private List<Tree> tests() {
        if (!peek().is("(") || isRangeAhead()) {
            return List.of(test());
        }
        next++;
        List<Tree> tests = new ArrayList<>();
        do {
            tests.add(test());
        } while (takeIf(","));
        require(")", "after the tests");
        return tests;
    }

    private Tree test() {
        int from = next;
        Test test = Test.of(peek());
        if (test != null) {
            next++;
            return placed(from, new Tree.UnaryTest(test, sum()));
        }
        return sum();
    }

    /** Whether the bracket here opens a range, such as {@code (1..5]}. */
    private boolean isRangeAhead() {
        int open = peek().is("]") ? 1 : 0;
        // What “for” goes through can be written with “..” too.
        int loops = 0;
        for (int i = next + open; i < tokens.size(); i++) {
            Token token = tokens.get(i);
            if (token.is("(") || token.is("[") || token.is("{")) {
                open++;
            } else if (token.is(")") || token.is("]") || token.is("}")) {
                if (--open == 0) {
                    return false;
                }
            } else if (open == 1 && token.is("..") && loops == 0) {
                return true;
            } else if (open == 1 && token.is(",") && loops == 0) {
                return false;
            } else if (token.is("for") || token.is("some") || token.is("every")) {
                loops++;
            } else if (token.is("return") || token.is("satisfies")) {
                loops--;
            }
        }
        return false;
    }

    private Tree sum() {
        int from = next;
        Tree left = product();
        while (peek().is("+") || peek().is("-")) {
            Operation operation = take().text().equals("+") ? Operation.ADD : Operation.SUBTRACT;
            left = placed(from, new Tree.Arithmetic(operation, left, product()));
        }
        return left;
    }

    private Tree product() {
        int from = next;
        Tree left = power();
        while (peek().is("*") || peek().is("/")) {
            Operation operation = take().text().equals("*") ? Operation.MULTIPLY : Operation.DIVIDE;
            left = placed(from, new Tree.Arithmetic(operation, left, power()));
        }
        return left;
    }

    private Tree power() {
        int from = next;
        Tree left = negation();
        while (takeIf("**")) {
            left = placed(from, new Tree.Arithmetic(Operation.RAISE, left, negation()));
        }
        return left;
    }

    private Tree negation() {
        int from = next;
        int count = 0;
        while (peek().is("-") || (peek().is("+") && peek(1).kind() == Kind.NUMBER)) {
            count += take().text().equals("-") ? 1 : 0;
        }
        Tree operand = instance();
        for (int i = 0; i < Math.min(count, DEEPEST); i++) {
            operand = placed(from, new Tree.Minus(operand));
        }
        if (count > DEEPEST) {
            throw new FormulaProblem(tokens.get(from).at(), peek().at(), "Too many minus signs.");
        }
        return operand;
    }

    private Tree instance() {
        int from = next;
        Tree value = postfix();
        if (!takeIf("instance")) {
            return value;
        }
        require("of", "after “instance”");
        return placed(from, new Tree.InstanceOf(value, typeName()));
    }

    /** The name of a type, with those of its parts where they are said: {@code list<number>}. */
    private TypeName typeName() {
        String name = words(TypeName::isKnown, "a type, such as number, string, boolean, date, list");
        if (!TypeName.hasParts(name) || !takeIf("<")) {
            return new TypeName(name);
        }
        if (++depth > DEEPEST) {
            throw new FormulaProblem(
                    peek().at(), peek().end(), "The formula is nested more than %d deep.".formatted(DEEPEST));
        }
        Map<String, TypeName> parts = new LinkedHashMap<>();
        do {
            String part = "";
            if (name.equals("context")) {
                if (peek().kind() != Kind.NAME) {
                    throw expected("the name of an entry");
                }
                part = take().text();
                require(":", "after the name of an entry");
            }
            parts.put(part, typeName());
        } while (name.equals("context") && takeIf(","));
        require(">", "after the type of what is in it");
        depth--;
        return new TypeName(name, parts);
    }

    private Tree postfix() {
        int from = next;
        Tree tree = primary();
        int links = 0;
        while (true) {
            if (++links > DEEPEST) {
                throw new FormulaProblem(peek().at(), peek().end(), "Too many filters and paths in a row.");
            }
            if (peek().is("[") && !(highEnds > 0 && !beginsExpression(peek(1)))) {
                next++;
                Tree condition = expression();
                require("]", "after the filter");
                tree = placed(from, new Tree.Filter(tree, condition));
            } else if (peek().is(".")) {
                next++;
                if (peek().kind() != Kind.NAME) {
                    throw expected("a name after the point");
                }
                String name = PathProperties.isLong(peek().text(), peek(1).text())
                        ? take().text() + " " + take().text()
                        : take().text();
                tree = placed(from, new Tree.Path(tree, name));
            } else {
                return tree;
            }
        }
    }

    private Tree primary() {
        int from = next;
        Token token = peek();
        switch (token.kind()) {
            case NUMBER -> {
                next++;
                return placed(from, new Tree.Literal(number(token)));
            }
            case STRING -> {
                next++;
                return placed(from, new Tree.Literal(token.text()));
            }
            case NAME -> {
                return nameOrCall();
            }
            default -> {}
        }
        return switch (token.text()) {
            case "true", "false" -> {
                next++;
                yield placed(from, new Tree.Literal(token.text().equals("true")));
            }
            case "null" -> {
                next++;
                yield placed(from, new Tree.Literal(null));
            }
            case "not" -> {
                next++;
                yield call(from, "not");
            }
            case "if" -> conditional();
            case "for" -> loop();
            case "some", "every" -> quantified();
            case "function" ->
                throw new FormulaProblem(
                        token.at(),
                        token.end(),
                        "Formulas here define no functions of their own, but as what sort and list replace go by.");
            case "@" -> at();
            case "(" -> isRangeAhead() ? range() : grouped();
            case "]" -> range();
            case "[" -> isRangeAhead() ? range() : list();
            case "{" -> context();
            case "<", "<=", ">", ">=", "=", "!=" ->
                throw new FormulaProblem(
                        token.at(), token.end(), "Say again what is compared, as in depth >= 3 and depth <= 5.");
            default -> throw expected("a value, a field or a function");
        };
    }

    /** Whether what stands here can be the first of an expression; if not, a “[” before it closes a range. */
    private static boolean beginsExpression(Token token) {
        return switch (token.kind()) {
            case NUMBER, STRING, NAME -> true;
            case KEYWORD ->
                switch (token.text()) {
                    case "if", "for", "some", "every", "not", "true", "false", "null", "function" -> true;
                    default -> false;
                };
            case SIGN ->
                switch (token.text()) {
                    case "(", "[", "{", "@", "-", "+" -> true;
                    default -> false;
                };
            case END -> false;
        };
    }

    private Tree grouped() {
        next++;
        Tree tree = expression();
        require(")", "after what is in brackets");
        return tree;
    }

    private Tree at() {
        int from = next++;
        if (peek().kind() != Kind.STRING) {
            throw expected("a date, time or duration in quotes after “@”");
        }
        Token said = take();
        Object value = Temporals.of(said.text());
        if (value == null) {
            throw new FormulaProblem(
                    said.at(), said.end(), "Expected a date, time or duration, like \"2026-11-24\" or \"P3D\".");
        }
        return placed(from, new Tree.Literal(value));
    }

    private Tree range() {
        int from = next;
        boolean lowIncluded = take().text().equals("[");
        Tree low = expression();
        require("..", "between the ends of the range");
        highEnds++;
        Tree high = expression();
        highEnds--;
        if (!peek().is("]") && !peek().is(")") && !peek().is("[")) {
            throw expected("“]” or “)” at the end of the range");
        }
        boolean highIncluded = take().text().equals("]");
        return placed(from, new Tree.RangeOf(low, lowIncluded, high, highIncluded));
    }

    private Tree list() {
        int from = next++;
        List<Tree> elements = new ArrayList<>();
        if (isRangeAhead() || !takeIf("]")) {
            do {
                elements.add(expression());
            } while (takeIf(","));
            require("]", "or “,” after an element");
        }
        return placed(from, new Tree.ListOf(elements));
    }

    private Tree context() {
        int from = next++;
        List<Tree.Entry> entries = new ArrayList<>();
        if (!takeIf("}")) {
            do {
                if (peek().kind() != Kind.NAME && peek().kind() != Kind.STRING) {
                    throw expected("the name of an entry");
                }
                String name = take().text();
                require(":", "after the name of an entry");
                entries.add(new Tree.Entry(name, expression()));
            } while (takeIf(","));
            require("}", "or “,” after an entry");
        }
        return placed(from, new Tree.Context(entries));
    }

    private Tree nameOrCall() {
        int from = next;
        for (int words = MOST_WORDS; words > 0; words--) {
            String name = joined(words);
            if (name != null && peek(words).is("(")) {
                Tree.Name known = nameWithBrackets(name, words);
                if (known != null) {
                    return placed(from, known);
                }
                if (isFunction.test(name)) {
                    next += words;
                    return call(from, name);
                }
                if (words == 1
                        || (areNames(words) && !isFunction.test(peek(words - 1).text()))) {
                    throw noFunction(words, name);
                }
            }
        }
        return placed(from, new Tree.Name(take().text()));
    }

    /** What looks like a call and is a name: the day, the number of the row, a value of other rows, a lookup list. */
    private Tree.@Nullable Name nameWithBrackets(String name, int words) {
        Token inside = peek(words + 1);
        boolean isEmpty = inside.is(")");
        if (isEmpty && (name.equals("today") || name.equals("row number"))) {
            next += words + 2;
            return new Tree.Name(name + "()");
        }
        boolean isOne = peek(words + 2).is(")");
        Kind wanted = name.equals("list") ? Kind.STRING : Kind.NAME;
        if (!WITH_KEY.contains(name)) {
            return null;
        }
        if (inside.kind() != wanted || !isOne) {
            throw new FormulaProblem(
                    inside.at(),
                    inside.end(),
                    name.equals("list")
                            ? "Expected the key of a lookup list in quotes, as in list(\"holidays\")."
                            : "Expected the key of a field of these rows, as in %s(amount).".formatted(name));
        }
        next += words + 3;
        Tree.Name tree = new Tree.Name(name + "(" + inside.text() + ")");
        int quote = wanted == Kind.STRING ? 1 : 0;
        keys.put(tree, new int[] {inside.at() + quote, inside.end() - quote});
        return tree;
    }

    private FormulaProblem noFunction(int words, String name) {
        OtherWords.Meant meant = OtherWords.forFunction(name);
        return new FormulaProblem(
                peek().at(),
                peek(words - 1).end(),
                "There is no function “%s”.%s".formatted(name, meant.says()),
                meant.instead());
    }

    /** Whether some words from here on are names, none of them a keyword; two in a row mean nothing else. */
    private boolean areNames(int words) {
        for (int i = 0; i < words; i++) {
            if (peek(i).kind() != Kind.NAME) {
                return false;
            }
        }
        return true;
    }

    /** Some words from here on joined by spaces; null where not all of them are words. */
    private @Nullable String joined(int words) {
        StringBuilder name = new StringBuilder();
        for (int i = 0; i < words; i++) {
            Token token = peek(i);
            if (token.kind() != Kind.NAME && !(i > 0 && token.kind() == Kind.KEYWORD)) {
                return null;
            }
            name.append(i == 0 ? "" : " ").append(token.text());
        }
        return name.toString();
    }

    private String words(Predicate<String> known, String what) {
        for (int words = MOST_WORDS; words > 0; words--) {
            String name = joined(words);
            if (name != null && known.test(name)) {
                next += words;
                return name;
            }
        }
        throw expected(what);
    }

    private Tree call(int from, String function) {
        require("(", "after the name of a function");
        List<Tree> arguments = new ArrayList<>();
        List<String> names = new ArrayList<>();
        if (!takeIf(")")) {
            do {
                String name = parameter();
                if (name != null) {
                    names.add(name);
                }
                arguments.add(peek().is("function") && TAKE_FUNCTIONS.contains(function) ? function() : expression());
                if (!names.isEmpty() && names.size() < arguments.size()) {
                    throw expected("a name and “:” before each argument, or before none");
                }
            } while (takeIf(","));
            require(")", "or “,” after an argument");
        }
        return placed(from, new Tree.Call(function, arguments, names));
    }

    /** {@code function(a, b) a.depth < b.depth}, as some functions take one. */
    private Tree function() {
        int from = next++;
        List<String> parameters = new ArrayList<>();
        require("(", "after “function”");
        do {
            if (peek().kind() != Kind.NAME) {
                throw expected("a name for what the function is given");
            }
            parameters.add(take().text());
        } while (takeIf(","));
        require(")", "or “,” after what the function is given");
        return placed(from, new Tree.FunctionOf(parameters, expression()));
    }

    private @Nullable String parameter() {
        for (int words = 1; words <= MOST_WORDS; words++) {
            String name = joined(words);
            if (name == null) {
                return null;
            }
            if (peek(words).is(":")) {
                next += words + 1;
                return name;
            }
        }
        return null;
    }

    private static BigDecimal number(Token token) {
        try {
            BigDecimal number = Decimals.inRange(new BigDecimal(token.text()));
            if (number != null) {
                return number;
            }
        } catch (NumberFormatException e) {
            // Said below, like a number that is out of range.
        }
        throw new FormulaProblem(token.at(), token.end(), "This number has more than 34 digits or is out of range.");
    }
}
