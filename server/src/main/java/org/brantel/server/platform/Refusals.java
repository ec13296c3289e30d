package org.brantel.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.time.DateTimeException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.validation.method.ParameterValidationResult;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.HandlerMethodValidationException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import org.springframework.web.util.DisconnectedClientHelper;
import tools.jackson.databind.exc.InvalidFormatException;

/** Turns whatever is refused into a problem (RFC 9457) whose detail is one sentence, with the right status. */
@RestControllerAdvice
class Refusals {

    private static final Logger LOG = LoggerFactory.getLogger(Refusals.class);

    /** Where the lab's files lie; a sentence names them from there. */
    private final String home;

    Refusals(Settings settings) {
        this.home = settings.home().toAbsolutePath() + "/";
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> refusal(Refusal e) {
        return answer(e.status(), Refusal.sentence(e), e.field());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> invalid(MethodArgumentNotValidException e) {
        var field = e.getBindingResult().getFieldError();
        String name = field == null ? null : field.getField();
        String said = field == null ? null : field.getDefaultMessage();
        String words = said == null ? "Something is missing." : said;
        return answer(HttpStatus.BAD_REQUEST, words, name);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException e) {
        // A value that refuses to be made says why.
        if (e.getMostSpecificCause() instanceof IllegalArgumentException own
                && own.getMessage() != null
                && !(own instanceof NumberFormatException)) {
            return answer(HttpStatus.BAD_REQUEST, "It could not be taken: " + own.getMessage() + ".", null);
        }
        if (e.getMostSpecificCause() instanceof InvalidFormatException value
                && value.getTargetType() != null
                && value.getTargetType().isEnum()
                && !value.getPath().isEmpty()) {
            String field = value.getPath().get(value.getPath().size() - 1).getPropertyName();
            return answer(
                    HttpStatus.BAD_REQUEST,
                    "'" + value.getValue() + "' is not a possible value of " + field + ".",
                    field);
        }
        if (e.getMostSpecificCause() instanceof DateTimeException) {
            return answer(HttpStatus.BAD_REQUEST, "A date could not be read; write it like 2026-11-25.", null);
        }
        return answer(HttpStatus.BAD_REQUEST, "The request could not be read; reload the page and try again.", null);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> mismatch(MethodArgumentTypeMismatchException e) {
        return answer(
                HttpStatus.BAD_REQUEST,
                "'" + e.getValue() + "' is not a possible value of " + e.getName() + ".",
                e.getName());
    }

    /** A part of the address that is out of its bounds. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> bounds(HandlerMethodValidationException e) {
        ParameterValidationResult first = e.getParameterValidationResults().get(0);
        String name = first.getMethodParameter().getParameterName();
        return answer(
                HttpStatus.BAD_REQUEST,
                name + " " + first.getResolvableErrors().get(0).getDefaultMessage() + ", and " + first.getArgument()
                        + " is not.",
                name);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> missing(MissingServletRequestParameterException e) {
        return answer(
                HttpStatus.BAD_REQUEST,
                "The address lacks " + e.getParameterName() + "; reload the page and try again.",
                e.getParameterName());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> lostRace(OptimisticLockingFailureException e) {
        return answer(
                HttpStatus.CONFLICT,
                "Somebody else changed this case a moment ago; nothing of yours was saved. "
                        + "Look at the new state and enter it again.",
                null);
    }

    @ExceptionHandler({NoResourceFoundException.class, HttpRequestMethodNotSupportedException.class})
    ResponseEntity<ProblemDetail> nothingThere(Exception e, HttpServletRequest request) {
        return answer(HttpStatus.NOT_FOUND, "There is nothing at " + request.getRequestURI() + ".", null);
    }

    /** The engine's own refusals are sentences already. A browser that went away needs none. */
    @ExceptionHandler
    @Nullable
    ResponseEntity<ProblemDetail> engine(IOException e, HttpServletResponse response) {
        if (response.isCommitted() || DisconnectedClientHelper.isClientDisconnectedException(e)) {
            return null;
        }
        LOG.warn("Refused: {}", e.getMessage());
        // What the platform says of a file is its path, which is nobody's business outside.
        String sentence = e instanceof FileSystemException
                ? "A file of this lab could not be read or written; the server's log names it."
                : Refusal.sentence(e).replace(home, "");
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, sentence, null);
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> denied(AccessDeniedException e) {
        return answer(HttpStatus.FORBIDDEN, "Only a manager may do this; ask one.", null);
    }

    /**
     * A problem as RFC 9457 writes it.
     *
     * @param field the form field that is meant; null when it is none
     */
    static ProblemDetail problem(HttpStatus status, String sentence, @Nullable String field) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, sentence);
        if (field != null) {
            problem.setProperty("field", field);
        }
        return problem;
    }

    private static ResponseEntity<ProblemDetail> answer(HttpStatus status, String sentence, @Nullable String field) {
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(problem(status, sentence, field));
    }
}
