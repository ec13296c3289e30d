package org.brantel.server.words;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/** Words of findings as the wire has them. */
public final class WordsViews {

    private WordsViews() {}

    /**
     * How far the words of a case can be searched.
     *
     * @param documents findings whose words can be read
     * @param looked    how many of them were tried
     * @param said      in how many there are words
     * @param closed    why nobody may read or search them; absent where the customer agreed
     * @param run       the newest; absent where nobody asked for it yet
     */
    public record State(
            long documents,
            long looked,
            long said,
            @Nullable String closed,
            @Nullable Run run) {}

    /**
     * @param total      findings that are to be tried, {@code done} of them were
     * @param nothing    without words
     * @param unreadable locked, damaged, too large or given up
     */
    public record Run(long id, @JsonUnwrapped Standing standing, int total, int done, int nothing, int unreadable) {}

    /** @param asked whether these are words that were asked for */
    public record Piece(String text, boolean asked) {}

    /**
     * Where words stand in a text.
     *
     * @param sentence how far its words were read, or why they stay closed
     * @param pieces   of its text, in order; empty where the words do not stand in it
     */
    public record Excerpt(String sentence, List<Piece> pieces) {}
}
