package loesscape.server.platform.web;

import java.net.URI;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import loesscape.core.editing.Refusal;
import loesscape.core.model.InvalidTemplate;
import loesscape.core.model.Refused;
import loesscape.formats.form.UnreadableForm;
import loesscape.formats.json.JsonProblem;
import loesscape.formats.picture.UnsafePicture;
import loesscape.formats.word.UnreadableDocument;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Errors as problem details (RFC 9457): what is wrong, where, and how to mend it. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
public class Problems {

    /** Something that is not there. */
    public static final class Missing extends RuntimeException {
        public Missing(String message) {
            super(message);
        }
    }

    @ExceptionHandler
    ProblemDetail missing(Missing missing) {
        return detail(HttpStatus.NOT_FOUND, "Not found", missing);
    }

    /** Something that was there, and has ended. */
    public static final class Ended extends RuntimeException {
        public Ended(String message) {
            super(message);
        }
    }

    /** Something that was tried too often. */
    public static final class TooOften extends RuntimeException {

        private final Duration wait;

        /** @param wait how long to wait before the next try */
        public TooOften(String message, Duration wait) {
            super(message);
            this.wait = wait;
        }
    }

    /** Something that takes much is being done too often at once, or took too long. */
    public static final class Busy extends RuntimeException {

        private final Duration wait;

        /** @param wait how long to wait before the next try */
        public Busy(String message, Duration wait) {
            super(message);
            this.wait = wait;
        }
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> busy(Busy busy) {
        return later(HttpStatus.SERVICE_UNAVAILABLE, "Busy", busy, busy.wait);
    }

    @ExceptionHandler
    ProblemDetail ended(Ended ended) {
        return detail(HttpStatus.GONE, "Ended", ended);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> tooOften(TooOften often) {
        return later(HttpStatus.TOO_MANY_REQUESTS, "Too many attempts", often, often.wait);
    }

    private static ResponseEntity<ProblemDetail> later(
            HttpStatus status, String title, Exception cause, Duration wait) {
        return ResponseEntity.status(status)
                .header(HttpHeaders.RETRY_AFTER, Long.toString(Math.max(1, wait.toSeconds())))
                .body(detail(status, title, cause));
    }

    /** Somebody who follows a link has not shown yet to be the person it was sent to. */
    public static final class NotIdentified extends RuntimeException {
        public NotIdentified(String message) {
            super(message);
        }
    }

    @ExceptionHandler
    ProblemDetail notIdentified(NotIdentified notIdentified) {
        ProblemDetail problem = detail(HttpStatus.FORBIDDEN, "Not identified", notIdentified);
        problem.setType(URI.create("/problems/not-identified"));
        return problem;
    }

    @ExceptionHandler
    ProblemDetail failed(OutsideFailed failed) {
        return detail(HttpStatus.SERVICE_UNAVAILABLE, "Not answered", failed);
    }

    /** The type of the problem, its status and its title follow from why something was refused. */
    @ExceptionHandler
    ProblemDetail refused(Refused refused) {
        ProblemDetail problem = switch (refused.why()) {
            case NOT_VALID -> detail(HttpStatus.UNPROCESSABLE_CONTENT, "Not done", refused);
            case LOCKED -> detail(HttpStatus.CONFLICT, "Locked", refused);
            case NOT_NOW -> detail(HttpStatus.CONFLICT, "Not now", refused);
            case CHANGED -> detail(HttpStatus.CONFLICT, "Changed in the meantime", refused);
        };
        problem.setType(URI.create(
                "/problems/" + refused.why().name().toLowerCase(Locale.ROOT).replace('_', '-')));
        if (refused instanceof Refusal refusal) {
            problem.setProperty("followers", refusal.followers());
        }
        return problem;
    }

    /** A request without what it is about: an empty file, mostly. */
    @ExceptionHandler(HttpMessageNotReadableException.class)
    ProblemDetail unread() {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST, "What was sent is empty, or broke off. Choose another file, or try again.");
        problem.setTitle("Nothing to read");
        return problem;
    }

    @ExceptionHandler
    ProblemDetail unsafe(UnsafePicture picture) {
        return detail(HttpStatus.UNPROCESSABLE_CONTENT, "Not taken", picture);
    }

    @ExceptionHandler
    ProblemDetail unreadable(UnreadableDocument document) {
        return detail(HttpStatus.UNPROCESSABLE_CONTENT, "Not taken", document);
    }

    @ExceptionHandler
    ProblemDetail unreadable(UnreadableForm form) {
        ProblemDetail problem = detail(HttpStatus.UNPROCESSABLE_CONTENT, "Not taken", form);
        if (form.reason() == UnreadableForm.Reason.PASSWORD) {
            problem.setType(URI.create("/problems/password"));
        }
        return problem;
    }

    @ExceptionHandler
    ProblemDetail invalid(InvalidTemplate invalid) {
        ProblemDetail problem = detail(HttpStatus.UNPROCESSABLE_CONTENT, "Not a valid template", invalid);
        problem.setProperty("problems", invalid.problems());
        return problem;
    }

    @ExceptionHandler
    ProblemDetail unreadable(JsonProblem json) {
        ProblemDetail problem = detail(HttpStatus.BAD_REQUEST, "Not understood", json);
        problem.setProperty(
                "problems", List.of(Map.of("path", json.path(), "message", String.valueOf(json.getMessage()))));
        return problem;
    }

    private static ProblemDetail detail(HttpStatus status, String title, Exception cause) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, String.valueOf(cause.getMessage()));
        problem.setTitle(title);
        return problem;
    }
}
