package org.brantel.server.labs;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.casefile.Marks;
import org.brantel.server.intake.TravelMarks;
import org.brantel.server.intake.Travelled;

/** The marks of one case: those that it came with, and our own for everything else. */
final class CaseMarks implements TravelMarks {

    private record Named(Travelled kind, String mark) {}

    private record Row(Travelled kind, long here) {}

    private final TravelMarkRows rows;
    private final long caseId;
    private final String fingerprint;
    private final Map<Named, Long> here = new HashMap<>();
    private final Map<Row, String> marks = new HashMap<>();

    /** @param fingerprint of this lab's key */
    CaseMarks(TravelMarkRows rows, long caseId, String fingerprint) {
        this.rows = rows;
        this.caseId = caseId;
        this.fingerprint = fingerprint;
        rows.findByCaseId(caseId).forEach(m -> know(m.kind(), m.mark(), m.here()));
    }

    private void know(Travelled kind, String mark, long row) {
        here.put(new Named(kind, mark), row);
        marks.put(new Row(kind, row), mark);
    }

    @Override
    public String of(Travelled kind, long row) {
        String came = marks.get(new Row(kind, row));
        return came == null ? Marks.of(fingerprint, row) : came;
    }

    @Override
    public Optional<Long> here(Travelled kind, String mark) {
        Optional<Long> came = Optional.ofNullable(here.get(new Named(kind, mark)));
        return came.isPresent() ? came : Marks.own(mark, fingerprint);
    }

    @Override
    public void came(Travelled kind, String mark, long row) {
        know(kind, mark, row);
        rows.save(new TravelMark(caseId, kind, mark, row));
    }
}
