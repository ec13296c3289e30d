package org.brantel.server.proof;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is heard or moves, decoded by Debian's ffmpeg and written anew. */
@Component
class Recorded {

    /** By which reader of the tool each kind is read; what content claims to be beside that is not tried. */
    private static final Map<String, String> READERS = Map.ofEntries(
            Map.entry("mp4", "mov"),
            Map.entry("m4v", "mov"),
            Map.entry("mov", "mov"),
            Map.entry("3gp", "mov"),
            Map.entry("m4a", "mov"),
            Map.entry("3ga", "mov"),
            Map.entry("mkv", "matroska"),
            Map.entry("webm", "matroska"),
            Map.entry("avi", "avi"),
            Map.entry("mp3", "mp3"),
            Map.entry("wav", "wav"),
            Map.entry("flac", "flac"),
            Map.entry("ogg", "ogg"),
            Map.entry("ogv", "ogg"),
            Map.entry("opus", "ogg"),
            Map.entry("aiff", "aiff"),
            Map.entry("aac", "aac"),
            Map.entry("amr", "amr"),
            Map.entry("caf", "caf"),
            Map.entry("wma", "asf"),
            Map.entry("wmv", "asf"),
            Map.entry("mpg", "mpeg"),
            Map.entry("vob", "mpeg"),
            Map.entry("mts", "mpegts"),
            Map.entry("m2ts", "mpegts"),
            Map.entry("flv", "flv"));

    /** Samples a second are enough to draw how loud it is. */
    private static final int WAVE_HERTZ = 4000;

    private static final int WAVE_STEP = WAVE_HERTZ / 20;
    private static final int WAVE_SECONDS = 3600;

    private final Copies copies;
    private final Tool tool;
    private final JsonMapper json = JsonMapper.builder().build();

    Recorded(Copies copies, Tool tool) {
        this.copies = copies;
        this.tool = tool;
    }

    static boolean plays(String kind) {
        return READERS.containsKey(kind);
    }

    boolean canPlay() {
        return tool.isThere("ffmpeg") && tool.isThere("ffprobe") && tool.isThere("prlimit");
    }

    /** @param seconds 0 where it does not say */
    record Streams(double seconds, boolean moves, boolean sounds) {}

    Copies.Copy copy(Catalogues.Selected line) throws IOException {
        if (!canPlay()) {
            throw Refusal.missing("Sound and films are played by ffmpeg, which is not installed here; on Debian: "
                    + "apt-get install ffmpeg.");
        }
        return copies.of(line);
    }

    Streams streams(Catalogues.Selected line) throws IOException {
        List<String> arguments = reading(line);
        arguments.addAll(List.of("-show_entries", "format=duration:stream=codec_type:stream_disposition=attached_pic"));
        arguments.addAll(List.of("-of", "json"));
        try {
            JsonNode said = tool.run(
                    "ffprobe", arguments, out -> json.readTree(new String(out.readAllBytes(), StandardCharsets.UTF_8)));
            boolean moves = false;
            boolean sounds = false;
            for (JsonNode s : said.path("streams")) {
                boolean still = s.path("disposition").path("attached_pic").asInt(0) == 1;
                moves |= s.path("codec_type").asString("").equals("video") && !still;
                sounds |= s.path("codec_type").asString("").equals("audio");
            }
            String duration = said.path("format").path("duration").asString("");
            return new Streams(
                    duration.matches("\\d{1,9}([.]\\d+)?") ? Double.parseDouble(duration) : 0, moves, sounds);
        } catch (JacksonException e) {
            throw new Tool.Failed("it says nothing of itself");
        }
    }

    private List<String> reading(Catalogues.Selected line) throws IOException {
        String reader = READERS.get(line.finding().kind());
        if (reader == null) {
            throw Refusal.missing(
                    "What is " + line.finding().kind() + " is neither heard, nor does it move; open its proof.");
        }
        return new ArrayList<>(
                List.of("-f", reader, "-i", "file:" + copy(line).file().toString()));
    }

    private static String seconds(double s) {
        return String.format(Locale.ROOT, "%.3f", s);
    }

    /** How loud it is in each twentieth of a second, from 0 to 1, of its first hour at most. */
    List<Double> wave(Catalogues.Selected line) throws IOException {
        List<String> arguments = reading(line);
        arguments.add(0, "-nostdin");
        arguments.addAll(List.of("-vn", "-sn", "-t", String.valueOf(WAVE_SECONDS), "-ac", "1"));
        arguments.addAll(List.of("-ar", String.valueOf(WAVE_HERTZ), "-f", "s16le", "pipe:1"));
        List<Double> wave = new ArrayList<>();
        try {
            tool.run("ffmpeg", arguments, out -> loudness(out, wave));
        } catch (Tool.Failed e) {
            // What was heard before it broke off is heard.
            if (wave.isEmpty()) {
                throw e;
            }
        }
        return wave;
    }

    private static List<Double> loudness(InputStream samples, List<Double> into) throws IOException {
        DataInputStream in = new DataInputStream(new BufferedInputStream(samples, 1 << 16));
        try {
            while (true) {
                int loudest = 0;
                for (int i = 0; i < WAVE_STEP; i++) {
                    loudest = Math.max(loudest, Math.abs((int) Short.reverseBytes(in.readShort())));
                }
                into.add(loudest / 32768.0);
            }
        } catch (EOFException end) {
            return into;
        }
    }

    /** One frame, as a JPEG. */
    byte[] frame(Catalogues.Selected line, double at, int width) throws IOException {
        List<String> arguments = reading(line);
        arguments.addAll(0, List.of("-nostdin", "-threads", "1", "-ss", seconds(at)));
        arguments.addAll(List.of("-an", "-sn", "-frames:v", "1", "-map_metadata", "-1"));
        arguments.addAll(List.of("-vf", "scale=" + width + ":-2", "-f", "image2pipe", "-c:v", "mjpeg", "pipe:1"));
        return tool.run("ffmpeg", arguments, InputStream::readAllBytes);
    }

    /**
     * Writes a stretch of it, small and anew.
     *
     * @param start called with the type of what follows, once something does
     */
    void play(Catalogues.Selected line, double from, int longest, Starting start) throws IOException {
        Streams streams = streams(line);
        boolean moves = streams.moves();
        // What is written says at its head that it lasts as long as was asked for.
        double left = streams.seconds() - from;
        double lasts = left > 0 ? Math.min(longest, left) : longest;
        List<String> arguments = reading(line);
        arguments.addAll(0, List.of("-nostdin", "-threads", "1", "-ss", seconds(from)));
        arguments.addAll(List.of("-t", seconds(lasts), "-sn", "-dn", "-map_metadata", "-1"));
        if (moves) {
            arguments.addAll(List.of("-c:v", "libvpx", "-deadline", "realtime", "-cpu-used", "8", "-b:v", "600k"));
            arguments.addAll(List.of("-vf", "scale='min(480,iw)':-2", "-pix_fmt", "yuv420p"));
        } else {
            arguments.add("-vn");
        }
        if (streams.seconds() == 0) {
            // It says nothing of how long it is, and so does what is written.
            arguments.addAll(List.of("-live", "1"));
        }
        arguments.addAll(List.of("-c:a", "libopus", "-b:a", "64k", "-ac", "2", "-f", "webm", "pipe:1"));
        tool.run("ffmpeg", arguments, out -> {
            int first = out.read();
            if (first >= 0) {
                OutputStream to = start.with(moves ? "video/webm" : "audio/webm");
                to.write(first);
                out.transferTo(to);
                to.flush();
            }
            return first >= 0;
        });
    }

    /** Where what is played goes. */
    interface Starting {
        OutputStream with(String type) throws IOException;
    }
}
