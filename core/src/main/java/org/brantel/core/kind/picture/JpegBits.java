package org.brantel.core.kind.picture;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;

/** The bits of a scan, most significant first; FF 00 stands for FF, any other FF xx is a marker (T.81, B.1.1.5). */
final class JpegBits {

    /** A marker stands where bits were expected. */
    static final class MarkerReached extends IOException {
        private static final long serialVersionUID = 1L;

        MarkerReached(long at) {
            super("a marker stands at byte " + at + " where picture data should go on");
        }

        @Override
        public synchronized Throwable fillInStackTrace() {
            return this;
        }
    }

    private static final int CHUNK = 4096;
    /** The longest code and the bits that follow it. */
    private static final int MOST_AT_ONCE = 32;

    private static final int EACH_BYTE = 0x01010101;
    private static final int TOP_BITS = 0x80808080;

    private final ByteView content;
    private final byte[] chunk = new byte[CHUNK];
    private long chunkAt;
    private int position;
    private int limit;
    /** Bits that were fetched and not taken, the next one highest among {@code count}. */
    private long held;

    private int count;
    private boolean ended;

    JpegBits(ByteView content, long at) {
        this.content = content;
        goOn(at);
    }

    /** Where the byte stands that holds the next bit. */
    long byteAt() throws IOException {
        long at = chunkAt + position;
        for (int held = (count + 7) / 8; held > 0; held--) {
            at -= at >= 2 && raw(at - 1) == 0 && raw(at - 2) == 0xff ? 2 : 1;
        }
        return at;
    }

    /** Bits of that byte that were taken already. */
    int bitsTaken() {
        return (8 - count % 8) % 8;
    }

    private int raw(long at) throws IOException {
        return at >= chunkAt && at < chunkAt + limit ? chunk[(int) (at - chunkAt)] & 0xff : content.u8(at);
    }

    private void load() throws IOException {
        chunkAt += position;
        int n = (int) Math.min(CHUNK, content.length() - chunkAt);
        if (n <= 0) {
            // Says where the content ends.
            content.u8(chunkAt);
        }
        position = 0;
        limit = 0;
        try {
            content.copy(chunkAt, chunk, 0, n);
            limit = n;
        } catch (ByteView.Unread e) {
            // What was read before the gap still counts.
            int good = 0;
            while (e.where() != null && good < n && isThere(chunkAt + good)) {
                good++;
            }
            if (good == 0) {
                throw e;
            }
            content.copy(chunkAt, chunk, 0, good);
            limit = good;
        }
    }

    private boolean isThere(long at) throws IOException {
        try {
            content.u8(at);
            return true;
        } catch (ByteView.Unread e) {
            return false;
        }
    }

    private int raw(int ahead) throws IOException {
        if (position + ahead >= limit) {
            return content.u8(chunkAt + position + ahead);
        }
        return chunk[position + ahead] & 0xff;
    }

    /** Fetches more than can be taken at once, at least so many as are wanted unless a marker stands in the way. */
    private void fetch(int wanted) throws IOException {
        while (count <= MOST_AT_ONCE && !ended) {
            if (position + 4 <= limit) {
                int four = chunk[position] << 24
                        | (chunk[position + 1] & 0xff) << 16
                        | (chunk[position + 2] & 0xff) << 8
                        | chunk[position + 3] & 0xff;
                if ((~four - EACH_BYTE & four & TOP_BITS) == 0) {
                    // None of them is FF.
                    held = held << 32 | four & 0xffffffffL;
                    count += 32;
                    position += 4;
                    continue;
                }
            }
            if (position + 1 >= limit) {
                if (count >= wanted) {
                    return;
                }
                if (position >= limit) {
                    load();
                }
            }
            int value = chunk[position] & 0xff;
            if (value == 0xff) {
                if (raw(1) != 0) {
                    ended = true;
                    return;
                }
                position++;
            }
            position++;
            held = held << 8 | value;
            count += 8;
        }
    }

    /**
     * Passes codes of a sequential block's coefficients and the bits that follow them, as long as the codes are short
     * and enough bits are held. What is held is kept in local variables meanwhile: this is where pictures spend their
     * time.
     *
     * @param from the coefficient that comes next
     * @return the one that comes then; more than 63 when the block is over
     */
    int passCoefficients(JpegTables.Table table, int from) throws IOException {
        int[] several = table.several();
        int k = from;
        while (k <= 63 && isAmple()) {
            long bits = held;
            int left = count;
            while (k <= 63 && left >= MOST_AT_ONCE) {
                int some = several[(int) (bits >>> left - JpegTables.SEVERAL) & JpegTables.SEVERAL_MASK];
                int then = k + (some >> 8 & 0xff);
                if (some == 0 || then > 63) {
                    count = left;
                    return k;
                }
                left -= some & 0xff;
                k = then + (some >> 16);
            }
            count = left;
        }
        return k;
    }

    /** Whether the longest code and what follows it can be taken without looking for more. */
    boolean isAmple() throws IOException {
        if (count < MOST_AT_ONCE && !ended) {
            fetchForPeek();
        }
        return count >= MOST_AT_ONCE;
    }

    /** The next bits, as many as are surely held when it is ample. */
    int ample(int bits) {
        return (int) (held >>> count - bits) & (1 << bits) - 1;
    }

    /** Takes bits of which it is known that they are held. */
    void takeHeld(int bits) {
        count -= bits;
    }

    /** The next 16 bits without taking them; zeros stand for what a marker cuts off. */
    int peek() throws IOException {
        if (count < 16) {
            fetchForPeek();
        }
        return count >= 16
                ? (int) (held >>> count - 16) & 0xffff
                : (int) (held << 16 - count) & 0xffff & -1 << 16 - count;
    }

    /** What is peeked at may lie beyond the content's end, as long as nobody takes it. */
    private void fetchForPeek() throws IOException {
        try {
            fetch(16);
        } catch (ByteView.End | ByteView.Unread e) {
            if (count == 0) {
                throw e;
            }
        }
    }

    void take(int bits) throws IOException {
        if (count < bits) {
            fetch(bits);
            if (count < bits) {
                throw new MarkerReached(chunkAt + position);
            }
        }
        count -= bits;
    }

    int next() throws IOException {
        return next(1);
    }

    /** Takes bits whose values do not matter. */
    void pass(int bits) throws IOException {
        for (int left = bits; left > 0; left -= 16) {
            take(Math.min(left, 16));
        }
    }

    /** @param bits up to 16 */
    int next(int bits) throws IOException {
        if (bits == 0) {
            return 0;
        }
        take(bits);
        return (int) (held >>> count) & (1 << bits) - 1;
    }

    /**
     * Drops the rest of the current byte.
     *
     * @return where the next byte is
     */
    long align() throws IOException {
        long at = chunkAt + position;
        for (int whole = count / 8; whole > 0; whole--) {
            at -= at >= 2 && raw(at - 1) == 0 && raw(at - 2) == 0xff ? 2 : 1;
        }
        goOn(at);
        return at;
    }

    void goOn(long at) {
        if (at >= chunkAt && at < chunkAt + limit) {
            position = (int) (at - chunkAt);
        } else {
            chunkAt = at;
            position = 0;
            limit = 0;
        }
        held = 0;
        count = 0;
        ended = false;
    }
}
