package loesscape.server.platform.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.SecureRandom;
import java.time.Duration;
import loesscape.server.platform.database.DatabaseFull;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.util.DisconnectedClientHelper;

/**
 * What nobody foresaw, as problem details: the log says it once, with its cause and a number; whoever asked is told the
 * number, and that what was kept before is still there. What is busy only for now is not an error, and says when to come
 * back.
 */
@RestController
@RestControllerAdvice
@Order(Ordered.LOWEST_PRECEDENCE)
class UnexpectedErrors implements ErrorController {

    private static final Logger LOG = LoggerFactory.getLogger(UnexpectedErrors.class);
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int NUMBERS = 100_000_000;
    private static final Duration BUSY = Duration.ofSeconds(2);
    private static final Duration FULL = Duration.ofSeconds(30);

    @ExceptionHandler({
        TransientDataAccessException.class,
        CannotGetJdbcConnectionException.class,
        CannotCreateTransactionException.class
    })
    ResponseEntity<ProblemDetail> busy(Exception error, HttpServletRequest request) {
        if (DatabaseFull.isBehind(error)) {
            return later(
                    "No room",
                    "This server has no room left to keep anything; what was kept is still there. Try again in a while.",
                    FULL);
        }
        LOG.warn("{} {} was not done, too much else was: {}", request.getMethod(), shown(request), rootOf(error));
        return later("Busy", "Too much is being kept at once; nothing was lost. Try again.", BUSY);
    }

    private static ResponseEntity<ProblemDetail> later(String title, String detail, Duration wait) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, detail);
        problem.setTitle(title);
        return ResponseEntity.status(problem.getStatus())
                .header(HttpHeaders.RETRY_AFTER, Long.toString(wait.toSeconds()))
                .body(problem);
    }

    /** Nothing where it is only the one who asked that has gone. */
    @ExceptionHandler
    @Nullable
    ProblemDetail unexpected(Throwable error, HttpServletRequest request) {
        return DisconnectedClientHelper.isClientDisconnectedException(error) ? null : told(error, request);
    }

    private static ProblemDetail told(Throwable error, HttpServletRequest request) {
        String number = "%08d".formatted(RANDOM.nextInt(NUMBERS));
        LOG.error("Unexpected error {} at {} {}", number, request.getMethod(), shown(request), error);
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "This was not done: something went wrong in the server, and its log says what under the number %s. All that was kept before is still there. Try again."
                        .formatted(number));
        problem.setTitle("Not done");
        problem.setProperty("number", number);
        return problem;
    }

    /** What went wrong before a request came to its place, or on the way back from it. */
    @RequestMapping("/error")
    @Nullable
    ResponseEntity<ProblemDetail> elsewhere(HttpServletRequest request, HttpServletResponse response) {
        if (response.isCommitted()) {
            return null; // It was answered already, and only then nobody waited any longer for the rest of what was
            // sent.
        }
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus known = code instanceof Integer status ? HttpStatus.resolve(status) : HttpStatus.NOT_FOUND;
        HttpStatus status = known == null ? HttpStatus.INTERNAL_SERVER_ERROR : known;
        ProblemDetail problem;
        if (status.is5xxServerError()) {
            problem = request.getAttribute(RequestDispatcher.ERROR_EXCEPTION) instanceof Throwable error
                    ? told(error, request)
                    : told(new IllegalStateException("Status " + code), request);
        } else {
            problem = ProblemDetail.forStatusAndDetail(
                    status,
                    status == HttpStatus.NOT_FOUND
                            ? "There is nothing at this address."
                            : "The server does not take this request: %s.".formatted(status.getReasonPhrase()));
        }
        return ResponseEntity.status(problem.getStatus())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem);
    }

    /** The way that was asked for, without what makes a link a secret. */
    private static String shown(HttpServletRequest request) {
        Object asked = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        String way = asked instanceof String uri ? uri : request.getRequestURI();
        return way.replaceFirst("^(/(?:api/)?(?:fill|sign|signed|open|desk)/)[^/]+", "$1…")
                .replaceAll("\\p{Cntrl}", " ");
    }

    private static String rootOf(Throwable error) {
        Throwable root = error;
        while (root.getCause() != null) {
            root = root.getCause();
        }
        return root.toString();
    }
}
