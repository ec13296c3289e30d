package org.brantel.server.copies;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Loss;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.platform.Topic;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks for copies, place by place; what is found is a fact of the case. */
@Service
public class CopySearches {

    private final CopyPlaceRows rows;
    private final Cases cases;
    private final Happenings happenings;
    private final Settings settings;
    private final Clock clock;

    CopySearches(CopyPlaceRows rows, Cases cases, Happenings happenings, Settings settings, Clock clock) {
        this.rows = rows;
        this.cases = cases;
        this.happenings = happenings;
        this.settings = settings;
        this.clock = clock;
    }

    /** Whether a copy was found of which somebody opened a sample. */
    @Transactional(readOnly = true)
    public boolean isOpened(String number) {
        return rows.findByCaseIdOrderById(cases.id(number)).stream().anyMatch(CopyPlaceRow::isOpened);
    }

    @Transactional(readOnly = true)
    CopyViews.Search search(String number) {
        CaseViews.Docket docket = cases.docket(number);
        List<CopyPlaceRow> all = rows.findByCaseIdOrderById(cases.id(number));
        Instant lost = lostAt(docket);
        Stream<CopyViews.Looked> places = Arrays.stream(CopyPlace.values()).flatMap(place -> {
            List<CopyPlaceRow> own =
                    all.stream().filter(r -> r.place() == place).toList();
            return own.isEmpty()
                    ? Stream.of(new CopyViews.Looked(null, place, "", CopyViews.Finding.NONE, false, null))
                    : own.stream().map(r -> looked(r, wanted(docket), lost));
        });
        return new CopyViews.Search(
                places.toList(),
                docket.said().wanted().stream().map(w -> covered(w, all)).toList(),
                lost);
    }

    private CopyViews.Looked looked(CopyPlaceRow row, Set<Long> wanted, @Nullable Instant lost) {
        LocalDate newest = row.finding().newest();
        boolean afterLoss =
                lost != null && newest != null && newest.isAfter(LocalDate.ofInstant(lost, settings.zone()));
        return new CopyViews.Looked(
                row.id(), row.place(), row.called(), row.finding().among(wanted), afterLoss, row.noted());
    }

    private static CopyViews.Covered covered(WantedLine line, List<CopyPlaceRow> all) {
        List<CopyPlaceRow> by = all.stream()
                .filter(r -> r.finding().result() == Result.FOUND
                        && r.finding().covers().contains(line.id()))
                .toList();
        CopyViews.Cover cover = by.stream().anyMatch(CopyPlaceRow::isOpened)
                ? CopyViews.Cover.COVERED
                : by.isEmpty() ? CopyViews.Cover.UNCOVERED : CopyViews.Cover.SAID;
        return new CopyViews.Covered(line.id(), line.words(), line.mustHave(), cover);
    }

    /** The moment that the caller spoke of, counted back from when they did. */
    private static @Nullable Instant lostAt(CaseViews.Docket docket) {
        return docket.said().facts().stream()
                .flatMap(f -> Loss.at(f).stream())
                .findFirst()
                .orElse(null);
    }

    /**
     * Notes what came of looking at a place.
     *
     * @param called which of several places of that kind; empty for the only one
     * @throws Refusal for what cannot be: days to come, wanted lines of other cases, a case that is closed
     */
    @Transactional
    void note(String number, CopyPlace place, String called, CopyViews.Finding given, String who) {
        CaseViews.Docket docket = cases.docket(number);
        if (docket.course().stage() == Stage.CLOSED) {
            throw Refusal.conflict(number + " is closed; open it again before a copy is looked for.");
        }
        CopyViews.Finding finding = checked(docket, given);
        long caseId = cases.id(number);
        String which = called.strip();
        CopyPlaceRow row = rows.findByCaseIdAndPlaceAndCalled(caseId, place, which)
                .orElseGet(() -> new CopyPlaceRow(caseId, place, which));
        row.note(finding, who, clock.instant());
        try {
            rows.saveAndFlush(row);
        } catch (DataIntegrityViolationException e) {
            throw Refusal.conflict(
                    "Somebody else noted the same place at the same moment; look at what they found first.");
        }
        String where = place.words() + (which.isEmpty() ? "" : " (" + which + ")");
        happenings.tell(
                number,
                who,
                switch (finding.result()) {
                    case FOUND -> "found a copy in " + where;
                    case NOTHING -> "looked for a copy in " + where + ": nothing";
                    case TO_LOOK -> "took back what was noted of " + where;
                },
                detail(docket, finding),
                Topic.CASE);
        tellTriage(docket, caseId, who);
    }

    /** What is wanted is another list now: copies that held all of the old one may hold a part of it. */
    @EventListener
    @Transactional
    public void wantedChanged(Cases.WantedChanged changed) {
        tellTriage(cases.docket(changed.caseNumber()), cases.id(changed.caseNumber()), Happenings.MACHINE);
    }

    private void tellTriage(CaseViews.Docket docket, long caseId, String who) {
        List<CopyFacts.Place> all = rows.findByCaseIdOrderById(caseId).stream()
                .map(r -> new CopyFacts.Place(r.place(), r.finding()))
                .toList();
        List<CopyFacts> meant =
                CopyFacts.ALL.stream().filter(f -> f.isMeant(all)).toList();
        if (!meant.isEmpty()) {
            cases.learned(
                    docket.number(),
                    meant.stream().map(CopyFacts::code).collect(Collectors.toSet()),
                    meant.stream().flatMap(f -> f.of(all, wanted(docket))).toList(),
                    who);
        }
    }

    private static Set<Long> wanted(CaseViews.Docket docket) {
        return docket.said().wanted().stream().map(WantedLine::id).collect(Collectors.toSet());
    }

    private CopyViews.Finding checked(CaseViews.Docket docket, CopyViews.Finding given) {
        if (given.result() == Result.TO_LOOK) {
            return CopyViews.Finding.NONE;
        }
        if (given.lookedBy().isBlank()) {
            throw Refusal.badInput("lookedBy", "Write down who looked.");
        }
        if (given.result() == Result.NOTHING) {
            return new CopyViews.Finding(
                    Result.NOTHING,
                    given.lookedBy().strip(),
                    null,
                    "",
                    List.of(),
                    given.words().strip());
        }
        LocalDate newest = given.newest();
        if (newest != null && newest.isAfter(LocalDate.now(clock.withZone(settings.zone())))) {
            throw Refusal.badInput(
                    "newest", "The day " + newest + " is still to come; enter the day of what is newest in the copy.");
        }
        Set<Long> own = wanted(docket);
        for (long line : given.covers()) {
            if (!own.contains(line)) {
                throw Refusal.badInput(
                        "covers",
                        "The wanted line " + line + " is not one of " + docket.number()
                                + " any more; reload the page and choose again.");
            }
        }
        return new CopyViews.Finding(
                Result.FOUND,
                given.lookedBy().strip(),
                newest,
                given.opened().strip(),
                given.covers().stream().distinct().sorted().toList(),
                given.words().strip());
    }

    private static String detail(CaseViews.Docket docket, CopyViews.Finding finding) {
        List<String> parts = new ArrayList<>();
        if (finding.result() != Result.TO_LOOK) {
            parts.add("looked by " + finding.lookedBy());
        }
        if (finding.newest() != null) {
            parts.add("newest of " + finding.newest());
        }
        if (finding.result() == Result.FOUND) {
            parts.add(finding.opened().isEmpty() ? "nothing of it opened" : "opened: " + finding.opened());
            parts.add("covers "
                    + (finding.covers().isEmpty()
                            ? "none of the wanted lines"
                            : docket.said().wanted().stream()
                                    .filter(w -> finding.covers().contains(w.id()))
                                    .map(w -> "“" + w.words() + "”")
                                    .collect(Collectors.joining(", "))));
        }
        parts.add(finding.words());
        return parts.stream().filter(Objects::nonNull).filter(p -> !p.isEmpty()).collect(Collectors.joining("; "));
    }
}
