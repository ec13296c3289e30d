package org.brantel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.brantel.core.bytes.Range;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.image.BlockState;
import org.brantel.core.image.MapJournal;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.testing.Corpus;
import org.brantel.core.volume.Volume;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

class ScanTest {

    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-11-24T09:00:00Z"), ZoneOffset.UTC);

    @TempDir
    private Path folder;

    private ScanReport scan(Path image, ScanPlan plan) throws IOException {
        try (Source source = Sources.open(image.toString())) {
            return new Scan(source, plan, ScanListener.NONE, CLOCK).run(folder.resolve("out"), () -> false);
        }
    }

    private List<Finding> findings() throws IOException {
        List<Finding> found = new ArrayList<>();
        FindingsFile.read(folder.resolve("out/findings.ndjson"), found::add);
        return found;
    }

    @Test
    void theSessionFileSaysWhatWasDoneAndFound() throws IOException {
        Path image = Corpus.image("d01-fat16", folder);
        ScanReport report = scan(image, ScanPlan.of(ScanMethod.BOTH));
        ScanReport written = Json.read(folder.resolve("out/session.json"), ScanReport.class, "session");
        assertThat(written.edition().format()).isEqualTo("brantel-scan-session");
        assertThat(written.edition().version()).isEqualTo(1);
        assertThat(written.started()).isEqualTo("2026-11-24T09:00:00Z");
        assertThat(written.method()).isEqualTo(ScanMethod.BOTH);
        assertThat(written.volumes())
                .hasSize(1)
                .allMatch(v -> v.fs().equals("fat16") && v.state() == Volume.State.LIVE);
        assertThat(written.findings()).isEqualTo(findings().size()).isEqualTo(report.findings());
        assertThat(written.tally().origins().values().stream().mapToLong(n -> n).sum())
                .isEqualTo(written.findings());
        assertThat(findings())
                .extracting(Finding::id)
                .containsExactlyElementsOf(java.util.stream.LongStream.rangeClosed(1, written.findings())
                        .boxed()
                        .toList());
    }

    @Test
    void aVolumeInAPartitionIsFoundWhereItsTableSays() throws IOException {
        byte[] volume = Files.readAllBytes(Corpus.image("d01-fat16", folder));
        int start = 2048 * 512;
        byte[] disk = new byte[start + volume.length];
        System.arraycopy(volume, 0, disk, start, volume.length);
        disk[446 + 4] = 6;
        put32(disk, 446 + 8, 2048);
        put32(disk, 446 + 12, volume.length / 512);
        disk[510] = 0x55;
        disk[511] = (byte) 0xaa;
        ScanReport report = scan(
                Files.write(folder.resolve("disk.img"), disk),
                ScanPlan.of(ScanMethod.STRUCTURE).hashing(true));
        assertThat(report.volumes()).hasSize(1).allMatch(v -> v.startByte() == start);
        Set<String> hashes = Set.copyOf(Corpus.files("d01-fat16").stream()
                .filter(f -> f.state().equals("live"))
                .map(Corpus.TrueFile::sha256)
                .toList());
        assertThat(findings().stream().map(Finding::sha256).filter(hashes::contains))
                .hasSize(hashes.size());
    }

    private static void put32(byte[] bytes, int at, long value) {
        for (int i = 0; i < 4; i++) {
            bytes[at + i] = (byte) (value >> (8 * i));
        }
    }

    @Test
    void unreadRangesOfAnImageMakeFilesGapped() throws IOException {
        Path image = Corpus.image("d12-fat32-healthy", folder);
        Finding victim = Corpus.files("d12-fat32-healthy").stream()
                .filter(f -> f.size() > 20_000)
                .findFirst()
                .map(f -> {
                    try {
                        scan(image, ScanPlan.of(ScanMethod.STRUCTURE));
                        return findings().stream()
                                .filter(x -> x.size() == f.size())
                                .findFirst()
                                .orElseThrow();
                    } catch (IOException e) {
                        throw new AssertionError(e);
                    }
                })
                .orElseThrow();
        long size = Files.size(image);
        Range hole = new Range(victim.firstByte() + 4096, 1024);
        try (MapJournal journal = MapJournal.create(MapJournal.beside(image), Sources.open(image.toString()))) {
            journal.note(new Range(0, hole.offset()), BlockState.READ, "sweep");
            journal.note(hole, BlockState.FAILED, "single-sector");
            journal.note(new Range(hole.end(), size - hole.end()), BlockState.READ, "sweep");
            journal.flush();
        }
        scan(image, ScanPlan.of(ScanMethod.BOTH).hashing(true));
        Finding now = findings().stream()
                .filter(f -> victim.path().equals(f.path()))
                .findFirst()
                .orElseThrow();
        assertThat(now.prognosis()).isEqualTo(Prognosis.GAPPED);
        assertThat(now.sha256()).isNull();
        assertThat(now.reasons().get(0)).startsWith("1024 of " + now.size());
    }

    @Test
    void aTruncatedImageIsScannedAsFarAsItGoes() throws IOException {
        byte[] whole = Files.readAllBytes(Corpus.image("d12-fat32-healthy", folder));
        Path cut = Files.write(folder.resolve("cut.img"), Arrays.copyOf(whole, 1_600_000));
        ScanReport report = scan(cut, ScanPlan.of(ScanMethod.BOTH).hashing(true));
        assertThat(report.account().problems()).anyMatch(p -> p.contains("claims " + whole.length));
        Set<String> right = Set.copyOf(Corpus.files("d12-fat32-healthy").stream()
                .map(Corpus.TrueFile::sha256)
                .distinct()
                .toList());
        assertThat(findings())
                .filteredOn(f -> f.prognosis() == Prognosis.WHOLE)
                .isNotEmpty()
                .allMatch(f -> right.contains(f.sha256()));
        assertThat(findings())
                .filteredOn(f -> f.prognosis() == Prognosis.GAPPED)
                .isNotEmpty();
    }

    @Test
    void onlyWantedKindsAreKept() throws IOException {
        scan(Corpus.image("d01-fat16", folder), ScanPlan.of(ScanMethod.BOTH).ofKinds(Set.of("jpg", "pdf")));
        assertThat(findings()).isNotEmpty().allMatch(f -> Set.of("jpg", "pdf").contains(f.kind()));
    }

    @Test
    void freeSpaceOnlyCarvesNoLiveFile() throws IOException {
        Path image = Corpus.image("d01-fat16", folder);
        scan(image, ScanPlan.of(ScanMethod.CARVE).inFreeSpace(true).hashing(true));
        Set<String> live = Set.copyOf(Corpus.files("d01-fat16").stream()
                .filter(f -> f.state().equals("live"))
                .map(Corpus.TrueFile::sha256)
                .toList());
        assertThat(findings()).isNotEmpty().noneMatch(f -> live.contains(f.sha256()));
    }

    @Test
    void aVolumeThatIsNotThereIsRefused() throws IOException {
        Path image = Corpus.image("d01-fat16", folder);
        assertThatThrownBy(() -> scan(image, ScanPlan.of(ScanMethod.BOTH).onVolume(3)))
                .hasMessageContaining("There is no volume 3")
                .hasMessageContaining("it has 1");
    }

    @Test
    void stoppedItKeepsWhatItHasAndSaysThatItIsNotFinished() throws IOException {
        int[] asked = new int[1];
        try (Source source = Sources.open(Corpus.image("d09-raw-card", folder).toString())) {
            ScanReport report = new Scan(source, ScanPlan.of(ScanMethod.CARVE), ScanListener.NONE, CLOCK)
                    .run(folder.resolve("out"), () -> asked[0]++ > 3);
            assertThat(report.finished()).isFalse();
        }
        assertThat(findings()).hasSizeLessThan(7);
    }

    /** Real structures with random damage: whatever becomes of them, the scan ends with findings inside the medium. */
    @Test
    @Timeout(600)
    void randomDamageNeverEndsAScan() throws IOException {
        byte[] whole = Arrays.copyOf(Files.readAllBytes(Corpus.image("d01-fat16", folder)), 2 << 20);
        Random random = new Random(41);
        for (int round = 0; round < 60; round++) {
            byte[] damaged = whole.clone();
            for (int i = 1 + random.nextInt(200); i > 0; i--) {
                // Boot sector, tables, root folder and the first folders lie in the first 800 KB.
                damaged[random.nextInt(800_000)] = (byte) random.nextInt();
            }
            Path image = Files.write(folder.resolve("fuzz.img"), damaged);
            ScanReport report = scan(image, ScanPlan.of(ScanMethod.BOTH));
            assertThat(report.finished()).isTrue();
            assertThat(findings())
                    .allMatch(f -> f.extents().stream().allMatch(e -> e.range().end() <= damaged.length));
        }
    }

    /**
     * Wherever a session is stopped, another one that carves what is left finds the rest, and both together what one
     * would have found.
     */
    @Test
    @Timeout(120)
    void whatAStoppedSessionCarvedIsNotCarvedAgain() throws IOException {
        Path image = Corpus.image("d09-raw-card", folder);
        ScanPlan plan = ScanPlan.of(ScanMethod.CARVE);
        ScanReport all = scan(image, plan);
        List<String> expected =
                findings().stream().map(f -> f.name() + "+" + f.size()).sorted().toList();
        assertThat(all.account().carved().stream().mapToLong(r -> r[1]).sum()).isEqualTo(all.size());
        ScanReport nothing = scan(image, plan.except(all.carvedFor(plan, all.size())));
        assertThat(nothing.findings()).isZero();
        Random random = new Random(11);
        for (int round = 0; round < 4; round++) {
            int[] asked = {random.nextInt(60) + 1};
            List<String> both = new ArrayList<>();
            ScanReport first;
            try (Source source = Sources.open(image.toString())) {
                first = new Scan(source, plan, ScanListener.NONE, CLOCK).run(folder.resolve("out"), () -> {
                    synchronized (asked) {
                        return --asked[0] < 0;
                    }
                });
            }
            assertThat(first.finished()).isFalse();
            findings().forEach(f -> both.add(f.name() + "+" + f.size()));
            ScanReport second = scan(image, plan.except(first.carvedFor(plan, first.size())));
            findings().forEach(f -> both.add(f.name() + "+" + f.size()));
            assertThat(both).doesNotHaveDuplicates();
            assertThat(both.stream().sorted().toList())
                    .as(
                            "stopped in round %d after %s",
                            round, first.account().carved().size())
                    .isEqualTo(expected);
            assertThat(second.account().carved().stream().mapToLong(r -> r[1]).sum())
                    .isLessThan(all.size() + 1);
        }
    }

    /**
     * An archive that stores a picture plainly: the picture is a find of its own only when that is asked for, and names
     * what holds it.
     */
    @Test
    void whatIsNestedIsFoundWhenItIsAskedFor() throws IOException {
        java.io.ByteArrayOutputStream picture = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(
                new java.awt.image.BufferedImage(64, 48, java.awt.image.BufferedImage.TYPE_INT_RGB), "png", picture);
        java.util.zip.CRC32 crc = new java.util.zip.CRC32();
        crc.update(picture.toByteArray());
        java.io.ByteArrayOutputStream archive = new java.io.ByteArrayOutputStream();
        try (java.util.zip.ZipOutputStream zip = new java.util.zip.ZipOutputStream(archive)) {
            java.util.zip.ZipEntry entry = new java.util.zip.ZipEntry("harbour.png");
            entry.setMethod(java.util.zip.ZipEntry.STORED);
            entry.setSize(picture.size());
            entry.setCompressedSize(picture.size());
            entry.setCrc(crc.getValue());
            zip.putNextEntry(entry);
            zip.write(picture.toByteArray());
        }
        byte[] disk = new byte[64 << 10];
        System.arraycopy(archive.toByteArray(), 0, disk, 4096, archive.size());
        Path image = Files.write(folder.resolve("disk.img"), disk);
        ScanPlan everywhere = ScanPlan.of(ScanMethod.CARVE).carving(null, true);
        scan(image, everywhere);
        assertThat(findings()).extracting(Finding::kind).containsExactly("zip");
        scan(image, everywhere.nesting(true));
        assertThat(findings()).extracting(Finding::kind).containsExactly("zip", "png");
        assertThat(findings()).extracting(Finding::container).containsExactly(null, 1L);
    }

    @Test
    void aSessionThatLookedForLessDoesNotSpareAnother() throws IOException {
        Path image = Corpus.image("d10-blank", folder);
        ScanReport some = scan(image, ScanPlan.of(ScanMethod.CARVE).ofKinds(Set.of("jpg", "png")));
        assertThat(some.carvedFor(ScanPlan.of(ScanMethod.CARVE), some.size())).isEmpty();
        assertThat(some.carvedFor(ScanPlan.of(ScanMethod.CARVE).ofKinds(Set.of("png")), some.size()))
                .isNotEmpty();
        assertThat(some.carvedFor(
                        ScanPlan.of(ScanMethod.CARVE).ofKinds(Set.of("png")).carving(null, true), some.size()))
                .isEmpty();
        assertThat(some.carvedFor(
                        ScanPlan.of(ScanMethod.CARVE).ofKinds(Set.of("png")).nesting(true), some.size()))
                .isEmpty();
        assertThat(some.carvedFor(ScanPlan.of(ScanMethod.CARVE).ofKinds(Set.of("png")), some.size() + 512))
                .isEmpty();
    }

    /** Of a formatted medium more is found than it holds: generations share its clusters. */
    @Test
    void claimsSayHowMuchIsClaimedTwice() throws IOException {
        ScanReport report = scan(Corpus.image("d05-ntfs-reformatted", folder), ScanPlan.of(ScanMethod.BOTH));
        long sizes = findings().stream().mapToLong(Finding::size).sum();
        ScanReport.Claimed claims = report.account().claims();
        assertThat(claims.listed()).isEqualTo(sizes);
        assertThat(claims.again()).isPositive();
        assertThat(claims.distinct()).isPositive().isLessThanOrEqualTo(report.size());
        // What is listed is what is claimed once, again, and not stored; but for the slack of a block a finding.
        assertThat((double) (claims.distinct() + claims.again() + claims.unstored()))
                .isBetween((double) sizes, sizes + 512.0 * 2 * report.findings());
    }
}
