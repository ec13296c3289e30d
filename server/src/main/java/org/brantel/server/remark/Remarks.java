package org.brantel.server.remark;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.core.question.Condition;
import org.brantel.server.platform.BesideLines;
import org.brantel.server.platform.LikePattern;
import org.brantel.server.platform.LineNumbers;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What the lab remarked on the findings of each case; always within a transaction. */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Remarks implements BesideLines {

    private static final String OF_CASE = "select line_id from catalogue_remark where case_id = ? and ";
    private static final String HAS_TAG = "exists (select 1 from unnest(tags) as t (tag) where t.tag ilike ?)";

    private final RemarkRecords records;
    private final Clock clock;

    Remarks(RemarkRecords records, Clock clock) {
        this.records = records;
        this.clock = clock;
    }

    /** By the line's number; none for lines of which nothing is said. */
    public Map<Long, RemarkViews.Remark> of(long caseId, Collection<Long> lines) {
        return records.findByCaseIdAndLineIdIn(caseId, lines).stream()
                .filter(r -> !r.isEmpty())
                .collect(Collectors.toMap(Remark::lineId, Remark::view));
    }

    /** @param lines of the case, those that are there */
    public RemarkViews.Remarked change(long caseId, Collection<Long> lines, RemarkViews.Remarking to, String who) {
        records.lock(caseId);
        // As the database keeps it.
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        Map<Long, Remark> there = byLine(caseId, lines);
        List<RemarkViews.Before> before = new ArrayList<>();
        for (long line : lines) {
            Remark remark = there.getOrDefault(line, new Remark(line, caseId, who, now));
            RemarkViews.Before was = remark.before();
            if (remark.change(to, who, now)) {
                records.save(remark);
                before.add(was);
            }
        }
        return new RemarkViews.Remarked(now, before);
    }

    private Map<Long, Remark> byLine(long caseId, Collection<Long> lines) {
        return records.findByCaseIdAndLineIdIn(caseId, lines).stream()
                .collect(Collectors.toMap(Remark::lineId, Function.identity()));
    }

    /**
     * Takes a change back; what somebody remarked since stays as it is.
     *
     * @return how many lines are as they were
     */
    public int takeBack(long caseId, RemarkViews.Remarked change, String who) {
        records.lock(caseId);
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        Map<Long, Remark> there = byLine(
                caseId, change.before().stream().map(RemarkViews.Before::line).toList());
        int back = 0;
        for (RemarkViews.Before was : change.before()) {
            Remark remark = there.get(was.line());
            if (remark != null && remark.isOf(change.at())) {
                remark.back(was, who, now);
                back++;
            }
        }
        return back;
    }

    /** The names that lines of a case were given, by their numbers. */
    public Map<Long, String> names(long caseId) {
        return records.findByCaseIdAndCalledIsNotNull(caseId).stream()
                .collect(Collectors.toMap(Remark::lineId, r -> Objects.requireNonNull(r.called())));
    }

    public List<RemarkViews.Tag> tags(long caseId) {
        return records.tags(caseId).stream()
                .map(row -> new RemarkViews.Tag((String) row[0], ((Number) row[1]).longValue()))
                .toList();
    }

    @Override
    public void takeIn(long caseId, Map<Long, Long> gone) {
        Set<Long> all = new HashSet<>(gone.keySet());
        all.addAll(gone.values());
        Map<Long, Remark> there = new HashMap<>(byLine(caseId, all));
        gone.forEach((line, by) -> {
            Remark moved = there.remove(line);
            if (moved != null) {
                records.delete(moved);
                Remark kept = there.get(by);
                if (kept == null) {
                    there.put(by, records.save(moved.on(by)));
                } else {
                    kept.takeIn(moved);
                }
            }
        });
    }

    @Override
    public @Nullable LineNumbers asked(long caseId, Condition c) {
        if (c instanceof Condition.Said s) {
            return new LineNumbers(
                    OF_CASE + "whose = ?", List.of(caseId, s.whose().name()));
        }
        if (c instanceof Condition.Tagged t) {
            String tag = t.tag();
            return tag == null
                    ? new LineNumbers(OF_CASE + "cardinality(tags) > 0", List.of(caseId))
                    : new LineNumbers(OF_CASE + HAS_TAG, List.of(caseId, LikePattern.exactly(tag)));
        }
        if (c instanceof Condition.Noted) {
            return new LineNumbers(OF_CASE + "note is not null", List.of(caseId));
        }
        if (c instanceof Condition.Renamed) {
            return new LineNumbers(OF_CASE + "called is not null", List.of(caseId));
        }
        if (c instanceof Condition.Called n) {
            return new LineNumbers(OF_CASE + "called ilike ?", List.of(caseId, LikePattern.wild(n.pattern())));
        }
        if (c instanceof Condition.Text t) {
            String words = LikePattern.containing(t.words());
            return new LineNumbers(
                    OF_CASE + "(called ilike ? or note ilike ? or " + HAS_TAG + ")",
                    List.of(caseId, words, words, words));
        }
        return null;
    }
}
