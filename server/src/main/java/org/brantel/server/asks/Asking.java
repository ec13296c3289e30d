package org.brantel.server.asks;

import java.util.List;

/** A feature that has questions. A new one is a bean; nothing else changes. */
public interface Asking {

    /** All that wait now, in no order; everything in them comes from the records. */
    List<Question> about(OpenCases open);
}
