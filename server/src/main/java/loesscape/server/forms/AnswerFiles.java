package loesscape.server.forms;

import java.util.List;
import loesscape.core.model.Refused;
import loesscape.formats.answers.AnswersBrought;
import loesscape.formats.answers.GivenAnswers;
import loesscape.formats.answers.UnreadableAnswers;
import loesscape.server.platform.web.HeavyWork;
import org.springframework.stereotype.Component;

/** Reads files with answers; of those that take much memory, few at a time. */
@Component
public class AnswerFiles {

    private final HeavyWork heavy;

    AnswerFiles(HeavyWork heavy) {
        this.heavy = heavy;
    }

    /**
     * The answers in a file, one for each document.
     *
     * @throws Refused where none can be read
     */
    public List<GivenAnswers> read(byte[] file) {
        try {
            return AnswersBrought.takesMuch(file)
                    ? heavy.run(() -> AnswersBrought.read(file))
                    : AnswersBrought.read(file);
        } catch (UnreadableAnswers e) {
            throw new Refused(Refused.Cause.NOT_VALID, String.valueOf(e.getMessage()));
        }
    }
}
