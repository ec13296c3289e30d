package org.brantel.server.presence;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.Cases;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What others did in a case since a person last looked at it. */
@Service
class Looked {

    private static final int MOST = 60;

    /**
     * What is new to somebody.
     *
     * @param at     when they looked last; null when they never did
     * @param did    what others did since, the oldest first; of very many the newest
     * @param more   that are not listed
     * @param upTo   the last entry of the record as it is now
     */
    record News(@Nullable Instant at, List<Did> did, long more, long upTo) {}

    record Did(long number, Instant at, String who, String what) {

        static Did of(CustodyEntry entry) {
            return new Did(entry.number(), entry.at(), entry.who(), entry.what());
        }
    }

    private final LookedRows rows;
    private final CustodyService custody;
    private final Cases cases;
    private final Clock clock;

    Looked(LookedRows rows, CustodyService custody, Cases cases, Clock clock) {
        this.rows = rows;
        this.custody = custody;
        this.cases = cases;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    News news(String number, Staff.Person person) {
        cases.id(number);
        long upTo = custody.count(number);
        LookedRow row = rows.findById(new LookedRow.Key(number, person.login())).orElse(null);
        if (row == null) {
            return new News(null, List.of(), 0, upTo);
        }
        CustodyService.Others others = custody.byOthers(number, row.seenNumber(), person.name(), MOST);
        return new News(
                row.at(),
                others.newest().stream().map(Did::of).toList(),
                others.all() - others.newest().size(),
                upTo);
    }

    /** @param upTo the entry that somebody has seen all up to */
    @Transactional
    void looked(String number, long upTo, String login) {
        cases.id(number);
        rows.looked(number, login, Math.min(upTo, custody.count(number)), clock.instant());
    }
}
