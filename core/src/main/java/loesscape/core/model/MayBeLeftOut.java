package loesscape.core.model;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Marks a component that a file need not name. Left out, it is what its kind begins with: empty text, an empty list,
 * zero, no, the first of a list of names, or a value all of whose components are left out.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.RECORD_COMPONENT)
public @interface MayBeLeftOut {}
