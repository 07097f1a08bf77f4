/**
 * JSON from and to records, by their shape: one description of every record, sealed type and enumeration serves
 * reading, writing, the JSON Schema and the types of the web pages.
 */
@NullMarked
package loesscape.formats.json;

import org.jspecify.annotations.NullMarked;
