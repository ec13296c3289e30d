package org.brantel.core.question;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.jspecify.annotations.Nullable;

/** What must hold of a finding. Texts are compared in any case. */
public sealed interface Condition {

    /** All of them hold; of none, anything does. */
    record Every(List<Condition> of) implements Condition {}

    /** One of them holds at least. */
    record Any(List<Condition> of) implements Condition {}

    record Not(Condition of) implements Condition {}

    /** @param codes of the kinds that are meant */
    record Kind(Set<String> codes) implements Condition {}

    /**
     * When it was made, as its content says, else its record. Both days are within.
     *
     * @param from null where it has no beginning
     * @param to   null where it has no end
     */
    record Made(@Nullable LocalDate from, @Nullable LocalDate to) implements Condition {}

    /**
     * When it was deleted, where a record says that. Both days are within.
     *
     * @param from null where it has no beginning
     * @param to   null where it has no end
     */
    record Deleted(@Nullable LocalDate from, @Nullable LocalDate to) implements Condition {}

    /**
     * Bytes; both bounds are within.
     *
     * @param least 0 where there is none
     * @param most  {@link Long#MAX_VALUE} where there is none
     */
    record Size(long least, long most) implements Condition {}

    /**
     * It stands in a folder, or below one, whose name has these letters.
     *
     * @param name {@code *} and {@code ?} as in {@link Called}
     * @param whole the name has nothing but these letters; with strokes, they are names of folders in each other
     */
    record Folder(String name, boolean whole) implements Condition {}

    /**
     * Its name, today or before, is like this.
     *
     * @param pattern {@code *} for any letters, {@code ?} for one
     */
    record Called(String pattern) implements Condition {}

    /** What made it, as its content says, has this in its name. */
    record MadeWith(String device) implements Condition {}

    record Found(Origin origin) implements Condition {}

    record Intact(Set<Prognosis> prognoses) implements Condition {}

    /** A scan session found it. */
    record InSession(long session) implements Condition {}

    /** @param device of the case on which a session found it */
    record OnDevice(long device) implements Condition {}

    /** @param session null for any that numbers its volumes so */
    record InVolume(int number, @Nullable Long session) implements Condition {}

    /**
     * It may answer wanted lines.
     *
     * @param lines by their records' numbers; any of them
     * @param sure  only what fits, not what may fit
     */
    record Wanted(List<Long> lines, boolean sure) implements Condition {}

    /** Somebody chose it for recovery. */
    record Chosen() implements Condition {}

    /** The lab says whose it is. */
    record Said(Whose whose) implements Condition {}

    /**
     * The lab gave it a tag.
     *
     * @param tag in any case; null for any tag
     */
    record Tagged(@Nullable String tag) implements Condition {}

    /** The lab wrote a note on it. */
    record Noted() implements Condition {}

    /** The lab gave it another name. */
    record Renamed() implements Condition {}

    /** It was deleted into the trash. */
    record Trashed() implements Condition {}

    /** No record names it. */
    record Nameless() implements Condition {}

    /** It is of the kind of a line of the catalogue, and made with the same device or standing in the same folder. */
    record Like(long line) implements Condition {}

    /** The words stand in its text, as far as that was read. */
    record Inside(String words) implements Condition {}

    /**
     * The words stand in its name, its folders, other names of it, what the lab remarked, what its content says of
     * itself, or its text as far as that was read.
     */
    record Text(String words) implements Condition {}
}
