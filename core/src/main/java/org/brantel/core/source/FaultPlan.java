package org.brantel.core.source;

import java.util.List;

/**
 * The JSON file behind {@code sim:FILE.json}, version 1: a backing image and the faults it shows. Documented in
 * docs/formats.md.
 *
 * @param format     always {@code brantel-simulated-device}
 * @param version    always 1
 * @param backing    raw image, relative to the JSON file; {@code .gz} is unpacked once beside it
 * @param make       identity the device reports
 * @param sectorSize bytes; 0 means 512
 * @param dead       ranges that never read
 * @param weak       ranges that read after a number of tries
 * @param slow       ranges that answer slowly
 * @param dropOut    when the device stops answering, or null
 */
record FaultPlan(String format, int version, String backing, String make, String model, String serial, int sectorSize,
                 List<Dead> dead, List<Weak> weak, List<Slow> slow, DropOut dropOut) {

    static final String FORMAT = "brantel-simulated-device";

    record Dead(long offset, long length) { }

    /** @param tries reads of a sector that fail before it reads */
    record Weak(long offset, long length, int tries) { }

    /** @param microsPerSector delay for each sector read there */
    record Slow(long offset, long length, long microsPerSector) { }

    /** @param afterReads reads that succeed before the device goes away, counted from opening */
    record DropOut(long afterReads) { }

    FaultPlan {
        dead = dead == null ? List.of() : List.copyOf(dead);
        weak = weak == null ? List.of() : List.copyOf(weak);
        slow = slow == null ? List.of() : List.copyOf(slow);
        sectorSize = sectorSize == 0 ? 512 : sectorSize;
    }
}
