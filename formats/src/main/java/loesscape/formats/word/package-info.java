/**
 * Documents of word processors, made templates: what they ask and say, in their order (ISO/IEC 29500 and ISO/IEC 26300).
 * Nothing in them is run or fetched. Begin at {@link loesscape.formats.word.ImportedDocument}.
 */
@NullMarked
package loesscape.formats.word;

import org.jspecify.annotations.NullMarked;
