package org.brantel.server.intake;

import java.util.Optional;

/** By which marks the labs that have a case know what is on record of it. */
public interface TravelMarks {

    /** The mark of a row of this lab: the one that it came with, else our own. */
    String of(Travelled kind, long here);

    /** The row that a mark names; empty for what is not here yet. */
    Optional<Long> here(Travelled kind, String mark);

    /** From now on the mark names this row. */
    void came(Travelled kind, String mark, long here);
}
