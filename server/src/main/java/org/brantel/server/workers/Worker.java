package org.brantel.server.workers;

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

/** One process that does chores. Not thread-safe. */
final class Worker implements Closeable {

    private final Process process;
    private boolean ended;

    Worker(String memory) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx" + memory,
                "-XX:+UseSerialGC",
                "-XX:+ExitOnOutOfMemoryError",
                // What the machine says at its end is no answer either.
                "-XX:+DisplayVMOutputToStderr",
                "-XX:TieredStopAtLevel=1",
                "-Djava.awt.headless=true",
                // Pictures that are drawn small are read no larger than that takes.
                "-Dthumbnailator.conserveMemoryWorkaround=true",
                "-cp",
                System.getProperty("java.class.path"),
                WorkerMain.class.getName()));
        builder.environment().keySet().retainAll(List.of("PATH"));
        builder.redirectError(ProcessBuilder.Redirect.DISCARD);
        process = builder.start();
    }

    boolean isAlive() {
        return !ended && process.isAlive();
    }

    /**
     * @throws Workers.Died   when it takes more time or memory than there is; then this worker is of no more use
     * @throws Chore.Refused  as the chore does
     * @throws IOException    when the content is damaged
     */
    byte[] work(Class<? extends Chore> chore, String what, byte[] content, int seconds) throws IOException {
        CompletableFuture<Boolean> late = new CompletableFuture<Boolean>()
                .completeOnTimeout(true, seconds, TimeUnit.SECONDS)
                .whenComplete((is, e) -> {
                    if (Boolean.TRUE.equals(is)) {
                        process.destroyForcibly();
                    }
                });
        byte how;
        byte[] answer;
        try {
            DataOutputStream out = new DataOutputStream(new BufferedOutputStream(process.getOutputStream()));
            out.writeUTF(chore.getName());
            out.writeUTF(what);
            out.writeInt(content.length);
            out.write(content);
            out.flush();
            DataInputStream in = new DataInputStream(process.getInputStream());
            how = in.readByte();
            answer = in.readNBytes(in.readInt());
        } catch (IOException gone) {
            boolean tookLong = late.isDone();
            close();
            throw new Workers.Died(tookLong, seconds);
        } finally {
            late.complete(false);
        }
        return switch (WorkerMain.Answer.values()[how]) {
            case DONE -> answer;
            case REFUSED -> throw new Chore.Refused(new String(answer, StandardCharsets.UTF_8));
            case DAMAGED -> throw new IOException(new String(answer, StandardCharsets.UTF_8));
        };
    }

    @Override
    public void close() {
        ended = true;
        process.destroyForcibly();
    }
}
