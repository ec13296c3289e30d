package org.brantel.core.filesystem.fat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.filesystem.Damaged;
import org.brantel.core.filesystem.NotThisFormat;
import org.brantel.core.filesystem.ParseFailure;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

@Timeout(600)
class FatReaderTest {

    private final List<String> problems = new ArrayList<>();

    private Map<String, Finding> walk(byte[] bytes, Range... dead) throws IOException {
        problems.clear();
        Collected told = new Collected(problems);
        FatReader.open(new FaultySource(bytes, dead), new Range(0, bytes.length))
                .walk(told.walk(0));
        return told.findings().stream().collect(Collectors.toMap(Finding::path, Function.identity(), (a, b) -> a));
    }

    @Test
    void aFragmentedFileKeepsItsOrder() throws IOException {
        FatImage fat = new FatImage().link(2, 5).link(5, 3).link(3, 0xfff);
        fat.rootEntry("FILE    BIN", 0x20, 2, 1300);
        Finding f = walk(fat.bytes).get("/FILE.BIN");
        assertThat(f.extents())
                .containsExactly(
                        new Extent(FatImage.cluster(2), 512),
                        new Extent(FatImage.cluster(5), 512),
                        new Extent(FatImage.cluster(3), 276));
        assertThat(f.prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(f.modified()).isNotNull();
    }

    @Test
    void aChainInACircleEndsAndTheFileIsInDoubt() throws IOException {
        FatImage fat = new FatImage().link(2, 3).link(3, 2);
        fat.rootEntry("LOOP    BIN", 0x20, 2, 5000);
        Finding f = walk(fat.bytes).get("/LOOP.BIN");
        assertThat(f.prognosis()).isNotEqualTo(Prognosis.WHOLE);
        assertThat(f.reasons()).anyMatch(r -> r.contains("circle at cluster 2"));
    }

    @Test
    void aSizeBeyondTheMediumIsNeverWhole() throws IOException {
        FatImage fat = new FatImage().link(2, 0xfff);
        fat.rootEntry("HUGE    BIN", 0x20, 2, 0xffffffffL);
        Finding f = walk(fat.bytes).get("/HUGE.BIN");
        assertThat(f.prognosis()).isNotEqualTo(Prognosis.WHOLE);
        assertThat(f.extents().stream().mapToLong(Extent::length).sum()).isEqualTo(512);
    }

    @Test
    void twoLiveFilesOnTheSameClustersAreBothInDoubt() throws IOException {
        FatImage fat = new FatImage().link(2, 0xfff).link(3, 2);
        fat.rootEntry("A       BIN", 0x20, 2, 512);
        fat.rootEntry("B       BIN", 0x20, 3, 1024);
        Map<String, Finding> found = walk(fat.bytes);
        assertThat(found.get("/A.BIN").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(found.get("/B.BIN").prognosis()).isEqualTo(Prognosis.DOUBTFUL);
        assertThat(found.get("/A.BIN").reasons()).anyMatch(r -> r.contains("claimed by another live file"));
    }

    @Test
    void aFolderThatHoldsItselfIsEnteredOnce() throws IOException {
        FatImage fat = new FatImage().link(2, 0xfff).link(3, 0xfff);
        fat.rootEntry("FOLDER     ", 0x10, 2, 0);
        fat.entry(FatImage.cluster(2), ".          ", 0x10, 2, 0);
        fat.entry(FatImage.cluster(2) + 32, "AGAIN      ", 0x10, 2, 0);
        fat.entry(FatImage.cluster(2) + 64, "FILE    TXT", 0x20, 3, 5);
        fat.fill(3, 'a');
        Map<String, Finding> found = walk(fat.bytes);
        assertThat(found).containsOnlyKeys("/FOLDER/FILE.TXT");
    }

    @Test
    void aDeletedFileAroundLiveClustersIsFoundThereOrCalledDoubtful() throws IOException {
        FatImage fat = new FatImage().link(3, 0xfff);
        fat.rootEntry("LIVE    BIN", 0x20, 3, 512);
        int at = fat.rootEntry("GONE    BIN", 0x20, 2, 1024);
        fat.bytes[at] = (byte) 0xe5;
        Finding f = walk(fat.bytes).get("/_ONE.BIN");
        assertThat(f.origin()).isEqualTo(Origin.DELETED);
        assertThat(f.reasons()).anyMatch(r -> r.contains("first letter"));
        assertThat(f.prognosis()).isNotEqualTo(Prognosis.WHOLE);
    }

    @Test
    void unreadBytesAreGapsNotZeros() throws IOException {
        FatImage fat = new FatImage().link(2, 3).link(3, 0xfff).fill(2, 1).fill(3, 2);
        fat.rootEntry("FILE    BIN", 0x20, 2, 1024);
        Finding f = walk(fat.bytes, new Range(FatImage.cluster(3), 512)).get("/FILE.BIN");
        assertThat(f.prognosis()).isEqualTo(Prognosis.GAPPED);
        assertThat(f.reasons()).anyMatch(r -> r.contains("512 of 1024 bytes were never read"));
        assertThat(f.sha256()).isNull();
    }

    @Test
    void anUnreadTableMakesChainsUnknownAndSaysSo() throws IOException {
        FatImage fat = new FatImage().link(2, 3).link(3, 0xfff);
        fat.rootEntry("FILE    BIN", 0x20, 2, 1024);
        Finding f = walk(fat.bytes, new Range(FatImage.TABLE, 512)).get("/FILE.BIN");
        assertThat(f.prognosis()).isNotEqualTo(Prognosis.WHOLE);
        assertThat(problems).anyMatch(p -> p.contains("allocation"));
    }

    @Test
    void refusesABootSectorNamingFieldPlaceAndValue() {
        byte[] blank = new byte[4096];
        assertThatThrownBy(() -> walk(blank))
                .isInstanceOf(NotThisFormat.class)
                .hasMessageContaining("signature at byte 510");
        FatImage fat = new FatImage();
        fat.bytes[13] = 3;
        assertThatThrownBy(() -> walk(fat.bytes))
                .hasMessageContaining("sectors per cluster at byte 13 is 3")
                .isInstanceOfSatisfying(Damaged.class, e -> {
                    assertThat(e.field()).isEqualTo("sectors per cluster");
                    assertThat(e.offset()).isEqualTo(13);
                    assertThat(e.found()).isEqualTo("3");
                    assertThat(e.expected()).contains("power of two");
                });
    }

    /** Whatever one byte of the boot sector, the table or the root folder becomes: a value or a declared failure. */
    @Test
    void everyDamagedByteOfItsStructuresIsSurvived() {
        FatImage fat = new FatImage().link(2, 3).link(3, 0xfff).link(4, 0xfff);
        fat.rootEntry("FILE    BIN", 0x20, 2, 1024);
        fat.rootEntry("FOLDER     ", 0x10, 4, 0);
        fat.entry(FatImage.cluster(4), ".          ", 0x10, 4, 0);
        fat.entry(FatImage.cluster(4) + 32, "INNER   TXT", 0x20, 3, 100);
        for (int at = 0; at < FatImage.DATA; at++) {
            for (int value : new int[] {0, 0xff, 0x7f, fat.bytes[at] ^ 1}) {
                byte[] damaged = fat.bytes.clone();
                damaged[at] = (byte) value;
                assertSurvives(damaged, "byte " + at + " is " + (value & 0xff));
            }
        }
    }

    @Test
    void everyTruncationIsSurvived() {
        FatImage fat = new FatImage().link(2, 3).link(3, 0xfff);
        fat.rootEntry("FILE    BIN", 0x20, 2, 1024);
        for (int length = 1; length < fat.bytes.length; length += 111) {
            assertSurvives(Arrays.copyOf(fat.bytes, length), "cut at " + length);
        }
    }

    private void assertSurvives(byte[] bytes, String what) {
        try {
            for (Finding f : walk(bytes).values()) {
                assertThat(f.extents()).as(what).allMatch(e -> e.range().end() <= bytes.length);
                long held = f.extents().stream().mapToLong(Extent::length).sum();
                assertThat(f.prognosis() == Prognosis.WHOLE && held < f.size())
                        .as("%s: %s is whole with %d of %d bytes", what, f.path(), held, f.size())
                        .isFalse();
            }
        } catch (ParseFailure | ByteView.Unread e) {
            assertThat(e.getMessage()).as(what).isNotBlank();
        } catch (IOException e) {
            throw new AssertionError(what, e);
        }
    }
}
