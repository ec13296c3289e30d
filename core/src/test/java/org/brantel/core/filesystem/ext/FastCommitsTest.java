package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
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
 * Volumes that were copied while they were mounted: a file was deleted, its inode given to another, one renamed, one
 * grown, and all of that stands in the journal alone.
 */
class FastCommitsTest {

    private static final int BLOCK = 1024;
    /** Where the second block of fast commits stands; the first ends with a commit of its own. */
    private static final int SECOND = 1060 * BLOCK;

    private static final long TRANSACTION = 3;

    private static Map<String, Finding> live(byte[] volume) throws IOException {
        return found(volume, Origin.LIVE);
    }

    private static Map<String, Finding> found(byte[] volume, Origin origin) throws IOException {
        FaultySource source = new FaultySource(volume);
        Collected told = new Collected();
        Families.open(source, new Range(0, source.size())).walk(told.walk(0));
        Map<String, Finding> found = new TreeMap<>();
        told.findings().stream().filter(f -> f.origin() == origin).forEach(f -> found.put(f.path(), f));
        return found;
    }

    private static String content(byte[] volume, Finding f) throws IOException {
        byte[] content = new byte[(int) f.size()];
        f.content(new FaultySource(volume)).read(0, content, 0, content.length);
        return new String(content, StandardCharsets.US_ASCII);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ext4-fast-commits", "ext4-not-replayed"})
    void whatTheJournalAloneHasIsThereAndSaid(String seed) throws IOException {
        byte[] volume = Seeds.volume(seed);
        Map<String, Finding> live = live(volume);
        assertThat(live).containsOnlyKeys("/late-2.txt", "/tide/early-1.txt", "/tide/late-1.txt", "/tide/renamed.txt");
        assertThat(live.values()).extracting(Finding::prognosis).containsOnly(Prognosis.WHOLE);
        assertThat(live.values())
                .allSatisfy(f -> assertThat(f.record().attributes()).contains("as the journal has it"));
        assertThat(content(volume, live.get("/late-2.txt"))).isEqualTo("This is /late-2.txt.\n");
        assertThat(content(volume, live.get("/tide/late-1.txt")))
                .isEqualTo("This is /tide/late-1.txt.\n" + "x".repeat(3000) + "\n");
        assertThat(content(volume, live.get("/tide/early-1.txt")))
                .isEqualTo("This is /tide/early-1.txt.\n" + "More of it.\n".repeat(200));
        assertThat(content(volume, live.get("/tide/renamed.txt"))).isEqualTo("This is /tide/early-3.txt.\n");
    }

    /** One of two names was taken away, a file's only one, and an empty folder; nothing else has their room. */
    @ParameterizedTest
    @ValueSource(strings = {"ext4-fast-deleted", "ext4-not-replayed-deleted"})
    void whatTheJournalAloneDeletesIsDeleted(String seed) throws IOException {
        byte[] volume = Seeds.volume(seed);
        assertThat(live(volume)).containsOnlyKeys("/tide/early-1.txt", "/tide/second-name.txt");
        Map<String, Finding> gone = found(volume, Origin.DELETED);
        assertThat(gone).containsOnlyKeys("/tide/early-2.txt");
        assertThat(gone.get("/tide/early-2.txt").prognosis()).isEqualTo(Prognosis.WHOLE);
        assertThat(content(volume, gone.get("/tide/early-2.txt"))).isEqualTo("This is /tide/early-2.txt.\n");
    }

    /** Its inode is another's by the journal, and the bitmap on the volume does not know that its block is free. */
    @ParameterizedTest
    @ValueSource(strings = {"ext4-fast-commits", "ext4-not-replayed"})
    void whatWasFreedInTheJournalAloneIsFree(String seed) throws IOException {
        assertThat(found(Seeds.volume(seed), Origin.DELETED).get("/tide/early-2.txt"))
                .satisfies(f -> assertThat(f.prognosis()).isEqualTo(Prognosis.WHOLE));
    }

    @Test
    void nothingIsSaidOfTheJournalWhereTheVolumeWasClosed() throws IOException {
        assertThat(live(Seeds.volume("ext4-written-over")).values())
                .isNotEmpty()
                .allSatisfy(f -> assertThat(f.record().attributes()).doesNotContain("as the journal has it"));
    }

    @Test
    void whatStandsBehindTheLastSoundCommitWasNotCommitted() throws IOException {
        byte[] volume = Seeds.volume("ext4-fast-commits");
        assertThat(new String(volume, SECOND + 12, 11, StandardCharsets.US_ASCII))
                .isEqualTo("renamed.txt");
        volume[SECOND + 12] ^= 1;
        Map<String, Finding> live = live(volume);
        assertThat(live).containsOnlyKeys("/tide/early-1.txt", "/tide/early-3.txt", "/tide/late-1.txt");
        assertThat(live.get("/tide/early-1.txt").size()).isEqualTo(27);
        assertThat(live.get("/tide/early-1.txt").record().attributes()).doesNotContain("as the journal has it");
    }

    /** One commit: a name is made, and a name taken away. */
    private static byte[] commit(long transaction) {
        ByteBuffer b = ByteBuffer.allocate(BLOCK).order(ByteOrder.LITTLE_ENDIAN);
        b.putShort((short) 9).putShort((short) 8).putInt(0).putInt((int) transaction);
        b.putShort((short) 3)
                .putShort((short) 12)
                .putInt(12)
                .putInt(15)
                .put("tide".getBytes(StandardCharsets.US_ASCII));
        b.putShort((short) 5)
                .putShort((short) 12)
                .putInt(12)
                .putInt(14)
                .put("ebbs".getBytes(StandardCharsets.US_ASCII));
        b.putShort((short) 8).putShort((short) (BLOCK - b.position() - 2)).putInt((int) transaction);
        b.putInt(Checksums.crc(0, b.array(), 0, b.position()));
        return b.array();
    }

    @Test
    void changesOfAnotherTransactionAreOld() {
        assertThat(FastCommits.read(List.of(commit(TRANSACTION)), TRANSACTION).names(12))
                .containsOnly(Map.entry("tide", 15L), Map.entry("ebbs", FastCommits.GONE));
        assertThat(FastCommits.read(List.of(commit(TRANSACTION - 1)), TRANSACTION)
                        .names(12))
                .isEmpty();
        assertThat(FastCommits.read(List.of(commit(TRANSACTION), commit(TRANSACTION - 1)), TRANSACTION)
                        .names(12))
                .hasSize(2);
    }

    /** The sum covers all that is told: whatever byte of it is another, nothing is. */
    @Test
    void noSpoiledByteIsBelieved() {
        byte[] sound = commit(TRANSACTION);
        int told = 12 + 16 + 16 + 12;
        Random random = new Random(5);
        for (int at = 0; at < told; at++) {
            byte[] spoiled = sound.clone();
            spoiled[at] ^= (byte) (1 + random.nextInt(255));
            assertThat(FastCommits.read(List.of(spoiled), TRANSACTION).names(12))
                    .as("byte %d", at)
                    .isEmpty();
        }
    }

    /** A commit of changes that nobody would make, with the right sum. */
    private static byte[] strange(Random random) {
        ByteBuffer b = ByteBuffer.allocate(BLOCK).order(ByteOrder.LITTLE_ENDIAN);
        b.putShort((short) 9).putShort((short) 8).putInt(0).putInt((int) TRANSACTION);
        while (b.remaining() > 400) {
            int kind = 1 + random.nextInt(7);
            byte[] body = new byte[kind == 6 ? 4 + 160 : 9 + random.nextInt(20)];
            random.nextBytes(body);
            ByteBuffer fields = ByteBuffer.wrap(body).order(ByteOrder.LITTLE_ENDIAN);
            fields.putInt(0, random.nextInt(18));
            if (random.nextBoolean()) {
                fields.putInt(4, kind == 6 ? 0x81ed : random.nextInt(18));
            }
            b.putShort((short) kind).putShort((short) body.length).put(body);
        }
        b.putShort((short) 8).putShort((short) (BLOCK - b.position() - 2)).putInt((int) TRANSACTION);
        b.putInt(Checksums.crc(0, b.array(), 0, b.position()));
        return b.array();
    }

    @Test
    void noCommittedChangeEndsAWalk() throws IOException {
        byte[] volume = Seeds.volume("ext4-fast-commits");
        int walked = 0;
        for (int seed = 0; seed < 300; seed++) {
            byte[] changed = volume.clone();
            System.arraycopy(strange(new Random(seed)), 0, changed, SECOND - BLOCK, BLOCK);
            for (Finding f : live(changed).values()) {
                assertThat(f.size()).isNotNegative();
                walked++;
            }
        }
        assertThat(walked).isGreaterThan(300);
    }
}
