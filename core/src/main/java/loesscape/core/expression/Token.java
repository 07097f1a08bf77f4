package loesscape.core.expression;

/**
 * A word, sign, text or number of a formula.
 *
 * @param kind what it is
 * @param text as it stands; for a string what it says, without quotes and escapes
 * @param at where it begins
 * @param end where it ends
 */
record Token(Kind kind, String text, int at, int end) {

    enum Kind {
        NAME,
        KEYWORD,
        NUMBER,
        STRING,
        SIGN,
        END
    }

    boolean is(String sign) {
        return (kind == Kind.SIGN || kind == Kind.KEYWORD) && text.equals(sign);
    }

    /** How the token is spoken of in a message. */
    String words() {
        return switch (kind) {
            case END -> "the end of the formula";
            case STRING -> "the text “" + text + "”";
            default -> "“" + text + "”";
        };
    }
}
