package org.brantel.server.workers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** Whatever a file does to a worker, the lab gets a sentence, and the next file its answer. */
class WorkersTest {

    /** Does to its process what it is asked. */
    public static final class Trying implements Chore {
        @Override
        public byte[] work(String what, byte[] content) throws IOException {
            return switch (what) {
                case "refuse" -> throw new Refused("it is too far away.");
                case "break" -> throw new IllegalStateException("at byte 12");
                case "die" -> {
                    Runtime.getRuntime().halt(3);
                    yield content;
                }
                case "grow" -> {
                    List<long[]> all = new ArrayList<>();
                    while (all.size() < 1_000_000) {
                        all.add(new long[1 << 20]);
                    }
                    yield content;
                }
                case "loop" -> {
                    for (long n = 0; content.length > 0; n++) {
                        content[0] = (byte) n;
                    }
                    yield content;
                }
                case "chatter" -> {
                    System.out.println("a library says something");
                    yield content;
                }
                default -> content;
            };
        }
    }

    /** A lab whose worker has a chore without end; it says the worker's number. */
    public static final class LabThatDies {
        public static void main(String[] none) throws InterruptedException {
            Thread asking = new Thread(() -> {
                try {
                    new Workers(600).work(Trying.class, "loop", new byte[1]);
                } catch (IOException e) {
                    System.exit(2);
                }
            });
            asking.setDaemon(true);
            asking.start();
            while (ProcessHandle.current().children().findAny().isEmpty()) {
                Thread.sleep(50);
            }
            // Until it has begun.
            Thread.sleep(3000);
            System.out.println(
                    ProcessHandle.current().children().findAny().orElseThrow().pid());
            System.out.flush();
            Runtime.getRuntime().halt(0);
        }
    }

    private final Workers workers = new Workers();
    private final Workers hurried = new Workers(2);

    @AfterEach
    void end() {
        workers.destroy();
        hurried.destroy();
    }

    private String ask(String what) throws IOException {
        return new String(
                workers.work(Trying.class, what, "tide".getBytes(StandardCharsets.UTF_8)), StandardCharsets.UTF_8);
    }

    @Test
    void aChoreIsDoneWhateverALibraryPrints() throws IOException {
        assertThat(ask("echo")).isEqualTo("tide");
        assertThat(ask("chatter")).isEqualTo("tide");
        assertThat(ask("echo")).isEqualTo("tide");
    }

    @Test
    void aRefusalAndADamageAreToldApart() throws IOException {
        assertThatThrownBy(() -> ask("refuse"))
                .isInstanceOf(Chore.Refused.class)
                .hasMessage("it is too far away.");
        assertThatThrownBy(() -> ask("break"))
                .isInstanceOf(IOException.class)
                .isNotInstanceOf(Workers.Died.class)
                .hasMessageContaining("at byte 12");
        assertThat(ask("echo")).isEqualTo("tide");
    }

    @Test
    void aWorkerThatDiesIsFollowedByAnother() throws IOException {
        for (String how : List.of("die", "grow")) {
            assertThatThrownBy(() -> ask(how)).as(how).isInstanceOfSatisfying(Workers.Died.class, e -> assertThat(
                            e.isLate())
                    .isFalse());
            assertThat(ask("echo")).as("after " + how).isEqualTo("tide");
        }
    }

    @Test
    void aWorkerThatNeverEndsIsEnded() {
        assertThatThrownBy(() -> hurried.work(Trying.class, "loop", new byte[1]))
                .isInstanceOfSatisfying(
                        Workers.Died.class, e -> assertThat(e.isLate()).isTrue());
    }

    @Test
    void aWorkerEndsWithItsLab() throws IOException {
        Process lab = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-cp",
                        System.getProperty("java.class.path"),
                        LabThatDies.class.getName())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        long worker = Long.parseLong(new String(lab.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip());
        Awaitility.await()
                .atMost(Duration.ofSeconds(60))
                .until(() -> ProcessHandle.of(worker).map(p -> !p.isAlive()).orElse(true));
    }

    @Test
    void manyWhoAskAtOnceAllGetAnAnswer() throws InterruptedException, ExecutionException {
        ExecutorService people = Executors.newFixedThreadPool(8);
        List<Future<String>> answers = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            String what = i % 10 == 3 ? "die" : "echo";
            answers.add(people.submit(() -> {
                try {
                    return ask(what);
                } catch (Workers.Died e) {
                    return "died";
                }
            }));
        }
        for (int i = 0; i < 40; i++) {
            assertThat(answers.get(i).get()).isEqualTo(i % 10 == 3 ? "died" : "tide");
        }
        people.shutdown();
    }
}
