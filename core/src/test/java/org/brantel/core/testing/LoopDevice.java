package org.brantel.core.testing;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A real block device of the kernel over a file. */
public final class LoopDevice implements AutoCloseable {

    private final Path node;

    private LoopDevice(Path node) {
        this.node = node;
    }

    /** Skips the test, and says why, on a machine that has none to give. */
    public static LoopDevice over(Path file, boolean readOnly) throws IOException {
        List<String> command = new ArrayList<>(List.of("losetup", "--find", "--show", "--partscan", file.toString()));
        if (readOnly) {
            command.add(1, "--read-only");
        }
        Said said = run(command.toArray(String[]::new));
        assumeTrue(
                said.exit() == 0,
                "NOT TESTED: this machine gives no loop device (" + said.text().strip()
                        + "); it takes root and the loop driver.");
        return new LoopDevice(Path.of(said.text().strip()));
    }

    /** Read-only at a node that another one had. */
    public static LoopDevice at(Path node, Path file) throws IOException {
        Said said = run("losetup", "--read-only", node.toString(), file.toString());
        if (said.exit() != 0) {
            throw new IOException("losetup " + node + ": " + said.text().strip());
        }
        return new LoopDevice(node);
    }

    /** What a command said. */
    public record Said(int exit, String text) {}

    public static Said run(String... command) throws IOException {
        try {
            Process process =
                    new ProcessBuilder(command).redirectErrorStream(true).start();
            String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            return new Said(process.waitFor(), text);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } catch (IOException e) {
            return new Said(127, e.getMessage());
        }
    }

    public Path node() {
        return node;
    }

    /**
     * A partition, made known to the kernel where it did not look for it, and a node for it.
     * @param start and length in
     * sectors
     */
    public Path partition(int number, long start, long length, Path folder) throws IOException {
        run("addpart", node.toString(), Integer.toString(number), Long.toString(start), Long.toString(length));
        Path sys = Path.of("/sys/block", node.getFileName().toString(), node.getFileName() + "p" + number, "dev");
        assumeTrue(Files.exists(sys), "NOT TESTED: this machine's kernel has no partitions on loop devices.");
        String[] numbers = Files.readString(sys).strip().split(":");
        Path made = folder.resolve("partition" + number);
        Said said = run("mknod", made.toString(), "b", numbers[0], numbers[1]);
        assumeTrue(
                said.exit() == 0,
                "NOT TESTED: no device node can be made here (" + said.text().strip() + ").");
        return made;
    }

    @Override
    public void close() throws IOException {
        run("losetup", "--detach", node.toString());
    }
}
