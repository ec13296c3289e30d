package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * Standard MIDI File 1.0, big-endian: "MThd", 6, format, number of tracks, division; then so many chunks "MTrk" with
 * their length, each ending with the event FF 2F 00.
 */
final class Midi implements ContentKind {

    @Override
    public String code() {
        return "mid";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("MThd\0\0\0\u0006"));
    }

    @Override
    public long longest() {
        return 64L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        int tracks = content.u16be(10);
        if (content.u16be(8) > 2 || tracks == 0 || !Bytes.text(content, 0, 4).equals("MThd")) {
            return Walk.broken(8, "the header is malformed");
        }
        long at = 14;
        for (int i = 0; i < tracks; i++) {
            long length = content.u32be(at + 4);
            if (!Bytes.text(content, at, 4).equals("MTrk") || length < 4 || length > content.length() - at - 8) {
                return Walk.broken(at, "a track is malformed");
            }
            at += 8 + length;
            if (content.u16be(at - 3) != 0xff2f || content.u8(at - 1) != 0) {
                return Walk.broken(at - 3, "a track does not end with its end mark");
            }
        }
        return Walk.whole(at, "All " + tracks + " tracks end with their end mark.")
                .about(About.NONE.with(About.TRACKS, tracks));
    }
}
