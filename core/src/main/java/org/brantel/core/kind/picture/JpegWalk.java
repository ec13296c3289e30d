package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind.Walk;
import org.jspecify.annotations.Nullable;

/** One picture, marker by marker (ITU-T T.81, annex B). */
final class JpegWalk {

    static final int SOS = 0xda;
    static final int DHT = 0xc4;
    private static final int DNL = 0xdc;
    private static final int DRI = 0xdd;
    private static final int DAC = 0xcc;
    private static final int JPG = 0xc8;
    private static final int APP1 = 0xe1;
    private static final int MAX_SCANS = 1000;
    private static final int MOST_PLACES = 256;
    private static final int BETWEEN_PLACES = 512;

    private final ByteView content;
    private final JpegTables tables;
    private @Nullable JpegFrame frame;
    private int restartInterval;
    private int scans;
    private About about = About.NONE;
    private long at = 2;
    /**
     * Where a scan can be taken up: a sequential one at many places, a progressive one at its start; empty when
     * nobody asked for that.
     */
    private final Deque<JpegScan.Place> places = new ArrayDeque<>();

    private boolean keepsPlaces;
    /** What was known of a progressive picture's blocks when its last scan began. */
    private long @Nullable [][] blocksThen;
    /** The last sector of picture data that was looked at for being one of zeros. */
    private long looked;

    JpegWalk(ByteView content) {
        this.content = content;
        tables = new JpegTables();
    }

    /** Goes on as another one did, over other content. */
    private JpegWalk(JpegWalk other, ByteView content) {
        this.content = content;
        tables = other.tables.copy();
        frame = other.frame;
        restartInterval = other.restartInterval;
        scans = other.scans;
        about = other.about;
    }

    void keepPlaces() {
        keepsPlaces = true;
    }

    boolean isProgressive() {
        return frame != null && frame.isProgressive();
    }

    /** Whether the data of a picture began. */
    boolean hasPicture() {
        return frame != null && scans > 0;
    }

    Deque<JpegScan.Place> places() {
        return places;
    }

    /** Takes the scan up that broke. */
    Walk resumed(ByteView other, JpegScan.Place from) throws IOException {
        JpegWalk again = new JpegWalk(this, other);
        again.looked = from.at();
        if (frame != null && blocksThen != null) {
            frame.comeBackTo(blocksThen);
        }
        JpegScan.Ending ending = from.scan().goOn(other, from, again.tables, restartInterval, again::isPlausible);
        if (ending.broken() != null) {
            return Walk.broken(ending.at(), ending.broken());
        }
        again.at = ending.at();
        return again.go();
    }

    Walk go() throws IOException {
        while (true) {
            if (content.u8(at) != 0xff) {
                return Walk.broken(at, "a marker is missing");
            }
            int code = content.u8(at + 1);
            if (code == 0xff) {
                at++;
                continue;
            }
            if (code == Jpeg.EOI) {
                return end();
            }
            if (code < 0xc0 || code >= 0xd0 && code <= Jpeg.SOI) {
                return Walk.broken(at, "marker " + Integer.toHexString(code) + " does not belong there");
            }
            int length = content.u16be(at + 2);
            if (length < 2) {
                return Walk.broken(at, "a segment's length is " + length);
            }
            String fault = segment(code, at + 4, length - 2);
            if (fault != null) {
                return Walk.broken(at, fault);
            }
            at += 2 + length;
            if (code == SOS) {
                JpegScan.Ending ending = scan(at - length + 2, length - 2, at);
                if (ending == null || ending.broken() != null) {
                    return ending == null
                            ? Walk.broken(at - length - 2, "a scan header is malformed")
                            : Walk.broken(ending.at(), ending.broken());
                }
                at = ending.at();
            }
        }
    }

    /** @return what is wrong with it; null when nothing is */
    private @Nullable String segment(int code, long body, int length) throws IOException {
        if (code == APP1 && length > 14 && Bytes.text(content, body, 6).equals("Exif\0\0")) {
            about = about.and(exif(content, body + 6));
        } else if (isFrame(code)) {
            if (frame != null) {
                return "a second frame begins";
            }
            frame = JpegFrame.read(content, body, length, code);
            if (frame == null) {
                return "the frame header is malformed";
            }
            about = about.with(About.WIDTH, frame.columns()).with(About.HEIGHT, frame.lines());
        } else if (code == DHT && !tables.read(content, body, length)) {
            return "a Huffman table is malformed";
        } else if (code == DRI) {
            restartInterval = content.u16be(body);
        } else if (code == SOS && (frame == null || ++scans > MAX_SCANS)) {
            return "a scan does not belong there";
        }
        return null;
    }

    private JpegScan.@Nullable Ending scan(long body, int length, long data) throws IOException {
        JpegScan scan = frame == null ? null : JpegScan.read(content, body, length, frame);
        if (frame == null || scan == null) {
            return null;
        }
        if (!frame.isHuffman() || frame.lines() == 0) {
            return JpegScan.skip(content, data);
        }
        looked = data;
        boolean keep = keepsPlaces && !frame.isProgressive();
        if (keepsPlaces && frame.isProgressive()) {
            places.clear();
            blocksThen = frame.blocks();
            if (frame != null && blocksThen != null) {
                places.add(JpegScan.Place.atStart(scan, data));
            }
        }
        return scan.goOn(
                content, JpegScan.Place.atStart(scan, data), tables, restartInterval, keep ? this::keep : null);
    }

    private boolean keep(JpegScan.Place place) {
        if (places.isEmpty() || place.at() - places.peekLast().at() >= BETWEEN_PLACES) {
            places.addLast(place);
            if (places.size() > MOST_PLACES) {
                places.removeFirst();
            }
        }
        return isPlausible(place);
    }

    /** Zeros read as codes for as long as anybody likes; in what is joined, a sector of them is no picture. */
    private boolean isPlausible(JpegScan.Place place) {
        long sector = place.at() / BETWEEN_PLACES * BETWEEN_PLACES - BETWEEN_PLACES;
        if (sector <= looked) {
            return true;
        }
        looked = sector;
        try {
            byte[] bytes = content.bytes(sector, BETWEEN_PLACES);
            for (byte b : bytes) {
                if (b != 0) {
                    return true;
                }
            }
            return false;
        } catch (IOException notThere) {
            return true;
        }
    }

    private static About exif(ByteView content, long at) throws IOException {
        if (!TiffTags.isHeader(content, at)) {
            return About.NONE;
        }
        TiffTags tags = new TiffTags(content, at);
        About about = tags.about();
        try {
            TiffTags.Directory first = tags.directory(tags.u32(4));
            TiffTags.Directory second = first == null || first.next() == 0 ? null : tags.directory(first.next());
            if (second != null && second.get(TiffTags.THUMBNAIL) != null) {
                about = about.with(
                        About.THUMBNAIL,
                        (at + tags.number(second.get(TiffTags.THUMBNAIL), 0)) + "+"
                                + tags.number(second.get(TiffTags.THUMBNAIL_BYTES), 0));
            }
        } catch (IOException damaged) {
            return about;
        }
        return about;
    }

    private Walk end() {
        if (frame == null || scans == 0) {
            return Walk.broken(at, "it ends without a picture");
        }
        Walk end = frame.isHuffman()
                ? Walk.whole(
                        at + 2,
                        "Every code of its " + scans + (scans == 1 ? " scan" : " scans") + " reads, for "
                                + frame.columns() + " × " + frame.lines() + " points.")
                : Walk.fitting(at + 2, "Its markers lead to its end mark.").closing();
        return end.about(about);
    }

    private static boolean isFrame(int code) {
        return code >= 0xc0 && code <= 0xcf && code != DHT && code != JPG && code != DAC && code != DNL;
    }
}
