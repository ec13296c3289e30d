package org.brantel.core.bytes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What looks at eight bytes at once finds what asking for each byte finds. */
class EightBytesTest {

    private static final ByteSet TEXT =
            ByteSet.of(c -> c >= 0x20 && c < 0x80 || c == '\t' || c == '\n' || c == '\r' || c == 0x1b);
    private static final List<ByteSet> SETS = List.of(
            TEXT,
            TEXT.without('\n'),
            TEXT.without(' '),
            ByteSet.of(c -> c != 0),
            ByteSet.of(c -> c >= 0x80 || TEXT.has(c)));

    private static byte[] mostlyText(Random random) {
        byte[] bytes = new byte[1 + random.nextInt(200)];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte)
                    switch (random.nextInt(40)) {
                        case 0 -> random.nextInt(256);
                        case 1 -> "\t\n\r\f\u001b\u007f".charAt(random.nextInt(6));
                        default -> 0x20 + random.nextInt(0x60);
                    };
        }
        return bytes;
    }

    private static int slowly(ByteSet set, byte[] bytes, int from, int to) {
        for (int i = from; i < to; i++) {
            if (!set.has(bytes[i] & 0xff)) {
                return i;
            }
        }
        return to;
    }

    @Test
    void goesPastExactlyWhatTheSetHolds() {
        Random random = new Random(6);
        for (int round = 0; round < 20_000; round++) {
            byte[] bytes = mostlyText(random);
            int from = random.nextInt(bytes.length);
            int to = from + random.nextInt(bytes.length - from + 1);
            ByteSet set = SETS.get(round % SETS.size());
            assertThat(set.past(bytes, from, to)).as("round %d", round).isEqualTo(slowly(set, bytes, from, to));
        }
    }

    /** Each value alone among characters, at each of eight places. */
    @Test
    void everyValueIsToldFromText() {
        for (int value = 0; value < 256; value++) {
            for (int place = 0; place < 8; place++) {
                byte[] bytes = "coast\r\n\t".getBytes(java.nio.charset.StandardCharsets.US_ASCII);
                bytes[place] = (byte) value;
                boolean text = value >= 0x20 && value < 0x80 || value == '\t' || value == '\n' || value == '\r';
                assertThat(EightBytes.areText(bytes, 0))
                        .as("%02x at %d", value, place)
                        .isEqualTo(text);
            }
        }
    }

    @Test
    void findsTheFirstOfAValue() {
        Random random = new Random(7);
        for (int round = 0; round < 20_000; round++) {
            byte[] bytes = mostlyText(random);
            byte value = bytes[random.nextInt(bytes.length)];
            int from = random.nextInt(bytes.length);
            int to = from + random.nextInt(bytes.length - from + 1);
            int expected = to;
            for (int i = to - 1; i >= from; i--) {
                expected = bytes[i] == value ? i : expected;
            }
            assertThat(EightBytes.find(bytes, value, from, to))
                    .as("round %d", round)
                    .isEqualTo(expected);
        }
    }
}
