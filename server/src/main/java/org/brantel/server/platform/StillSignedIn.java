package org.brantel.server.platform;

/** Whether a session still holds: what lasts as long as one asks now and then. */
public interface StillSignedIn {

    /** @param session its id */
    boolean is(String session);

    /** A session ended here and now. */
    record Ended(String session) {}
}
