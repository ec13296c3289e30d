package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.LittleEndian;
import org.brantel.core.kind.About;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * BMP, little-endian (MS-WMF 2.2.2.9 and BITMAPFILEHEADER):
 *
 * <pre>
 * offset size field
 *      0    2  "BM"
 *      2    4  bytes of the file
 *      6    4  0
 *     10    4  where the points begin
 *     14    4  bytes of the second header: 12, 40, 52, 56, 64, 108 or 124
 *     18    4  width; 22 4 height, negative when the first line is the top one; 26 2 planes: 1; 28 2 bits a point
 *     30    4  compression: 0 none, 3 and 6 none with masks
 * </pre>
 */
final class Bmp implements ContentKind {

    private static final Set<Long> HEADERS = Set.of(12L, 40L, 52L, 56L, 64L, 108L, 124L);

    @Override
    public String code() {
        return "bmp";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("BM"));
    }

    @Override
    public boolean couldStart(byte[] b, int at) {
        return LittleEndian.u32(b, at + 6) == 0
                && HEADERS.contains(LittleEndian.u32(b, at + 14))
                && LittleEndian.u32(b, at + 10) < 1 << 20;
    }

    @Override
    public long longest() {
        return 1L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        long stated = content.u32le(2);
        long points = content.u32le(10);
        boolean old = content.u32le(14) == 12;
        long width = old ? content.u16le(18) : content.u32le(18);
        long height = old ? content.u16le(20) : Math.abs((int) content.u32le(22));
        int planes = content.u16le(old ? 22 : 26);
        int bits = content.u16le(old ? 24 : 28);
        long packed = old ? 0 : content.u32le(30);
        boolean plain = packed == 0 || packed == 3 || packed == 6;
        if (planes != 1
                || width == 0
                || width > 1 << 17
                || height == 0
                || height > 1 << 17
                || bits > 32
                || Integer.bitCount(bits) > 2
                || packed > 6) {
            return Walk.broken(14, "the second header is malformed");
        }
        long asked = points + (width * bits + 31) / 32 * 4 * height;
        long length = plain ? Math.max(asked, stated) : stated;
        if (points < 26
                || plain && stated != 0 && (stated < asked || stated > asked + 4096)
                || length > content.length()) {
            return Walk.broken(2, "it states " + stated + " bytes, its size asks for " + asked);
        }
        return Walk.fitting(length, "It has as many bytes as " + width + " × " + height + " points ask for.")
                .about(About.NONE.with(About.WIDTH, width).with(About.HEIGHT, height));
    }
}
