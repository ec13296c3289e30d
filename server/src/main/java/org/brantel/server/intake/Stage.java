package org.brantel.server.intake;

import java.util.Locale;

/** Where a case stands. A case may go back a stage; nothing is lost when it does. */
public enum Stage {
    RECEIVED, TRIAGED, IMAGING, SCANNING, SELECTION, RECOVERY, HANDOVER, CLOSED, ON_HOLD, DECLINED;

    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
