package org.brantel.server.asks;

import java.util.List;
import java.util.Map;

/** A feature that knows why some cases press. A new one is a bean; nothing else changes. */
public interface Pressing {

    /** By case number; cases that do not press are not among them. */
    Map<String, List<Pressure>> of(OpenCases open);
}
