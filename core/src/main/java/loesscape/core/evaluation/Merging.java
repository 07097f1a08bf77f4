package loesscape.core.evaluation;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.regex.Matcher;
import loesscape.core.model.Field;
import loesscape.core.model.Logic;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.Display;

/** The text of a notice with answers in the places of the keys it names in braces; a blank leaves nothing there. */
final class Merging {

    /** The most characters of an answer that are put into a text. */
    static final int LONGEST = 1_000;

    private Merging() {}

    /** A long answer stands in full in its field; in a text it would, a thousand times, fill a document. */
    private static String shortened(String answer) {
        return answer.length() <= LONGEST
                ? answer
                : answer.substring(0, answer.offsetByCodePoints(0, answer.codePointCount(0, LONGEST - 1))) + "…";
    }

    /** The text as things stand. What is in braces and is no field that can be seen from there stays as it is. */
    static Function<Seen, String> of(String text, String notice, SymbolTable symbols, FormulaCompiler values) {
        List<Function<Seen, String>> pieces = new ArrayList<>();
        Matcher matcher = Logic.MERGED.matcher(text);
        int from = 0;
        while (matcher.find()) {
            Field field = symbols.field(matcher.group(1));
            String rows = symbols.rowsAround(matcher.group(1));
            if (field == null || (rows != null && !rows.equals(symbols.rowsAround(notice)))) {
                continue;
            }
            String before = text.substring(from, matcher.start());
            Function<Seen, Value> value = values.counting(field.key());
            pieces.add(seen -> before);
            pieces.add(seen -> shortened(Display.of(field.kind(), value.apply(seen))));
            from = matcher.end();
        }
        if (pieces.isEmpty()) {
            return seen -> text;
        }
        String rest = text.substring(from);
        pieces.add(seen -> rest);
        return seen -> {
            StringBuilder all = new StringBuilder();
            pieces.forEach(piece -> all.append(piece.apply(seen)));
            return all.toString();
        };
    }
}
