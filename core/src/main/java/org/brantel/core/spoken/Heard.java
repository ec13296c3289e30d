package org.brantel.core.spoken;

import java.time.LocalDate;
import java.util.List;
import org.brantel.core.wanted.WantedLine;
import org.jspecify.annotations.Nullable;

/**
 * What a spoken line says. Places are half-open, in UTF-16 units of the line.
 *
 * @param facts    each with where it was heard
 * @param capacity bytes, or null
 * @param deadline when it is needed, or null
 * @param wanted   what the caller would like to have back
 * @param caller   who calls
 * @param others   devices that were named beside the one that the facts are of
 * @param takenBack what was said and then taken back by what was said instead
 */
public record Heard(
        List<Fact> facts,
        @Nullable Capacity capacity,
        @Nullable Deadline deadline,
        List<Wanted> wanted,
        Caller caller,
        List<Device> others,
        List<TakenBack> takenBack) {

    /** @param words as they stand in the line */
    public record Fact(String code, String value, int from, int to, String words) {}

    public record Capacity(long bytes, int from, int to, String words) {}

    public record Deadline(LocalDate day, int from, int to, String words) {}

    public record Wanted(WantedLine line, int from, int to) {}

    /** A stretch of the line. */
    public record Place(int from, int to) {}

    /**
     * What is not said is empty.
     *
     * @param places everything in the line that is about reaching somebody
     */
    public record Caller(String name, String phone, String email, List<Place> places) {

        public boolean isKnown() {
            return !name.isEmpty() || !phone.isEmpty() || !email.isEmpty();
        }
    }

    /**
     * Words that count no longer.
     *
     * @param by where what was said instead begins
     */
    public record TakenBack(int from, int to, String words, int by) {}

    /** @param type of the codes of {@code medium.type} */
    public record Device(String type, int from, int to, String words) {}
}
