package org.brantel.server.testing;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.TimeUnit;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * A throw-away PostgreSQL cluster, once for all labs of a JVM. What the migrations make is made once, too, and copied
 * for each lab.
 */
final class Cluster {

    static final String USER = "brantel";

    private static final String TEMPLATE = "empty_lab";

    private static Cluster cluster;

    private final Path home;
    private final String port;
    private final String password;
    private int labs;

    private Cluster() throws IOException {
        home = Files.createTempDirectory("brantel-cluster");
        // The postgres account must be able to pass through.
        Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwx--x--x"));
        String[] started = script("start").split(" ");
        port = started[0];
        password = started[1];
        Runtime.getRuntime().addShutdownHook(new Thread(this::stop));
        administration().execute("create database " + TEMPLATE);
        Flyway.configure().dataSource(url(TEMPLATE), USER, password).load().migrate();
    }

    /** The cluster, started at the first call. */
    static synchronized Cluster shared() throws IOException {
        if (cluster == null) {
            cluster = new Cluster();
        }
        return cluster;
    }

    /** @return the name of a database with all tables and nothing in them */
    synchronized String newDatabase() {
        String name = "lab_" + ++labs;
        create(name);
        return name;
    }

    /** A database with all tables and nothing in them. */
    synchronized void create(String name) {
        administration().execute("create database " + name + " template " + TEMPLATE);
    }

    void drop(String database) {
        administration().execute("drop database if exists " + database + " with (force)");
    }

    String url(String database) {
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + database;
    }

    String password() {
        return password;
    }

    private JdbcTemplate administration() {
        return new JdbcTemplate(new DriverManagerDataSource(url("postgres"), USER, password));
    }

    /** The script that the start command uses too. */
    private String script(String verb) throws IOException {
        ProcessBuilder builder = new ProcessBuilder(
                        Lab.repository().resolve("scripts/cluster").toString(), verb, home.toString())
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

    private void stop() {
        try {
            script("stop");
            Lab.clear(home);
        } catch (IOException e) {
            System.err.println("the test cluster was not cleared away: " + e.getMessage());
        }
    }
}
