package org.brantel.server.locks;

import java.util.stream.Stream;
import org.brantel.server.intake.CaseViews;

/** A feature that may know why a device must not be touched now. A new one is a bean; nothing else changes. */
public interface Bar {

    /** Why a device of a case, each in a sentence that says what would open it. */
    Stream<String> why(CaseViews.Docket docket, CaseViews.Device device);
}
