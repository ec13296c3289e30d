package org.brantel.core.bytes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.List;
import java.util.Random;
import org.brantel.core.testing.FaultySource;
import org.junit.jupiter.api.Test;

class ByteViewTest {

    private static byte[] random(int size) {
        byte[] bytes = new byte[size];
        new Random(5).nextBytes(bytes);
        return bytes;
    }

    @Test
    void readsExtentsInFileOrderWhereverTheyLie() throws IOException {
        byte[] bytes = random(300_000);
        List<Range> extents = List.of(new Range(200_000, 70_000), new Range(10, 5), new Range(50_000, 100));
        ByteView view = ByteView.of(new FaultySource(bytes), extents, 70_050);
        byte[] expected = new byte[70_050];
        int at = 0;
        for (Range e : extents) {
            int n = (int) Math.min(e.length(), expected.length - at);
            System.arraycopy(bytes, (int) e.offset(), expected, at, n);
            at += n;
        }
        assertThat(view.bytes(0, expected.length)).isEqualTo(expected);
        Random random = new Random(6);
        for (int i = 0; i < 2000; i++) {
            int position = random.nextInt(expected.length);
            assertThat(view.u8(position)).isEqualTo(expected[position] & 0xff);
        }
    }

    @Test
    void byteOrderIsInTheName() throws IOException {
        ByteView view = ByteView.of(new FaultySource(new byte[] {1, 2, (byte) 0xff, 4}), new Range(0, 4));
        assertThat(view.u16le(0)).isEqualTo(0x0201);
        assertThat(view.u16be(0)).isEqualTo(0x0102);
        assertThat(view.u32le(0)).isEqualTo(0x04ff0201L);
        assertThat(view.u32be(0)).isEqualTo(0x0102ff04L);
    }

    @Test
    void theEndAndUnreadBytesAreDifferentAnswers() {
        ByteView view = ByteView.of(new FaultySource(random(4096), new Range(512, 512)), new Range(0, 4096));
        assertThatThrownBy(() -> view.u8(4096)).isInstanceOf(ByteView.End.class).hasMessageContaining("4096");
        assertThatThrownBy(() -> view.u8(600))
                .isInstanceOf(ByteView.Unread.class)
                .hasMessageContaining("1024");
        assertThatThrownBy(() -> view.u8(-1)).isInstanceOf(ByteView.End.class);
    }

    @Test
    void whatLiesAroundAGapStillReads() throws IOException {
        byte[] bytes = random(4096);
        ByteView view = ByteView.of(new FaultySource(bytes, new Range(512, 512)), new Range(0, 4096));
        assertThat(view.u8(511)).isEqualTo(bytes[511] & 0xff);
        assertThat(view.bytes(1024, 100)).startsWith(bytes[1024]);
    }

    @Test
    void anExtentBeyondTheSourceIsRefused() {
        assertThatThrownBy(() -> ByteView.of(new FaultySource(new byte[100]), new Range(90, 20)))
                .isInstanceOf(IndexOutOfBoundsException.class);
    }
}
