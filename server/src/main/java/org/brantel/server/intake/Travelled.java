package org.brantel.server.intake;

/** What of a case another lab may know by a mark. */
public enum Travelled {
    DEVICE,
    FACT,
    NOTE,
    IMAGING,
    SCAN
}
