package org.brantel.core.copying;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.CareProfile;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingListener;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.imaging.Orders;
import org.brantel.core.imaging.Unsound;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.Scan;
import org.brantel.core.scan.ScanListener;
import org.brantel.core.scan.ScanMethod;
import org.brantel.core.scan.ScanPlan;
import org.brantel.core.source.ForwardingSource;
import org.brantel.core.source.Source;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StraightCopyTest {

    private static final int LARGE = 70_000;

    @TempDir
    private Path folder;

    private final List<StraightCopy.Sum> sums = new ArrayList<>();

    /** Knows what it was asked for. */
    private static final class Watched extends ForwardingSource {
        private final RangeSet asked = new RangeSet();
        private boolean twice;

        Watched(Source inner) {
            super(inner);
        }

        @Override
        public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
            Range range = new Range(offset, length);
            twice |= asked.overlaps(range);
            asked.add(range);
            return super.read(offset, buffer, at, length);
        }
    }

    private Path image() {
        return folder.resolve("copy.img");
    }

    private Imager imager(Source source) throws IOException {
        return new Imager(source, image(), MapJournal.beside(image()), CareProfile.HEALTHY, new ImagingListener() {});
    }

    private ImagingResult copy(Source source) throws IOException {
        return copy(source, () -> false);
    }

    private ImagingResult copy(Source source, Orders orders) throws IOException {
        return imager(source).keep(new StraightCopy((sum, inAll) -> sums.add(sum)), orders);
    }

    private StraightCopy.Sum check() throws IOException {
        try (Source copy = Sources.open(image().toString())) {
            return StraightCopy.check(copy, files -> {}, () -> false);
        }
    }

    private byte[] medium(String name) throws IOException {
        return Files.readAllBytes(Corpus.image(name, folder));
    }

    private static Map<String, Corpus.TrueFile> live(String name) {
        return Corpus.files(name).stream()
                .filter(f -> f.state().equals("live"))
                .collect(Collectors.toMap(Corpus.TrueFile::path, Function.identity()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"d01-fat16", "d03-exfat", "d04-ntfs", "d06-ext4", "d12-fat32-healthy", "d14-ext3"})
    void everyFileThatIsThereIsCopiedAndNothingIsAskedForTwice(String name) throws IOException {
        Watched device = new Watched(new FaultySource(medium(name)));
        ImagingResult result = copy(device);
        assertThat(result.finished()).isTrue();
        assertThat(device.twice).isFalse();
        assertThat(result.readBytes()).isEqualTo(device.asked.total()).isLessThan(result.size() / 4);
        StraightCopy.Sum sum = check();
        assertThat(sums).containsExactly(sum);
        Map<String, Corpus.TrueFile> live = live(name);
        Map<String, Finding> found = scanned();
        live.forEach((path, file) -> {
            assertThat(found).as(name).containsKey(path);
            assertThat(found.get(path).sha256()).as(path).isEqualTo(file.sha256());
            assertThat(found.get(path).prognosis()).isEqualTo(Prognosis.WHOLE);
        });
        assertThat(sum.files()).isEqualTo(found.size()).isGreaterThanOrEqualTo(live.size());
    }

    /** What a scan of the copy finds that is there. */
    private Map<String, Finding> scanned() throws IOException {
        Path out = folder.resolve("scan");
        try (Source copy = Sources.open(image().toString())) {
            new Scan(copy, ScanPlan.of(ScanMethod.STRUCTURE).ofListed(true), new ScanListener() {}, Clock.systemUTC())
                    .run(out, () -> false);
        }
        Map<String, Finding> live = new HashMap<>();
        FindingsFile.read(out.resolve("findings.ndjson"), f -> {
            assertThat(f.origin()).isEqualTo(Origin.LIVE);
            live.put(String.valueOf(f.path()).replaceFirst("^/", ""), f);
        });
        return live;
    }

    @ParameterizedTest
    @ValueSource(strings = {"d01-fat16", "d03-exfat", "d04-ntfs", "d06-ext4"})
    void theContentOfWhatWasDeletedIsNotAskedFor(String name) throws IOException {
        copy(new FaultySource(medium(name)));
        RangeSet read =
                RangeSet.of(MapJournal.load(MapJournal.beside(image())).map().ranges(BlockState.READ));
        List<Corpus.TrueFile> deleted = Corpus.files(name).stream()
                .filter(f -> f.state().equals("deleted") && f.size() > LARGE)
                .toList();
        assertThat(deleted).isNotEmpty();
        // What lies in a block of records, or beside a file, may be read with it; never all of a large one.
        assertThat(deleted).noneMatch(f -> read.contains(new Range(f.firstByte(), f.size())));
    }

    @Test
    void aSpoiledBootSectorWithAGoodCopyIsDamageAllTheSame() throws IOException {
        byte[] bytes = medium("d12-fat32-healthy");
        java.util.Arrays.fill(bytes, 0, 512, (byte) 0);
        assertThatThrownBy(() -> copy(new FaultySource(bytes)))
                .isInstanceOf(Unsound.class)
                .hasMessageContaining("Its boot sector is spoiled");
        assertThat(sums).isEmpty();
    }

    @Test
    void aVolumeThatWasNotClosedCleanlyIsCopied() throws IOException {
        byte[] bytes = medium("d03-exfat");
        // VolumeFlags of the exFAT boot sector, section 3.1.13.2: volume dirty. They are no part of its checksum.
        bytes[106] |= 2;
        assertThat(copy(new FaultySource(bytes)).finished()).isTrue();
        check();
    }

    @Test
    void aSectorThatDoesNotReadEndsItAndAnImageGoesOnFromThere() throws IOException {
        byte[] bytes = medium("d12-fat32-healthy");
        Corpus.TrueFile bad = live("d12-fat32-healthy").values().stream()
                .filter(f -> f.size() > 50_000)
                .findFirst()
                .orElseThrow();
        Range dead = new Range(bad.firstByte() + 4096, 512);
        Watched device = new Watched(new FaultySource(bytes, dead));
        assertThatThrownBy(() -> copy(device))
                .isInstanceOf(Unsound.class)
                .hasMessageContaining("did not read, so the device is not sound");
        long kept = MapJournal.load(MapJournal.beside(image())).map().bytes(BlockState.READ);
        assertThat(kept).isPositive();
        ImagingResult whole = imager(new FaultySource(bytes, dead)).run(() -> false);
        assertThat(whole.finished()).isTrue();
        assertThat(whole.failedBytes()).isEqualTo(512);
        System.arraycopy(new byte[512], 0, bytes, (int) dead.offset(), 512);
        assertThat(Files.readAllBytes(image())).isEqualTo(bytes);
    }

    @Test
    void contentThatIsNotWhatItsKindSaysIsSeenByTheCheck() throws IOException {
        byte[] bytes = medium("d12-fat32-healthy");
        Corpus.TrueFile picture = live("d12-fat32-healthy").values().stream()
                .filter(f -> f.kind().equals("jpg"))
                .findFirst()
                .orElseThrow();
        java.util.Arrays.fill(bytes, (int) picture.firstByte(), (int) picture.firstByte() + 2048, (byte) 0x55);
        assertThat(copy(new FaultySource(bytes)).finished()).isTrue();
        assertThatThrownBy(this::check)
                .isInstanceOf(Unsound.class)
                .hasMessageContaining("1 of " + sums.get(0).files() + " files")
                .hasMessageContaining(picture.path());
    }

    @Test
    void aTableThatGivesOneClusterToTwoFilesIsSeen() throws IOException {
        byte[] bytes = medium("d12-fat32-healthy");
        // Both copies of the table: the chain of one file leads into another (fatgen103, section 4).
        int reserved = (bytes[14] & 0xff) | (bytes[15] & 0xff) << 8;
        int sectors = (bytes[36] & 0xff) | (bytes[37] & 0xff) << 8 | (bytes[38] & 0xff) << 16;
        int perCluster = bytes[13] & 0xff;
        long data = (reserved + 2L * sectors) * 512;
        List<Corpus.TrueFile> large = live("d12-fat32-healthy").values().stream()
                .filter(f -> f.size() > 4L * perCluster * 512)
                .limit(2)
                .toList();
        int first = (int) ((large.get(0).firstByte() - data) / (perCluster * 512L)) + 2;
        int other = (int) ((large.get(1).firstByte() - data) / (perCluster * 512L)) + 2;
        for (int copy = 0; copy < 2; copy++) {
            int at = (reserved + copy * sectors) * 512 + first * 4;
            for (int i = 0; i < 4; i++) {
                bytes[at + i] = (byte) (other >> 8 * i);
            }
        }
        copy(new FaultySource(bytes));
        assertThatThrownBy(this::check).isInstanceOf(Unsound.class).hasMessageContaining("files are not as they");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"d07-mbr-zeroed", "d08-gpt-primary-lost", "d09-raw-card", "d10-blank", "d13-ntfs-truncated"})
    void aMediumThatIsNotSoundSaysSoBeforeAnyFileIsRead(String name) throws IOException {
        byte[] bytes = medium(name);
        assertThatThrownBy(() -> copy(new FaultySource(bytes))).isInstanceOf(Unsound.class);
        assertThat(sums).isEmpty();
    }

    @Test
    void stoppedAtAnyRequestItGoesOnAndAsksForNothingAgain() throws IOException {
        byte[] bytes = medium("d06-ext4");
        for (int stopAt = 0; stopAt < 40; stopAt += 3) {
            Files.deleteIfExists(image());
            Files.deleteIfExists(MapJournal.beside(image()));
            int[] asked = {0};
            int most = stopAt;
            Watched device = new Watched(new FaultySource(bytes));
            ImagingResult part = copy(device, () -> asked[0]++ >= most);
            assertThat(part.finished()).isFalse();
            ImagingResult rest = copy(device);
            assertThat(rest.finished()).isTrue();
            assertThat(device.twice).as("stopped at " + stopAt).isFalse();
            assertThat(check()).isEqualTo(sums.get(sums.size() - 1));
        }
    }

    @Test
    void enoughEndsItWithWhatIsRead() throws IOException {
        int[] asked = {0};
        Orders enough = new Orders() {
            @Override
            public boolean stop() {
                return false;
            }

            @Override
            public boolean enough() {
                return asked[0]++ > 20;
            }
        };
        ImagingResult part = copy(new FaultySource(medium("d04-ntfs")), enough);
        assertThat(part.finished()).isTrue();
        assertThat(part.readBytes()).isPositive().isLessThan(part.size());
    }
}
