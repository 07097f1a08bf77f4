package loesscape.server.records;

import java.util.Optional;
import java.util.UUID;

/** Whether a record is what the evidence of how it came about says. */
public interface RecordEvidence {

    /** What does not hold, in a sentence; empty where all of it does, and where a record was signed by nobody. */
    Optional<String> problem(UUID template, int record);
}
