package loesscape.formats.evidence;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import loesscape.core.signing.Event;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;

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

    public Trail {
        entries = List.copyOf(entries);
    }

    private record Hashed(int number, Instant at, String who, String from, Event event, String before) {}

    /** The trail with one more entry. */
    public Trail with(Instant at, String who, String from, Event event) {
        List<TrailEntry> longer = new ArrayList<>(entries);
        longer.add(entry(entries.size() + 1, at, who, from, event, last()));
        return new Trail(longer);
    }

    /** An entry behind another, whose hash it is given. */
    public static TrailEntry entry(int number, Instant at, String who, String from, Event event, String before) {
        Instant moment = at.truncatedTo(ChronoUnit.MILLIS);
        return new TrailEntry(number, moment, who, from, event, before, hash(number, moment, who, from, event, before));
    }

    /** The hash of the last entry. */
    public String last() {
        return entries.isEmpty() ? START : entries.getLast().hash();
    }

    /** The events, in their order. */
    public List<Event> events() {
        return entries.stream().map(TrailEntry::event).toList();
    }

    /** The number of the first entry that does not fit the one before it or its own hash; 0 where all of them do. */
    public int firstBroken() {
        String before = START;
        for (int i = 0; i < entries.size(); i++) {
            TrailEntry entry = entries.get(i);
            boolean fits = entry.number() == i + 1
                    && entry.before().equals(before)
                    && entry.hash()
                            .equals(hash(
                                    entry.number(),
                                    entry.at(),
                                    entry.who(),
                                    entry.from(),
                                    entry.event(),
                                    entry.before()));
            if (!fits) {
                return i + 1;
            }
            before = entry.hash();
        }
        return 0;
    }

    private static String hash(int number, Instant at, String who, String from, Event event, String before) {
        Hashed hashed = new Hashed(number, at, who, from, event, before);
        return digest(Json.compact(JsonWriter.full(hashed, Hashed.class)).getBytes(StandardCharsets.UTF_8));
    }

    /** SHA-256 in hexadecimal. */
    public static String digest(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java runtime has SHA-256", e);
        }
    }

    /** The trail as JSON. */
    public String json() {
        return Json.pretty(JsonWriter.full(this, Trail.class));
    }

    /**
     * A trail from its JSON.
     *
     * @throws loesscape.formats.json.JsonProblem where it is none
     */
    public static Trail read(byte[] json) {
        return JsonReader.read(Json.parse(json), Trail.class);
    }
}
