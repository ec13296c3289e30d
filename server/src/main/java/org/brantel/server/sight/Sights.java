package org.brantel.server.sight;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.brantel.core.question.Condition;
import org.brantel.server.platform.BesideLines;
import org.brantel.server.platform.LineNumbers;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was seen of the pictures of each case. */
@Service
public class Sights implements BesideLines {

    /**
     * What was seen of a line.
     *
     * @param content tells which bytes it was drawn from
     * @param drawn   false where it cannot be drawn
     * @param look    what tells it from others, as {@link org.brantel.core.content.PictureLook#hex}; null where nothing
     *                does
     */
    public record Seen(
            long line,
            String content,
            boolean drawn,
            @Nullable String look) {}

    /** How many lines of a case were tried, and how many of them could be drawn. */
    public record Count(long tried, long drawn) {}

    private final SightRecords records;

    Sights(SightRecords records) {
        this.records = records;
    }

    /** By the line's number; none for lines that nobody tried. */
    @Transactional(readOnly = true)
    public Map<Long, Seen> of(Collection<Long> lines) {
        Map<Long, Seen> seen = new HashMap<>();
        records.findAllById(lines).forEach(s -> seen.put(s.seen().line(), s.seen()));
        return seen;
    }

    @Transactional(readOnly = true)
    public Count count(long caseId) {
        return new Count(records.countByCaseId(caseId), records.countByCaseIdAndDrawnTrue(caseId));
    }

    @Transactional
    public void keep(long caseId, List<Seen> seen) {
        records.saveAll(seen.stream().map(s -> new Sight(caseId, s)).toList());
    }

    @Transactional
    public void forget(long caseId) {
        records.deleteOfCase(caseId);
    }

    @Override
    public @Nullable LineNumbers asked(long caseId, Condition condition) {
        return null;
    }

    /** The line that stays is drawn anew if its bytes are others now. */
    @Override
    public void takeIn(long caseId, Map<Long, Long> gone) {
        records.deleteOf(gone.keySet());
    }
}
