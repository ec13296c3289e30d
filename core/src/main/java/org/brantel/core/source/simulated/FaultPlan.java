package org.brantel.core.source.simulated;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * The JSON file behind {@code sim:FILE.json}, version 1: a backing image and the faults it shows. Documented in
 * docs/formats.md; what is left out has no effect.
 *
 * @param edition    the file's
 * @param backing    raw image, relative to the JSON file; {@code .gz} is unpacked once beside it
 * @param identity   what the device says of itself
 * @param sectorSize bytes; 0 means 512
 * @param zones      where it answers otherwise than a sound device
 * @param habits     how it bears faults
 * @param timing     what requests cost, or null for as fast as it goes
 * @param health     what its health readings show, or null when it gives none
 */
public record FaultPlan(
        @JsonUnwrapped Edition edition,
        String backing,
        @JsonUnwrapped Identity identity,
        int sectorSize,
        @JsonUnwrapped Zones zones,
        @JsonUnwrapped Habits habits,
        @Nullable Timing timing,
        @Nullable Health health) {

    /**
     * @param format  always {@code brantel-simulated-device}
     * @param version always 1
     */
    public record Edition(String format, int version) {
        public static final Edition PRESENT = new Edition(FORMAT, 1);
    }

    public record Identity(String make, String model, String serial) {
        public static final Identity NONE = new Identity("", "", "");
    }

    /**
     * @param dead     ranges that never read
     * @param clusters ranges in which a share of the sectors never reads
     * @param stripes  what a damaged head leaves: every so often a stretch that never reads
     * @param weak     ranges that read after a number of tries
     * @param slow     ranges that answer slowly
     * @param trimmed  ranges that the medium discarded: they read at once, as zeros
     */
    public record Zones(
            List<Dead> dead,
            List<Cluster> clusters,
            List<Stripes> stripes,
            List<Weak> weak,
            List<Slow> slow,
            List<Dead> trimmed) {
        public Zones {
            dead = orNone(dead);
            clusters = orNone(clusters);
            stripes = orNone(stripes);
            weak = orNone(weak);
            slow = orNone(slow);
            trimmed = orNone(trimmed);
        }

        private static <T> List<T> orNone(@Nullable List<T> list) {
            return list == null ? List.of() : List.copyOf(list);
        }
    }

    /**
     * @param onFault what becomes of a request that meets a bad sector: {@code goes-on}, {@code stops},
     *                {@code fails-whole}
     * @param harm    what reading a bad sector does to its neighbours, or null
     * @param dropOut when the device stops answering, or null
     */
    public record Habits(
            String onFault, @Nullable Harm harm, @Nullable DropOut dropOut) {
        public Habits {
            onFault = onFault == null ? "goes-on" : onFault;
        }

        /** @throws IllegalArgumentException when it names none of the three */
        OnFault habit() {
            return OnFault.valueOf(onFault.toUpperCase(Locale.ROOT).replace('-', '_'));
        }
    }

    static final String FORMAT = "brantel-simulated-device";

    /** What becomes of a request that meets a bad sector. */
    public enum OnFault {
        /** Every sector that reads is delivered, every one that does not is named. */
        GOES_ON,
        /** What stands before the first bad sector is delivered, that sector is named, the rest is not reached. */
        STOPS,
        /** The whole request fails, and nobody says where. */
        FAILS_WHOLE
    }

    public record Dead(long offset, long length) {}

    /** @param share of the sectors, 0 to 1, chosen by {@code seed} */
    public record Cluster(long offset, long length, double share, long seed) {}

    /**
     * @param period bytes from the start of one stripe to the next
     * @param dead bytes of each that never read
     */
    public record Stripes(long offset, long length, long period, long dead) {}

    /** @param tries reads of a sector that fail before it reads */
    public record Weak(long offset, long length, int tries) {}

    /** @param microsPerSector delay for each sector read there */
    public record Slow(long offset, long length, long microsPerSector) {}

    /**
     * @param mibPerSecond  of plain reading; 0 for no limit
     * @param requestMicros of every request
     * @param seekMillis    of a request that does not begin where the last one ended
     * @param faultMillis   that the device tries on its own at a bad sector
     */
    public record Timing(double mibPerSecond, double requestMicros, double seekMillis, double faultMillis) {}

    /**
     * Each fault may spoil a sector near it that still read.
     *
     * @param reach  sectors to either side
     * @param chance 0 to 1 for each fault
     */
    public record Harm(int reach, double chance, long seed) {}

    /**
     * Counted from opening; 0 for never.
     *
     * @param afterReads  requests that are answered before the device goes away
     * @param afterFaults faults that it bears before it goes away
     * @param backSeconds after which it is there again by itself; 0 when somebody has to attach it anew
     */
    public record DropOut(long afterReads, long afterFaults, double backSeconds) {}

    /**
     * Readings as ATA SMART data; see the health package.
     *
     * @param celsius       at rest
     * @param celsiusMost   after long work
     * @param warmSeconds   of work that bring it two thirds of the way; 0 means 1200. It cools down four times as fast
     * @param perFault      counters that grow with each fault
     */
    public record Health(
            int celsius,
            int celsiusMost,
            double warmSeconds,
            long powerOnHours,
            long reallocated,
            long pending,
            long uncorrectable,
            Growth perFault) {}

    /** Added at each fault; fractions add up. */
    public record Growth(double reallocated, double pending, double uncorrectable) {}

    public FaultPlan {
        sectorSize = sectorSize == 0 ? 512 : sectorSize;
    }
}
