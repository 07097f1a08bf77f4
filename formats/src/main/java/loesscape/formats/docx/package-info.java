/**
 * Documents for word processors in Office Open XML (ISO/IEC 29500, transitional): the finished one, and one to be filled in
 * that is locked but for its content controls. Written with the JDK alone.
 */
@NullMarked
package loesscape.formats.docx;

import org.jspecify.annotations.NullMarked;
