package org.brantel.server.platform;

import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** Something that is refused; the message is one sentence that says what is wrong and what to do. */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final @Nullable String field;

    private Refusal(HttpStatus status, @Nullable String field, String sentence) {
        super(sentence);
        this.status = status;
        this.field = field;
    }

    public static Refusal badInput(@Nullable String field, String sentence) {
        return new Refusal(HttpStatus.BAD_REQUEST, field, sentence);
    }

    public static Refusal missing(String sentence) {
        return new Refusal(HttpStatus.NOT_FOUND, null, sentence);
    }

    /** The state of the record does not allow it, or somebody else changed it first. */
    public static Refusal conflict(String sentence) {
        return new Refusal(HttpStatus.CONFLICT, null, sentence);
    }

    /** A rule of the lab forbids it as things stand; the sentence says which, and what would open the lock. */
    public static Refusal locked(String sentence) {
        return new Refusal(HttpStatus.LOCKED, null, sentence);
    }

    public static Refusal notAllowed(String sentence) {
        return new Refusal(HttpStatus.FORBIDDEN, null, sentence);
    }

    public static Refusal notSignedIn(String sentence) {
        return new Refusal(HttpStatus.UNAUTHORIZED, null, sentence);
    }

    /** @param field what is asked for beside what was given */
    public static Refusal notSignedIn(String field, String sentence) {
        return new Refusal(HttpStatus.UNAUTHORIZED, field, sentence);
    }

    public static Refusal tooOften(String sentence) {
        return new Refusal(HttpStatus.TOO_MANY_REQUESTS, null, sentence);
    }

    public static Refusal tooLarge(String sentence) {
        return new Refusal(HttpStatus.CONTENT_TOO_LARGE, null, sentence);
    }

    /** The disk took no more. */
    public static Refusal noRoom(String sentence) {
        return new Refusal(HttpStatus.INSUFFICIENT_STORAGE, null, sentence);
    }

    public static Refusal gone(String sentence) {
        return new Refusal(HttpStatus.GONE, null, sentence);
    }

    /** What an exception says, where the sentence is its own. */
    public static String sentence(Throwable e) {
        String said = e.getMessage();
        return said == null ? e.toString() : said;
    }

    public HttpStatus status() {
        return status;
    }

    public @Nullable String field() {
        return field;
    }
}
