/** What the web pages and fillers talk to: JSON over HTTP, errors as problem details (RFC 9457). */
@NullMarked
package loesscape.server.api;

import org.jspecify.annotations.NullMarked;
