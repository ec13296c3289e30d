package org.brantel.server.remark;

import com.fasterxml.jackson.annotation.JsonValue;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.brantel.core.question.Whose;
import org.jspecify.annotations.Nullable;

/** Remarks as the wire has them. */
public final class RemarkViews {

    /** The longest name that any system holds. */
    static final int LONGEST_NAME = 255;

    static final int LONGEST_TAG = 40;
    static final int LONGEST_NOTE = 2000;

    /** Lines that one change is about. */
    public static final int MOST = 2000;

    private RemarkViews() {}

    /**
     * What the lab remarked on a finding.
     *
     * @param called the name that it gets in a delivery, in place of its own
     * @param who    changed it last
     */
    public record Remark(
            @Nullable Whose whose,
            List<String> tags,
            @Nullable String called,
            @Nullable String note,
            String who,
            Instant at) {}

    /** Whose it is from now on. */
    public enum Says {
        THEIRS(Whose.THEIRS),
        NOT_THEIRS(Whose.NOT_THEIRS),
        /** Nobody says any more. */
        UNSAID(null);

        private final @Nullable Whose whose;

        Says(@Nullable Whose whose) {
            this.whose = whose;
        }

        @Nullable
        Whose whose() {
            return whose;
        }

        /** As the API writes it. */
        @JsonValue
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * What is remarked anew; what is absent stays as it is.
     *
     * @param chosen all that are chosen, instead of single lines
     * @param tag    to be given, {@code untag} to be taken away
     * @param called empty to give each its own name back
     * @param note   empty for none
     */
    public record Remarking(
            @NotNull @Size(max = MOST, message = "A remark is made on at most 2,000 findings at once.")
            List<@NotNull Long> lines,

            boolean chosen,

            @Nullable Says whose,

            @Nullable @Size(max = LONGEST_TAG, message = "A tag has at most 40 letters.")
            String tag,

            @Nullable String untag,

            @Nullable
            @Size(max = LONGEST_NAME, message = "A name has at most 255 letters.")
            @Pattern(
                    regexp = "[^/\\x00-\\x1f\\x7f]*",
                    message = "A name holds no '/' and no line breaks; take them out.")
            String called,

            @Nullable @Size(max = LONGEST_NOTE, message = "A note has at most 2,000 letters.")
            String note) {}

    /** A remark as it was before. */
    public record Before(
            long line,
            @Nullable Whose whose,
            @NotNull List<String> tags,
            @Nullable String called,
            @Nullable String note) {}

    /**
     * What a change of remarks was about, and how it is taken back.
     *
     * @param at     when; by it the change is known
     * @param before of the lines that are otherwise now
     */
    public record Remarked(
            Instant at, @NotNull @Size(max = MOST) List<@NotNull Before> before) {}

    /** @param files how many have it */
    public record Tag(String tag, long files) {}
}
