package org.brantel.server.proof;

import java.io.IOException;
import java.util.List;
import java.util.stream.IntStream;
import org.brantel.core.bytes.Range;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;

/** Sound with its wave, and films as frames on a strip; both are played in stretches. */
@Component
class MediaShowing implements Showing {

    /** So many strokes a wave is drawn with. */
    private static final int STROKES = 240;

    private static final int FRAMES = 8;

    private final Recorded recorded;

    MediaShowing(Recorded recorded) {
        this.recorded = recorded;
    }

    @Override
    public boolean shows(String kind) {
        return Recorded.plays(kind);
    }

    @Override
    public Preview of(Catalogues.Selected line) throws IOException {
        try {
            Copies.Copy copy = recorded.copy(line);
            Recorded.Streams streams = recorded.streams(line);
            List<Double> wave = streams.sounds() ? recorded.wave(line) : List.of();
            double heard = wave.size() / 20.0;
            double seconds = streams.seconds() > 0 ? streams.seconds() : heard;
            if (!streams.moves() && wave.isEmpty()) {
                return Preview.none("Nothing of it is heard or moves: its content is damaged.");
            }
            Preview.Play play = new Preview.Play(
                    seconds,
                    strokes(wave),
                    streams.moves() ? frames(seconds) : List.of(),
                    seconds,
                    ProofController.LONGEST);
            return new Preview(
                    streams.moves() ? Preview.Shape.FILM : Preview.Shape.SOUND,
                    words(streams, heard, copy),
                    null,
                    0,
                    List.of(),
                    play,
                    List.of());
        } catch (Tool.Failed e) {
            return Preview.none("It cannot be played: its content is damaged.");
        } catch (Refusal e) {
            return Preview.none(String.valueOf(e.getMessage()));
        }
    }

    private static String words(Recorded.Streams streams, double heard, Copies.Copy copy) {
        String gaps = copy.unread().isEmpty()
                ? ""
                : " " + copy.unread().stream().mapToLong(Range::length).sum()
                        + " bytes of it were never read; where they are missing it jumps or is silent.";
        String breaks = streams.sounds() && streams.seconds() > 0 && heard > 0 && heard < streams.seconds() - 1
                ? " Its sound breaks off after " + Math.round(heard) + " of " + Math.round(streams.seconds())
                        + " seconds."
                : "";
        return (streams.moves() ? "Frames and sound are drawn anew, small." : "Played anew.") + breaks + gaps;
    }

    /** The loudest of each part. */
    static List<Double> strokes(List<Double> wave) {
        int many = Math.min(STROKES, wave.size());
        return IntStream.range(0, many)
                .mapToObj(i -> wave
                        .subList((int) ((long) i * wave.size() / many), (int)
                                Math.max((long) i * wave.size() / many + 1, (i + 1L) * wave.size() / many))
                        .stream()
                        .max(Double::compare)
                        .map(loud -> Math.round(loud * 1000) / 1000.0)
                        .orElse(0.0))
                .toList();
    }

    /** Each in the middle of its part. */
    static List<Double> frames(double seconds) {
        return seconds <= 0
                ? List.of(0.0)
                : IntStream.range(0, FRAMES)
                        .mapToObj(i -> Math.round((i + 0.5) * seconds / FRAMES * 1000) / 1000.0)
                        .toList();
    }
}
