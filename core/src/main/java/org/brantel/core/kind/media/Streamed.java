package org.brantel.core.kind.media;

import java.io.IOException;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind.Walk;

/**
 * WAVE whose lengths were never written, since the program could not go back, or the recorder lost its power: both are
 * 0 or as large as can be. Where the sound ends is told by what follows it.
 */
final class Streamed {

    private static final int LARGE = 0x7fff_0000;
    /** Sound shorter than that cannot be told from anything else. */
    private static final int SHORTEST = 8192;

    private Streamed() {}

    static boolean is(ByteView content) throws IOException {
        long file = content.u32le(4);
        if (!Bytes.text(content, 0, 4).equals("RIFF")
                || !Bytes.text(content, 8, 4).equals("WAVE")
                || !isUnknown(file)) {
            return false;
        }
        long data = Samples.data(content, Math.min(content.length(), SHORTEST));
        return data > 0 && isUnknown(content.u32le(data - 4)) && !isFilled(content, 8 + file);
    }

    private static boolean isUnknown(long length) {
        return length == 0 || length >= LARGE;
    }

    /** Recorders do write files of just under two gigabytes. */
    private static boolean isFilled(ByteView content, long end) throws IOException {
        return end > LARGE && end <= content.length() && Samples.firstStrange(content, end) < 0;
    }

    static Walk walk(ByteView content) throws IOException {
        long data = Samples.data(content, Math.min(content.length(), SHORTEST));
        long end = Samples.end(content, data);
        return end - data < SHORTEST
                ? Walk.broken(4, "it states no length, and no sound follows").as("wav")
                : Walk.likely(end, "Its length was never written; it ends where there is no sound like before.")
                        .as("wav");
    }
}
