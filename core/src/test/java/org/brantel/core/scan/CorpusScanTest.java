package org.brantel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.source.Source;
import org.brantel.core.source.Sources;
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
            new Scan(source, new ScanPlan(method, null, Set.of(), true, false, true), ScanListener.NONE, Clock.systemUTC())
                    .run(folder.resolve("out"), () -> false);
        }
        FindingsFile.read(folder.resolve("out/findings.ndjson"), findings::add);
        return findings;
    }

    @ParameterizedTest
    @ValueSource(strings = {"d01-fat16", "d12-fat32-healthy"})
    void everyFileThatStructureCanGiveBackWholeIsFoundByBytesAndByName(String name) throws IOException {
        List<Finding> findings = scan(Corpus.image(name, folder), ScanMethod.STRUCTURE);
        List<TrueFile> expected = Corpus.files(name).stream().filter(f -> "whole".equals(f.structure())).toList();
        assertThat(expected).hasSizeGreaterThan(10);
        for (TrueFile file : expected) {
            Finding found = findings.stream().filter(f -> file.sha256().equals(f.sha256())).findFirst()
                    .orElseThrow(() -> new AssertionError("not found: " + file));
            assertThat(found.prognosis()).as(file.path()).isEqualTo(Prognosis.WHOLE);
            assertThat(found.size()).isEqualTo(file.size());
            assertThat(found.origin()).as(file.path()).isEqualTo(file.state().equals("live") ? Origin.LIVE : Origin.DELETED);
            String path = found.path().substring(1);
            boolean firstLetterLost = path.contains("_") && path.replaceFirst("_", "").equals(file.path().replaceFirst("[^/](?=[^/]*$)", ""));
            assertThat(path.equals(file.path()) || firstLetterLost).as("%s is named %s", file.path(), path).isTrue();
            if (file.mtime() != null) {
                assertThat(found.modified()).as(file.path()).hasToString(file.mtime());
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"d01-fat16", "d12-fat32-healthy", "d09-raw-card"})
    void whateverIsCalledWholeIsByteExact(String name) throws IOException {
        Set<String> hashes = Corpus.files(name).stream().map(TrueFile::sha256).collect(Collectors.toSet());
        List<Finding> whole = scan(Corpus.image(name, folder), ScanMethod.BOTH).stream()
                .filter(f -> f.prognosis() == Prognosis.WHOLE).toList();
        assertThat(whole).isNotEmpty().allSatisfy(f -> assertThat(hashes).as(f.path() + " at " + f.firstByte()).contains(f.sha256()));
    }

    @Test
    void filesThatWereOverwrittenAreNotCalledWhole() throws IOException {
        List<Finding> findings = scan(Corpus.image("d01-fat16", folder), ScanMethod.STRUCTURE);
        List<TrueFile> lost = Corpus.files("d01-fat16").stream().filter(f -> f.state().endsWith("_overwritten")).toList();
        assertThat(lost).isNotEmpty();
        for (TrueFile file : lost) {
            // One of them lost its long name to a later entry; the sizes are all different.
            assertThat(findings).filteredOn(f -> f.size() == file.size() && f.origin() == Origin.DELETED)
                    .as(file.path()).isNotEmpty().noneMatch(f -> f.prognosis() == Prognosis.WHOLE);
        }
    }

    @Test
    void everyEasyPictureAndDocumentOfARawCardIsCarved() throws IOException {
        Set<String> found = scan(Corpus.image("d09-raw-card", folder), ScanMethod.CARVE).stream().map(Finding::sha256).collect(Collectors.toSet());
        List<TrueFile> expected = Corpus.files("d09-raw-card").stream().filter(f -> Set.of("jpg", "png", "pdf").contains(f.kind())
                && "whole".equals(f.carve()) && "easy".equals(f.difficulty())).toList();
        assertThat(expected).hasSizeGreaterThanOrEqualTo(5);
        assertThat(expected).allSatisfy(f -> assertThat(found).as(f.path()).contains(f.sha256()));
    }

    @Test
    void nothingIsFoundWhereNothingIs() throws IOException {
        assertThat(scan(Corpus.image("d10-blank", folder), ScanMethod.BOTH)).isEmpty();
        assertThat(scan(Corpus.noise(folder, 8 << 20), ScanMethod.BOTH)).isEmpty();
    }

    @Test
    void carvingAddsNoSecondFindingForABetterNamedOne() throws IOException {
        List<Finding> findings = scan(Corpus.image("d12-fat32-healthy", folder), ScanMethod.BOTH);
        List<Finding> carved = findings.stream().filter(f -> f.origin() == Origin.CARVED).toList();
        assertThat(carved).as("every carved file is a live one already").isEmpty();
        assertThat(findings).filteredOn(f -> Finding.ALSO_CARVED.equals(f.note())).hasSizeGreaterThanOrEqualTo(5);
    }
}
