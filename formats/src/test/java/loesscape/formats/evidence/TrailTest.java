package loesscape.formats.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Person;
import loesscape.core.signing.Snapshot;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import org.junit.jupiter.api.Test;

/** Trails as they were written once are read, and are whole, for good. */
class TrailTest {

    private static final Path GOLDEN = Path.of("src/test/resources/loesscape/formats/evidence");
    private static final Instant AT = Instant.parse("2026-11-27T09:00:00.250Z");

    /** One of each event. */
    private static Trail trail() {
        Person femke = new Person("Femke “F.” Oosterlaan", "femke@veldhollow.example", "+44 7700 900123");
        Person cousin = new Person("Cousin", "cousin@veldhollow.example");
        List<Event> events = List.of(
                new Event.Sent(
                        "Well",
                        2,
                        List.of(new Event.Named("owner", "Owner", 1, femke, IdentityCheck.TEXT_CODE)),
                        LocalDate.of(2026, 12, 31),
                        true,
                        1,
                        "ab".repeat(32),
                        true,
                        Map.of("well.png", "45".repeat(32))),
                new Event.Asked("owner"),
                new Event.Skipped("driller", "Depth is 24 m"),
                new Event.CodeSent("owner", IdentityCheck.TEXT_CODE, "+44 7700 900123"),
                new Event.NotIdentified("owner", IdentityCheck.TEXT_CODE),
                new Event.Identified("owner", IdentityCheck.TEXT_CODE, "+44 7700 900123"),
                new Event.Opened("owner"),
                new Event.Consented("owner", "I agree."),
                new Event.NotPaid("owner", "fee", "the desk refused it"),
                new Event.Paid("owner", "fee", "€ 10.00", "ref"),
                new Event.SignatureMade("owner", "sign", "Signature", "cd".repeat(32)),
                new Event.SignatureTakenBack("owner", "sign", "Signature", ""),
                new Event.Reminded("owner"),
                new Event.Delegated("owner", femke, cousin, "On leave"),
                new Event.Corrected("owner", cousin, femke),
                new Event.Signed("owner", 2, List.of("Signature"), "ef".repeat(32)),
                new Event.Declined("owner", "Not my land"),
                new Event.Withdrawn("Wrong parcel"),
                new Event.Finished(7, "01".repeat(32)),
                new Event.Sealed("23".repeat(32)));
        Trail trail = Trail.EMPTY;
        for (Event event : events) {
            trail = trail.with(AT, "Ilse Maarwick", "127.0.0.1", event);
        }
        return trail;
    }

    private static String golden(String name) throws IOException {
        return Files.readString(GOLDEN.resolve(name));
    }

    @Test
    void aTrailIsWrittenAsItAlwaysWasInThisForm() throws IOException {
        if (Boolean.getBoolean("loesscape.make")) {
            Files.createDirectories(GOLDEN);
            Files.writeString(GOLDEN.resolve("trail-2.json"), trail().json());
        }
        assertThat(trail().json()).isEqualTo(golden("trail-2.json"));
        assertThat(Trail.read(golden("trail-2.json").getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(trail());
    }

    @Test
    void aTrailOfBeforePeopleShowedWhoTheyAreIsWhole() throws IOException {
        Trail before = Trail.read(golden("trail-2-before-identity-checks.json").getBytes(StandardCharsets.UTF_8));
        assertThat(before.firstBroken()).isZero();
        assertThat(before.events()).hasSize(17);
        assertThat(before.events().getFirst())
                .isInstanceOfSatisfying(
                        Event.Sent.class,
                        sent -> assertThat(sent.parties())
                                .allMatch(named -> named.check() == IdentityCheck.LINK
                                        && named.person().phone().isEmpty()));
    }

    @Test
    void aTrailOfTheFirstFormIsWhole() throws IOException {
        Trail first = Trail.read(golden("trail-1.json").getBytes(StandardCharsets.UTF_8));
        assertThat(first.entries()).hasSizeGreaterThan(5);
        assertThat(first.firstBroken()).isZero();
        assertThat(first.entries()).allMatch(TrailEntry::isOfFirstForm);
        assertThat(first.events()).hasSameSizeAs(first.entries());
        assertThat(Trail.read(first.json().getBytes(StandardCharsets.UTF_8))).isEqualTo(first);
    }

    @Test
    void whatATurnEndedWithIsReadAsItWasKept() {
        String kept =
                "{\"formatVersion\":1,\"role\":\"owner\",\"day\":\"2026-11-27\",\"answers\":{\"depth\":\"24\"},\"shown\":[\"main\"],\"files\":{\"id\":\"ab\"}}";
        Snapshot snapshot = JsonReader.read(Json.parse(kept), Snapshot.class);
        assertThat(snapshot)
                .isEqualTo(new Snapshot(
                        1,
                        "owner",
                        LocalDate.of(2026, 11, 27),
                        Map.of("depth", "24"),
                        List.of("main"),
                        Map.of("id", "ab")));
        assertThat(Json.compact(JsonWriter.full(snapshot, Snapshot.class))).isEqualTo(kept);
    }

    @Test
    void whateverIsDoneToAnEntryIsFoundAtIt() {
        List<TrailEntry> entries = trail().entries();
        for (int i = 0; i < entries.size(); i++) {
            TrailEntry entry = entries.get(i);
            int at = i;
            Stream.of(
                            entry.text().replace("Ilse", "Else"),
                            entry.text().replaceFirst("\"number\":\\d+", "\"number\":99"),
                            entry.text() + " ",
                            "")
                    .forEach(text -> {
                        List<TrailEntry> changed = new ArrayList<>(entries);
                        changed.set(at, TrailEntry.read(text, entry.hash()));
                        assertThat(new Trail(changed).firstBroken()).isEqualTo(at + 1);
                    });
            List<TrailEntry> shorter = new ArrayList<>(entries);
            shorter.remove(i);
            assertThat(new Trail(shorter).firstBroken()).isEqualTo(i + 1 == entries.size() ? 0 : i + 1);
        }
    }
}
