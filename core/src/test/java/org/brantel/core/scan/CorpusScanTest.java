package org.brantel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.Corpus.TrueFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Real images against their ground truth, byte for byte by SHA-256. */
class CorpusScanTest {

    @TempDir
    private Path folder;

    private List<Finding> scan(Path image, ScanMethod method) throws IOException {
        List<Finding> findings = new ArrayList<>();
        try (Source source = Sources.open(image.toString())) {
            new Scan(source, ScanPlan.of(method).hashing(true), ScanListener.NONE, Clock.systemUTC())
                    .run(folder.resolve("out"), () -> false);
        }
        FindingsFile.read(folder.resolve("out/findings.ndjson"), findings::add);
        return findings;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "d01-fat16",
                "d02-fat32-reformatted",
                "d03-exfat",
                "d04-ntfs",
                "d05-ntfs-reformatted",
                "d06-ext4",
                "d07-mbr-zeroed",
                "d08-gpt-primary-lost",
                "d12-fat32-healthy",
                "d13-ntfs-truncated",
                "d14-ext2",
                "d14-ext3"
            })
    void everyFileThatStructureCanGiveBackWholeIsFoundByBytesAndByName(String name) throws IOException {
        List<Finding> findings = scan(Corpus.image(name, folder), ScanMethod.STRUCTURE);
        List<TrueFile> expected = Corpus.files(name).stream()
                .filter(f -> "whole".equals(f.structure()) && f.size() > 0)
                .toList();
        assertThat(expected).hasSizeGreaterThanOrEqualTo(8);
        for (TrueFile file : expected) {
            List<Finding> same = findings.stream()
                    .filter(f -> file.sha256().equals(f.sha256()))
                    .toList();
            assertThat(same).as("found: %s", file).isNotEmpty();
            Finding found = same.stream()
                    .filter(f -> sameName(f, file))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(
                            file.path() + " is named " + same.get(0).path()));
            assertThat(found.prognosis()).as(file.path()).isEqualTo(Prognosis.WHOLE);
            assertThat(found.size()).isEqualTo(file.size());
            assertThat(found.origin())
                    .as(file.path())
                    .isEqualTo(
                            switch (file.state()) {
                                case "live" -> Origin.LIVE;
                                case "formatted_away" -> Origin.EARLIER;
                                default -> Origin.DELETED;
                            });
            if (file.mtime() != null && !file.path().contains(":")) {
                assertThat(found.modified().truncatedTo(ChronoUnit.SECONDS))
                        .as(file.path())
                        .isEqualTo(Instant.parse(file.mtime()).truncatedTo(ChronoUnit.SECONDS));
            }
        }
    }

    /** The whole path where the folders above are known; a deleted short name lost its first letter. */
    private static boolean sameName(Finding found, TrueFile file) {
        String path = found.path().substring(1);
        boolean firstLetterLost = path.contains("_")
                && path.replaceFirst("_", "").equals(file.path().replaceFirst("[^/](?=[^/]*$)", ""));
        boolean folderLost = path.contains("(lost ")
                && path.endsWith(file.path().substring(file.path().lastIndexOf('/') + 1));
        return path.equals(file.path()) || firstLetterLost || folderLost;
    }

    /** The reason for being: a file that is called whole is the file that was lost, byte for byte. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "d01-fat16",
                "d02-fat32-reformatted",
                "d03-exfat",
                "d04-ntfs",
                "d05-ntfs-reformatted",
                "d06-ext4",
                "d07-mbr-zeroed",
                "d08-gpt-primary-lost",
                "d09-raw-card",
                "d12-fat32-healthy",
                "d13-ntfs-truncated",
                "d14-ext2",
                "d14-ext3"
            })
    void whateverIsCalledWholeIsByteExact(String name) throws IOException {
        Set<String> hashes = Corpus.files(name).stream().map(TrueFile::sha256).collect(Collectors.toSet());
        // Without records, a file inside a file is a find of its own.
        List<Finding> whole =
                scan(Corpus.image(name, folder), name.startsWith("d09") ? ScanMethod.BOTH : ScanMethod.STRUCTURE)
                        .stream()
                        .filter(f -> f.prognosis() == Prognosis.WHOLE)
                        .toList();
        assertThat(whole).isNotEmpty().allSatisfy(f -> assertThat(hashes)
                .as(f.path() + " at " + f.firstByte())
                .contains(f.sha256()));
    }

    @Test
    void aHealthyVolumeHasNothingLost() throws IOException {
        assertThat(scan(Corpus.image("d12-fat32-healthy", folder), ScanMethod.STRUCTURE))
                .isNotEmpty()
                .allMatch(f -> f.origin() == Origin.LIVE);
    }

    @Test
    void whatLiesBeyondTheEndIsNotPresentedAsRecovered() throws IOException {
        List<Finding> findings = scan(Corpus.image("d13-ntfs-truncated", folder), ScanMethod.STRUCTURE);
        List<TrueFile> cut = Corpus.files("d13-ntfs-truncated").stream()
                .filter(f -> !"whole".equals(f.structure()) && f.size() > 0)
                .toList();
        assertThat(cut).hasSizeGreaterThan(15);
        for (TrueFile file : cut) {
            assertThat(findings)
                    .filteredOn(f -> f.path().equals("/" + file.path()))
                    .as(file.path())
                    .isNotEmpty()
                    .allMatch(f -> f.prognosis() == Prognosis.GAPPED
                            && f.sha256() == null
                            && f.reasons().get(0).contains("beyond the medium's end"));
        }
    }

    @Test
    void filesThatWereOverwrittenAreNotCalledWhole() throws IOException {
        List<Finding> findings = scan(Corpus.image("d01-fat16", folder), ScanMethod.STRUCTURE);
        List<TrueFile> lost = Corpus.files("d01-fat16").stream()
                .filter(f -> f.state().endsWith("_overwritten"))
                .toList();
        assertThat(lost).isNotEmpty();
        for (TrueFile file : lost) {
            // One of them lost its long name to a later entry; the sizes are all different.
            assertThat(findings)
                    .filteredOn(f -> f.size() == file.size() && f.origin() == Origin.DELETED)
                    .as(file.path())
                    .isNotEmpty()
                    .noneMatch(f -> f.prognosis() == Prognosis.WHOLE);
        }
    }

    /** By content alone, with no regard to any record. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "d01-fat16",
                "d02-fat32-reformatted",
                "d03-exfat",
                "d04-ntfs",
                "d05-ntfs-reformatted",
                "d06-ext4",
                "d07-mbr-zeroed",
                "d08-gpt-primary-lost",
                "d09-raw-card",
                "d12-fat32-healthy",
                "d13-ntfs-truncated",
                "d14-ext2",
                "d14-ext3"
            })
    void everyFileThatContentCanGiveBackIsCarvedByteForByte(String name) throws IOException {
        List<Finding> findings = scan(Corpus.image(name, folder), ScanMethod.CARVE);
        Set<String> found = findings.stream()
                .filter(f -> f.prognosis() == Prognosis.WHOLE)
                .map(Finding::sha256)
                .collect(Collectors.toSet());
        List<TrueFile> expected = Corpus.files(name).stream()
                .filter(f -> "whole".equals(f.carve()) && !"text".equals(f.difficulty()))
                .toList();
        assertThat(expected)
                .isNotEmpty()
                .allSatisfy(f -> assertThat(found).as(f.path()).contains(f.sha256()));
        Set<String> hashes = Corpus.files(name).stream().map(TrueFile::sha256).collect(Collectors.toSet());
        List<Finding> other = findings.stream()
                .filter(f -> f.prognosis() == Prognosis.WHOLE && !hashes.contains(f.sha256()))
                .toList();
        assertThat(other).as("called whole, and is no file").hasSizeLessThanOrEqualTo(findings.size() / 200);
    }

    @Test
    void nothingIsFoundWhereNothingIs() throws IOException {
        assertThat(scan(Corpus.image("d10-blank", folder), ScanMethod.BOTH)).isEmpty();
        assertThat(scan(Corpus.noise(folder, 8 << 20), ScanMethod.BOTH)).isEmpty();
    }

    @Test
    void carvingAddsNoSecondFindingForABetterNamedOne() throws IOException {
        List<Finding> findings = scan(Corpus.image("d12-fat32-healthy", folder), ScanMethod.BOTH);
        List<Finding> carved =
                findings.stream().filter(f -> f.origin() == Origin.CARVED).toList();
        assertThat(carved).as("every carved file is a live one already").isEmpty();
        assertThat(findings)
                .filteredOn(f -> Finding.ALSO_CARVED.equals(f.note()))
                .hasSizeGreaterThanOrEqualTo(5);
    }
}
