package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/** AIFF and AIFF-C (AIFF 1.3), big-endian: "FORM", the length of what follows, the form, then chunks as in RIFF. */
final class Aiff implements ContentKind {

    @Override
    public String code() {
        return "aiff";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("FORM"));
    }

    @Override
    public boolean couldStart(byte[] block, int at) {
        return Bytes.match(block, at + 8, Bytes.latin("AIFF")) || Bytes.match(block, at + 8, Bytes.latin("AIFC"));
    }

    @Override
    public long longest() {
        return 4L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long end = 8 + content.u32be(4);
        if (!Bytes.text(content, 0, 4).equals("FORM")
                || !Bytes.text(content, 8, 3).equals("AIF")
                || end > content.length()) {
            return Walk.broken(4, "does not begin as AIFF, or states more bytes than there are");
        }
        Coverage coverage = new Coverage();
        boolean common = false;
        boolean sound = false;
        long at = 12;
        while (at + 8 <= end) {
            String name = Bytes.fourCharacters(content, at);
            long bytes = content.u32be(at + 4);
            if (!Bytes.isFourCharacters(content, at) || bytes > end - at - 8) {
                return Walk.broken(at, "a chunk is malformed");
            }
            coverage.place(at + 8);
            common |= name.equals("COMM");
            sound |= name.equals("SSND");
            at += 8 + bytes + (bytes & 1);
        }
        if (!common || !sound || at < end || at > end + 1) {
            return Walk.broken(at, "its chunks do not fill it");
        }
        // A form of odd length has a zero behind it (EA IFF 85, section 3), which not every program writes.
        return end % 2 == 1 && end < content.length() && content.u8(end) == 0
                ? Walk.likely(
                        end + 1, "Its chunks fill it exactly; the zero that pads it to an even length may be missing.")
                : Walk.fitting(end, "Its chunks fill it exactly.").proving(coverage.bytes());
    }
}
