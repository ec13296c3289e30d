package org.brantel.server.entry;

import java.time.Duration;
import java.util.Set;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * How people get in.
 *
 * @param idle    how long a session lasts that nobody uses
 * @param longest how long any session lasts
 * @param host    the name by which browsers call the lab, for passkeys: they hold for it and for no other
 * @param origins where sign-in pages come from, like {@code https://lab.example}; empty for the server itself by its host
 */
@ConfigurationProperties("brantel.entry")
record EntrySettings(Duration idle, Duration longest, String host, Set<String> origins) {}
