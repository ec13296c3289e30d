package org.brantel.core.filesystem.ext;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.filesystem.Fault;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

/** Inodes and the trees of their blocks, built field by field over a volume of 64 blocks of 1 KiB. */
class InodeTest {

    private static final int BLOCK = 1024;
    private static final int BLOCKS = 64;
    private static final int FILE = 0x8000 | 0644;

    private final ByteBuffer body = ByteBuffer.allocate(256).order(ByteOrder.LITTLE_ENDIAN);
    private final Map<Long, byte[]> blocks = new HashMap<>();

    private static Superblock volume() throws IOException {
        ByteBuffer b = ByteBuffer.allocate(BLOCKS * BLOCK).order(ByteOrder.LITTLE_ENDIAN);
        int at = Superblock.AT;
        b.putInt(at, 32)
                .putInt(at + 4, BLOCKS)
                .putInt(at + 20, 1)
                .putInt(at + 32, 8192)
                .putInt(at + 36, 8192);
        b.putInt(at + 40, 32).putShort(at + 56, (short) Superblock.MAGIC).putShort(at + 58, (short) 1);
        b.putInt(at + 76, 1).putInt(at + 84, 11).putShort(at + 88, (short) 256);
        return Superblock.read(new FaultySource(b.array()), new Range(0, b.capacity()));
    }

    private Inode inode(int mode, long size) {
        body.putShort(0, (short) mode).putInt(4, (int) size).putInt(108, (int) (size >>> 32));
        return Inode.parse(12, body.array(), 0, 256, 4096);
    }

    private BlockTree.Mapped mapped(long size) throws IOException {
        return BlockTree.of(inode(FILE, size), volume(), blocks::get);
    }

    /** The head of a node of extents. */
    private static void node(ByteBuffer b, int at, int entries, int depth) {
        b.putShort(at, (short) 0xf30a).putShort(at + 2, (short) entries).putShort(at + 6, (short) depth);
    }

    private static void leaf(ByteBuffer b, int at, int first, int length, int block) {
        b.putInt(at, first).putShort(at + 4, (short) length).putInt(at + 8, block);
    }

    private void usesExtents() {
        body.putInt(32, (int) Inode.EXTENTS);
    }

    private static Extent blocksFrom(int block, int many) {
        return new Extent((long) block * BLOCK, (long) many * BLOCK);
    }

    private static Extent hole(int many) {
        return new Extent(Extent.HOLE, (long) many * BLOCK);
    }

    @Test
    void theHeadIsReadWithTimesBeyond2038() {
        body.putInt(8, -2)
                .putInt(16, 1_700_000_000)
                .putInt(20, 77)
                .putShort(26, (short) 2)
                .putInt(100, 9);
        // 32 more bytes; what they add to a time: two bits of seconds, then nanoseconds.
        body.putShort(128, (short) 32).putInt(136, 5 << 2).putInt(140, 1 | 7 << 2);
        Inode i = inode(FILE, (3L << 32) + 5);
        assertThat(i.size()).isEqualTo((3L << 32) + 5);
        assertThat(i.isFile()).isTrue();
        assertThat(i.permissions()).isEqualTo("0644");
        assertThat(i.times().accessed()).isEqualTo(Instant.ofEpochSecond((1L << 32) - 2, 7));
        assertThat(i.times().modified()).isEqualTo(Instant.ofEpochSecond(1_700_000_000, 5));
        assertThat(i.times().created()).isNull();
        assertThat(i.deletedSeconds()).isEqualTo(77);
        assertThat(i.names()).isEqualTo(2);
        assertThat(i.generation()).isEqualTo(9);
        assertThat(i.isLive()).isTrue();
    }

    @Test
    void aShortInodeHasNoFinerTimes() {
        body.putInt(16, 1_700_000_000).putInt(136, 5 << 2);
        Inode i = Inode.parse(3, body.array(), 0, 128, 0);
        assertThat(i.times().modified()).isEqualTo(Instant.ofEpochSecond(1_700_000_000));
    }

    @Test
    void directAndIndirectBlocksComeInOrder() throws Exception {
        for (int i = 0; i < 12; i++) {
            body.putInt(Inode.MAP_AT + i * 4, 20 + i);
        }
        body.putInt(Inode.MAP_AT + 48, 40);
        ByteBuffer below = ByteBuffer.allocate(BLOCK).order(ByteOrder.LITTLE_ENDIAN);
        below.putInt(0, 50).putInt(8, 51);
        blocks.put(40L, below.array());
        BlockTree.Mapped m = mapped(15 * BLOCK - 24);
        assertThat(m.fault()).isNull();
        assertThat(m.extents())
                .containsExactly(blocksFrom(20, 12), blocksFrom(50, 1), hole(1), new Extent(51L * BLOCK, BLOCK - 24));
    }

    @Test
    void anIndirectBlockThatWasNotReadSaysHowFarItCame() throws Exception {
        for (int i = 0; i < 12; i++) {
            body.putInt(Inode.MAP_AT + i * 4, 20 + i);
        }
        body.putInt(Inode.MAP_AT + 48, 40);
        assertThat(mapped(13 * BLOCK).fault())
                .isEqualTo(
                        new Fault.Unplaced(12 * BLOCK, 13 * BLOCK, "block 40, which lists its blocks, was not read"));
    }

    @Test
    void aBlockThatIsNotThereIsNamed() throws Exception {
        body.putInt(Inode.MAP_AT, 20).putInt(Inode.MAP_AT + 4, BLOCKS);
        BlockTree.Mapped m = mapped(2 * BLOCK);
        assertThat(m.extents()).containsExactly(blocksFrom(20, 1));
        assertThat(m.fault().words()).contains("it names block 64, which does not exist");
    }

    @Test
    void extentsWithHolesAndUnwrittenOnesReadAsZeros() throws Exception {
        usesExtents();
        node(body, Inode.MAP_AT, 2, 0);
        leaf(body, Inode.MAP_AT + 12, 0, 2, 30);
        // More than 32,768 blocks: set aside, but never written.
        leaf(body, Inode.MAP_AT + 24, 4, 32768 + 3, 40);
        BlockTree.Mapped m = mapped(8 * BLOCK);
        assertThat(m.fault()).isNull();
        assertThat(m.extents()).containsExactly(blocksFrom(30, 2), hole(6));
    }

    @Test
    void aNodeBelowIsFollowedAndMustFit() throws Exception {
        usesExtents();
        node(body, Inode.MAP_AT, 1, 1);
        body.putInt(Inode.MAP_AT + 12 + 4, 25);
        ByteBuffer below = ByteBuffer.allocate(BLOCK).order(ByteOrder.LITTLE_ENDIAN);
        node(below, 0, 1, 0);
        leaf(below, 12, 0, 3, 33);
        blocks.put(25L, below.array());
        assertThat(mapped(3 * BLOCK).extents()).containsExactly(blocksFrom(33, 3));
        node(below, 0, 1, 4);
        assertThat(mapped(3 * BLOCK).fault().words()).contains("do not fit each other");
        blocks.clear();
        assertThat(mapped(3 * BLOCK).fault().words()).contains("block 25, which lists its extents, was not read");
    }

    @Test
    void extentsThatRunBackwardsOrOutOfTheVolumeAreMalformed() throws Exception {
        usesExtents();
        node(body, Inode.MAP_AT, 2, 0);
        leaf(body, Inode.MAP_AT + 12, 3, 2, 30);
        leaf(body, Inode.MAP_AT + 24, 1, 1, 40);
        assertThat(mapped(6 * BLOCK).fault())
                .isEqualTo(new Fault.Unplaced(5 * BLOCK, 6 * BLOCK, "an extent of it is malformed"));
        leaf(body, Inode.MAP_AT + 12, 0, 2, BLOCKS - 1);
        assertThat(mapped(6 * BLOCK).fault().words()).contains("an extent of it is malformed");
    }

    @Test
    void blocksThatLeadInACircleEnd() throws Exception {
        usesExtents();
        node(body, Inode.MAP_AT, 1, 5);
        body.putInt(Inode.MAP_AT + 12 + 4, 25);
        ByteBuffer itself = ByteBuffer.allocate(BLOCK).order(ByteOrder.LITTLE_ENDIAN);
        node(itself, 0, 80, 4);
        for (int i = 0; i < 80; i++) {
            itself.putInt(12 + i * 12 + 4, 25);
        }
        blocks.put(25L, itself.array());
        assertThat(mapped(6 * BLOCK).fault()).isNotNull();
    }

    @Test
    void aVolumeThatClaimsTheImpossibleIsNone() throws IOException {
        Superblock sb = volume();
        assertThat(sb.blockBytes()).isEqualTo(BLOCK);
        assertThat(sb.blocks()).isEqualTo(BLOCKS);
        assertThat(sb.isBlock(BLOCKS - 1)).isTrue();
        assertThat(sb.isBlock(BLOCKS)).isFalse();
        assertThat(sb.offset(3)).isEqualTo(3 * BLOCK);
    }
}
