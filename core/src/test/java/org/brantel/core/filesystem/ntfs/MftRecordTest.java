package org.brantel.core.filesystem.ntfs;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.brantel.core.content.Extent;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A record of 1,024 bytes, built field by field. */
class MftRecordTest {

    private static final int LENGTH = 1024;
    private static final int SEQUENCE_AT = 48;
    private static final int FIRST = 56;
    private static final int CLUSTER = 4096;
    private static final long CLUSTERS = 1000;
    private static final BootSector BOOT =
            new BootSector(0, 512, CLUSTER, CLUSTERS * 8, new BootSector.Table(4, 500, LENGTH), 4096, 0x1234);

    private final ByteBuffer record = ByteBuffer.allocate(LENGTH).order(ByteOrder.LITTLE_ENDIAN);
    private int end = FIRST;

    @BeforeEach
    void head() {
        record.putInt(0, MftRecord.SIGNATURE)
                .putShort(4, (short) SEQUENCE_AT)
                .putShort(6, (short) 3)
                .putShort(16, (short) 7)
                .putShort(18, (short) 1)
                .putShort(20, (short) FIRST)
                .putShort(22, (short) 1)
                .putInt(44, 65);
    }

    /** A value that stands in the record itself. */
    private void resident(int type, byte[] value) {
        int length = 24 + (value.length + 7) / 8 * 8;
        record.putInt(end, type).putInt(end + 4, length).putInt(end + 16, value.length);
        record.putShort(end + 20, (short) 24);
        record.put(end + 24, value);
        end += length;
    }

    /**
     * Content in clusters.
     *
     * @param runs packed as on disk
     */
    private void inClusters(long size, long written, int unit, byte... runs) {
        int length = 64 + (runs.length + 8) / 8 * 8;
        record.putInt(end, Attribute.DATA).putInt(end + 4, length).put(end + 8, (byte) 1);
        record.putShort(end + 32, (short) 64).put(end + 34, (byte) unit);
        record.putLong(end + 48, size).putLong(end + 56, written).put(end + 64, runs);
        end += length;
    }

    /** Closes the list of attributes and puts the update sequence over the ends of the sectors, as on disk. */
    private byte[] onDisk() {
        record.putInt(end, -1);
        record.putInt(24, end + 8);
        byte[] b = record.array().clone();
        ByteBuffer disk = ByteBuffer.wrap(b).order(ByteOrder.LITTLE_ENDIAN);
        disk.putShort(SEQUENCE_AT, (short) 0x0102);
        for (int i = 1; i <= 2; i++) {
            int place = i * MftRecord.STRIDE - 2;
            disk.putShort(SEQUENCE_AT + 2 * i, disk.getShort(place)).putShort(place, (short) 0x0102);
        }
        return b;
    }

    private Optional<MftRecord> parsed(byte[] b) {
        return MftRecord.parse(b, 0, BOOT, CLUSTERS, -1);
    }

    @Test
    void theHeadSaysWhatItIsAndWhichItContinues() {
        record.putLong(32, 5L << 48 | 99).putShort(22, (short) 3);
        MftRecord r = parsed(onDisk()).orElseThrow();
        assertThat(r.number()).isEqualTo(65);
        assertThat(r.sequence()).isEqualTo(7);
        assertThat(r.inUse()).isTrue();
        assertThat(r.folder()).isTrue();
        assertThat(r.base()).isEqualTo(99);
        assertThat(r.baseSequence()).isEqualTo(5);
        assertThat(r.attributes()).isEmpty();
    }

    @Test
    void bytesThatTheUpdateSequenceDisplacedComeBack() {
        byte[] value = new byte[600];
        value[MftRecord.STRIDE - 2 - FIRST - 24] = 77;
        resident(Attribute.DATA, value);
        MftRecord r = parsed(onDisk()).orElseThrow();
        assertThat(r.bytes()[MftRecord.STRIDE - 2]).isEqualTo((byte) 77);
        Attribute data = r.first(Attribute.DATA).orElseThrow();
        assertThat(data.resident()).isTrue();
        assertThat(data.size()).isEqualTo(600);
        assertThat(r.piecesOf(data).stream().mapToInt(p -> p[1]).sum()).isEqualTo(600);
        assertThat(r.piecesOf(data))
                .as("the displaced two bytes stand in the sequence")
                .hasSize(3);
        assertThat(r.piecesOf(data).get(1)).containsExactly(SEQUENCE_AT + 2, 2);
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0, no signature",
        "510, 9, a sector's end that the sequence does not know",
        "1022, 9, the last sector's end",
        "6, 2, a sequence of fewer sectors",
        "4, 7, a sequence in the head",
        "20, 8, attributes in the head",
    })
    void aRecordThatDoesNotHoldTogetherIsNone(int at, int value, String why) {
        resident(Attribute.DATA, new byte[8]);
        byte[] b = onDisk();
        b[at] = (byte) value;
        assertThat(parsed(b)).as(why).isEmpty();
    }

    @Test
    void aRecordThatIsCutOffIsNone() {
        byte[] b = onDisk();
        for (int n = 0; n < LENGTH; n += 37) {
            assertThat(parsed(Arrays.copyOf(b, n))).isEmpty();
        }
    }

    @Test
    void runsPlaceContentAndTheUnitPacksIt() {
        // Three clusters from the tenth on; two of a hole; one, five before the tenth.
        inClusters(6 * CLUSTER - 100, 5 * CLUSTER, 4, new byte[] {0x11, 3, 10, 0x01, 2, 0x11, 1, -5, 0});
        Attribute data = parsed(onDisk()).orElseThrow().first(Attribute.DATA).orElseThrow();
        assertThat(data.extents())
                .containsExactly(
                        new Extent(10 * CLUSTER, 3 * CLUSTER),
                        new Extent(Extent.HOLE, 2 * CLUSTER),
                        new Extent(5 * CLUSTER, CLUSTER));
        assertThat(data.size()).isEqualTo(6 * CLUSTER - 100);
        assertThat(data.written()).isEqualTo(5 * CLUSTER);
        assertThat(data.unitBytes()).isEqualTo(16 * CLUSTER);
        assertThat(data.isCompressed()).as("its flags do not say so").isFalse();
    }

    @Test
    void runsThatLeaveTheVolumePlaceNothing() {
        inClusters(CLUSTER, CLUSTER, 0, new byte[] {0x21, 1, (byte) 0xe8, 3, 0});
        assertThat(parsed(onDisk())
                        .orElseThrow()
                        .first(Attribute.DATA)
                        .orElseThrow()
                        .extents())
                .isNull();
    }

    @Test
    void aNameIsReadWithItsFolderAndTimes() {
        String name = "Gauge.txt";
        ByteBuffer value =
                ByteBuffer.allocate(FileName.HEAD + 2 * name.length()).order(ByteOrder.LITTLE_ENDIAN);
        // The seventh of November 2026, in tenths of microseconds since 1601.
        long time = 134_386_560_000_000_000L;
        value.putLong(0, 3L << 48 | 5).putLong(8, time).putLong(16, time).putLong(48, 321);
        value.put(64, (byte) name.length()).put(65, (byte) 1);
        value.put(FileName.HEAD, name.getBytes(StandardCharsets.UTF_16LE));
        resident(Attribute.FILE_NAME, value.array());
        MftRecord r = parsed(onDisk()).orElseThrow();
        Attribute a = r.first(Attribute.FILE_NAME).orElseThrow();
        FileName read = FileName.parse(r.bytes(), a.valueAt(), (int) a.size()).orElseThrow();
        assertThat(read.name()).isEqualTo(name);
        assertThat(read.parent()).isEqualTo(5);
        assertThat(read.parentSequence()).isEqualTo(3);
        assertThat(read.size()).isEqualTo(321);
        assertThat(read.isPlausible(64)).isTrue();
        assertThat(read.isPlausible(4))
                .as("a folder beyond the small tables that there are")
                .isTrue();
        assertThat(FileName.parse(r.bytes(), a.valueAt(), FileName.HEAD + 2 * name.length() - 1))
                .as("a name longer than its room")
                .isEmpty();
    }

    @Test
    void attributesAfterOneThatLiesAboutItsLengthAreNotRead() {
        resident(Attribute.STANDARD_INFORMATION, new byte[48]);
        int second = end;
        resident(Attribute.DATA, new byte[8]);
        byte[] b = onDisk();
        ByteBuffer.wrap(b).order(ByteOrder.LITTLE_ENDIAN).putInt(second + 4, 4000);
        assertThat(parsed(b).orElseThrow().attributes())
                .extracting(Attribute::type)
                .isEqualTo(List.of(Attribute.STANDARD_INFORMATION));
    }
}
