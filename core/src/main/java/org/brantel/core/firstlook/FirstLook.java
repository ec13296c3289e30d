package org.brantel.core.firstlook;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Identity;
import org.brantel.core.source.IdentityCheck;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.volume.Volumes;

/**
 * Looks at an attached device: is it what the case says, does it read, is there a file system. Reads a few small blocks
 * spread over the device and stops early when it reads badly or slowly; nothing is read twice.
 */
public final class FirstLook {

    /**
     * One observed fact.
     *
     * @param how what it rests on, in words
     */
    public record Seen(String code, String value, String how) {}

    private static final int PLACES = 48;
    private static final int BLOCK = 64 << 10;
    private static final int MANY_FAULTS = 6;
    private static final long LONGEST_NANOS = 6_000_000_000L;

    private final Source source;
    private final List<Seen> seen = new ArrayList<>();
    private int read;
    private int faults;
    private boolean gone;

    private FirstLook(Source source) {
        this.source = source;
    }

    /** @param expected what the case says about the device; size 0 when it does not say */
    public static List<Seen> at(Source source, Identity expected) throws IOException {
        FirstLook look = new FirstLook(source);
        look.identity(expected);
        look.reads();
        look.fileSystem();
        return List.copyOf(look.seen);
    }

    private void identity(Identity expected) {
        IdentityCheck check = IdentityCheck.compare(expected, source.identity());
        List<String> differing = check.lines().stream()
                .filter(l -> l.verdict() == IdentityCheck.Verdict.DIFFERS && l.what() != IdentityCheck.What.SIZE)
                .map(l -> l.what().word())
                .toList();
        boolean anyEqual = check.lines().stream()
                .anyMatch(l -> l.verdict() == IdentityCheck.Verdict.EQUAL && l.what() != IdentityCheck.What.SIZE);
        if (!differing.isEmpty() || anyEqual) {
            add(
                    "bench.identity",
                    differing.isEmpty() ? "matches" : "differs",
                    differing.isEmpty()
                            ? "serial or model are the case's"
                            : String.join(" and ", differing) + (differing.size() == 1 ? " differs" : " differ")
                                    + " from the case's");
        }
        IdentityCheck.Line size = check.lines().stream()
                .filter(l -> l.what() == IdentityCheck.What.SIZE)
                .findFirst()
                .orElseThrow();
        if (source.size() == 0) {
            add("bench.capacity", "zero", "it reports 0 bytes");
        } else if (size.verdict() != IdentityCheck.Verdict.SILENT) {
            add(
                    "bench.capacity",
                    size.verdict() == IdentityCheck.Verdict.EQUAL ? "matches" : "wrong",
                    "it reports " + source.size() + " bytes, the case says " + expected.size());
        }
    }

    private void reads() throws IOException {
        long began = System.nanoTime();
        byte[] buffer = new byte[BLOCK];
        for (int i = 0; i < PLACES && faults < MANY_FAULTS && !gone && System.nanoTime() - began < LONGEST_NANOS; i++) {
            long at = source.size() / PLACES * i / source.sectorSize() * source.sectorSize();
            int length = (int) Math.min(BLOCK, source.size() - at);
            if (length <= 0) {
                break;
            }
            try {
                ReadOutcome outcome = source.read(at, buffer, 0, length);
                read++;
                faults += outcome.isClean() ? 0 : 1;
            } catch (SourceException.Gone e) {
                gone = true;
            }
        }
        String places = read == 1 ? "one place" : read + " places";
        add("bench.detected", gone ? "comes-and-goes" : "yes", gone ? "it dropped out after " + places : "it answers");
        if (read > 0 || gone) {
            String value = faults == 0 && !gone
                    ? "clean"
                    : read > 0 && faults == read || read == 0
                            ? "none"
                            : faults >= MANY_FAULTS ? "many-errors" : "some-errors";
            add(
                    "bench.read",
                    value,
                    faults + " of " + places + " had a fault, in "
                            + Math.round((System.nanoTime() - began) / 1e8) / 10.0 + " s");
        }
    }

    private void fileSystem() throws IOException {
        if (gone || source.size() == 0 || faults >= MANY_FAULTS) {
            return;
        }
        List<String> problems = new ArrayList<>();
        List<Volumes.Found> found;
        try {
            found = Volumes.listed(source, problems);
        } catch (SourceException e) {
            return; // says nothing about the file system
        }
        if (!found.isEmpty()) {
            add(
                    "bench.filesystem",
                    problems.isEmpty() ? "sound" : "damaged",
                    problems.isEmpty() ? found.get(0).volume().fs() + " with a sound head" : problems.get(0));
        } else {
            add(
                    "bench.filesystem",
                    problems.isEmpty() ? "none" : "unknown-kind",
                    problems.isEmpty() ? "neither a file system nor a table was found" : problems.get(0));
        }
    }

    private void add(String code, String value, String how) {
        seen.add(new Seen(code, value, how));
    }
}
