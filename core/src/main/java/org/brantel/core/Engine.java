package org.brantel.core;

/** The engine's own version, as it stands in sessions and bags. */
public final class Engine {

    public static final String VERSION = "0.1.0";

    private Engine() {}
}
