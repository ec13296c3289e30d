package org.brantel.core.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.testing.Corpus;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A session that comes from another machine is believed as far as this medium bears it out, and no further. */
class SessionFileTest {

    @TempDir
    private Path folder;

    private Path here;
    private Source medium;

    @BeforeEach
    void scan() throws IOException {
        medium = Sources.open(Corpus.image("d01-fat16", folder).toString());
        here = folder.resolve("here");
        new Scan(medium, ScanPlan.of(ScanMethod.STRUCTURE).hashing(true), ScanListener.NONE, Clock.systemUTC())
                .run(here, () -> false);
    }

    @AfterEach
    void close() throws IOException {
        medium.close();
    }

    private byte[] packed(Source with) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SessionFile.pack(here, with, out);
        return out.toByteArray();
    }

    private ScanReport unpacked(byte[] packed) throws IOException {
        return SessionFile.unpack(new ByteArrayInputStream(packed), "sent.gz", folder.resolve("there"), medium);
    }

    private List<Finding> findings(Path of) throws IOException {
        List<Finding> all = new ArrayList<>();
        FindingsFile.read(of.resolve("findings.ndjson"), all::add);
        return all;
    }

    /** The packed session with its lines changed; the first is the report. */
    private byte[] changed(UnaryOperator<List<String>> how) throws IOException {
        String text = new String(
                new GZIPInputStream(new ByteArrayInputStream(packed(null))).readAllBytes(), StandardCharsets.UTF_8);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream zip = new GZIPOutputStream(out)) {
            zip.write((String.join("\n", how.apply(new ArrayList<>(text.lines().toList()))) + "\n")
                    .getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    private byte[] changedLine(int line, UnaryOperator<String> how) throws IOException {
        return changed(lines -> {
            lines.set(line, how.apply(lines.get(line)));
            return lines;
        });
    }

    private int lineWithHash() throws IOException {
        List<Finding> all = findings(here);
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).sha256() != null) {
                return i + 1;
            }
        }
        throw new AssertionError("nothing is hashed");
    }

    @Test
    void comesThroughAsItWas() throws IOException {
        ScanReport report = unpacked(packed(medium));
        assertThat(findings(folder.resolve("there"))).isEqualTo(findings(here)).hasSizeGreaterThan(15);
        assertThat(report.findings()).isEqualTo(findings(here).size());
        assertThat(report.account().problems()).noneMatch(p -> p.contains("nothing shows"));
    }

    @Test
    void oneFindingWithOtherContentIsLeftOut() throws IOException {
        int line = lineWithHash();
        unpacked(changedLine(line, l -> l.replaceFirst("\"sha256\":\"[0-9a-f]{4}", "\"sha256\":\"0000")));
        List<Finding> left = findings(folder.resolve("there"));
        List<Finding> all = findings(here);
        Finding wrong = all.remove(line - 1);
        assertThat(left).isEqualTo(all).doesNotContain(wrong);
    }

    @Test
    void mostWithOtherContentIsAnotherMedium() throws IOException {
        byte[] packed = changed(lines -> lines.stream()
                .map(l -> l.replaceFirst("\"sha256\":\"[0-9a-f]{4}", "\"sha256\":\"0000"))
                .toList());
        assertThatThrownBy(() -> unpacked(packed))
                .isInstanceOf(IOException.class)
                .hasMessageStartingWith("sent.gz is of another medium");
    }

    @Test
    void whatLeavesTheMediumIsRefusedByItsLine() throws IOException {
        long beyond = medium.size() - 10;
        byte[] packed =
                changedLine(2, l -> l.replaceFirst("\"extents\":\\[.*?\\]\\]", "\"extents\":[[" + beyond + ",4096]]"));
        assertThatThrownBy(() -> unpacked(packed))
                .isInstanceOf(IOException.class)
                .hasMessage("The finding sent.gz, line 3 leaves the medium.");
    }

    @Test
    void aReportOfAnotherVersionOrSizeIsRefused() throws IOException {
        byte[] newer = changedLine(0, l -> l.replaceFirst("\"version\":1", "\"version\":2"));
        assertThatThrownBy(() -> unpacked(newer)).hasMessage("sent.gz is no session file of version 1.");
        byte[] larger =
                changedLine(0, l -> l.replace("\"size\":" + medium.size(), "\"size\":" + (medium.size() + 512)));
        assertThatThrownBy(() -> unpacked(larger))
                .hasMessageContaining(
                        "is of a medium of " + (medium.size() + 512) + " bytes; this one has " + medium.size());
    }

    @Test
    void aLineWithoutEndIsNotReadToItsEnd() throws IOException {
        byte[] packed = changedLine(1, l -> "x".repeat(5 << 20));
        assertThatThrownBy(() -> unpacked(packed))
                .hasMessageContaining("sent.gz, line 2 is longer than a session file's lines are");
    }

    /** Damaged anywhere, it comes through as it was, or is refused in a sentence that names it. */
    @Test
    void damageIsNeverBelieved() throws IOException {
        byte[] packed = packed(medium);
        List<Finding> all = findings(here);
        Random random = new Random(11);
        int refused = 0;
        for (int round = 0; round < 300; round++) {
            byte[] damaged = round % 3 == 0 ? Arrays.copyOf(packed, random.nextInt(packed.length)) : packed.clone();
            for (int i = round % 3; i > 0 && damaged.length > 0; i--) {
                damaged[random.nextInt(damaged.length)] ^= (byte) (1 << random.nextInt(8));
            }
            try {
                unpacked(damaged);
                assertThat(all).as("round %d", round).containsAll(findings(folder.resolve("there")));
            } catch (IOException e) {
                refused++;
                assertThat(e.getMessage()).as("round %d", round).contains("sent.gz");
            }
        }
        assertThat(refused).isGreaterThan(250);
    }

    @Test
    void packingHashesWhatASessionDidNot() throws IOException {
        new Scan(medium, ScanPlan.of(ScanMethod.STRUCTURE), ScanListener.NONE, Clock.systemUTC())
                .run(here, () -> false);
        assertThat(findings(here)).allMatch(f -> f.sha256() == null);
        assertThat(unpacked(packed(null)).account().problems())
                .anyMatch(p -> p.contains("nothing shows that it is of this medium but its size"));
        assertThat(unpacked(packed(medium)).account().problems()).noneMatch(p -> p.contains("nothing shows"));
        assertThat(findings(folder.resolve("there")).stream()
                        .filter(f -> f.prognosis() == org.brantel.core.finding.Prognosis.WHOLE && f.size() > 0))
                .isNotEmpty()
                .allMatch(f -> f.sha256() != null);
    }
}
