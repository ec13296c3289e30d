package org.brantel.core.filesystem.ntfs;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.junit.jupiter.api.Test;

class RunsTest {

    private static final long CLUSTERS = 1L << 34;
    private static final BootSector BOOT =
            new BootSector(1 << 20, 512, 4096, CLUSTERS * 8, new BootSector.Table(4, 2, 1024), 4096, 0);

    @Test
    void runsOfAnySizeAndDirectionComeBack() {
        for (int seed = 0; seed < 500; seed++) {
            Random random = new Random(seed);
            ByteArrayOutputStream list = new ByteArrayOutputStream();
            Extents expected = new Extents();
            long place = 0;
            for (int i = random.nextInt(12); i >= 0; i--) {
                long length = 1 + (random.nextLong() >>> 35 + random.nextInt(28));
                boolean hole = random.nextInt(5) == 0;
                long next = Math.floorMod(random.nextLong(), CLUSTERS - length);
                write(list, length, hole ? null : next - place);
                expected.add(hole ? Extent.HOLE : BOOT.offset(next), length * 4096);
                place = hole ? place : next;
            }
            list.write(0);
            byte[] b = list.toByteArray();
            assertThat(Runs.unpack(b, 0, b.length, BOOT, CLUSTERS).map(Extents::list))
                    .as("seed %d", seed)
                    .contains(expected.list());
        }
    }

    private static void write(ByteArrayOutputStream list, long length, Long distance) {
        byte[] l = signed(length);
        byte[] d = distance == null ? new byte[0] : signed(distance);
        list.write(d.length << 4 | l.length);
        list.writeBytes(l);
        list.writeBytes(d);
    }

    private static byte[] signed(long value) {
        List<Byte> bytes = new ArrayList<>();
        long left = value;
        do {
            bytes.add((byte) left);
            left >>= 8;
        } while (!(left == 0 && bytes.get(bytes.size() - 1) >= 0 || left == -1 && bytes.get(bytes.size() - 1) < 0));
        byte[] all = new byte[bytes.size()];
        for (int i = 0; i < all.length; i++) {
            all[i] = bytes.get(i);
        }
        return all;
    }

    @Test
    void aListThatLeadsOffTheVolumeOrEndsInARunIsRefused() {
        assertThat(Runs.unpack(new byte[] {0x11, 5, 100, 0}, 0, 4, BOOT, 104))
                .as("runs over the last cluster")
                .isEmpty();
        assertThat(Runs.unpack(new byte[] {0x11, 5, 100, 0}, 0, 4, BOOT, 105)).isPresent();
        assertThat(Runs.unpack(new byte[] {0x11, 5, -1, 0}, 0, 4, BOOT, 104))
                .as("before the first")
                .isEmpty();
        assertThat(Runs.unpack(new byte[] {0x11, 0, 5, 0}, 0, 4, BOOT, 104))
                .as("no length")
                .isEmpty();
        assertThat(Runs.unpack(new byte[] {0x28, 5, 5}, 0, 3, BOOT, 104))
                .as("cut off")
                .isEmpty();
        assertThat(Runs.unpack(new byte[] {0x10, 5}, 0, 2, BOOT, 104))
                .as("no length bytes")
                .isEmpty();
    }

    @Test
    void aTornBlockIsNotPutTogether() {
        byte[] block = new byte[1024];
        block[510] = 7;
        block[1022] = 7;
        block[48] = 7;
        block[50] = 'a';
        block[52] = 'b';
        byte[] torn = block.clone();
        torn[1022] = 8;
        assertThat(UpdateSequence.undo(torn, 48, 3)).isFalse();
        assertThat(torn[510]).as("unchanged").isEqualTo((byte) 7);
        assertThat(UpdateSequence.undo(block, 48, 3)).isTrue();
        assertThat(new char[] {(char) block[510], (char) block[1022]}).containsExactly('a', 'b');
        assertThat(UpdateSequence.undo(new byte[1024], 48, 2))
                .as("too few values")
                .isFalse();
        assertThat(UpdateSequence.undo(new byte[1024], 508, 3))
                .as("over its own check")
                .isFalse();
    }

    @Test
    void aRememberedNameMustMakeSenseInEveryField() {
        byte[] b = new byte[200];
        ByteBuffer e = ByteBuffer.wrap(b).order(ByteOrder.LITTLE_ENDIAN);
        String name = "Low water.jpg";
        e.putLong(16, 40 | 3L << 48).putShort(24, (short) (16 + 66 + 26)).putShort(26, (short) (66 + 26));
        e.putLong(32, 5 | 5L << 48);
        for (int i = 0; i < 4; i++) {
            e.putLong(40 + i * 8, 133_000_000_000_000_000L);
        }
        e.putLong(80, 1234).put(96, (byte) name.length()).put(97, (byte) 1);
        e.put(98, name.getBytes(StandardCharsets.UTF_16LE));
        List<Entries.Entry> found = new ArrayList<>();
        Entries.scan(b, 0, b.length, 100, found::add);
        assertThat(found).singleElement().satisfies(f -> {
            assertThat(f.name().name()).isEqualTo(name);
            assertThat(f.name().size()).isEqualTo(1234);
            assertThat(f.sequence()).isEqualTo(3);
        });
        for (int at : new int[] {22, 26, 47, 96}) {
            byte[] spoiled = b.clone();
            spoiled[at] = (byte) (at == 22 ? 0 : 0x7f);
            found.clear();
            Entries.scan(spoiled, 0, spoiled.length, 100, found::add);
            assertThat(found).as("byte %d spoiled", at).isEmpty();
        }
    }
}
