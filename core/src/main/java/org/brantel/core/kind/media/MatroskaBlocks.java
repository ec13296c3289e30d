package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.Coverage;
import org.jspecify.annotations.Nullable;

/**
 * What stands in the clusters of a Matroska file (RFC 9559, sections 5.1.3 and 10): elements that fill them, and in
 * their blocks, behind the track's number, two bytes of time and one of flags, frames as the track's codec writes them.
 */
final class MatroskaBlocks {

    private static final long TRACK = 0xae;
    private static final long TRACK_NUMBER = 0xd7;
    private static final long CODEC = 0x86;
    private static final long CODEC_PRIVATE = 0x63a2;
    private static final long SIMPLE_BLOCK = 0xa3;
    private static final long BLOCK_GROUP = 0xa0;
    private static final long BLOCK = 0xa1;
    /**
     * Timestamp, simple block, block group, position, size of the one before, void, CRC-32; in a group block, duration,
     * reference, additions, discard padding, codec state, priority.
     */
    private static final Set<Long> KNOWN = Set.of(
            0xe7L, 0xa3L, 0xa0L, 0xa7L, 0xabL, 0xecL, 0xbfL, 0xa1L, 0x9bL, 0xfbL, 0x75a1L, 0x75a2L, 0xa4L, 0xfaL, 0xafL,
            0x5854L, 0x8eL, 0xfdL);

    private static final int LACED = 6;
    private static final double MOST_WRONG = 0.34;

    /** A track's frames so far. */
    private static final class Track {
        private @Nullable SampleCheck check;
        private long frames;
        private long wrong;
        private long firstWrong = -1;
    }

    private final ByteView content;
    private final Coverage coverage;
    private final Map<Long, Track> tracks = new HashMap<>();
    private long malformedAt = -1;

    MatroskaBlocks(ByteView content, Coverage coverage) {
        this.content = content;
        this.coverage = coverage;
    }

    int tracks() {
        return tracks.size();
    }

    /** Reads what the tracks are coded in. */
    void tracks(Ebml.Element all) throws IOException {
        for (long at = all.body(); at < all.end(); ) {
            Ebml.Element e = Ebml.element(content, at);
            if (e == null || !e.isWithin(all.end())) {
                return;
            }
            if (e.id() == TRACK) {
                track(e);
            }
            at = e.end();
        }
    }

    private void track(Ebml.Element entry) throws IOException {
        long number = 0;
        String codec = "";
        Ebml.Element told = null;
        for (long at = entry.body(); at < entry.end(); ) {
            Ebml.Element e = Ebml.element(content, at);
            if (e == null || !e.isWithin(entry.end())) {
                return;
            }
            int bytes = (int) Math.min(8, e.end() - e.body());
            number = e.id() == TRACK_NUMBER ? Ebml.number(content, e.body(), bytes) : number;
            codec = e.id() == CODEC ? Bytes.text(content, e.body(), (int) Math.min(64, e.end() - e.body())) : codec;
            told = e.id() == CODEC_PRIVATE ? e : told;
            at = e.end();
        }
        Track track = new Track();
        track.check = check(codec, told);
        tracks.put(number, track);
    }

    /** By the codec mappings registered for Matroska. */
    private @Nullable SampleCheck check(String codec, Ebml.@Nullable Element told) throws IOException {
        return switch (codec) {
            case "V_MPEG4/ISO/AVC" -> units(told, 4);
            case "V_MPEGH/ISO/HEVC" -> units(told, 21);
            case "V_VP8" -> new SampleCheck.Vp8();
            case "V_VP9" -> new SampleCheck.Vp9();
            case "V_AV1" -> SampleCheck::obus;
            case "A_AAC" -> new SampleCheck.Aac();
            case "A_AC3", "A_EAC3" -> (c, at, size) -> size >= 2 && c.u16be(at) == 0x0b77 ? -1 : at;
            case "A_MPEG/L3", "A_MPEG/L2" -> (c, at, size) -> size >= 4 && c.u16be(at) >= 0xffe0 ? -1 : at;
            // A packet of sound has a zero in its first bit (Vorbis I, section 4.3).
            case "A_VORBIS" -> (c, at, size) -> size == 0 || (c.u8(at) & 1) == 0 ? -1 : at;
            case "A_FLAC" -> (c, at, size) -> size >= 2 && (c.u16be(at) & 0xfffe) == 0xfff8 ? -1 : at;
            default -> null;
        };
    }

    /** @param field where the length of units stands in what the track tells of its codec */
    private SampleCheck.@Nullable Units units(Ebml.@Nullable Element told, int field) throws IOException {
        return told == null || told.end() - told.body() <= field
                ? null
                : new SampleCheck.Units((content.u8(told.body() + field) & 3) + 1);
    }

    /**
     * Walks over the elements of a cluster.
     *
     * @param end where it ends as it says; -1 when it does not say, so that it ends before what is no part of one
     * @return where it ends
     */
    long cluster(long body, long end) throws IOException {
        long at = body;
        while (end < 0 ? at + 2 < content.length() : at < end) {
            Ebml.Element e = Ebml.element(content, at);
            if (e == null || !KNOWN.contains(e.id()) || !e.isWithin(end < 0 ? content.length() : end)) {
                if (end < 0) {
                    return at;
                }
                malformedAt = malformedAt < 0 ? at : malformedAt;
                return end;
            }
            coverage.place(e.body());
            if (e.id() == SIMPLE_BLOCK) {
                block(e);
            } else if (e.id() == BLOCK_GROUP) {
                group(e);
            }
            at = e.end();
        }
        return at;
    }

    private void group(Ebml.Element group) throws IOException {
        for (long at = group.body(); at < group.end(); ) {
            Ebml.Element e = Ebml.element(content, at);
            if (e == null || !KNOWN.contains(e.id()) || !e.isWithin(group.end())) {
                malformedAt = malformedAt < 0 ? at : malformedAt;
                return;
            }
            if (e.id() == BLOCK) {
                block(e);
            }
            at = e.end();
        }
    }

    private void block(Ebml.Element block) throws IOException {
        int first = content.u8(block.body());
        int bytes = Integer.numberOfLeadingZeros(first) - 23;
        if (first == 0 || block.end() - block.body() < bytes + 3) {
            malformedAt = malformedAt < 0 ? block.body() : malformedAt;
            return;
        }
        Track track = tracks.get(Ebml.number(content, block.body(), bytes) & (1L << 7 * bytes) - 1);
        long frame = block.body() + bytes + 3;
        if (track == null) {
            malformedAt = malformedAt < 0 ? block.body() : malformedAt;
        } else if (track.check != null && (content.u8(frame - 1) & LACED) == 0) {
            long wrong = track.check.firstWrong(content, frame, block.end() - frame);
            track.frames++;
            track.wrong += wrong < 0 ? 0 : 1;
            track.firstWrong = wrong >= 0 && track.firstWrong < 0 ? wrong : track.firstWrong;
        }
    }

    /**
     * @return the first place that is not as it should be; -1 when there is none. A check that most frames of a track
     *         fail says nothing of them.
     */
    long firstWrong() {
        long first = malformedAt;
        for (Track track : tracks.values()) {
            if (track.firstWrong >= 0 && track.wrong <= track.frames * MOST_WRONG) {
                first = first < 0 ? track.firstWrong : Math.min(first, track.firstWrong);
            }
        }
        return first;
    }
}
