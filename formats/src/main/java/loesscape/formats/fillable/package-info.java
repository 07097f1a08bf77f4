/**
 * PDF forms to be filled in (ISO 32000-2, 12.7) that behave: typeset or on pages of a PDF file, tagged (ISO 14289-1), with the
 * template's own logic inside as a script (ISO 21757-1).
 */
@NullMarked
package loesscape.formats.fillable;

import org.jspecify.annotations.NullMarked;
