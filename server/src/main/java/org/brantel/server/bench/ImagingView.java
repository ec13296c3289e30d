package org.brantel.server.bench;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.util.List;
import java.util.OptionalLong;
import org.brantel.core.imaging.StopLimits;
import org.brantel.server.work.Standing;
import org.jspecify.annotations.Nullable;

/**
 * An imaging session as others see it.
 *
 * @param device of the case that it reads
 * @param files  that it copies instead of reading all of the device; absent where it reads all
 */
public record ImagingView(
        long id,
        String caseNumber,
        long device,
        long attachmentId,
        @JsonUnwrapped Standing standing,
        @JsonUnwrapped Sum sum,
        @JsonUnwrapped Course course,
        @JsonUnwrapped Care care,
        @JsonUnwrapped Kept kept,
        @Nullable Files files) {

    /** How much of what is to be read has been, 0 to 1; of a straight copy, of its records and files. */
    public double share() {
        long all = inAll().orElse(sum.size());
        return all == 0 ? 0 : (double) sum.readBytes() / all;
    }

    /** Bytes that will have been asked for at its end; not known while the records of a straight copy are read. */
    OptionalLong inAll() {
        if (files == null) {
            return OptionalLong.of(sum.size());
        }
        Long all = files.inAll();
        return all == null ? OptionalLong.empty() : OptionalLong.of(all);
    }

    /**
     * What became of the medium's bytes so far.
     *
     * @param failedPlaces stretches of them
     * @param faults       requests that met a fault
     */
    public record Sum(long size, long readBytes, long failedBytes, long deferredBytes, int failedPlaces, long faults) {}

    /**
     * Where it reads.
     *
     * @param head          byte of the medium
     * @param rate          bytes a second just now
     * @param cells         the read ribbon: one character for each equal stretch, see {@link RibbonCells}
     * @param rates         MiB/s at which each stretch was read, comma-separated, empty where it was not
     * @param runningMillis how long it has been at work, pauses left out
     */
    public record Course(
            String pass,
            long head,
            double rate,
            String cells,
            String rates,
            long runningMillis,
            List<ImagingSession.PassWork> passes) {}

    /**
     * How gently, and what holds it up.
     *
     * @param limits       in force
     * @param rateLimit    bytes a second that it may read; 0 for no limit
     * @param reached      the limit that it stopped at, in a word
     * @param vanishedAt   when its device went away; it goes on by itself when the same one is seen again. Absent while
     *                     it is there, and where nobody can see by himself whether it is back
     * @param resting      why it makes no request just now, though it is at work
     * @param restAsked    whether a person asked for the rest
     */
    public record Care(
            String profile,
            StopLimits limits,
            long rateLimit,
            @Nullable String reached,
            @Nullable Instant vanishedAt,
            @Nullable String resting,
            @Nullable Instant restingSince,
            boolean restAsked) {}

    /**
     * A straight copy.
     *
     * @param reason  why the device is not read as a whole
     * @param count   files that its records list; absent while they are being read
     * @param inAll   bytes that will have been read at its end, records and files; absent as long
     * @param checked how many of them were checked so far, once all are read; absent before
     * @param leftOut volumes of which nothing is copied, each with the reason
     * @param unsound why it stopped by itself, in a sentence: so the device has to be imaged
     */
    public record Files(
            String reason,
            @Nullable Long count,
            @Nullable Long inAll,
            @Nullable Long checked,
            List<String> leftOut,
            @Nullable String unsound) {}

    /**
     * The image that it writes.
     *
     * @param image       name of its file
     * @param goesOnFrom  the earlier session of the same device that began it
     * @param hashedBytes of it so far, once reading is over
     * @param endedEarly  somebody said that enough was read
     * @param recheck     what the last recheck of the image against its hashes said
     * @param elsewhere   the lab that did the session and has its image; absent for our own
     */
    public record Kept(
            String image,
            @Nullable Long goesOnFrom,
            long hashedBytes,
            @Nullable String sha256,
            boolean endedEarly,
            @Nullable String recheck,
            @Nullable String elsewhere) {}
}
