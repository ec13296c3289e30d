package org.brantel.core.content;

import com.fasterxml.jackson.annotation.JsonValue;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Source;

/**
 * Where two contents differ, place by place.
 *
 * @param compared  bytes that were read of both and held against each other
 * @param differing of those, how many are not the same
 * @param unread    bytes of which at least one side was never read; nobody knows whether they differ
 * @param beyond    bytes that only the longer one has, as far as it was looked at
 * @param slots     the longer one in so many equal parts, each with how it differs
 */
public record Difference(long compared, long differing, long unread, long beyond, List<Slot> slots) {

    private static final int CHUNK = 1 << 20;
    private static final int SLOTS = 120;

    /** How a part of the longer one stands to the other. */
    public enum Slot {
        SAME,
        DIFFERENT,
        UNREAD,
        BEYOND;

        /** As the API writes it. */
        @JsonValue
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * @param most bytes that are looked at, from the beginning
     */
    public static Difference between(Source a, Source b, long most) throws IOException {
        long longer = Math.max(1, Math.min(most, Math.max(a.size(), b.size())));
        long shorter = Math.min(longer, Math.min(a.size(), b.size()));
        Counting counting = new Counting(longer);
        byte[] one = new byte[CHUNK];
        byte[] other = new byte[CHUNK];
        for (long at = 0; at < shorter; at += CHUNK) {
            int length = (int) Math.min(CHUNK, shorter - at);
            ReadOutcome read = a.read(at, one, 0, length);
            ReadOutcome readOther = b.read(at, other, 0, length);
            List<Range> failed = new ArrayList<>(read.failed());
            failed.addAll(readOther.failed());
            counting.chunk(at, Arrays.copyOf(one, length), Arrays.copyOf(other, length), RangeSet.of(failed));
        }
        counting.mark(shorter, longer, Slot.BEYOND);
        return new Difference(
                counting.compared, counting.differing, counting.unread, longer - shorter, List.of(counting.slots));
    }

    private static final class Counting {

        private final long length;
        private final Slot[] slots;
        private long compared;
        private long differing;
        private long unread;

        Counting(long length) {
            this.length = length;
            this.slots = new Slot[(int) Math.min(SLOTS, length)];
            Arrays.fill(slots, Slot.SAME);
        }

        private void chunk(long at, byte[] one, byte[] other, RangeSet failed) {
            List<Range> gaps = failed.within(new Range(at, one.length));
            long from = at;
            for (Range gap : gaps) {
                compare(at, one, other, from, gap.offset());
                unread += gap.length();
                mark(gap.offset(), gap.end(), Slot.UNREAD);
                from = gap.end();
            }
            compare(at, one, other, from, at + one.length);
        }

        private void compare(long at, byte[] one, byte[] other, long from, long to) {
            compared += to - from;
            for (int i = (int) (from - at); i < to - at; i++) {
                int next = Arrays.mismatch(one, i, (int) (to - at), other, i, (int) (to - at));
                if (next < 0) {
                    return;
                }
                i += next;
                differing++;
                mark(at + i, at + i + 1, Slot.DIFFERENT);
            }
        }

        /** What differs is shown before what is not known, and that before what is the same. */
        private void mark(long from, long to, Slot as) {
            for (long slot = slot(from); from < to && slot <= slot(to - 1); slot++) {
                if (slots[(int) slot] != Slot.DIFFERENT) {
                    slots[(int) slot] = as;
                }
            }
        }

        private long slot(long at) {
            return at * slots.length / length;
        }
    }
}
