package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * PSD and PSB, big-endian, by the published file format:
 *
 * <pre>
 * offset size field
 *      0    4  "8BPS"
 *      4    2  version: 1, or 2 for large documents
 *      6    6  0
 *     12    2  channels; 14 4 height; 18 4 width; 22 2 bits a channel; 24 2 colour mode
 *     26    n  three sections, each behind its length: colours, resources, layers (length of 8 bytes in version 2)
 *   then    2  compression of the flat picture: 0 none, 1 lines packed, each behind its length in a table
 * </pre>
 */
final class Psd implements ContentKind {

    @Override
    public String code() {
        return "psd";
    }

    @Override
    public Set<String> codes() {
        return Set.of("psd", "psb");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("8BPS\0\u0001"), Start.of("8BPS\0\u0002"));
    }

    @Override
    public long longest() {
        return 8L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        boolean large = content.u16be(4) == 2;
        int channels = content.u16be(12);
        long height = content.u32be(14);
        long width = content.u32be(18);
        int bits = content.u16be(22);
        if (channels < 1
                || channels > 56
                || height < 1
                || height > 300_000
                || width < 1
                || width > 300_000
                || bits != 1 && bits != 8 && bits != 16 && bits != 32) {
            return Walk.broken(12, "the header is malformed");
        }
        long at = 26;
        for (int section = 0; section < 3; section++) {
            boolean eight = section == 2 && large;
            long length = eight ? content.i64be(at) : content.u32be(at);
            at += eight ? 8 : 4;
            if (length < 0 || length > content.length() - at) {
                return Walk.broken(at, "a section leaves the content");
            }
            at += length;
        }
        int packed = content.u16be(at);
        long wrong = -1;
        Coverage coverage = new Coverage();
        at += 2;
        long lines = channels * height;
        if (packed == 0) {
            at += lines * ((width * bits + 7) / 8);
        } else if (packed == 1) {
            long table = at;
            int entry = large ? 4 : 2;
            at += lines * entry;
            long line = (width * bits + 7) / 8;
            for (long i = 0; i < lines; i++) {
                long bytes = large ? content.u32be(table + i * entry) : content.u16be(table + i * entry);
                wrong = wrong < 0 && !PackBits.fill(content, at, bytes, line) ? i : wrong;
                at += bytes;
            }
            coverage.stretch(table, at);
        } else {
            return Walk.broken(at, "the flat picture is packed in a way that states no end");
        }
        if (at > content.length()) {
            return Walk.broken(content.length(), "the flat picture leaves the content");
        }
        if (wrong >= 0) {
            return Walk.damaged(
                            at,
                            "Its sections and its " + lines + " lines lead to its end, but line " + wrong
                                    + " does not unpack.")
                    .as(large ? "psb" : "psd");
        }
        return Walk.fitting(at, "Its sections and its " + lines + " lines lead to its end.")
                .proving(coverage.bytes())
                .as(large ? "psb" : "psd")
                .about(About.NONE.with(About.WIDTH, width).with(About.HEIGHT, height));
    }
}
