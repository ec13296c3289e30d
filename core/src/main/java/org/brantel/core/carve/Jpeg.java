package org.brantel.core.carve;

import java.io.IOException;
import org.brantel.core.source.ByteView;

/**
 * JPEG (ITU-T T.81, annex B): SOI, marker segments, scans of entropy-coded data, EOI. A segment is FF, a code, and,
 * but for SOI, EOI and RSTn, a 2-byte big-endian length that counts itself.
 *
 * <p>The check reads every Huffman code of every scan (sequential and progressive) without computing a picture: the
 * number of blocks that the frame promises must come out exactly where the next marker stands. Foreign bytes in the
 * middle do not survive that. Arithmetic-coded and lossless frames are walked by their markers alone.
 */
final class Jpeg implements ContentKind {

    static final int SOI = 0xd8;
    static final int EOI = 0xd9;
    private static final int SOS = 0xda;
    private static final int DHT = 0xc4;
    private static final int DNL = 0xdc;
    private static final int DRI = 0xdd;
    private static final int DAC = 0xcc;
    private static final int JPG = 0xc8;
    private static final int MAX_SCANS = 1000;

    @Override
    public String code() {
        return "jpg";
    }

    @Override
    public boolean startsAt(byte[] block, int at) {
        int next = block[at + 3] & 0xff;
        return block[at] == (byte) 0xff && block[at + 1] == (byte) SOI && block[at + 2] == (byte) 0xff
                && next >= 0xc0 && next != 0xff && next != EOI && next != SOI;
    }

    @Override
    public long longest() {
        return 512L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (content.u16be(0) != 0xff00 + SOI) {
            return Walk.broken(0, "does not begin as a JPEG");
        }
        JpegFrame frame = null;
        JpegTables tables = new JpegTables();
        int restartInterval = 0;
        int scans = 0;
        long at = 2;
        while (true) {
            if (content.u8(at) != 0xff) {
                return Walk.broken(at, "a marker is missing");
            }
            int code = content.u8(at + 1);
            if (code == 0xff) {
                at++;
                continue;
            }
            if (code == EOI) {
                return end(frame, scans, at);
            }
            if (code < 0xc0 || code >= 0xd0 && code <= SOI) {
                return Walk.broken(at, "marker " + Integer.toHexString(code) + " does not belong there");
            }
            int length = content.u16be(at + 2);
            if (length < 2) {
                return Walk.broken(at, "a segment's length is " + length);
            }
            long body = at + 4;
            long next = at + 2 + length;
            if (isFrame(code)) {
                if (frame != null) {
                    return Walk.broken(at, "a second frame begins");
                }
                frame = JpegFrame.read(content, body, length - 2, code);
                if (frame == null) {
                    return Walk.broken(at, "the frame header is malformed");
                }
            } else if (code == DHT && !tables.read(content, body, length - 2)) {
                return Walk.broken(at, "a Huffman table is malformed");
            } else if (code == DRI) {
                restartInterval = content.u16be(body);
            } else if (code == SOS) {
                if (frame == null || ++scans > MAX_SCANS) {
                    return Walk.broken(at, "a scan does not belong there");
                }
                JpegScan scan = JpegScan.read(content, body, length - 2, frame);
                if (scan == null) {
                    return Walk.broken(at, "a scan header is malformed");
                }
                JpegScan.Ending ending = frame.isHuffman() && frame.lines() > 0
                        ? scan.decode(content, next, tables, restartInterval)
                        : JpegScan.skip(content, next);
                if (ending.broken() != null) {
                    return Walk.broken(ending.at(), ending.broken());
                }
                next = ending.at();
            }
            at = next;
        }
    }

    private static Walk end(JpegFrame frame, int scans, long at) {
        if (frame == null || scans == 0) {
            return Walk.broken(at, "it ends without a picture");
        }
        return Walk.whole(at + 2, frame.isHuffman()
                ? "Every code of its " + scans + (scans == 1 ? " scan" : " scans") + " reads, for " + frame.columns()
                + " × " + frame.lines() + " points."
                : "Its markers lead to its end mark.");
    }

    private static boolean isFrame(int code) {
        return code >= 0xc0 && code <= 0xcf && code != DHT && code != JPG && code != DAC && code != DNL;
    }
}
