package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.brantel.server.BrantelServer;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.WebServer;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * The real server on a free port, over a database of its own in a throw-away PostgreSQL cluster: one for each test
 * class that opens it. Its staff are una (coordinator), tom (engineer) and petra (manager).
 */
public final class Lab {

    public static final String PASSWORD = "skerrow-tests";

    private static Lab lab;

    private final Cluster cluster;
    private final Path home;
    private final String database;
    private final ConfigurableApplicationContext context;
    private final PoolWatch pool = new PoolWatch();

    private final String name;

    private Lab(String name, String... more) throws IOException {
        this.name = name;
        cluster = Cluster.shared();
        home = Files.createTempDirectory("brantel-lab");
        Files.createDirectories(home.resolve("inbox"));
        Files.createDirectories(home.resolve("devices"));
        database = cluster.newDatabase();
        SpringApplication application = new SpringApplication(BrantelServer.class);
        application.setRegisterShutdownHook(false);
        application.addInitializers(pool);
        context = application.run(
                Stream.concat(Stream.of(asArguments()), Stream.of(more)).toArray(String[]::new));
        pool.begin();
        bean(TestStaff.class).fill(PASSWORD);
    }

    /** For a server of this lab, this one or another over the same records. */
    public String[] asArguments() {
        return settings(database).entrySet().stream()
                .map(e -> "--" + e.getKey() + "=" + e.getValue())
                .toArray(String[]::new);
    }

    /** Settings of a server of this lab over another database, for one that is started apart. */
    public Map<String, String> settings(String database) {
        Map<String, String> settings = new LinkedHashMap<>();
        settings.put("server.port", "0");
        // Browsers that listen need not be waited for.
        settings.put("server.shutdown", "immediate");
        settings.put("spring.datasource.url", cluster.url(database));
        settings.put("spring.datasource.username", Cluster.USER);
        settings.put("spring.datasource.password", cluster.password());
        settings.put("brantel.home", home.toString());
        settings.put("brantel.lab", name);
        settings.put("brantel.demo.enabled", "false");
        settings.put("brantel.demo-devices", home.resolve("devices").toString());
        settings.put("logging.level.root", "warn");
        settings.put("logging.file.name", home.resolve("server.log").toString());
        return settings;
    }

    /** @return the lab of the test class that runs, started at the first call */
    public static synchronized Lab open() {
        try {
            if (lab == null) {
                lab = new Lab("Lab under test");
            }
            return lab;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Another lab, beside the one of the test class; whoever opens it ends it.
     *
     * @param settings as arguments of the server
     */
    public static Lab another(String name, String... settings) throws IOException {
        return new Lab(name, settings);
    }

    /** Ends the lab of the test class that ran, if it opened one. */
    static synchronized void close() {
        if (lab != null) {
            Lab ended = lab;
            lab = null;
            ended.stop();
            assertThat(ended.pool.seen()).as("held connections").isEmpty();
        }
    }

    /** The checkout, from whichever module the tests run in. */
    public static Path repository() {
        Path at = Path.of("").toAbsolutePath();
        while (at != null && !Files.exists(at.resolve("scripts/cluster"))) {
            at = at.getParent();
        }
        return at;
    }

    public void stop() {
        context.close();
        cluster.drop(database);
        try {
            clear(home);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static void clear(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(p);
            }
        }
    }

    public String address() {
        return "http://127.0.0.1:" + webServer().getPort();
    }

    public WebServer webServer() {
        return Objects.requireNonNull(((WebServerApplicationContext) context).getWebServer());
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
