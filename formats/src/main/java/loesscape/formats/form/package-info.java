/**
 * PDF files with fields, read: what they ask, where, and how (ISO 32000-2, 12.7). Nothing in them is run or fetched. Begin at
 * {@link loesscape.formats.form.FormReader}.
 */
@NullMarked
package loesscape.formats.form;

import org.jspecify.annotations.NullMarked;
