package org.brantel.server.proof;

import com.fasterxml.jackson.annotation.JsonValue;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.Range;
import org.jspecify.annotations.Nullable;

/**
 * What can be shown of a finding.
 *
 * @param words  how much of it that is, or why nothing is shown
 * @param text   absent where it is no text
 * @param pages  pictures that can be asked for one by one; 0 where it is no picture
 * @param tables what it holds in rows
 * @param play   absent where nothing of it is heard or moves
 * @param unread stretches of its bytes that were never read, as shares of its length
 */
record Preview(
        Shape shape,
        String words,
        @Nullable String text,
        int pages,
        List<Table> tables,
        @Nullable Play play,
        List<Share> unread) {

    /** How it is shown. */
    enum Shape {
        PICTURE,
        TEXT,
        TABLES,
        SOUND,
        FILM,
        NONE;

        /** As the API writes it. */
        @JsonValue
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * @param rows  how many there are, of which not all may be shown; -1 where they are not counted
     * @param heads what the columns hold
     */
    record Table(String name, long rows, List<String> heads, List<List<String>> cells) {}

    /**
     * What is heard or moves.
     *
     * @param seconds how long it is, as far as that is known; 0 where it is not
     * @param wave    how loud it is, from 0 to 1, over its length; empty without sound
     * @param frames  seconds of the frames on its strip; empty without a picture
     * @param playable seconds from its beginning that may be played; all of it, or what the customer agreed to
     * @param longest so many seconds are played from one place on
     */
    record Play(double seconds, List<Double> wave, List<Double> frames, double playable, int longest) {}

    /** From one share of the whole to another, from 0 to 1. */
    record Share(double from, double to) {

        private static final double SEEN_APART = 0.001;

        /** Stretches of a length, in order; those too near to one another to be seen apart are one. */
        static List<Share> of(List<Range> stretches, long length) {
            List<Share> shares = new ArrayList<>();
            double all = Math.max(1, length);
            for (Range r : stretches) {
                Share last = shares.isEmpty() ? null : shares.get(shares.size() - 1);
                if (last != null && r.offset() / all - last.to() < SEEN_APART) {
                    shares.set(shares.size() - 1, new Share(last.from(), r.end() / all));
                } else {
                    shares.add(new Share(r.offset() / all, r.end() / all));
                }
            }
            return shares;
        }
    }

    Preview with(List<Share> unreadStretches) {
        return new Preview(shape, words, text, pages, tables, play, unreadStretches);
    }

    /** What somebody may see or hear of it who agreed to previews: the first page, the first seconds. */
    Preview glimpse(int seconds) {
        if (pages > 1) {
            return picture(1, words + " The customer agreed to previews: its first page is shown.")
                    .with(unread);
        }
        return play == null || play.seconds() <= seconds
                ? this
                : new Preview(
                        shape,
                        words + " The customer agreed to previews: its first " + seconds + " seconds are played.",
                        text,
                        pages,
                        tables,
                        new Play(play.seconds(), play.wave(), play.frames(), seconds, play.longest()),
                        unread);
    }

    static Preview none(String why) {
        return new Preview(Shape.NONE, why, null, 0, List.of(), null, List.of());
    }

    static Preview text(String text, String words) {
        return new Preview(Shape.TEXT, words, text, 0, List.of(), null, List.of());
    }

    static Preview picture(int pages, String words) {
        return new Preview(Shape.PICTURE, words, null, pages, List.of(), null, List.of());
    }

    static Preview tables(List<Table> tables, String words) {
        return new Preview(Shape.TABLES, words, null, 0, tables, null, List.of());
    }
}
