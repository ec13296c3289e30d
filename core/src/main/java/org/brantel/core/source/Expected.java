package org.brantel.core.source;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The medium that is meant, as it was when somebody looked at it. Names stay when media change: the same node, socket or
 * file name may lead to another one a minute later.
 *
 * @param identity what it said of itself
 * @param presence what told that coming of it from another ({@link Source#presence}); empty when nothing did
 */
public record Expected(Identity identity, String presence) {

    /** A medium as it stands now. */
    public static Expected of(Source source) throws IOException {
        return new Expected(source.identity(), source.presence());
    }

    /**
     * Holds a medium against what is meant. Serial numbers decide where both sides give one; where none does, it must be
     * the same coming of a medium of the same size and name. What one side does not say is not compared.
     *
     * @throws SourceException.Another naming what differs, when it is another medium
     */
    public void confirm(Source source) throws IOException {
        Identity found = source.identity();
        List<String> differing = new ArrayList<>();
        if (identity.size() != found.size()) {
            differing.add("size " + found.size() + " bytes instead of " + identity.size());
        }
        if (!identity.serial().isEmpty() && !found.serial().isEmpty()) {
            compare("serial", identity.serial(), found.serial(), differing);
        } else {
            compare("model", identity.model(), found.model(), differing);
            compare("make", identity.make(), found.make(), differing);
            if (differing.isEmpty() && isAnotherComing(source.presence())) {
                differing.add("it has no serial number, and something was taken out and put in since");
            }
        }
        if (!differing.isEmpty()) {
            throw new SourceException.Another(source.description(), String.join(", ", differing));
        }
    }

    /** Comings can be told apart only within one start of the machine. */
    private boolean isAnotherComing(String now) {
        boolean comparable = !presence.isEmpty() && start(presence).equals(start(now));
        return comparable && !presence.equals(now);
    }

    private static String start(String presence) {
        return presence.substring(0, Math.max(0, presence.lastIndexOf('/')));
    }

    private static void compare(String what, String was, String is, List<String> differing) {
        if (!was.isBlank() && !is.isBlank() && !was.toLowerCase(Locale.ROOT).equals(is.toLowerCase(Locale.ROOT))) {
            differing.add(what + " " + is + " instead of " + was);
        }
    }
}
