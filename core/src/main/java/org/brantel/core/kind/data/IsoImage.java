package org.brantel.core.kind.data;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * An image of an ISO 9660 disc (ECMA-119, section 8): from byte 32,768 on descriptors of 2,048 bytes, a type and
 * "CD001"; 1 the primary one, 255 the last. The primary has the number of blocks at 80 and their size at 128, each in
 * both byte orders.
 */
final class IsoImage implements ContentKind {

    private static final int FIRST = 32_768;
    private static final int SECTOR = 2048;
    private static final int MOST = 64;

    @Override
    public String code() {
        return "iso";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.at(FIRST, "\u0001CD001\u0001"));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long blocks = content.u32le(FIRST + 80);
        int block = content.u16le(FIRST + 128);
        if (blocks != content.u32be(FIRST + 84) || block != content.u16be(FIRST + 130) || block < 512 || blocks < 18) {
            return Walk.broken(FIRST, "the primary descriptor is malformed");
        }
        long at = FIRST;
        for (int i = 0; content.u8(at) != 255; i++, at += SECTOR) {
            if (i > MOST || !Bytes.text(content, at + 1, 5).equals("CD001")) {
                return Walk.broken(at, "the list of descriptors has no end");
            }
        }
        long end = blocks * block;
        IsoEntries entries = new IsoEntries(content, block, Math.min(end, content.length()));
        return end > content.length()
                ? Walk.broken(content.length(), "it states more blocks than there are")
                : !entries.read(FIRST + 156)
                        ? Walk.broken(FIRST + 156, "an entry of its directories is malformed")
                        : Walk.fitting(
                                        end,
                                        "Its directories lead to "
                                                + entries.starts().size() + " files within its " + blocks + " blocks.")
                                .about(About.NONE.with(About.TITLE, Bytes.text(content, FIRST + 40, 32)))
                                .proving(entries.bytes())
                                .holding(entries.starts()::contains);
    }
}
