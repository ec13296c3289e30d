package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Recordings as Debian's ffmpeg makes them: a test card that moves, a tone that swells. */
public final class Recordings {

    private Recordings() {}

    /** An MP4 with picture and sound. */
    public static byte[] film(Path in, int seconds) throws IOException, InterruptedException {
        return record(
                in.resolve("film.mp4"),
                "-f lavfi -i testsrc=d=" + seconds + ":s=160x120:r=5 -f lavfi -i sine=frequency=440:duration=" + seconds
                        + " -c:v mpeg4 -q:v 31 -c:a aac -b:a 24k");
    }

    /** A WebM as it comes from something that records without knowing for how long: nothing in it says how long it is. */
    public static byte[] live(Path in, int seconds) throws IOException, InterruptedException {
        return record(
                in.resolve("live.webm"),
                "-f lavfi -i testsrc=d=" + seconds + ":s=160x120:r=5 -c:v libvpx -deadline realtime -live 1");
    }

    /** An MP3. */
    public static byte[] song(Path in, int seconds) throws IOException, InterruptedException {
        return record(
                in.resolve("song.mp3"),
                "-f lavfi -i aevalsrc=0.5*sin(2*PI*t*330)*abs(sin(t/5)):d=" + seconds + " -b:a 32k");
    }

    /** One frame as a picture of a kind, 160 by 120 points. */
    public static byte[] still(Path in, String kind) throws IOException, InterruptedException {
        return record(in.resolve("still." + kind), "-f lavfi -i testsrc=d=1:s=160x120 -frames:v 1");
    }

    /** The same as Debian's libheif writes it: {@code heic} or {@code avif}. */
    public static byte[] newer(Path in, String kind) throws IOException, InterruptedException {
        Files.write(in.resolve("newer.png"), still(in, "png"));
        Path to = in.resolve("newer." + kind);
        List<String> command = new ArrayList<>(List.of("heif-enc", "-o", to.toString()));
        if (kind.equals("avif")) {
            command.add("-A");
        }
        command.add(in.resolve("newer.png").toString());
        Process process = new ProcessBuilder(command)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        assertThat(process.waitFor()).isZero();
        return Files.readAllBytes(to);
    }

    private static byte[] record(Path to, String arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-nostdin", "-y"));
        command.addAll(List.of(arguments.split(" ")));
        command.add(to.toString());
        Process process = new ProcessBuilder(command).inheritIO().start();
        assertThat(process.waitFor()).isZero();
        return Files.readAllBytes(to);
    }
}
