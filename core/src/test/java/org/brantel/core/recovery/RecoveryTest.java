package org.brantel.core.recovery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.hash.Hashes;
import org.brantel.core.layout.LaidOut;
import org.brantel.core.layout.Layout;
import org.brantel.core.layout.NameRules;
import org.brantel.core.layout.Placeable;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RecoveryTest {

    private static final Instant CHANGED = Instant.parse("2021-05-06T07:08:10Z");

    @TempDir
    private Path folder;

    private Path files;
    private Path results;
    private byte[] medium;

    @BeforeEach
    void fill() {
        files = folder.resolve("files");
        results = folder.resolve("results.ndjson");
        medium = new byte[64 << 10];
        new Random(12).nextBytes(medium);
    }

    private static Finding finding(long id, String path, long size, Prognosis prognosis, Range... extents) {
        return new Finding(
                id,
                0,
                Origin.LIVE,
                Named.of(path, path.substring(path.lastIndexOf('/') + 1)),
                new Times(CHANGED, CHANGED, null),
                new Verdict(prognosis, 99, List.of()),
                Content.of(size, "bin", Arrays.stream(extents).map(Extent::of).toList()),
                Evidence.NONE);
    }

    private static Map<Long, LaidOut.Place> paths(List<Finding> selection) {
        return LaidOut.plan(selection.stream().map(Placeable::of).toList(), Layout.AS_IT_STOOD, NameRules.EVERY);
    }

    private Recovery.Outcome run(Source source, List<Finding> selection) throws IOException {
        return new Recovery(source, files, results, (r, n, all) -> {}).run(selection, paths(selection), () -> false);
    }

    @Test
    void writesExtentsInOrderHashesThemAndKeepsTheTime() throws IOException {
        Recovery.Outcome outcome = run(
                new FaultySource(medium),
                List.of(finding(1, "/a/b.bin", 1500, Prognosis.WHOLE, new Range(4096, 1024), new Range(512, 512))));
        byte[] expected = new byte[1500];
        System.arraycopy(medium, 4096, expected, 0, 1024);
        System.arraycopy(medium, 512, expected, 1024, 476);
        Path written = files.resolve("a/b.bin");
        assertThat(Files.readAllBytes(written)).isEqualTo(expected);
        assertThat(Files.getLastModifiedTime(written).toInstant()).isEqualTo(CHANGED);
        assertThat(outcome.results()).singleElement().satisfies(r -> {
            assertThat(r.outcome()).isEqualTo(RecoveryResult.Outcome.WHOLE);
            assertThat(r.sha256()).isEqualTo(Hashes.sha256Hex(expected, 0, expected.length));
        });
    }

    @Test
    void unreadBytesBecomeListedGaps() throws IOException {
        Recovery.Outcome outcome = run(
                new FaultySource(medium, new Range(1024, 512)),
                List.of(
                        finding(1, "/a.bin", 2048, Prognosis.GAPPED, new Range(512, 2048)),
                        finding(2, "/short.bin", 2048, Prognosis.GAPPED, new Range(8192, 1024))));
        assertThat(outcome.results().get(0).gaps()).containsExactly(new Range(512, 512));
        assertThat(outcome.results().get(0).why()).contains("512 bytes were never read");
        assertThat(outcome.results().get(1).gaps()).containsExactly(new Range(1024, 1024));
        assertThat(outcome.results()).allMatch(r -> r.outcome() == RecoveryResult.Outcome.GAPPED);
    }

    @Test
    void everySelectedFindingIsAccountedFor() throws IOException {
        Recovery.Outcome outcome = run(
                new FaultySource(medium),
                List.of(
                        finding(1, "/gone.bin", 100, Prognosis.OVERWRITTEN, new Range(0, 100)),
                        finding(2, "/nowhere.bin", 100, Prognosis.DOUBTFUL),
                        finding(3, "/empty.bin", 0, Prognosis.WHOLE)));
        assertThat(outcome.results())
                .extracting(RecoveryResult::outcome)
                .containsExactly(
                        RecoveryResult.Outcome.NOT_WRITTEN,
                        RecoveryResult.Outcome.NOT_WRITTEN,
                        RecoveryResult.Outcome.WHOLE);
        assertThat(outcome.results().get(0).why()).contains("Overwritten");
        assertThat(ResultsFile.read(results)).hasSize(3);
    }

    /** The second run leaves a file out, so that names move up: no file stands under the name of another. */
    @Test
    void goneOnWithAnotherSelectionEachFileStandsUnderItsOwnName() throws IOException {
        Finding first = finding(1, "/hive.bin", 512, Prognosis.WHOLE, new Range(512, 512));
        Finding second = finding(2, "/hive.bin", 512, Prognosis.WHOLE, new Range(1024, 512));
        Finding third = finding(3, "/hive.bin", 512, Prognosis.WHOLE, new Range(2048, 512));
        assertThat(run(new FaultySource(medium), List.of(first, second, third)).results())
                .hasSize(3);
        Recovery.Outcome fewer = run(new FaultySource(medium), List.of(second, third));
        assertThat(fewer.results()).hasSize(2).allMatch(RecoveryResult::stands);
        for (RecoveryResult r : fewer.results()) {
            int at = r.id() == 2 ? 1024 : 2048;
            assertThat(files.resolve(r.path())).hasBinaryContent(Arrays.copyOfRange(medium, at, at + 512));
        }
        try (Stream<Path> there = Files.list(files)) {
            assertThat(there).hasSize(2);
        }
    }

    @Test
    void whereAFolderStoodAFileCanStandInTheNextRun() throws IOException {
        Finding inside = finding(1, "/tide/gauge/log.bin", 512, Prognosis.WHOLE, new Range(512, 512));
        Finding instead = finding(2, "/tide", 512, Prognosis.WHOLE, new Range(1024, 512));
        run(new FaultySource(medium), List.of(inside));
        assertThat(run(new FaultySource(medium), List.of(instead)).results()).allMatch(RecoveryResult::stands);
        assertThat(files.resolve("tide")).hasBinaryContent(Arrays.copyOfRange(medium, 1024, 1536));
    }

    @Test
    void stoppedItGoesOnAndWritesNothingTwice() throws IOException {
        List<Finding> selection = new ArrayList<>();
        for (int i = 1; i <= 8; i++) {
            selection.add(finding(i, "/f" + i + ".bin", 512, Prognosis.WHOLE, new Range(512L * i, 512)));
        }
        int[] asked = new int[1];
        Recovery.Outcome first = new Recovery(new FaultySource(medium), files, results, (r, n, all) -> {})
                .run(selection, paths(selection), () -> asked[0]++ >= 3);
        assertThat(first.stoppedBecause()).contains("run it again");
        assertThat(first.results()).hasSize(3);
        // One of the three was damaged meanwhile, and the last line of the results was cut off.
        Files.writeString(files.resolve("f2.bin"), "damaged");
        String lines = Files.readString(results);
        Files.writeString(results, lines.substring(0, lines.length() - 20));
        FaultySource source = new FaultySource(medium);
        Recovery.Outcome second = run(source, selection);
        assertThat(second.stoppedBecause()).isNull();
        assertThat(source.reads())
                .as("f1 stands; f2, f3 and the rest are written")
                .isEqualTo(7);
        for (int i = 1; i <= 8; i++) {
            assertThat(Files.readAllBytes(files.resolve("f" + i + ".bin")))
                    .isEqualTo(Arrays.copyOfRange(medium, 512 * i, 512 * i + 512));
        }
    }

    @Test
    void aFullDiskStopsCleanlyAndResumes() throws IOException {
        try (FileSystem small = Jimfs.newFileSystem(Configuration.unix().toBuilder()
                .setMaxSize(40 << 10)
                .setBlockSize(512)
                .setAttributeViews("basic", "unix")
                .build())) {
            files = small.getPath("/vault");
            List<Finding> selection = List.of(
                    finding(1, "/a.bin", 20_000, Prognosis.WHOLE, new Range(0, 20_000)),
                    finding(2, "/b.bin", 30_000, Prognosis.WHOLE, new Range(20_000, 30_000)));
            Recovery.Outcome full = run(new FaultySource(medium), selection);
            assertThat(full.stoppedBecause())
                    .contains("The destination is full")
                    .contains("'b.bin'")
                    .contains("make room");
            assertThat(full.results()).hasSize(1);
            try (var left = Files.list(files)) {
                assertThat(left.map(p -> p.getFileName().toString())).containsExactly("a.bin");
            }
            selection =
                    List.of(selection.get(0), finding(2, "/b.bin", 10_000, Prognosis.WHOLE, new Range(20_000, 10_000)));
            assertThat(run(new FaultySource(medium), selection).stoppedBecause())
                    .isNull();
            assertThat(Files.size(files.resolve("b.bin"))).isEqualTo(10_000);
        }
    }

    @Test
    void aLinkInTheDestinationIsNotFollowed() throws IOException {
        Path outside = Files.createDirectory(folder.resolve("outside"));
        Files.createDirectories(files);
        Files.createSymbolicLink(files.resolve("sub"), outside);
        assertThatThrownBy(() -> run(
                        new FaultySource(medium),
                        List.of(finding(1, "/sub/x.bin", 512, Prognosis.WHOLE, new Range(0, 512)))))
                .hasMessageContaining("is a link");
        try (var list = Files.list(outside)) {
            assertThat(list).isEmpty();
        }
    }

    @Test
    void theDestinationIsNeverTheSource() throws IOException {
        Path image = Files.write(folder.resolve("a.img"), medium);
        files = image;
        try (Source source = Sources.open(image.toString())) {
            assertThatThrownBy(
                            () -> run(source, List.of(finding(1, "/x.bin", 512, Prognosis.WHOLE, new Range(0, 512)))))
                    .hasMessageContaining("is the source itself");
        }
        assertThat(Files.readAllBytes(image)).isEqualTo(medium);
    }

    @Test
    void namesThatCollideAllGetWritten() throws IOException {
        String day = CHANGED.toString().substring(0, "2021-05-04".length());
        run(
                new FaultySource(medium),
                List.of(
                        finding(1, "/x.bin", 1, Prognosis.WHOLE, new Range(0, 1)),
                        finding(2, "/X.BIN", 1, Prognosis.WHOLE, new Range(1, 1)),
                        finding(3, "/x.bin", 1, Prognosis.WHOLE, new Range(2, 1))));
        try (var list = Files.list(files)) {
            assertThat(list.map(p -> p.getFileName().toString().toLowerCase(Locale.ROOT))
                            .distinct())
                    .hasSameElementsAs(Set.of("x.bin", "x (" + day + ").bin", "x (" + day + ") (2).bin"));
        }
    }
}
