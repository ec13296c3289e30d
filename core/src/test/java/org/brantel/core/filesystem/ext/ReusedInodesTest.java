package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.families.Families;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.testing.Collected;
import org.brantel.core.testing.FaultySource;
import org.brantel.core.testing.Seeds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * A volume that was lived in: files were deleted and others got their inodes and blocks (scripts/lived-in makes such).
 */
class ReusedInodesTest {

    private static List<Finding> found(String seed) throws IOException {
        return found(Seeds.volume(seed));
    }

    private static List<Finding> found(byte[] volume) throws IOException {
        FaultySource source = new FaultySource(volume);
        Collected told = new Collected();
        Families.open(source, new Range(0, source.size())).walk(told.walk(0));
        return told.findings();
    }

    @Test
    void whatAnInodeHeldBeforeDoesNotGetTheNameOfWhatItHoldsNow() throws IOException {
        List<Finding> all = found("ext4-reused");
        List<String> live = all.stream()
                .filter(f -> f.origin() == Origin.LIVE)
                .map(Finding::path)
                .toList();
        assertThat(live).hasSize(133);
        List<Finding> gone = all.stream()
                .filter(f -> f.origin() == Origin.DELETED && f.prognosis() == Prognosis.WHOLE)
                .toList();
        assertThat(gone).isNotEmpty();
        // Nobody who wrote this volume used a name twice.
        assertThat(gone).extracting(Finding::path).doesNotContainAnyElementsOf(live);
    }

    /**
     * Each file says its own path. The volumes were mounted several times; most names stand only in the journal, and
     * whole folders are gone, whose inodes are others' now.
     */
    @ParameterizedTest
    @ValueSource(strings = {"ext4-own-names", "ext4-own-names-1k", "ext4-own-folders"})
    void wholeContentHasTheNameThatItHad(String seed) throws IOException {
        FaultySource source = new FaultySource(Seeds.volume(seed));
        List<Finding> gone = found(seed).stream()
                .filter(f -> f.origin() == Origin.DELETED && f.prognosis() == Prognosis.WHOLE)
                .toList();
        assertThat(gone).hasSizeGreaterThan(30);
        for (Finding f : gone) {
            byte[] content = new byte[(int) f.size()];
            f.content(source).read(0, content, 0, content.length);
            assertThat(new String(content, StandardCharsets.US_ASCII)).startsWith("This is " + f.path() + ".\n");
        }
    }

    /** Text reads as text, whoever wrote it. */
    @Test
    void nothingIsWholeWhereALiveFileLies() throws IOException {
        List<Finding> all = found("ext4-written-over");
        assertThat(all)
                .filteredOn(f -> f.origin() == Origin.LIVE)
                .extracting(Finding::path)
                .containsExactlyInAnyOrder("/keep.txt", "/new.txt", "/more.txt");
        assertThat(all)
                .filteredOn(f -> f.origin() == Origin.DELETED)
                .singleElement()
                .satisfies(f -> assertThat(f.path()).isEqualTo("/old.txt"))
                .satisfies(f -> assertThat(f.prognosis()).isEqualTo(Prognosis.OVERWRITTEN));
    }

    /** Behind the last entry of the root folder: an entry that was deleted, as kernels before 5.13 left them. */
    private static byte[] withNameLeftBehind(String text, int inode) throws IOException {
        byte[] volume = Seeds.volume("ext4-written-over");
        int lastName = 35_924;
        assertThat(new String(volume, lastName, 8, StandardCharsets.US_ASCII)).isEqualTo("more.txt");
        ByteBuffer entry =
                ByteBuffer.wrap(volume).order(ByteOrder.LITTLE_ENDIAN).position(lastName + 8);
        entry.putInt(inode).putShort((short) 64).put((byte) text.length()).put((byte) 1);
        entry.put(text.getBytes(StandardCharsets.US_ASCII));
        return volume;
    }

    private static List<Finding> namesOnly(String text, int inode) throws IOException {
        return found(withNameLeftBehind(text, inode)).stream()
                .filter(f -> text.equals(f.name()))
                .toList();
    }

    @Test
    void aNameThatIsTiedToNothingIsANameOfItsOwn() throws IOException {
        int usedTwice = 13;
        assertThat(namesOnly("thesis.doc", usedTwice)).singleElement().satisfies(f -> {
            assertThat(f.path()).isEqualTo("/thesis.doc");
            assertThat(f.origin()).isEqualTo(Origin.DELETED);
            assertThat(f.prognosis()).isEqualTo(Prognosis.OVERWRITTEN);
            assertThat(f.extents()).isEmpty();
            assertThat(f.reasons()).anyMatch(r -> r.contains("which file had it under this name is not known"));
        });
        int neverUsed = 15;
        assertThat(namesOnly("thesis.doc", neverUsed)).singleElement().satisfies(f -> assertThat(f.reasons())
                .anyMatch(r -> r.contains("its inode 15 was cleared")));
    }

    /** It may have been renamed since. */
    @Test
    void aNameThatALiveFileMayHaveHadIsNotANameOfItsOwn() throws IOException {
        int usedOnce = 12;
        assertThat(namesOnly("thesis.doc", usedOnce)).isEmpty();
        assertThat(namesOnly("keep.txt", 13))
                .as("a file of this name is there")
                .singleElement()
                .satisfies(f -> assertThat(f.origin()).isEqualTo(Origin.LIVE));
    }
}
