package loesscape.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import loesscape.core.expression.Token.Kind;

/** Cuts a formula into tokens (DMN 1.4, 10.3.1.2, grammar rules 26 to 36 and 61 to 66). */
final class Lexer {

    static final Set<String> KEYWORDS = Set.of(
            "and",
            "between",
            "else",
            "every",
            "external",
            "false",
            "for",
            "function",
            "if",
            "in",
            "instance",
            "not",
            "null",
            "of",
            "or",
            "return",
            "satisfies",
            "some",
            "then",
            "true");

    private static final List<String> SIGNS = List.of(
            "**", "..", "<=", ">=", "!=", "<", ">", "=", "+", "-", "*", "/", "(", ")", "[", "]", "{", "}", ",", ":",
            ".", "@");

    private final String text;
    private final List<Token> tokens = new ArrayList<>();
    private int at;

    private Lexer(String text) {
        this.text = text;
    }

    static List<Token> cut(String text) {
        Lexer lexer = new Lexer(text);
        lexer.run();
        return lexer.tokens;
    }

    private void run() {
        skipSpace();
        while (at < text.length()) {
            char c = text.charAt(at);
            if (c == '"') {
                string();
            } else if (isDigit(at) || (c == '.' && isDigit(at + 1))) {
                number();
            } else if (isNameStart(text.codePointAt(at))) {
                name();
            } else {
                sign();
            }
            skipSpace();
        }
        tokens.add(new Token(Kind.END, "", text.length(), text.length()));
    }

    private boolean isDigit(int index) {
        return index < text.length() && text.charAt(index) >= '0' && text.charAt(index) <= '9';
    }

    private static boolean isNameStart(int c) {
        return Character.isLetter(c) || c == '_' || c == '?';
    }

    private void skipSpace() {
        while (at < text.length()) {
            if (Character.isWhitespace(text.charAt(at)) || Character.isSpaceChar(text.charAt(at))) {
                at++;
            } else if (text.startsWith("//", at)) {
                int line = text.indexOf('\n', at);
                at = line < 0 ? text.length() : line + 1;
            } else if (text.startsWith("/*", at)) {
                int close = text.indexOf("*/", at + 2);
                if (close < 0) {
                    throw new FormulaProblem(at, text.length(), "This comment is not closed; expected “*/”.");
                }
                at = close + 2;
            } else {
                return;
            }
        }
    }

    private void name() {
        int start = at;
        while (at < text.length()) {
            int c = text.codePointAt(at);
            if (!isNameStart(c) && !Character.isDigit(c) && Character.getType(c) != Character.NON_SPACING_MARK) {
                break;
            }
            at += Character.charCount(c);
        }
        String word = text.substring(start, at);
        String small = word.toLowerCase(Locale.ROOT);
        if (!word.equals(small) && KEYWORDS.contains(small) && !isTypeNull(word)) {
            throw new FormulaProblem(start, at, "Write “%s” in small letters.".formatted(small), small);
        }
        add(KEYWORDS.contains(word) ? Kind.KEYWORD : Kind.NAME, word, start);
    }

    /** The type of null has a capital: it stands behind “of”, or where the type of a part is said. */
    private boolean isTypeNull(String word) {
        Token before = tokens.isEmpty() ? null : tokens.getLast();
        return word.equals("Null") && before != null && (before.is("of") || before.is("<") || before.is(":"));
    }

    private void number() {
        int start = at;
        digits();
        if (at < text.length() && text.charAt(at) == '.' && isDigit(at + 1)) {
            at++;
            digits();
        }
        if (at < text.length() && (text.charAt(at) == 'e' || text.charAt(at) == 'E')) {
            int sign = at + 1 < text.length() && "+-".indexOf(text.charAt(at + 1)) >= 0 ? 1 : 0;
            if (isDigit(at + 1 + sign)) {
                at += 1 + sign;
                digits();
            }
        }
        add(Kind.NUMBER, text.substring(start, at), start);
    }

    private void digits() {
        while (isDigit(at)) {
            at++;
        }
    }

    private void string() {
        int start = at++;
        StringBuilder said = new StringBuilder();
        while (true) {
            if (at >= text.length()) {
                throw new FormulaProblem(start, text.length(), "This text is not closed; expected “\"” at its end.");
            }
            char c = text.charAt(at++);
            if (c == '"') {
                break;
            }
            if (c == '\\') {
                escape(said);
            } else {
                said.append(c);
            }
        }
        add(Kind.STRING, said.toString(), start);
    }

    private void escape(StringBuilder said) {
        int start = at - 1;
        char c = at < text.length() ? text.charAt(at++) : ' ';
        switch (c) {
            case 'n' -> said.append('\n');
            case 'r' -> said.append('\r');
            case 't' -> said.append('\t');
            case '"', '\'', '\\' -> said.append(c);
            case 'u' -> codePoint(said, start, 4);
            case 'U' -> codePoint(said, start, 6);
            // Patterns are full of these: "\\d{3}" is what its author means, with one backslash or with two.
            default -> said.append('\\').append(c);
        }
    }

    private void codePoint(StringBuilder said, int start, int digits) {
        int end = Math.min(text.length(), at + digits);
        try {
            said.appendCodePoint(Integer.parseUnsignedInt(text.substring(at, end), 16));
        } catch (IllegalArgumentException e) {
            throw new FormulaProblem(start, end, "Expected %d hexadecimal digits of a character.".formatted(digits));
        }
        at = end;
    }

    private void sign() {
        Optional<FormulaProblem> meant = OtherWords.forSign(text, at);
        if (meant.isPresent()) {
            throw meant.get();
        }
        for (String sign : SIGNS) {
            if (text.startsWith(sign, at)) {
                at += sign.length();
                add(Kind.SIGN, sign, at - sign.length());
                return;
            }
        }
        String found = text.substring(at, text.offsetByCodePoints(at, 1));
        throw new FormulaProblem(at, at + found.length(), "“%s” does not belong in a formula.".formatted(found));
    }

    private void add(Kind kind, String said, int start) {
        tokens.add(new Token(kind, said, start, at));
    }
}
