package loesscape.core.model;

import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;

/** Checks what stands in many places: conditions, messages, numbers of things. */
final class CommonCheck {

    /** The most checks, looks or conditions for finishing of one thing. */
    static final int MOST_RULES = 100;

    private final SymbolTable symbols;
    private final TextBounds texts;
    private final BiConsumer<String, String> report;

    CommonCheck(SymbolTable symbols, TextBounds texts, BiConsumer<String, String> report) {
        this.symbols = symbols;
        this.texts = texts;
        this.report = report;
    }

    void condition(String path, Condition condition, @Nullable String within) {
        new ConditionCheck(symbols, within, report).check(path, condition);
    }

    void message(String path, String message) {
        texts.line(path, message);
        if (message.isBlank()) {
            report.accept(path, "Say what is to be done; there is no message.");
        }
    }

    void atMost(String path, int count, int most, String what) {
        if (count > most) {
            report.accept(path, "There are %d %s; the most is %d.".formatted(count, what, most));
        }
    }
}
