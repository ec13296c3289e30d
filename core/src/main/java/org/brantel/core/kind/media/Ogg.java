package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * Ogg (RFC 3533), little-endian: pages of
 *
 * <pre>
 * offset size field
 *      0    4  "OggS"
 *      4    1  version: 0
 *      5    1  flags: 1 goes on, 2 first of its stream, 4 last of its stream
 *      6    8  position
 *     14    4  stream; 18 4 number of the page in it
 *     22    4  CRC-32 over the page with this field 0, polynomial 04C11DB7
 *     26    1  number of lengths, then so many length bytes, then the data
 * </pre>
 *
 * Every CRC is checked, and that no page of a stream is missing. It ends when all streams have had their last page.
 */
final class Ogg implements ContentKind {

    private static final int[] CRC = new int[256];

    static {
        for (int i = 0; i < 256; i++) {
            int r = i << 24;
            for (int bit = 0; bit < 8; bit++) {
                r = r << 1 ^ (r < 0 ? 0x04c11db7 : 0);
            }
            CRC[i] = r;
        }
    }

    private static final int MOST_COMMENTS = 8 << 10;

    @Override
    public String code() {
        return "ogg";
    }

    @Override
    public Set<String> codes() {
        return Set.of("ogg", "opus", "oga", "ogv");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("OggS\0\u0002"));
    }

    private static final byte[] PAGE = Bytes.latin("OggS");
    private static final long MOST_FOREIGN = 256 << 10;

    @Override
    public long longest() {
        return 8L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        Map<Long, Long> nextPage = new HashMap<>();
        int open = 0;
        int pages = 0;
        String code = "ogg";
        About about = About.NONE;
        long samples = 0;
        long rate = 0;
        long at = 0;
        long brokenAt = -1;
        do {
            byte[] page = page(content, at);
            if (page == null) {
                long next = pages == 0 ? -1 : next(content, at + 1, nextPage.keySet());
                if (next < 0) {
                    return Walk.broken(at, "a page is missing, or its CRC is wrong")
                            .as(code);
                }
                brokenAt = brokenAt < 0 ? at : brokenAt;
                at = next;
                continue;
            }
            int lengths = page[26] & 0xff;
            int size = page.length;
            int flags = page[5];
            long stream = content.u32le(at + 14);
            long number = content.u32le(at + 18);
            if ((flags & 2) != 0) {
                if (nextPage.containsKey(stream)) {
                    return Walk.broken(at, "a stream begins twice").as(code);
                }
                open++;
                String head = new String(
                        page,
                        27 + lengths,
                        Math.min(8, size - 27 - lengths),
                        java.nio.charset.StandardCharsets.ISO_8859_1);
                code = head.startsWith("OpusHead") ? "opus" : head.contains("theora") ? "ogv" : code;
                rate = head.startsWith("OpusHead")
                        ? 48000
                        : head.contains("vorbis") && size > 27 + lengths + 16
                                ? content.u32le(at + 27 + lengths + 12)
                                : rate;
            } else if (!nextPage.containsKey(stream) || brokenAt < 0 && nextPage.get(stream) != number) {
                return Walk.broken(at, "a page of its stream is missing").as(code);
            }
            about = pages < 6 ? comments(page, about) : about;
            nextPage.put(stream, number + 1);
            samples = Math.max(samples, content.i64le(at + 6));
            open -= (flags & 4) != 0 ? 1 : 0;
            pages++;
            at += size;
        } while (open > 0);
        about = rate > 0
                ? about.with(About.SECONDS, String.format(Locale.ROOT, "%.1f", samples / (double) rate))
                : about;
        if (brokenAt >= 0) {
            return Walk.damaged(
                            at,
                            "The CRC of each of " + pages + " pages is right, but from byte " + brokenAt
                                    + " on stand other bytes.")
                    .as(code)
                    .about(about);
        }
        return Walk.whole(at, "The CRC of each of its " + pages + " pages is right, none is missing.")
                .as(code)
                .about(about.with(About.TRACKS, nextPage.size()));
    }

    /** @return a page, all of it; null when none stands there or its CRC is wrong */
    private static byte @Nullable [] page(ByteView content, long at) throws IOException {
        if (at + 27 > content.length() || !content.startsWith(at, PAGE) || content.u8(at + 4) != 0) {
            return null;
        }
        int lengths = content.u8(at + 26);
        int size = 27 + lengths;
        for (int i = 0; i < lengths && at + 27 + i < content.length(); i++) {
            size += content.u8(at + 27 + i);
        }
        if (size > content.length() - at) {
            return null;
        }
        byte[] page = content.bytes(at, size);
        return crc(page) == (int) content.u32le(at + 22) ? page : null;
    }

    /** @return where the next page of known streams stands behind other bytes; -1 when none does */
    private static long next(ByteView content, long from, Set<Long> streams) throws IOException {
        long last = Math.min(content.length(), from + MOST_FOREIGN);
        for (long at = content.find(PAGE, from, last); at >= 0; at = content.find(PAGE, at + 1, last)) {
            if (at + 27 <= content.length() && streams.contains(content.u32le(at + 14)) && page(content, at) != null) {
                return at;
            }
        }
        return -1;
    }

    private static int crc(byte[] page) {
        int r = 0;
        for (int i = 0; i < page.length; i++) {
            int b = i >= 22 && i < 26 ? 0 : page[i] & 0xff;
            r = r << 8 ^ CRC[r >>> 24 ^ b];
        }
        return r;
    }

    /** {@code TITLE=…} and the like (Vorbis I, section 5), wherever they stand in the first pages. */
    private static About comments(byte[] page, About about) {
        String text =
                new String(page, 0, Math.min(page.length, MOST_COMMENTS), java.nio.charset.StandardCharsets.UTF_8);
        return Comments.in(text, about);
    }
}
