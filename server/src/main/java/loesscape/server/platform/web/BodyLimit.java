package loesscape.server.platform.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.net.SocketTimeoutException;
import java.time.Duration;
import loesscape.core.model.FieldKind;
import loesscape.formats.answers.AnswersBrought;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.template.TemplateArchive;
import loesscape.formats.template.TemplateFile;
import loesscape.server.platform.doors.ProblemResponse;
import org.apache.coyote.CloseNowException;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Bounds what anybody can send: a template file where one is imported, a file where one is handed in, much less
 * elsewhere; and for how long it can be sent, so that nobody holds on to the server by sending slowly. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
public class BodyLimit extends OncePerRequestFilter {

    /** The largest file that is handed in anywhere. */
    public static final int LARGEST_FILE = FieldKind.Attachment.LARGEST * 1_000_000;

    private static final int USUAL = 1024 * 1024;

    /** How many bytes are to come in each second beyond those that are given to every request. */
    private static final long SLOWEST = 8_000;

    private static final long SECOND = 1_000_000_000;

    private final Duration patience;

    BodyLimit(@Value("${loesscape.connections.patience}") Duration patience) {
        this.patience = patience;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        int most = most(request.getRequestURI());
        if (request.getContentLengthLong() > most) {
            ProblemResponse.write(response, 413, "Too large", "At most %d bytes are taken here.".formatted(most));
            return;
        }
        Bounded bounded = new Bounded(request, most, patience.toSeconds());
        chain.doFilter(bounded, response);
        if (bounded.mayHaveMore()) {
            // Whatever was answered, the rest of what was sent is waited for; but not for long.
            response.flushBuffer();
            try {
                bounded.drain();
            } catch (IOException tooSlowOrTooLong) {
                throw new CloseNowException(tooSlowOrTooLong);
            }
        }
    }

    private static int most(String address) {
        if (address.endsWith("/import") || address.startsWith("/api/lookups")) {
            return Math.max(TemplateFile.LARGEST, TemplateArchive.LARGEST);
        }
        if (address.endsWith("/pictures") || address.endsWith("/logo")) {
            return SafePicture.LARGEST;
        }
        if (address.matches("/api/templates/[^/]+/(answers|records|merges)")) {
            return AnswersBrought.LARGEST;
        }
        return address.endsWith("/files") || address.endsWith("/verify") ? LARGEST_FILE : USUAL;
    }

    /** A request of unknown length that ends with an error where it grows too long. */
    private static final class Bounded extends HttpServletRequestWrapper {

        private final int most;
        private final long patience;

        Bounded(HttpServletRequest request, int most, long patience) {
            super(request);
            this.most = most;
            this.patience = patience;
        }

        private @Nullable ServletInputStream body;

        /** Whether a body was announced that nobody has read to its end. */
        boolean mayHaveMore() {
            boolean isAnnounced = getContentLengthLong() > 0 || getHeader("Transfer-Encoding") != null;
            return isAnnounced && !isAsyncStarted() && (body == null || !body.isFinished());
        }

        void drain() throws IOException {
            getInputStream().transferTo(OutputStream.nullOutputStream());
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (body == null) {
                body = bounded(super.getInputStream());
            }
            return body;
        }

        private ServletInputStream bounded(ServletInputStream inner) {
            return new ServletInputStream() {
                private final long begun = System.nanoTime();
                private int left = most;

                private void arrived(int count) throws IOException {
                    left -= Math.max(count, 0);
                    if (left < 0) {
                        throw new IOException("The request is longer than %d bytes".formatted(most));
                    }
                    long seconds = (System.nanoTime() - begun) / SECOND;
                    if (count >= 0 && seconds > patience + (most - left) / SLOWEST) {
                        throw new SocketTimeoutException("The request comes in too slowly");
                    }
                }

                @Override
                public int read() throws IOException {
                    int next = inner.read();
                    arrived(next < 0 ? -1 : 1);
                    return next;
                }

                @Override
                public int read(byte[] bytes, int offset, int length) throws IOException {
                    int count = inner.read(bytes, offset, length);
                    arrived(count);
                    return count;
                }

                @Override
                public boolean isFinished() {
                    return inner.isFinished();
                }

                @Override
                public boolean isReady() {
                    return inner.isReady();
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    inner.setReadListener(listener);
                }
            };
        }
    }
}
