package loesscape.formats.evidence;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Objects;
import loesscape.core.signing.Event;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import tools.jackson.databind.JsonNode;

/**
 * The trail of a dispatch. Whoever changes, drops, adds or reorders an entry breaks the chain of hashes from there on; the
 * last hash stands on the sealed certificate, so that a chain made anew is noticed too.
 *
 * @param entries from the first to the last
 */
public record Trail(List<TrailEntry> entries) {

    /** What the first entry names as the hash of the entry before it. */
    public static final String START = "0".repeat(64);

    /** Nothing happened yet. */
    public static final Trail EMPTY = new Trail(List.of());

    private static final int FORMAT = 2;

    public Trail {
        entries = List.copyOf(entries);
    }

    private record StoredEntry(String text, String hash) {}

    private record StoredTrail(int formatVersion, List<StoredEntry> entries) {}

    private record FirstEntry(
            int number, Instant at, String who, String from, Event event, String before, String hash) {}

    /** The trail with one more entry. */
    public Trail with(Instant at, String who, String from, Event event) {
        List<TrailEntry> longer = new ArrayList<>(entries);
        longer.add(next(at, who, from, event));
        return new Trail(longer);
    }

    /** The entry that comes next. */
    public TrailEntry next(Instant at, String who, String from, Event event) {
        int number = entries.isEmpty() ? 1 : entries.getLast().number() + 1;
        return TrailEntry.write(number, at, who, from, event, last());
    }

    /** The hash of the last entry. */
    public String last() {
        return entries.isEmpty() ? START : entries.getLast().hash();
    }

    /** The events that can be read, in their order. */
    public List<Event> events() {
        return entries.stream()
                .map(TrailEntry::event)
                .filter(Objects::nonNull)
                .map(Event.class::cast)
                .toList();
    }

    /** The number of the first entry that does not fit the one before it or its own hash; 0 where all of them do. */
    public int firstBroken() {
        String before = START;
        for (int i = 0; i < entries.size(); i++) {
            TrailEntry entry = entries.get(i);
            if (!entry.isWhole() || entry.number() != i + 1 || !entry.before().equals(before)) {
                return i + 1;
            }
            before = entry.hash();
        }
        return 0;
    }

    /** SHA-256 in hexadecimal. */
    public static String digest(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java runtime has SHA-256", e);
        }
    }

    /** The trail as JSON: the texts of its entries as they were hashed, each with its hash. */
    public String json() {
        List<StoredEntry> stored = entries.stream()
                .map(entry -> new StoredEntry(entry.text(), entry.hash()))
                .toList();
        return Json.pretty(JsonWriter.full(new StoredTrail(FORMAT, stored), StoredTrail.class));
    }

    /**
     * A trail from its JSON, of this version or the first.
     *
     * @throws loesscape.formats.json.JsonProblem where it is none
     */
    public static Trail read(byte[] json) {
        JsonNode tree = Json.parse(json);
        List<TrailEntry> entries = new ArrayList<>();
        if (tree.has("formatVersion")) {
            for (StoredEntry entry : JsonReader.read(tree, StoredTrail.class).entries()) {
                entries.add(TrailEntry.read(entry.text(), entry.hash()));
            }
            return new Trail(entries);
        }
        for (JsonNode node : tree.path("entries")) {
            FirstEntry it = JsonReader.read(node, FirstEntry.class);
            entries.add(TrailEntry.read(
                    TrailEntry.firstText(it.number(), it.at(), it.who(), it.from(), node.get("event"), it.before()),
                    it.hash()));
        }
        return new Trail(entries);
    }
}
