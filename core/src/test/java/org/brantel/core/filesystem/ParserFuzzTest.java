package org.brantel.core.filesystem;

import com.code_intelligence.jazzer.api.FuzzedDataProvider;
import com.code_intelligence.jazzer.junit.FuzzTest;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extents;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.brantel.core.volume.VolumeSearch;
import org.brantel.core.volume.Volumes;

/**
 * Every parser against hostile volumes. An input is a list of patches over a small volume's metadata: where, how many
 * bytes, which. What is whole must be there; no input may make a walk throw, or take long.
 *
 * <p>{@code ./brantel test} runs what is in the test resources; {@code scripts/fuzz} goes on from there.
 */
class ParserFuzzTest {

    /** Time that the walk itself took, on however busy a machine. */
    private static final ThreadMXBean CLOCK = ManagementFactory.getThreadMXBean();

    private static final long LONGEST_NANOS = 10_000_000_000L;
    private static final Map<String, byte[]> VOLUMES = new HashMap<>();
    private static final Map<String, int[]> METADATA = new HashMap<>();

    @FuzzTest(maxDuration = "30m")
    void ntfs(FuzzedDataProvider data) throws IOException {
        survives("ntfs", data);
    }

    @FuzzTest(maxDuration = "30m")
    void exfat(FuzzedDataProvider data) throws IOException {
        survives("exfat", data);
    }

    @FuzzTest(maxDuration = "30m")
    void fat(FuzzedDataProvider data) throws IOException {
        survives("fat12", data);
    }

    @FuzzTest(maxDuration = "30m")
    void ext4(FuzzedDataProvider data) throws IOException {
        survives("ext4", data);
    }

    @FuzzTest(maxDuration = "30m")
    void ext2(FuzzedDataProvider data) throws IOException {
        survives("ext2", data);
    }

    @FuzzTest(maxDuration = "30m")
    void iso(FuzzedDataProvider data) throws IOException {
        survives("iso", data);
    }

    @FuzzTest(maxDuration = "30m")
    void udf(FuzzedDataProvider data) throws IOException {
        survives("udf", data);
    }

    @FuzzTest(maxDuration = "30m")
    void partitionTable(FuzzedDataProvider data) throws IOException {
        survives("table", data);
    }

    private static void survives(String name, FuzzedDataProvider data) throws IOException {
        byte[] bytes = patched(name, data);
        long began = CLOCK.getCurrentThreadCpuTime();
        FaultySource source = new FaultySource(bytes);
        List<String> problems = new ArrayList<>();
        for (Volumes.Found found : VolumeSearch.all(source, true, problems)) {
            Collected told = new Collected(problems);
            found.reader()
                    .walk(new Walk(
                            found.volume().index(),
                            false,
                            told,
                            () -> CLOCK.getCurrentThreadCpuTime() - began > LONGEST_NANOS));
            told.findings().forEach(f -> judge(f, source));
        }
        long took = CLOCK.getCurrentThreadCpuTime() - began;
        if (took > LONGEST_NANOS) {
            throw new AssertionError("it took " + took / 1_000_000 + " ms");
        }
    }

    private static void judge(Finding f, FaultySource source) {
        boolean there = f.content(source)
                .knownUnread(new Range(0, Math.max(0, f.size())))
                .isEmpty();
        if (f.prognosis() == Prognosis.WHOLE
                && (!there || f.encoding() == null && Extents.length(f.extents()) != f.size())) {
            throw new AssertionError(f.path() + " is called whole and is not there: " + f);
        }
        if (f.size() < 0 || f.score() < 0 || f.score() > 100 || f.reasons().isEmpty()) {
            throw new AssertionError("not a finding: " + f);
        }
    }

    private static byte[] patched(String name, FuzzedDataProvider data) throws IOException {
        byte[] bytes = VOLUMES.computeIfAbsent(name, ParserFuzzTest::load).clone();
        int[] sectors = METADATA.get(name);
        if (sectors == null) {
            sectors = metadata(bytes);
            METADATA.put(name, sectors);
        }
        while (data.remainingBytes() > 4) {
            int at = sectors[data.consumeInt(0, sectors.length - 1)] * 512 + data.consumeInt(0, 511);
            byte[] patch = data.consumeBytes(data.consumeInt(1, 12));
            System.arraycopy(patch, 0, bytes, at, Math.min(patch.length, bytes.length - at));
        }
        return bytes;
    }

    private static byte[] load(String name) {
        return name.equals("table") ? PartitionedSeed.disk() : Seeds.volume(name);
    }

    /** The sectors that the sound volume is walked by. */
    private static int[] metadata(byte[] bytes) throws IOException {
        Seeds.Noting source = new Seeds.Noting(bytes);
        for (Volumes.Found found : Volumes.listed(source, new ArrayList<>())) {
            found.reader().walk(new Walk(0, false, FindingSink.NONE, () -> false));
        }
        TreeSet<Integer> sectors = new TreeSet<>();
        for (Range asked : source.asked()) {
            for (long at = asked.offset() / 512; at * 512 < asked.end() && at * 512 + 512 <= bytes.length; at++) {
                if (!isZero(bytes, (int) at * 512)) {
                    sectors.add((int) at);
                }
            }
        }
        return sectors.stream().mapToInt(i -> i).toArray();
    }

    private static boolean isZero(byte[] bytes, int at) {
        for (int i = 0; i < 512; i++) {
            if (bytes[at + i] != 0) {
                return false;
            }
        }
        return true;
    }
}
