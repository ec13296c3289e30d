package org.brantel.server.catalogue;

import java.util.Map;
import org.brantel.core.wanted.WantedTally;

/**
 * What of each wanted line is in the newest sealed delivery of a case, by the line's number; only the feature that
 * seals knows it.
 */
public interface DeliveredCounts {

    Map<Long, WantedTally.Delivered> delivered(String number);
}
