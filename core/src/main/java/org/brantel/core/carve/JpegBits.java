package org.brantel.core.carve;

import java.io.IOException;
import org.brantel.core.source.ByteView;

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

    private final ByteView content;
    private long at;
    private int current;
    private int left;

    JpegBits(ByteView content, long at) {
        this.content = content;
        this.at = at;
    }

    int next() throws IOException {
        if (left == 0) {
            current = content.u8(at);
            if (current == 0xff) {
                if (content.u8(at + 1) != 0) {
                    throw new MarkerReached(at);
                }
                at++;
            }
            at++;
            left = 8;
        }
        left--;
        return current >> left & 1;
    }

    int next(int count) throws IOException {
        int value = 0;
        for (int i = 0; i < count; i++) {
            value = value << 1 | next();
        }
        return value;
    }

    /** Drops the rest of the current byte. @return where the next byte is */
    long align() {
        left = 0;
        return at;
    }

    void goOn(long position) {
        at = position;
        left = 0;
    }
}
