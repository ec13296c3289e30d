package org.brantel.core.source.nbd;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.source.SourceException;

/**
 * {@code nbd://HOST[:PORT]/NAME}.
 *
 * @param name of the export; empty for the server's default one
 */
public record NbdAddress(String host, int port, String name) {

    public static final String SCHEME = "nbd:";
    /** Registered for the protocol. */
    public static final int PORT = 10809;

    private static final int LONGEST_NAME = 4096;
    private static final Pattern WRITTEN =
            Pattern.compile("nbd://(\\[[0-9a-fA-F:.]+]|[A-Za-z0-9._-]+)(?::(\\d{1,5}))?(?:/(.*))?");

    /** @throws SourceException when it is not written so */
    public static NbdAddress parse(String written) throws SourceException {
        Matcher m = WRITTEN.matcher(written);
        int port = !m.matches() ? -1 : m.group(2) == null ? PORT : Integer.parseInt(m.group(2));
        String name = port < 0 || m.group(3) == null ? "" : m.group(3);
        if (port < 1 || port > 65_535 || name.length() > LONGEST_NAME / 4) {
            throw new SourceException("'" + written + "' is no export; write it as nbd://HOST:PORT/NAME.");
        }
        return new NbdAddress(m.group(1), port, name);
    }

    @Override
    public String toString() {
        return SCHEME + "//" + host + ":" + port + "/" + name;
    }
}
