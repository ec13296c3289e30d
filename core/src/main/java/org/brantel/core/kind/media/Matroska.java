package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;
import org.jspecify.annotations.Nullable;

/**
 * Matroska and WebM (RFC 9559) in EBML (RFC 8794): elements of an identifier and a length, both of variable width, and
 * so many bytes. A head names the type; the segment's parts must fill it exactly. A segment of unknown length ends with
 * its last known part.
 */
final class Matroska implements ContentKind {

    private static final long HEAD = 0x1a45dfa3L;
    private static final long TYPE = 0x4282;
    private static final long SEGMENT = 0x18538067L;
    private static final long INFO = 0x1549a966L;
    private static final long TRACKS = 0x1654ae6bL;
    private static final long TRACK = 0xae;
    private static final long CLUSTER = 0x1f43b675L;
    private static final long SCALE = 0x2ad7b1;
    private static final long DURATION = 0x4489;
    private static final long TITLE = 0x7ba9;
    /** Timestamp, simple block, block group, size of the one before, position, void. */
    private static final Set<Long> IN_CLUSTER = Set.of(0xe7L, 0xa3L, 0xa0L, 0xabL, 0xa7L, 0xecL);

    private static final Set<Long> PARTS = Set.of(
            INFO, TRACKS, CLUSTER, 0x114d9b74L, 0x1c53bb6bL, 0x1941a469L, 0x1043a770L, 0x1254c367L, 0xecL, 0xbfL);

    @Override
    public String code() {
        return "mkv";
    }

    @Override
    public Set<String> codes() {
        return Set.of("mkv", "webm", "mka");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("\u001aE\u00df\u00a3"));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    /** @param end -1 when it is not known */
    private record Element(long id, long body, long end) {}

    private static @Nullable Element element(ByteView content, long at) throws IOException {
        int first = content.u8(at);
        int idBytes = Integer.numberOfLeadingZeros(first) - 23;
        if (first == 0 || idBytes > 4) {
            return null;
        }
        long id = number(content, at, idBytes);
        long sizeAt = at + idBytes;
        int sizeFirst = content.u8(sizeAt);
        int sizeBytes = Integer.numberOfLeadingZeros(sizeFirst) - 23;
        if (sizeFirst == 0) {
            return null;
        }
        long mask = (1L << 7 * sizeBytes) - 1;
        long size = number(content, sizeAt, sizeBytes) & mask;
        long body = sizeAt + sizeBytes;
        return new Element(id, body, size == mask ? -1 : size > content.length() - body ? Long.MAX_VALUE : body + size);
    }

    private static long number(ByteView content, long at, int bytes) throws IOException {
        long value = 0;
        for (int i = 0; i < bytes; i++) {
            value = value << 8 | content.u8(at + i);
        }
        return value;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        Element head = element(content, 0);
        if (head == null || head.id() != HEAD || head.end() < 0 || head.end() > 4096) {
            return Walk.broken(0, "the head is malformed");
        }
        String type = "";
        for (long at = head.body(); at < head.end(); ) {
            Element e = element(content, at);
            if (e == null || e.end() < 0 || e.end() > head.end()) {
                return Walk.broken(at, "the head is malformed");
            }
            type = e.id() == TYPE ? Bytes.upToZero(content, e.body(), (int) (e.end() - e.body())) : type;
            at = e.end();
        }
        Element segment = element(content, head.end());
        if (segment == null || segment.id() != SEGMENT || segment.end() == Long.MAX_VALUE) {
            return Walk.broken(head.end(), "the segment is malformed or longer than what there is");
        }
        About about = About.NONE;
        boolean tracks = false;
        int clusters = 0;
        long at = segment.body();
        while (segment.end() < 0 ? at + 4 < content.length() : at < segment.end()) {
            Element e = element(content, at);
            if (e != null && !PARTS.contains(e.id())) {
                e = null;
            }
            if (e == null && segment.end() < 0 && clusters > 0) {
                break;
            }
            if (e == null || e.end() == Long.MAX_VALUE || segment.end() >= 0 && e.end() > segment.end()) {
                return Walk.broken(at, "a part of the segment is malformed");
            }
            clusters += e.id() == CLUSTER ? 1 : 0;
            tracks |= e.id() == TRACKS;
            about = e.id() == INFO && e.end() > 0
                    ? info(content, e, about)
                    : e.id() == TRACKS && e.end() > 0 ? about.with(About.TRACKS, tracks(content, e)) : about;
            long end = e.end() < 0 ? clusterEnd(content, e) : e.end();
            if (end < 0) {
                return Walk.broken(at, "a part of unknown length has no end");
            }
            at = end;
        }
        String code = type.equals("webm") ? "webm" : "mkv";
        return tracks && clusters > 0
                ? Walk.fitting(at, "The parts of its segment fill it exactly (" + clusters + " clusters).")
                        .as(code)
                        .about(about)
                : Walk.broken(at, "it has no tracks or no clusters");
    }

    /** A cluster of unknown length holds elements of its own level, up to the next part of the segment. */
    private static long clusterEnd(ByteView content, Element cluster) throws IOException {
        if (cluster.id() != CLUSTER) {
            return -1;
        }
        long at = cluster.body();
        while (at + 2 < content.length()) {
            Element e = element(content, at);
            if (e == null || !IN_CLUSTER.contains(e.id()) || e.end() < 0 || e.end() == Long.MAX_VALUE) {
                return at;
            }
            at = e.end();
        }
        return at;
    }

    private static int tracks(ByteView content, Element all) throws IOException {
        int count = 0;
        for (long at = all.body(); at < all.end(); ) {
            Element e = element(content, at);
            if (e == null || e.end() < 0 || e.end() > all.end()) {
                return count;
            }
            count += e.id() == TRACK ? 1 : 0;
            at = e.end();
        }
        return count;
    }

    private static About info(ByteView content, Element info, About about) throws IOException {
        double scale = 1_000_000;
        double duration = 0;
        About told = about;
        for (long at = info.body(); at < info.end(); ) {
            Element e = element(content, at);
            if (e == null || e.end() < 0 || e.end() > info.end()) {
                break;
            }
            int bytes = (int) Math.min(8, e.end() - e.body());
            if (e.id() == SCALE) {
                scale = number(content, e.body(), bytes);
            } else if (e.id() == DURATION) {
                long bits = number(content, e.body(), bytes);
                duration = bytes == 4 ? Float.intBitsToFloat((int) bits) : Double.longBitsToDouble(bits);
            } else if (e.id() == TITLE) {
                told = told.with(
                        About.TITLE,
                        new String(
                                content.bytes(e.body(), (int) Math.min(400, e.end() - e.body())),
                                java.nio.charset.StandardCharsets.UTF_8));
            }
            at = e.end();
        }
        double seconds = duration * scale / 1e9;
        return seconds > 0 && seconds < 1e7
                ? told.with(About.SECONDS, String.format(Locale.ROOT, "%.1f", seconds))
                : told;
    }
}
