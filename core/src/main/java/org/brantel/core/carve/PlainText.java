package org.brantel.core.carve;

import java.io.IOException;
import org.brantel.core.source.ByteView;

/** Text has no control bytes but tabs and line ends; only for files whose name says so, never looked for by itself. */
final class PlainText {

    private static final long LOOK_AT = 4L << 20;

    private PlainText() { }

    static ContentKind.Walk check(ByteView content) throws IOException {
        long length = content.length();
        if (length >= 2 && (content.u16be(0) == 0xfeff || content.u16be(0) == 0xfffe)) {
            return ContentKind.Walk.whole(length, "It begins as UTF-16 text.");
        }
        for (long at = 0; at < Math.min(length, LOOK_AT); at++) {
            int c = content.u8(at);
            if (c < 0x20 && c != '\t' && c != '\n' && c != '\r' && c != '\f' && c != 0x1b) {
                return ContentKind.Walk.broken(at, "a byte that text does not hold");
            }
        }
        return ContentKind.Walk.whole(length, "It reads as text throughout.");
    }
}
