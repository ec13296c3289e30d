package org.brantel.core.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;

/**
 * A real export server from Debian, on loopback, for as long as a test needs it. {@code ./brantel test} installs it.
 */
public final class NbdServer implements AutoCloseable {

    private final int port;
    private final List<String> command;
    private final Path log;
    private Process process;

    private NbdServer(int port, List<String> command, Path log) {
        this.port = port;
        this.command = command;
        this.log = log;
    }

    /** @param words filters, plugin and settings, as on its command line */
    public static NbdServer start(Path folder, String... words) throws IOException {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        List<String> command = new ArrayList<>(List.of(
                "nbdkit",
                "--foreground",
                "--exit-with-parent",
                "--ipaddr",
                "127.0.0.1",
                "--port",
                Integer.toString(port)));
        command.addAll(List.of(words));
        NbdServer server = new NbdServer(port, command, Files.createTempFile(folder, "nbdkit", ".log"));
        server.startAgain();
        return server;
    }

    public void startAgain() throws IOException {
        process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        Awaitility.await("nbdkit's port")
                .pollInterval(Duration.ofMillis(25))
                .failFast(() -> assertThat(process.isAlive())
                        .as(() -> "nbdkit ended: " + said())
                        .isTrue())
                .until(this::listens);
    }

    private boolean listens() {
        try (Socket probe = new Socket("127.0.0.1", port)) {
            return probe.isConnected();
        } catch (IOException e) {
            return false;
        }
    }

    private String said() {
        try {
            return Files.readString(log);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public void kill() throws IOException {
        process.destroyForcibly();
        try {
            if (!process.waitFor(10, TimeUnit.SECONDS)) {
                throw new IOException("nbdkit does not end");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        }
    }

    public int port() {
        return port;
    }

    public String address(String name) {
        return "nbd://127.0.0.1:" + port + "/" + name;
    }

    @Override
    public void close() throws IOException {
        kill();
    }
}
