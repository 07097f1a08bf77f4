package loesscape.formats.evidence;

import java.time.Instant;
import loesscape.core.signing.Event;

/**
 * One entry of a trail.
 *
 * @param number counts the entries of a trail from 1
 * @param at when it happened, to the millisecond
 * @param who did it: a name and an address, or the name of a service
 * @param from the network address it came from; empty where the server itself did it
 * @param event what happened
 * @param before the hash of the entry before; 64 zeros for the first
 * @param hash SHA-256, in hexadecimal, of all of the above as compact JSON in this order
 */
public record TrailEntry(int number, Instant at, String who, String from, Event event, String before, String hash) {}
