package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.jspecify.annotations.Nullable;

/**
 * What a track's coding says of each of its samples, by the type of its sample entry ("stsd", ISO/IEC 14496-12 section
 * 8.5.2): enough to notice where other bytes stand, not enough to draw or play it.
 */
interface SampleCheck {

    /** @return the first place in a sample that its coding does not write; -1 when nothing speaks against it */
    long firstWrong(ByteView content, long at, long size) throws IOException;

    /** Whether one sample that passes by chance is rare: such a check needs no others beside it. */
    default boolean isStrict() {
        return true;
    }

    /**
     * @param entries the box "stsd"
     * @return null when its first entry is of a coding that nothing is known of here
     */
    static @Nullable SampleCheck of(ByteView content, IsoMedia.@Nullable Box entries) throws IOException {
        IsoMedia.Box entry = entries == null ? null : IsoMedia.box(content, entries.body() + 8, entries.end());
        if (entry == null) {
            return null;
        }
        return switch (entry.type()) {
            case "avc1", "avc3" -> Units.of(content, entry, "avcC", 4);
            case "hvc1", "hev1" -> Units.of(content, entry, "hvcC", 21);
            case "mp4v" -> (c, at, size) -> size == 0 || size >= 4 && c.u16be(at) == 0 && c.u8(at + 2) == 1 ? -1 : at;
            case "s263", "h263" ->
                (c, at, size) -> size >= 4 && c.u16be(at) == 0 && (c.u8(at + 2) & 0xfc) == 0x80 ? -1 : at;
            case "jpeg" -> (c, at, size) -> size >= 2 && c.u16be(at) == 0xffd8 ? -1 : at;
            case "ac-3", "ec-3" -> (c, at, size) -> size >= 2 && c.u16be(at) == 0x0b77 ? -1 : at;
            case "fLaC" -> (c, at, size) -> size >= 2 && (c.u16be(at) & 0xfffe) == 0xfff8 ? -1 : at;
            case "alac" -> SampleCheck::alac;
            case "av01" -> SampleCheck::obus;
            case "vp09" -> new Vp9();
            case "samr" -> new Amr();
            case "mp4a" -> Aac.of(content, entry);
            default -> null;
        };
    }

    /** Frames of ALAC (its public description): three bits of an element, four of its number, twelve zeros. */
    private static long alac(ByteView content, long at, long size) throws IOException {
        boolean begun = size >= 3 && (content.u8(at) & 1) == 0 && content.u8(at + 1) == 0 && content.u8(at + 2) < 0x20;
        return begun ? -1 : at;
    }

    /** Open bitstream units (AV1 specification, section 5.3): with their sizes they fill the sample. */
    static long obus(ByteView content, long from, long size) throws IOException {
        long end = from + size;
        for (long at = from; at < end; ) {
            int head = content.u8(at);
            long[] next = {at + ((head & 4) != 0 ? 2 : 1)};
            if ((head & 0x81) != 0 || (head & 2) == 0 && at != from) {
                return at;
            }
            long bytes = (head & 2) == 0 ? end - next[0] : Bytes.sevenBits(content, next);
            if (bytes < 0 || bytes > end - next[0]) {
                return at;
            }
            at = next[0] + bytes;
        }
        return -1;
    }

    /**
     * Pictures in AVC or HEVC (ISO/IEC 14496-15, sections 5.3 and 8.3): a sample is a run of units, each behind its
     * length, that fill it. Three zeros, or two and a 1 or 2, stand in none (ISO/IEC 14496-10, 7.4.1).
     */
    record Units(int lengthBytes) implements SampleCheck {

        /** From a sample entry's first byte to its boxes (ISO/IEC 14496-12, 12.1.3). */
        private static final int ENTRY = 86;

        static @Nullable Units of(ByteView content, IsoMedia.Box entry, String name, int field) throws IOException {
            for (long at = entry.at() + ENTRY; at + 8 <= entry.end(); ) {
                IsoMedia.Box box = IsoMedia.box(content, at, entry.end());
                if (box == null) {
                    return null;
                }
                if (box.type().equals(name)) {
                    long place = box.body() + field;
                    return place < box.end() ? new Units((content.u8(place) & 3) + 1) : null;
                }
                at = box.end();
            }
            return null;
        }

        @Override
        public long firstWrong(ByteView content, long from, long size) throws IOException {
            long end = from + size;
            for (long at = from; at < end; ) {
                long length = at + lengthBytes > end ? 0 : length(content, at);
                long unit = at + lengthBytes;
                if (length == 0 || length > end - unit || content.u8(unit) >= 0x80) {
                    return at;
                }
                long foreign = firstForeign(content, unit, unit + length);
                if (foreign >= 0) {
                    return foreign;
                }
                at = unit + length;
            }
            return -1;
        }

        /** Zeros may stand behind a unit's last bit ("cabac_zero_words"), and nowhere else. */
        private static long firstForeign(ByteView content, long from, long end) throws IOException {
            for (long at = content.find(0, from, end); at >= 0 && at + 2 < end; at = content.find(0, at + 1, end)) {
                if (content.u8(at + 1) == 0 && content.u8(at + 2) <= 2) {
                    return isZero(content, at, end) ? -1 : at;
                }
            }
            return -1;
        }

        private static boolean isZero(ByteView content, long from, long end) throws IOException {
            for (long at = from; at < end; at++) {
                int value = content.u8(at);
                if (value != 0 && value != 3) {
                    return false;
                }
            }
            return end - from < 64;
        }

        private long length(ByteView content, long at) throws IOException {
            long length = 0;
            for (int i = 0; i < lengthBytes; i++) {
                length = length << 8 | content.u8(at + i);
            }
            return length;
        }
    }

    /**
     * Frames of VP8 (RFC 6386, section 9.1): 3 bytes with a version, the length of the first part, and whether it is a
     * key frame, which a start code follows.
     */
    record Vp8() implements SampleCheck {
        @Override
        public long firstWrong(ByteView content, long at, long size) throws IOException {
            if (size < 3) {
                return -1;
            }
            int head = content.u8(at) | content.u16le(at + 1) << 8;
            boolean key = (head & 1) == 0;
            boolean begun = !key || size >= 10 && content.u8(at + 3) == 0x9d && content.u16le(at + 4) == 0x2a01;
            return (head >> 1 & 7) <= 3 && head >> 5 <= size - (key ? 10 : 3) && begun ? -1 : at;
        }

        @Override
        public boolean isStrict() {
            return false;
        }
    }

    /** Frames of VP9 (bitstream specification, section 6.2) begin with the marker 10. */
    record Vp9() implements SampleCheck {
        @Override
        public long firstWrong(ByteView content, long at, long size) throws IOException {
            return size == 0 || content.u8(at) >> 6 == 2 ? -1 : at;
        }

        @Override
        public boolean isStrict() {
            return false;
        }
    }

    /** AMR (RFC 4867, section 5.3): each frame's first byte has its mode, which says how long it is. */
    record Amr() implements SampleCheck {
        private static final int[] BYTES = {13, 14, 16, 18, 20, 21, 27, 32, 6, 1, 1, 1, 1, 1, 1, 1};

        @Override
        public long firstWrong(ByteView content, long from, long size) throws IOException {
            long end = from + size;
            for (long at = from; at < end; ) {
                int head = content.u8(at);
                int bytes = BYTES[head >> 3 & 15];
                if ((head & 0x83) != 0 || bytes > end - at) {
                    return at;
                }
                at += bytes;
            }
            return -1;
        }
    }

    /**
     * AAC (ISO/IEC 14496-3, section 4.4.2.1): a sample begins with the three bits of an element (0 single channel, 1
     * pair, 3 effects, 4 data, 5 programme, 6 fill) and ends with the three of the end, 111, and zeros up to the byte.
     * One sample in fifty passes by chance; a cluster holds ten.
     */
    record Aac() implements SampleCheck {

        private static final int ENTRY = 36;
        private static final Set<Integer> FIRST = Set.of(0, 1, 3, 4, 5, 6);
        private static final int AAC = 0x40;

        /** @return null when its stream is described as another ("esds", ISO/IEC 14496-1 section 7.2.6) */
        static @Nullable Aac of(ByteView content, IsoMedia.Box entry) throws IOException {
            long version = content.u16be(entry.at() + 16);
            long from = entry.at() + ENTRY + (version == 1 ? 16 : 0);
            byte[] mark = Bytes.latin("esds");
            long at = content.find(mark, from, entry.end());
            // Behind version and flags: tag 3, length, 3 bytes; tag 4, length, the type of what is coded.
            long tag = at < 0 ? -1 : afterLength(content, at + 8, 3, entry.end());
            long type = tag < 0 ? -1 : afterLength(content, tag + 3, 4, entry.end());
            return type >= 0 && content.u8(type) == AAC ? new Aac() : null;
        }

        private static long afterLength(ByteView content, long at, int tag, long end) throws IOException {
            if (at + 6 > end || content.u8(at) != tag) {
                return -1;
            }
            long next = at + 1;
            while (next < at + 4 && content.u8(next) >= 0x80) {
                next++;
            }
            return next + 1 < end ? next + 1 : -1;
        }

        @Override
        public long firstWrong(ByteView content, long at, long size) throws IOException {
            if (size < 2) {
                return -1;
            }
            int last = content.u16be(at + size - 2);
            int zeros = Integer.numberOfTrailingZeros(last | 0x100);
            return FIRST.contains(content.u8(at) >> 5) && (last >> zeros & 7) == 7 ? -1 : at;
        }

        @Override
        public boolean isStrict() {
            return false;
        }
    }
}
