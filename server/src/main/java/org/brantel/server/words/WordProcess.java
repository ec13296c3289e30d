package org.brantel.server.words;

import java.io.BufferedOutputStream;
import java.io.Closeable;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;

/**
 * Reads words in a process of its own, with little memory: what is read may be hostile, and kills nothing else. A
 * process that dies of a file, or sits over it, is followed by another. Not thread-safe.
 */
final class WordProcess implements Closeable {

    private static final String MEMORY = "-Xmx256m";
    private static final int MOST_SECONDS = 20;

    private final int seconds;
    private @Nullable Process process;

    WordProcess() {
        this(MOST_SECONDS);
    }

    /** @param seconds that one file may take */
    WordProcess(int seconds) {
        this.seconds = seconds;
    }

    /** @throws IOException when no such process can be started */
    WordsIn read(String kind, byte[] content) throws IOException {
        Process worker = worker();
        CompletableFuture<Boolean> late = new CompletableFuture<Boolean>()
                .completeOnTimeout(true, seconds, TimeUnit.SECONDS)
                .whenComplete((is, e) -> {
                    if (Boolean.TRUE.equals(is)) {
                        worker.destroyForcibly();
                    }
                });
        try {
            DataOutputStream out = new DataOutputStream(new BufferedOutputStream(worker.getOutputStream()));
            out.writeUTF(kind);
            out.writeInt(content.length);
            out.write(content);
            out.flush();
            DataInputStream in = new DataInputStream(worker.getInputStream());
            Outcome outcome = Outcome.valueOf(in.readUTF());
            String said = new String(in.readNBytes(in.readInt()), StandardCharsets.UTF_8);
            return new WordsIn(outcome, said);
        } catch (IOException itDied) {
            boolean tookLong = late.isDone();
            close();
            return WordsIn.not(tookLong ? Outcome.LATE : Outcome.GREEDY);
        } finally {
            late.complete(false);
        }
    }

    private Process worker() throws IOException {
        if (process == null || !process.isAlive()) {
            ProcessBuilder builder = new ProcessBuilder(List.of(
                    Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                    MEMORY,
                    "-XX:+UseSerialGC",
                    "-XX:+ExitOnOutOfMemoryError",
                    "-XX:TieredStopAtLevel=1",
                    "-Djava.awt.headless=true",
                    "-cp",
                    System.getProperty("java.class.path"),
                    WordWorker.class.getName()));
            builder.environment().keySet().retainAll(List.of("PATH"));
            builder.redirectError(ProcessBuilder.Redirect.DISCARD);
            process = builder.start();
        }
        return process;
    }

    @Override
    public void close() {
        if (process != null) {
            process.destroyForcibly();
            process = null;
        }
    }
}
