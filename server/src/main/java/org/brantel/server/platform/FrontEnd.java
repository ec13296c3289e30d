package org.brantel.server.platform;

/** Which addresses are the front end's own: it routes among them by itself, and says so when there is no such page. */
public final class FrontEnd {

    private FrontEnd() {}

    /** All that begin with a word and are no call, no part of the front end and no question of an operator. */
    public static final String PAGES = "/{page:(?!(?:api|assets|actuator|error)$)[A-Za-z-]+}/**";
}
