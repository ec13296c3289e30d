package org.brantel.core.kind.media;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;

/**
 * What programs write before and behind the frames of MPEG audio: ID3v2 (versions 2.2 to 2.4), APEv2, Lyrics3v2,
 * ID3v1.
 */
final class Mp3Tags {

    /** Bytes of the longest frame there is. */
    static final int LONGEST_FRAME = 2881;

    private static final int MOST_LYRICS = 1 << 20;

    private Mp3Tags() {}

    /**
     * Tags stand behind each other in any order: APEv2 (its head or foot says how long it is), Lyrics3v2 (up to
     * "LYRICS200"), an ID3v2.4 tag with a foot, ID3v1 extended ("TAG+", 227 bytes) and ID3v1 ("TAG", 128 bytes).
     */
    static long after(ByteView content, long from) throws IOException {
        long at = from;
        while (true) {
            long next = at + tagBytes(content, at);
            if (next == at || next > content.length()) {
                return at;
            }
            at = next;
        }
    }

    /**
     * Where an APEv2 tag ends that begins within the last frame, which was cut; else the same place. Its head and
     * foot are "APETAGEX", version, 4 bytes length of items and foot, 4 number of items, 4 flags (bit 29: a head).
     */
    static long afterCutFrame(ByteView content, long afterFrames) throws IOException {
        long from = Math.max(0, afterFrames - LONGEST_FRAME);
        long mark = content.find(Bytes.latin("APETAGEX"), from, afterFrames + 32);
        if (mark < 0 || mark + 32 > content.length()) {
            return afterFrames;
        }
        boolean head = (content.u8(mark + 23) & 0x20) != 0;
        long bytes = content.u32le(mark + 12);
        long begins = head ? mark : mark + 32 - bytes;
        long ends = mark + 32 + (head ? bytes : 0);
        return begins >= from && begins < afterFrames && ends >= afterFrames ? ends : afterFrames;
    }

    /** @return 0 when no tag begins here */
    private static long tagBytes(ByteView content, long at) throws IOException {
        String mark = Bytes.text(content, at, 11);
        if (mark.startsWith("APETAGEX") && at + 32 <= content.length()) {
            return 32 + content.u32le(at + 12);
        }
        if (mark.equals("LYRICSBEGIN")) {
            long end = content.find(Bytes.latin("LYRICS200"), at, at + MOST_LYRICS);
            return end < 0 ? 0 : end + 9 - at;
        }
        if (mark.startsWith("ID3") && at + 10 <= content.length() && (content.u8(at + 5) & 0x10) != 0) {
            return 20 + synchsafe(content, at + 6);
        }
        return mark.startsWith("TAG+") ? 227 : mark.startsWith("TAG") ? 128 : 0;
    }

    static long synchsafe(ByteView content, long at) throws IOException {
        return (long) content.u8(at) << 21 | content.u8(at + 1) << 14 | content.u8(at + 2) << 7 | content.u8(at + 3);
    }

    /** Text frames of the tag (ID3v2.3 and 2.4, section 4). */
    static About about(ByteView content) throws IOException {
        About about = About.NONE;
        int version = content.u8(3);
        long end = Math.min(content.length(), 10 + synchsafe(content, 6));
        if (version < 3) {
            return about;
        }
        for (long at = 10; at + 11 < end && content.u8(at) >= 'A'; ) {
            String name = Bytes.text(content, at, 4);
            long bytes = version == 4 ? synchsafe(content, at + 4) : content.u32be(at + 4);
            if (bytes < 1 || bytes > end - at - 10) {
                break;
            }
            String what =
                    switch (name) {
                        case "TIT2" -> About.TITLE;
                        case "TPE1" -> About.AUTHOR;
                        case "TALB" -> About.ALBUM;
                        default -> null;
                    };
            if (what != null) {
                Charset set =
                        switch (content.u8(at + 10)) {
                            case 1 -> StandardCharsets.UTF_16;
                            case 2 -> StandardCharsets.UTF_16BE;
                            case 3 -> StandardCharsets.UTF_8;
                            default -> StandardCharsets.ISO_8859_1;
                        };
                about = about.with(
                        what,
                        new String(content.bytes(at + 11, (int) Math.min(400, bytes - 1)), set).replace("\0", ""));
            }
            at += 10 + bytes;
        }
        return about;
    }
}
