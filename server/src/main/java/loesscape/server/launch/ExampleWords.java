package loesscape.server.launch;

import java.util.ArrayList;
import java.util.List;
import loesscape.core.analysis.proof.Example;
import loesscape.core.model.Stage;

/** Examples as commands print them. */
final class ExampleWords {

    private ExampleWords() {}

    static String of(Example example) {
        List<String> words = new ArrayList<>();
        example.answers().forEach((address, typed) -> words.add(address + " = " + (typed.isEmpty() ? "blank" : typed)));
        if (!example.context().role().isEmpty()) {
            words.add("as " + example.context().role());
        }
        if (example.context().stage() != Stage.FILLING) {
            words.add("at the stage " + example.context().stage().word());
        }
        return words.isEmpty() ? "no answers at all" : String.join(", ", words);
    }
}
