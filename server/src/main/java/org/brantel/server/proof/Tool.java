package org.brantel.server.proof;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/**
 * Runs Debian's tools on what may be hostile: a process of its own, bounded in memory and time, that reads one file,
 * as the kind that it was found to be, and nothing from a network. As many run at once as there are processors.
 */
@Component
class Tool {

    private static final long MOST_MEMORY = 2L << 30;
    private static final int MOST_SECONDS = 60;
    private static final int MOST_WORDS = 500;

    /** It says what went wrong alone, and reaches for nothing but what it is given. */
    private static final List<String> LOCAL = List.of("-v", "error", "-protocol_whitelist", "file,pipe");

    private final Semaphore turns =
            new Semaphore(Math.max(1, Runtime.getRuntime().availableProcessors()), true);

    /** Takes what a process writes. */
    interface Taking<T> {
        T take(InputStream out) throws IOException;
    }

    /** The tool ended with a failure. */
    static final class Failed extends IOException {
        private static final long serialVersionUID = 1L;

        Failed(String message) {
            super(message);
        }
    }

    boolean isThere(String program) {
        return Arrays.stream(System.getenv().getOrDefault("PATH", "").split(":"))
                .anyMatch(folder -> Files.isExecutable(Path.of(folder, program)));
    }

    /**
     * @param take reads what it writes, to the end
     * @throws Failed when it fails, or takes longer than a minute
     */
    <T> T run(String program, List<String> arguments, Taking<T> take) throws IOException {
        List<String> command = new ArrayList<>(
                List.of("prlimit", "--as=" + MOST_MEMORY, "--cpu=" + MOST_SECONDS, "--nofile=64", "--core=0", program));
        if (program.startsWith("ff")) {
            command.addAll(LOCAL);
        }
        command.addAll(arguments);
        turns.acquireUninterruptibly();
        try {
            return ran(command, take);
        } finally {
            turns.release();
        }
    }

    private static <T> T ran(List<String> command, Taking<T> take) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(command);
        builder.environment().keySet().retainAll(List.of("PATH"));
        Process process = builder.start();
        process.getOutputStream().close();
        CompletableFuture<String> words = CompletableFuture.supplyAsync(() -> head(process.getErrorStream()));
        CompletableFuture<Boolean> late = new CompletableFuture<Boolean>()
                .completeOnTimeout(true, MOST_SECONDS, TimeUnit.SECONDS)
                .whenComplete((is, e) -> process.destroyForcibly());
        try (InputStream out = process.getInputStream()) {
            T taken = take.take(out);
            out.transferTo(OutputStream.nullOutputStream());
            int code = process.waitFor();
            if (code != 0) {
                throw new Failed(late.isDone() ? "it takes longer than a minute" : words.join());
            }
            return taken;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failed("it was stopped");
        } finally {
            late.complete(false);
        }
    }

    /** What it says of its failure, as much as anybody reads. */
    private static String head(InputStream errors) {
        try (errors) {
            String said = new String(errors.readNBytes(MOST_WORDS), StandardCharsets.UTF_8);
            errors.transferTo(OutputStream.nullOutputStream());
            return said;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
