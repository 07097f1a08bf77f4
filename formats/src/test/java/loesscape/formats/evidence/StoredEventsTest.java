package loesscape.formats.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Person;
import loesscape.core.signing.Snapshot;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import org.junit.jupiter.api.Test;

/** Events and what was given in a turn, as they are hashed and kept: written as they always were, and read as that. */
class StoredEventsTest {

    private static final Path GOLDEN = Path.of("src/test/resources/loesscape/formats/evidence");
    private static final String DIGEST = "0123456789abcdef".repeat(4);
    private static final Person RUNA = new Person("Runa Tolsma", "runa.tolsma@veldhollow.example", "");
    private static final Person BAS = new Person("Bas Verhoeve", "bas.verhoeve@veldhollow.example", "+44 7700 900123");

    private static final List<Event> EVENTS = List.of(
            new Event.Sent(
                    "Drilling agreement",
                    3,
                    List.of(
                            new Event.Named("owner", "Landowner", 1, RUNA, IdentityCheck.LINK),
                            new Event.Named("driller", "Driller", 2, BAS, IdentityCheck.TEXT_CODE)),
                    LocalDate.of(2026, 12, 1),
                    true,
                    2,
                    DIGEST,
                    true,
                    Map.of("well.svg", DIGEST)),
            new Event.Asked("owner"),
            new Event.Skipped("hydrologist", "Depth is 24 m"),
            new Event.CodeSent("driller", IdentityCheck.TEXT_CODE, "+44 7700 900123"),
            new Event.Identified("driller", IdentityCheck.TEXT_CODE, "+44 7700 900123"),
            new Event.NotIdentified("driller", IdentityCheck.PHRASE),
            new Event.Opened("owner"),
            new Event.Consented("owner", Event.Consented.WORDING),
            new Event.Paid("owner", "advance", "€ 25.00", "abc123"),
            new Event.NotPaid("owner", "advance", "the desk refused it"),
            new Event.SignatureMade("owner", "owner_sign", "Signature", DIGEST),
            new Event.SignatureTakenBack("owner", "owner_sign", "Signature", ""),
            new Event.Signed("owner", 12, List.of("Signature", "Initials"), DIGEST),
            new Event.Declined("driller", "The ground is too wet."),
            new Event.Delegated("driller", BAS, RUNA, "On leave"),
            new Event.Corrected("driller", BAS, RUNA),
            new Event.Reminded("driller"),
            new Event.Withdrawn("Sent twice"),
            new Event.Finished(7, DIGEST),
            new Event.Sealed(DIGEST));

    private static String kept(String file, String text) throws IOException {
        Path golden = GOLDEN.resolve(file);
        if (Boolean.getBoolean("loesscape.make")) {
            Files.writeString(golden, text);
        }
        return Files.readString(golden);
    }

    @Test
    void everyKindOfEventIsWrittenAsItAlwaysWas() throws IOException {
        assertThat(EVENTS.stream().<Class<?>>map(Event::getClass))
                .containsExactlyInAnyOrder(Event.class.getPermittedSubclasses());
        String text = EVENTS.stream()
                .map(event -> Json.compact(JsonWriter.full(event, Event.class)))
                .collect(Collectors.joining("\n", "", "\n"));
        String kept = kept("events-1.jsonl", text);
        assertThat(text).isEqualTo(kept);
        List<Event> read = kept.lines()
                .map(line -> JsonReader.typed(Json.parse(line.getBytes(StandardCharsets.UTF_8)), Event.class))
                .toList();
        assertThat(read).isEqualTo(EVENTS);
    }

    @Test
    void whatWasGivenInATurnIsWrittenAsItAlwaysWas() throws IOException {
        Snapshot snapshot = new Snapshot(
                Snapshot.FORMAT,
                "owner",
                LocalDate.of(2026, 11, 24),
                Map.of("depth", "36.0"),
                List.of("p", "s", "depth"),
                Map.of("a1", DIGEST));
        String text = Json.compact(JsonWriter.full(snapshot, Snapshot.class));
        String kept = kept("snapshot-1.json", text);
        assertThat(text).isEqualTo(kept);
        assertThat(JsonReader.typed(Json.parse(kept.getBytes(StandardCharsets.UTF_8)), Snapshot.class))
                .isEqualTo(snapshot);
    }
}
