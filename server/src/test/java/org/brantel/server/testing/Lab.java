package org.brantel.server.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.brantel.server.BrantelServer;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * The real server on a free port, over a throw-away PostgreSQL cluster, once for all tests of a JVM. Its staff are
 * una (coordinator), tom (engineer) and petra (manager).
 */
public final class Lab {

    public static final String PASSWORD = "skerrow-tests";

    private static Lab lab;

    private final Path home;
    private final String databaseUrl;
    private final String databasePassword;
    private final ConfigurableApplicationContext context;

    private Lab() throws IOException {
        home = Files.createTempDirectory("brantel-lab");
        // The postgres account must be able to pass through.
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwx--x--x"));
        Files.createDirectories(home.resolve("inbox"));
        Files.createDirectories(home.resolve("devices"));
        String[] started = cluster("start").split(" ");
        databaseUrl = "jdbc:postgresql://127.0.0.1:" + started[0] + "/brantel";
        databasePassword = started[1];
        Runtime.getRuntime().addShutdownHook(new Thread(this::stop));
        SpringApplication application = new SpringApplication(BrantelServer.class);
        application.setRegisterShutdownHook(false);
        String[] arguments = settings(databaseUrl).entrySet().stream()
                .map(e -> "--" + e.getKey() + "=" + e.getValue())
                .toArray(String[]::new);
        context = application.run(arguments);
        bean(TestStaff.class).fill(PASSWORD);
    }

    /** Settings of a server of this lab, for one that is started apart. */
    public Map<String, String> settings(String url) {
        Map<String, String> settings = new LinkedHashMap<>();
        settings.put("server.port", "0");
        settings.put("spring.datasource.url", url);
        settings.put("spring.datasource.username", "brantel");
        settings.put("spring.datasource.password", databasePassword);
        settings.put("brantel.home", home.toString());
        settings.put("brantel.demo.enabled", "false");
        settings.put("brantel.demo-devices", home.resolve("devices").toString());
        settings.put("logging.level.root", "warn");
        return settings;
    }

    /** @return the lab, started at the first call */
    public static synchronized Lab open() {
        try {
            if (lab == null) {
                lab = new Lab();
            }
            return lab;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The script that the start command uses too. */
    private String cluster(String verb) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(
                        repository().resolve("scripts/cluster").toString(), verb, home.toString())
                .redirectError(ProcessBuilder.Redirect.INHERIT);
        builder.environment().put("BRANTEL_THROWAWAY", "1");
        Process process = builder.start();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip();
        try {
            if (!process.waitFor(240, TimeUnit.SECONDS) || process.exitValue() != 0) {
                throw new IOException("scripts/cluster " + verb + " failed");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        }
        return output;
    }

    /** The checkout, from whichever module the tests run in. */
    public static Path repository() {
        Path at = Path.of("").toAbsolutePath();
        while (at != null && !Files.exists(at.resolve("scripts/cluster"))) {
            at = at.getParent();
        }
        return at;
    }

    private void stop() {
        try {
            if (context != null) {
                context.close();
            }
            cluster("stop");
            try (Stream<Path> all = Files.walk(home)) {
                for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.deleteIfExists(p);
                }
            }
        } catch (IOException e) {
            System.err.println("the test lab was not cleared away: " + e.getMessage());
        }
    }

    public String address() {
        return "http://127.0.0.1:"
                + ((WebServerApplicationContext) context).getWebServer().getPort();
    }

    public Path home() {
        return home;
    }

    public Path inbox() {
        return home.resolve("inbox");
    }

    public Path devices() {
        return home.resolve("devices");
    }

    public String databaseUrl() {
        return databaseUrl;
    }

    public <T> T bean(Class<T> type) {
        return context.getBeanFactory().createBean(type);
    }

    /** The server's own. */
    public <T> T own(Class<T> type) {
        return context.getBean(type);
    }

    public JdbcTemplate sql() {
        return context.getBean(JdbcTemplate.class);
    }

    /** A browser that is signed in as one of the staff. */
    public Visitor as(String login) {
        Visitor visitor = new Visitor(address());
        visitor.post("/api/session", Map.of("login", login, "password", PASSWORD))
                .expect(200);
        return visitor;
    }

    public Visitor nobody() {
        return new Visitor(address());
    }
}
