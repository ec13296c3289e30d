package org.brantel.server.platform;

import java.nio.file.Path;
import java.time.ZoneId;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * The lab's settings, from the environment or application.yaml.
 *
 * @param home        folder of everything that the lab keeps: images, lab store, bags, inbox, key
 * @param lab         the lab's name, as it stands in bags and on customers' pages
 * @param phone       what customers call
 * @param zone        the lab's time zone
 * @param demoDevices folder of the simulated devices that ship with the product
 * @param linkDays    how long a customer's link lives
 * @param smtp        the mail server that takes the lab's messages
 */
@ConfigurationProperties("brantel")
public record Settings(Path home, String lab, String phone, ZoneId zone, Path demoDevices, int linkDays, Smtp smtp) {

    /**
     * @param host     empty when the lab sends no mail
     * @param user     empty where the server asks for none
     * @param startTls whether the connection is turned into an encrypted one before anything is said
     * @param from     the sender's address
     */
    public record Smtp(String host, int port, String user, String password, boolean startTls, String from) {}

    public Path inbox() {
        return home.resolve("inbox");
    }

    public Path images() {
        return home.resolve("images");
    }

    public Path scans() {
        return home.resolve("scans");
    }

    /** Where recovered files lie. Runs of before it was called so stay where their record says. */
    public Path labStore() {
        return home.resolve("lab-store");
    }

    /** Cases that are packed for other labs, and files that came from them. */
    public Path caseFiles() {
        return home.resolve("case-files");
    }

    public Path bags() {
        return home.resolve("bags");
    }

    public Path key() {
        return home.resolve("lab-key.pem");
    }
}
