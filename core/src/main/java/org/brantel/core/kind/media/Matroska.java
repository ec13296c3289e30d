package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

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
    private static final long CLUSTER = 0x1f43b675L;
    private static final long SCALE = 0x2ad7b1;
    private static final long DURATION = 0x4489;
    private static final long TITLE = 0x7ba9;
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

    @Override
    public Walk walk(ByteView content) throws IOException {
        Ebml.Element head = Ebml.element(content, 0);
        if (head == null || head.id() != HEAD || head.end() < 0 || head.end() > 4096) {
            return Walk.broken(0, "the head is malformed");
        }
        String type = "";
        for (long at = head.body(); at < head.end(); ) {
            Ebml.Element e = Ebml.element(content, at);
            if (e == null || e.end() < 0 || e.end() > head.end()) {
                return Walk.broken(at, "the head is malformed");
            }
            type = e.id() == TYPE ? Bytes.upToZero(content, e.body(), (int) (e.end() - e.body())) : type;
            at = e.end();
        }
        Ebml.Element segment = Ebml.element(content, head.end());
        if (segment == null || segment.id() != SEGMENT || segment.end() == Long.MAX_VALUE) {
            return Walk.broken(head.end(), "the segment is malformed or longer than what there is");
        }
        About about = About.NONE;
        Coverage coverage = new Coverage();
        MatroskaBlocks blocks = new MatroskaBlocks(content, coverage);
        int clusters = 0;
        long at = segment.body();
        while (segment.end() < 0 ? at + 4 < content.length() : at < segment.end()) {
            Ebml.Element e = Ebml.element(content, at);
            if (e != null && !PARTS.contains(e.id()) && segment.end() < 0) {
                e = null;
            }
            if (e == null && segment.end() < 0 && clusters > 0) {
                break;
            }
            if (e == null || e.end() == Long.MAX_VALUE || segment.end() >= 0 && e.end() > segment.end()) {
                return Walk.broken(at, "a part of the segment is malformed");
            }
            clusters += e.id() == CLUSTER ? 1 : 0;
            coverage.place(at);
            if (e.id() == INFO && e.end() > 0) {
                about = info(content, e, about);
            } else if (e.id() == TRACKS && e.end() > 0) {
                blocks.tracks(e);
                about = about.with(About.TRACKS, blocks.tracks());
            }
            long end = e.id() == CLUSTER ? blocks.cluster(e.body(), e.end()) : e.end();
            if (end < 0) {
                return Walk.broken(at, "a part of unknown length has no end");
            }
            at = end;
        }
        String code = type.equals("webm") ? "webm" : "mkv";
        if (blocks.tracks() == 0 || clusters == 0) {
            return Walk.broken(at, "it has no tracks or no clusters");
        }
        coverage.place(at);
        long wrong = blocks.firstWrong();
        return (wrong < 0
                        ? Walk.fitting(
                                at,
                                "The parts of its segment fill it exactly (" + clusters
                                        + " clusters), and their blocks begin as their codecs write them.")
                        : Walk.damaged(
                                at,
                                "The parts of its segment fill it exactly, but at byte " + wrong
                                        + " a block is not as its codec writes it."))
                .as(code)
                .about(about)
                .proving(coverage.bytes());
    }

    private static About info(ByteView content, Ebml.Element info, About about) throws IOException {
        double scale = 1_000_000;
        double duration = 0;
        About told = about;
        for (long at = info.body(); at < info.end(); ) {
            Ebml.Element e = Ebml.element(content, at);
            if (e == null || e.end() < 0 || e.end() > info.end()) {
                break;
            }
            int bytes = (int) Math.min(8, e.end() - e.body());
            if (e.id() == SCALE) {
                scale = Ebml.number(content, e.body(), bytes);
            } else if (e.id() == DURATION) {
                long bits = Ebml.number(content, e.body(), bytes);
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
