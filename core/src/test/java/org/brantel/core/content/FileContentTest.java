package org.brantel.core.content;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

class FileContentTest {

    private static final int MEDIUM = 4096;

    private final byte[] medium = new byte[MEDIUM];

    FileContentTest() {
        new Random(3).nextBytes(medium);
    }

    /**
     * Any layout, read in any pieces, is what the layout says, byte for byte, and what is not there is said to be
     * missing.
     */
    @Test
    void readsWhatTheExtentsSayAndNamesWhatIsMissing() throws IOException {
        for (int seed = 0; seed < 400; seed++) {
            Random random = new Random(seed);
            Range dead = new Range(random.nextInt(MEDIUM), random.nextInt(200));
            dead = dead.intersection(new Range(0, MEDIUM));
            FaultySource source = new FaultySource(medium, dead);
            Extents extents = new Extents();
            for (int i = random.nextInt(6); i >= 0; i--) {
                long length = 1L + random.nextInt(300);
                extents.add(random.nextInt(4) == 0 ? Extent.HOLE : random.nextInt(MEDIUM + 200), length);
            }
            long size = extents.length() + random.nextInt(3) * 50L - 40;
            if (size <= 0) {
                continue;
            }
            byte[] expected = new byte[(int) size];
            RangeSet missing = new RangeSet();
            long at = 0;
            for (Extent e : extents.list()) {
                for (long i = 0; i < e.length() && at < size; i++, at++) {
                    long place = e.offset() + i;
                    boolean gone = !e.isHole() && (place >= MEDIUM || dead.offset() <= place && place < dead.end());
                    if (gone) {
                        missing.add(new Range(at, 1));
                    } else {
                        expected[(int) at] = e.isHole() ? 0 : medium[(int) place];
                    }
                }
            }
            missing.add(new Range(Math.min(at, size), Math.max(0, size - at)));
            FileContent content = new FileContent(source, extents.list(), size, null);
            assertThat(content.knownUnread(new Range(0, size)))
                    .as("seed %d", seed)
                    .isEqualTo(missing.ranges());
            byte[] read = new byte[(int) size];
            Arrays.fill(read, (byte) 0x55);
            RangeSet failed = new RangeSet();
            for (int from = 0; from < size; ) {
                int n = (int) Math.min(1 + random.nextInt(120), size - from);
                content.read(from, read, from, n).failed().forEach(failed::add);
                from += n;
            }
            assertThat(read).as("seed %d", seed).isEqualTo(expected);
            assertThat(failed.ranges()).as("seed %d", seed).isEqualTo(missing.ranges());
        }
    }

    @Test
    void aPackedUnitUnpacksAHoleIsZerosAndAFullUnitStandsAsItIs() throws IOException {
        byte[] source = new byte[3 * 4096];
        // 3 literals, then 13 bytes from 3 back: "abc" five times and an a.
        byte[] chunk = {0x05, (byte) 0xb0, 0x08, 'a', 'b', 'c', 0x0a, 0x20};
        System.arraycopy(chunk, 0, source, 0, chunk.length);
        Arrays.fill(source, 4096, 3 * 4096, (byte) 'z');
        List<Extent> stored =
                List.of(new Extent(0, 4096), Extent.hole(4096), Extent.hole(8192), new Extent(4096, 8192));
        FileContent content = new FileContent(new FaultySource(source), stored, 3 * 8192, new Packing(8192));
        byte[] read = new byte[3 * 8192];
        assertThat(content.read(0, read, 0, read.length).isClean()).isTrue();
        assertThat(new String(read, 0, 18, StandardCharsets.US_ASCII)).isEqualTo("abcabcabcabcabca\0\0");
        assertThat(Arrays.copyOfRange(read, 8192, 2 * 8192)).containsOnly(0);
        assertThat(Arrays.copyOfRange(read, 2 * 8192, 3 * 8192)).containsOnly('z');
    }

    @Test
    void aPackedUnitOfWhichAByteIsMissingIsMissingAsAWhole() throws IOException {
        FaultySource source = new FaultySource(new byte[65536], new Range(5000, 512));
        FileContent content = new FileContent(
                source,
                List.of(new Extent(0, 12288), Extent.hole(4096), new Extent(16384, 16384)),
                32768,
                new Packing(16384));
        assertThat(content.knownUnread(new Range(0, 32768))).containsExactly(new Range(0, 16384));
        assertThat(content.read(0, new byte[32768], 0, 32768).failed()).containsExactly(new Range(0, 16384));
    }

    @Test
    void randomBytesNeverUnpackBeyondTheirUnit() {
        Random random = new Random(9);
        byte[] out = new byte[8192];
        for (int i = 0; i < 20_000; i++) {
            byte[] packed = new byte[1 + random.nextInt(300)];
            random.nextBytes(packed);
            if (packed.length > 1 && i % 2 == 0) {
                int length = packed.length - 3 & 0xfff;
                packed[0] = (byte) length;
                packed[1] = (byte) (0xb0 | length >> 8);
            }
            Lznt1.unpack(packed, packed.length, out);
        }
    }

    @Test
    void anEncodingIsReadBackByItsWord() {
        assertThat(Packing.ofWord(new Packing(65536).word())).isEqualTo(new Packing(65536));
        assertThat(Packing.ofWord(null)).isNull();
        assertThatThrownBy(() -> Packing.ofWord("other/3")).hasMessageContaining("no encoding 'other/3'");
        assertThatThrownBy(() -> new Packing(3)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void extentsAreCutSlicedAndJoined() {
        List<Extent> extents = new Extents()
                .add(100, 50)
                .add(150, 50)
                .add(Extent.HOLE, 30)
                .add(Extent.HOLE, 10)
                .add(500, 20)
                .list();
        assertThat(extents).containsExactly(new Extent(100, 100), Extent.hole(40), new Extent(500, 20));
        assertThat(Extents.cut(extents, 120)).containsExactly(new Extent(100, 100), Extent.hole(20));
        assertThat(Extents.slice(extents, 90, 60))
                .containsExactly(new Extent(190, 10), Extent.hole(40), new Extent(500, 10));
        assertThat(Extents.withUnwrittenTail(extents, 60, 160)).containsExactly(new Extent(100, 60), Extent.hole(100));
        assertThat(Extents.withUnwrittenTail(extents, 200, 210))
                .as("what is not placed is not made up")
                .isEqualTo(extents);
    }
}
