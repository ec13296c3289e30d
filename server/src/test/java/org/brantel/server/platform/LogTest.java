package org.brantel.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.core.rolling.RollingFileAppender;
import ch.qos.logback.core.rolling.SizeAndTimeBasedRollingPolicy;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.api.Test;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Whatever comes in, the log stays small and says nothing that it did not say itself. */
class LogTest {

    private static final Logger LOG = LoggerFactory.getLogger(LogTest.class);

    private final Lab lab = Lab.open();

    private List<String> linesAfter(Runnable logs) throws IOException {
        int before = Files.readAllLines(lab.home().resolve("server.log")).size();
        logs.run();
        List<String> all = Files.readAllLines(lab.home().resolve("server.log"));
        return all.subList(before, all.size());
    }

    @Test
    void aMessageIsOneLineAndNotAnEndlessOne() throws IOException {
        List<String> lines = linesAfter(() -> LOG.warn("first\r\n2026-12-02 forged\n{}", "x".repeat(1_000_000)));
        assertThat(lines)
                .singleElement()
                .asString()
                .contains("first / 2026-12-02 forged / x")
                .hasSizeLessThan(2_200);
    }

    @Test
    void aFaultIsCutWhereItGoesOnForEver() throws IOException {
        List<String> lines = linesAfter(() -> LOG.warn("it broke", new IllegalStateException("y".repeat(1_000_000))));
        assertThat(lines.stream().mapToInt(String::length).sum()).isBetween(100, 12_300);
        assertThat(String.join("", lines)).contains("it broke").contains("IllegalStateException");
        assertThat(linesAfter(() -> LOG.warn("what comes next")))
                .singleElement()
                .asString()
                .endsWith("what comes next");
    }

    /** People type their password where the name goes. */
    @Test
    void whatWasTypedInVainIsNotKept() throws IOException {
        String secret = "hunter-of-kelp-41";
        List<String> lines = linesAfter(() -> {
            lab.nobody()
                    .post("/api/session", Map.of("login", secret, "password", secret))
                    .expect(401);
            lab.nobody().post("/api/session", "{\"login\": " + secret + "}").expect(400);
            lab.nobody()
                    .post("/api/session", Map.of("login", secret.repeat(20), "password", secret))
                    .expect(400);
            lab.as("una")
                    .post("/api/cases/" + secret + "/notes", Map.of(secret, secret))
                    .expect(400);
        });
        assertThat(lines).noneMatch(l -> l.contains(secret));
    }

    @Test
    void anOrdinaryFaultSaysWhereItWas() throws IOException {
        List<String> lines = linesAfter(() -> LOG.warn("it broke", new IllegalStateException("shortly")));
        assertThat(lines).anyMatch(l -> l.contains("LogTest.java"));
    }

    @Test
    void itTurnsOverByItself() {
        ch.qos.logback.classic.Logger root = ((LoggerContext) LoggerFactory.getILoggerFactory())
                .getLogger(ch.qos.logback.classic.Logger.ROOT_LOGGER_NAME);
        assertThat(root.getAppender("FILE")).isInstanceOfSatisfying(RollingFileAppender.class, file -> {
            assertThat(file.getFile())
                    .isEqualTo(lab.home().resolve("server.log").toString());
            assertThat(file.getRollingPolicy()).isInstanceOfSatisfying(SizeAndTimeBasedRollingPolicy.class, policy -> {
                assertThat(policy.getMaxHistory()).isPositive();
                assertThat(policy).hasFieldOrPropertyWithValue("totalSizeCap.size", 100L << 20);
            });
        });
    }
}
