package org.brantel.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.awaitility.Awaitility;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A server in a process of its own, with a home and a database of its own, that can be killed without warning. */
public final class ServerProcess implements AutoCloseable {

    private static final String PASSWORD = "a good password";

    /** Holds the database where a row of one sort is written. */
    private static final String HOLD = """
            create table hold_gate (what text);
            create function hold() returns trigger language plpgsql as $$
            begin
                if exists (select from hold_gate where what in (tg_table_name, to_jsonb(new) ->> 'what')) then
                    perform pg_sleep(600);
                end if;
                return new;
            end $$;
            """;

    private final Lab lab = Lab.open();
    private final String database;
    private final Path home;
    private final Map<String, String> settings;
    private Process process;
    private Visitor petra;

    /** @param database its name; its folder in the lab's home is called the same */
    public ServerProcess(String database) throws IOException {
        this.database = database;
        this.home = Files.createDirectories(lab.home().resolve(database));
        Files.createDirectories(devices());
        Cluster.shared().create(database);
        settings = lab.settings(database);
        settings.put("brantel.home", home.toString());
        settings.put("brantel.demo-devices", devices().toString());
        // What a killed server was at is taken up by the next as soon as it is missed; tests need not wait as long.
        settings.put("db-scheduler.heartbeat-interval", "500ms");
        settings.put("db-scheduler.polling-interval", "200ms");
    }

    public Path home() {
        return home;
    }

    public Path devices() {
        return home.resolve("devices");
    }

    /** Its manager, signed in. */
    public Visitor petra() {
        return petra;
    }

    /** Its database, seen from here. */
    public JdbcTemplate sql() {
        return new JdbcTemplate(new DriverManagerDataSource(
                settings.get("spring.datasource.url"),
                settings.get("spring.datasource.username"),
                settings.get("spring.datasource.password")));
    }

    /** Starts it and waits until it answers; the first time without anybody on its staff. */
    public void start() throws IOException, InterruptedException {
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        settings.put("server.port", Integer.toString(port));
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx400m",
                // It runs for seconds: most of them would go into compiling.
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-cp",
                System.getProperty("java.class.path"),
                "org.brantel.server.BrantelServer"));
        settings.forEach((name, value) -> command.add("--" + name + "=" + value));
        process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(home.resolve("server.log").toFile())
                .start();
        petra = new Visitor("http://127.0.0.1:" + port);
        Awaitility.await("the server on " + database)
                .atMost(Duration.ofMinutes(5))
                .failFast(() -> assertThat(process.isAlive()).as(this::log).isTrue())
                .until(this::answers);
    }

    private boolean answers() {
        try {
            return petra.get("/actuator/health").status() == 200;
        } catch (UncheckedIOException e) {
            return false; // not listening yet
        }
    }

    /** The first manager, as set up by the one-time link. */
    public Map<String, String> firstManager() throws IOException {
        String token = Files.readString(home.resolve("set-up-token"));
        return Map.of("token", token, "login", "petra", "name", "Petra Lunn", "password", PASSWORD);
    }

    public void signIn() {
        petra.post("/api/session", Map.of("login", "petra", "password", PASSWORD))
                .expect(200);
    }

    /** Starts it for the first time, with its manager signed in. */
    public void startWithManager() throws IOException, InterruptedException {
        start();
        petra.post("/api/setup", firstManager()).expect(201);
        signIn();
    }

    /** From now on what is written into these tables can be held, as a server would be held that dies there. */
    public void canHold(String... tables) {
        sql().execute(HOLD);
        for (String table : tables) {
            sql().execute("create trigger hold before insert on " + table + " for each row execute function hold()");
        }
    }

    /** @param what a table, or what an entry of custody says */
    public void hold(String what) {
        sql().update("insert into hold_gate values (?)", what);
    }

    /** Lets everything through again. */
    public void letGo() {
        sql().update("delete from hold_gate");
    }

    /** Kills it as a power cut would. */
    public void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    /** Kills it once the database sleeps in a trigger on its behalf, and ends what it left behind there. */
    public void killWhenHeld() throws InterruptedException {
        String held = "from pg_stat_activity where datname = '" + database + "' and wait_event = 'PgSleep'";
        Awaitility.await("what is held")
                .atMost(Duration.ofMinutes(1))
                .until(() -> sql().queryForObject("select count(*) " + held, Long.class) > 0);
        kill();
        sql().queryForList("select pg_terminate_backend(pid) " + held);
    }

    private String log() {
        try {
            return Files.readString(home.resolve("server.log"));
        } catch (IOException e) {
            return e.toString();
        }
    }

    @Override
    public void close() {
        if (process != null) {
            process.destroyForcibly();
        }
    }
}
