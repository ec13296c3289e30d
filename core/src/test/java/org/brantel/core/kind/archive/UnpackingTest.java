package org.brantel.core.kind.archive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.github.luben.zstd.ZstdOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Random;
import java.util.zip.CRC32;
import org.apache.commons.compress.archivers.sevenz.SevenZArchiveEntry;
import org.apache.commons.compress.archivers.sevenz.SevenZMethod;
import org.apache.commons.compress.archivers.sevenz.SevenZOutputFile;
import org.apache.commons.compress.compressors.bzip2.BZip2CompressorOutputStream;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.tukaani.xz.LZMA2Options;
import org.tukaani.xz.XZ;
import org.tukaani.xz.XZInputStream;
import org.tukaani.xz.XZOutputStream;

/** What has all its marks in place and does not unpack is damaged; what nobody can unpack here is not said to be. */
class UnpackingTest {

    private static final int CHUNK = 1 << 20;

    private static ByteView view(byte[] content, Range... bad) {
        return ByteView.of(new FaultySource(content, bad), new Range(0, content.length));
    }

    private static ContentKind.Walk walked(ContentKind kind, byte[] content) throws IOException {
        return kind.walk(view(content));
    }

    private static byte[] noise(int length) {
        byte[] noise = new byte[length];
        new Random(6).nextBytes(noise);
        return noise;
    }

    /** Half noise, half not, so that it is packed and not stored. */
    private static byte[] data(int length) {
        byte[] data = noise(length);
        for (int i = 0; i < length; i += 2) {
            data[i] = 'a';
        }
        return data;
    }

    private static byte[] xz(byte[] content, int check, int dictionary) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        LZMA2Options options = new LZMA2Options(1);
        options.setDictSize(dictionary);
        try (XZOutputStream xz = new XZOutputStream(out, options, check)) {
            xz.write(content);
        }
        return out.toByteArray();
    }

    /** The place lies within a chunk of packed data, not in a head. */
    private static byte[] spoiledInTheMiddle(byte[] content) {
        byte[] spoiled = content.clone();
        spoiled[spoiled.length / 2] ^= 0x10;
        return spoiled;
    }

    @Test
    void oneBitOfAnXzBlockIsNoticed() throws IOException {
        byte[] sound = xz(data(30_000), XZ.CHECK_CRC32, CHUNK);
        ContentKind.Walk whole = walked(new Xz(), sound);
        assertThat(whole.outcome()).isEqualTo(ContentKind.Outcome.WHOLE);
        assertThat(whole.proven()).isEqualTo(1);
        assertThat(whole.length()).isEqualTo(sound.length);
        ContentKind.Walk damaged = walked(new Xz(), spoiledInTheMiddle(sound));
        assertThat(damaged.outcome()).isEqualTo(ContentKind.Outcome.DAMAGED);
        assertThat(damaged.length()).isEqualTo(sound.length);
        assertThat(damaged.words()).contains("do not unpack");
    }

    @Test
    void oneBitOfABzip2BlockIsNoticed() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (OutputStream packed = new BZip2CompressorOutputStream(out, 1)) {
            packed.write(data(30_000));
        }
        byte[] sound = out.toByteArray();
        assertThat(walked(new Bzip2(), sound).outcome()).isEqualTo(ContentKind.Outcome.WHOLE);
        ContentKind.Walk damaged = walked(new Bzip2(), spoiledInTheMiddle(sound));
        assertThat(damaged.outcome()).isEqualTo(ContentKind.Outcome.DAMAGED);
        assertThat(damaged.length()).isEqualTo(sound.length);
    }

    private static byte[] sevenZip(SevenZMethod method, byte[]... members) throws IOException {
        SeekableInMemoryByteChannel out = new SeekableInMemoryByteChannel();
        try (SevenZOutputFile archive = new SevenZOutputFile(out)) {
            archive.setContentCompression(method);
            for (byte[] member : members) {
                SevenZArchiveEntry entry = new SevenZArchiveEntry();
                entry.setName("tide " + member.length);
                archive.putArchiveEntry(entry);
                archive.write(member);
                archive.closeArchiveEntry();
            }
        }
        return Arrays.copyOf(out.array(), (int) out.size());
    }

    @ParameterizedTest
    @EnumSource(
            value = SevenZMethod.class,
            names = {"COPY", "LZMA", "LZMA2", "BZIP2", "DEFLATE"})
    void oneBitOfA7zMemberIsNoticed(SevenZMethod method) throws IOException {
        byte[] sound = sevenZip(method, data(30_000), new byte[0], data(20_000));
        ContentKind.Walk whole = walked(new SevenZip(), sound);
        // One CRC stands for each packed stream here, none for each member.
        assertThat(whole.outcome()).as("%s", whole).isEqualTo(ContentKind.Outcome.FITTING);
        assertThat(whole.words()).contains("all of its members unpack");
        assertThat(whole.length()).isEqualTo(sound.length);
        ContentKind.Walk damaged = walked(new SevenZip(), spoiledInTheMiddle(sound));
        assertThat(damaged.outcome()).as("%s", damaged).isEqualTo(ContentKind.Outcome.DAMAGED);
        assertThat(damaged.length()).isEqualTo(sound.length);
    }

    @Test
    void a7zThatCannotBeUnpackedHereIsNotJudged() throws IOException {
        byte[] content = data(30_000);
        SeekableInMemoryByteChannel out = new SeekableInMemoryByteChannel();
        try (SevenZOutputFile archive = new SevenZOutputFile(out, "harbour".toCharArray())) {
            SevenZArchiveEntry entry = new SevenZArchiveEntry();
            entry.setName("tide");
            archive.putArchiveEntry(entry);
            archive.write(content);
            archive.closeArchiveEntry();
        }
        byte[] encrypted = Arrays.copyOf(out.array(), (int) out.size());
        ContentKind.Walk walk = walked(new SevenZip(), encrypted);
        assertThat(walk.outcome()).as("%s", walk).isEqualTo(ContentKind.Outcome.FITTING);
        assertThat(walk.proven()).isLessThan(0.1);
        assertThat(walked(new SevenZip(), spoiledInTheMiddle(encrypted)).outcome())
                .isEqualTo(ContentKind.Outcome.FITTING);
    }

    /** Its last header with other bytes, and both CRCs made right again: whatever it says ends as a walk. */
    private static byte[] withHeader(byte[] archive, Random random) {
        byte[] strange = archive.clone();
        ByteBuffer b = ByteBuffer.wrap(strange).order(ByteOrder.LITTLE_ENDIAN);
        int at = 32 + (int) b.getLong(12);
        int length = (int) b.getLong(20);
        for (int changes = 1 + random.nextInt(4); changes > 0; changes--) {
            strange[at + random.nextInt(length)] = (byte) (random.nextInt(3) == 0 ? 0xff : random.nextInt(256));
        }
        CRC32 crc = new CRC32();
        crc.update(strange, at, length);
        b.putInt(28, (int) crc.getValue());
        crc.reset();
        crc.update(strange, 12, 20);
        b.putInt(8, (int) crc.getValue());
        return strange;
    }

    @Test
    void noHeaderOfA7zEndsAScan() throws IOException {
        byte[] sound = sevenZip(SevenZMethod.LZMA2, data(3000), new byte[0], data(2000));
        for (int seed = 0; seed < 5000; seed++) {
            byte[] strange = withHeader(sound, new Random(seed));
            assertThat(walked(new SevenZip(), strange).length())
                    .as("seed %d", seed)
                    .isEqualTo(sound.length);
        }
    }

    private static byte[] zstd(byte[] content, boolean checked) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZstdOutputStream zstd = new ZstdOutputStream(out)) {
            zstd.setChecksum(checked);
            zstd.write(content, 0, content.length / 2);
            // So that it cannot know how little will come.
            zstd.flush();
            zstd.write(content, content.length / 2, content.length - content.length / 2);
        }
        return out.toByteArray();
    }

    @Test
    void oneBitOfAZstdBlockIsNoticed() throws IOException {
        byte[] sound = zstd(data(300_000), true);
        ContentKind.Walk whole = walked(new Zstd(), sound);
        assertThat(whole.outcome()).as("%s", whole).isEqualTo(ContentKind.Outcome.WHOLE);
        assertThat(whole.length()).isEqualTo(sound.length);
        assertThat(walked(new Zstd(), spoiledInTheMiddle(sound)).outcome()).isEqualTo(ContentKind.Outcome.DAMAGED);
        ContentKind.Walk unchecked = walked(new Zstd(), zstd(data(300_000), false));
        assertThat(unchecked.outcome()).as("%s", unchecked).isEqualTo(ContentKind.Outcome.FITTING);
        assertThat(unchecked.words()).contains("without checksums");
        assertThat(unchecked.proven()).isLessThan(0.5);
    }

    @Test
    void aZstdThatRefersBackTooFarIsNotJudged() throws IOException {
        byte[] greedy = zstd(data(300_000), true);
        assertThat(greedy[4] & 0x20).as("a window follows the descriptor").isZero();
        int windowOf256Mib = 28 - 10 << 3;
        greedy[5] = (byte) windowOf256Mib;
        assertThat(walked(new Zstd(), greedy).outcome()).isEqualTo(ContentKind.Outcome.FITTING);
        assertThat(walked(new Zstd(), spoiledInTheMiddle(greedy)).outcome()).isEqualTo(ContentKind.Outcome.FITTING);
    }

    /** Without checks, other bytes may unpack as well. */
    @Test
    void anXzWithoutChecksProvesLittle() throws IOException {
        ContentKind.Walk walk = walked(new Xz(), xz(noise(300_000), XZ.CHECK_NONE, CHUNK));
        assertThat(walk.outcome()).isEqualTo(ContentKind.Outcome.FITTING);
        assertThat(walk.proven()).isLessThan(0.5);
        assertThat(walk.words()).contains("without checks");
    }

    /** The only block's head: its length at 12, the filter (21, 1, size of the dictionary) from 14, its CRC at the end. */
    private static byte[] asking(int dictionary, byte[] xz) {
        byte[] asking = xz.clone();
        int end = 12 + (asking[12] + 1) * 4;
        assertThat(asking[14]).isEqualTo((byte) 0x21);
        asking[16] = (byte) dictionary;
        CRC32 crc = new CRC32();
        crc.update(asking, 12, end - 4 - 12);
        ByteBuffer.wrap(asking).order(ByteOrder.LITTLE_ENDIAN).putInt(end - 4, (int) crc.getValue());
        return asking;
    }

    @Test
    void whatAsksForMoreMemoryThanItGetsIsNotJudged() throws IOException {
        byte[] sound = xz(data(30_000), XZ.CHECK_CRC64, CHUNK);
        int oneGibibyte = 36;
        byte[] greedy = asking(oneGibibyte, sound);
        assertThat(walked(new Xz(), greedy).outcome()).isEqualTo(ContentKind.Outcome.FITTING);
        assertThat(walked(new Xz(), spoiledInTheMiddle(greedy)).outcome()).isEqualTo(ContentKind.Outcome.FITTING);
    }

    @Test
    void whatUnpacksToNoEndIsLeft() throws IOException {
        byte[] zeros = xz(new byte[4 * CHUNK], XZ.CHECK_CRC32, CHUNK);
        Unpacking.Unpacker unpacker = () -> new XZInputStream(Unpacking.stream(view(zeros)));
        assertThat(Unpacking.upTo(4 * CHUNK, unpacker)).isEqualTo(Unpacking.HOLDS);
        assertThat(Unpacking.upTo(4 * CHUNK - 1, unpacker)).isEqualTo(Unpacking.NOT_KNOWN);
    }

    @Test
    void bytesThatWereNotReadAreSaidAsSuch() throws IOException {
        byte[] sound = xz(noise(30_000), XZ.CHECK_CRC32, CHUNK);
        ByteView holed = view(sound, new Range(8192, 512));
        assertThatThrownBy(() -> Unpacking.of(() -> new XZInputStream(Unpacking.stream(holed))))
                .isInstanceOf(ByteView.Unread.class);
    }
}
