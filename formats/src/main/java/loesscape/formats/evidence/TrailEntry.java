package loesscape.formats.evidence;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import loesscape.core.signing.Event;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.json.JsonReader;
import loesscape.formats.json.JsonWriter;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * One entry of a trail. What counts is its text: that is what is hashed, stored and handed on, byte for byte, so that a
 * later version of this program, which may know more of events, still finds the hash it had. All else is read from it.
 *
 * @param text a compact JSON object: formatVersion (2; left out by the first version), number, at, who, from, event, before
 * @param hash SHA-256, in hexadecimal, of the text in UTF-8
 * @param number counts the entries of a trail from 1
 * @param at when it happened, to the millisecond
 * @param who did it: a name and an address, or the name of a service
 * @param from the network address it came from; empty where the server itself did it
 * @param event what happened; null where the text cannot be read
 * @param before the hash of the entry before; 64 zeros for the first
 */
public record TrailEntry(
        String text,
        String hash,
        int number,
        Instant at,
        String who,
        String from,
        @Nullable Event event,
        String before) {

    /** The form in which entries are written now. */
    static final int FORMAT = 2;

    private record Written(
            int formatVersion, int number, Instant at, String who, String from, Event event, String before) {}

    private record WrittenFirst(int number, Instant at, String who, String from, Event event, String before) {}

    /** A new entry behind another, whose hash it is given. */
    static TrailEntry write(int number, Instant at, String who, String from, Event event, String before) {
        Instant moment = at.truncatedTo(ChronoUnit.MILLIS);
        Written written = new Written(FORMAT, number, moment, who, from, event, before);
        String text = Json.compact(JsonWriter.full(written, Written.class));
        return new TrailEntry(text, hash(text), number, moment, who, from, event, before);
    }

    /** An entry as it was stored; where its text cannot be read it is kept all the same, as nothing that happened. */
    public static TrailEntry read(String text, String hash) {
        try {
            JsonNode json = Json.parse(text);
            if (json.has("formatVersion")) {
                Written it = JsonReader.read(json, Written.class);
                return new TrailEntry(text, hash, it.number(), it.at(), it.who(), it.from(), it.event(), it.before());
            }
            WrittenFirst it = JsonReader.read(json, WrittenFirst.class);
            return new TrailEntry(text, hash, it.number(), it.at(), it.who(), it.from(), it.event(), it.before());
        } catch (JsonProblem e) {
            return new TrailEntry(text, hash, 0, Instant.EPOCH, "", "", null, "");
        }
    }

    /**
     * The text of an entry as the first version hashed it, which kept its parts and not the text.
     *
     * @param event as it was stored
     */
    public static String firstText(int number, Instant at, String who, String from, JsonNode event, String before) {
        var object = tools.jackson.databind.node.JsonNodeFactory.instance.objectNode();
        object.put("number", number);
        object.put("at", at.truncatedTo(ChronoUnit.MILLIS).toString());
        object.put("who", who);
        object.put("from", from);
        object.set("event", event);
        object.put("before", before);
        return Json.compact(object);
    }

    private static String hash(String text) {
        return Trail.digest(text.getBytes(StandardCharsets.UTF_8));
    }

    /** Whether the first version wrote it, whose turns named other hashes than those of what was given. */
    public boolean isOfFirstForm() {
        return !text.startsWith("{\"formatVersion\"");
    }

    /** Whether it can be read and has the hash it says. */
    boolean isWhole() {
        return event != null && hash(text).equals(hash);
    }
}
