package org.brantel.server.catalogue;

import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.wanted.Fitting;
import org.brantel.core.wanted.WantedLine;
import org.brantel.core.wanted.WantedTally;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * How the wanted lines of a case stand: hoped for, found, chosen, delivered, each from the records of its own step; and
 * who said that these are them.
 */
@Service
public class WantedStates {

    private final CatalogueLines lines;
    private final Choices choices;
    private final WantedConfirmations confirmations;
    private final Cases cases;
    private final ObjectProvider<DeliveredCounts> deliveries;
    private final Searched searched;
    private final Happenings happenings;
    private final Clock clock;

    WantedStates(
            CatalogueLines lines,
            Choices choices,
            WantedConfirmations confirmations,
            Cases cases,
            ObjectProvider<DeliveredCounts> deliveries,
            Searched searched,
            Happenings happenings,
            Clock clock) {
        this.lines = lines;
        this.choices = choices;
        this.confirmations = confirmations;
        this.cases = cases;
        this.deliveries = deliveries;
        this.searched = searched;
        this.happenings = happenings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<CatalogueViews.WantedState> of(String number) {
        Map<Long, WantedTally.Delivered> delivered = deliveries.getObject().delivered(number);
        return with(number, l -> delivered.getOrDefault(l.id(), WantedTally.Delivered.NONE));
    }

    /** With what a delivery that is just being sealed holds. */
    @Transactional(readOnly = true)
    public List<CatalogueViews.WantedState> with(String number, Function<WantedLine, WantedTally.Delivered> delivered) {
        long caseId = cases.id(number);
        Map<Long, WantedConfirmation> confirmed = confirmed(caseId);
        boolean isSearched = searched.isSearched(caseId);
        return cases.docket(number).said().wanted().stream()
                .map(line -> {
                    WantedConfirmation c = confirmed.get(line.id());
                    return CatalogueViews.WantedState.of(
                            line,
                            WantedTally.of(
                                    line,
                                    found(caseId, line.id()),
                                    choices.fitting(caseId, line.id()),
                                    delivered.apply(line),
                                    c == null ? null : c.view()),
                            isSearched);
                })
                .toList();
    }

    /** The findings that were confirmed to be a line's, by the line's number. */
    @Transactional(readOnly = true)
    public Map<Long, List<Long>> theirs(String number) {
        return confirmed(cases.id(number)).values().stream()
                .collect(Collectors.toMap(WantedConfirmation::wantedId, WantedConfirmation::theirs));
    }

    private Map<Long, WantedConfirmation> confirmed(long caseId) {
        Map<Long, WantedConfirmation> all = new LinkedHashMap<>();
        confirmations.findByCaseId(caseId).forEach(c -> all.put(c.wantedId(), c));
        return all;
    }

    private WantedTally.Found found(long caseId, long line) {
        long whole = 0;
        long partly = 0;
        long mayFit = 0;
        for (Object[] row : lines.fitting(caseId, line)) {
            Prognosis prognosis = Prognosis.valueOf((String) row[0]);
            long fits = ((Number) row[1]).longValue();
            if (prognosis == Prognosis.WHOLE) {
                whole += fits;
            } else if (prognosis != Prognosis.OVERWRITTEN) {
                partly += fits;
            }
            mayFit += ((Number) row[2]).longValue();
        }
        return new WantedTally.Found(whole, partly, mayFit);
    }

    static List<Fitting> fittings(List<WantedLine> wanted) {
        return wanted.stream().map(Fitting::new).toList();
    }

    /**
     * A person says that these are them.
     *
     * @param findings that are theirs; null for all chosen ones that fit or may fit
     * @param count    how many that person counted; null when they did not say
     */
    @Transactional
    public List<CatalogueViews.WantedState> confirm(
            String number, long lineId, @Nullable List<Long> findings, @Nullable Integer count, String who) {
        long caseId = cases.id(number);
        WantedLine line = line(number, lineId);
        List<Long> theirs = findings == null
                ? choices.fittingIds(caseId, lineId)
                : findings.stream().distinct().toList();
        WantedTally.Found found = found(caseId, lineId);
        long matches = found.whole() + found.partly() + found.mayFit();
        long said = count == null ? theirs.size() : count;
        if (said > matches) {
            throw Refusal.badInput(
                    "findings",
                    said + " files were confirmed for “" + line.words() + "”, but only " + matches
                            + " fit or may fit it; look at the list again.");
        }
        if (theirs.isEmpty()) {
            throw Refusal.conflict("Nothing that fits or may fit “" + line.words()
                    + "” is chosen; choose what is theirs first, then confirm it.");
        }
        if (count != null && count != theirs.size()) {
            throw Refusal.badInput(
                    "findings",
                    count + " files were confirmed for “" + line.words() + "”, but " + theirs.size()
                            + " are chosen; choose exactly those that are theirs.");
        }
        if (lines.matching(caseId, lineId, theirs) != theirs.size()) {
            throw Refusal.badInput(
                    "findings",
                    "Not all of these files fit or may fit “" + line.words()
                            + "”; reload the catalogue and confirm again.");
        }
        WantedConfirmation confirmation =
                confirmations.findByWantedId(lineId).orElseGet(() -> new WantedConfirmation(caseId, lineId));
        confirmation.say(theirs, who, clock.instant());
        confirmations.save(confirmation);
        happenings.tell(
                number,
                who,
                "confirmed which files a wanted line meant",
                "“" + line.words() + "”: " + theirs.size() + " of " + matches + " that fit or may fit are theirs",
                Topic.SELECTION);
        return of(number);
    }

    /** Takes a confirmation back. */
    @Transactional
    public List<CatalogueViews.WantedState> unconfirm(String number, long lineId, String who) {
        WantedLine line = line(number, lineId);
        WantedConfirmation standing = confirmations
                .findByWantedId(lineId)
                .orElseThrow(() -> Refusal.conflict(
                        "Nobody has confirmed “" + line.words() + "”, so there is nothing to take back."));
        confirmations.delete(standing);
        happenings.tell(number, who, "took a confirmation back", "“" + line.words() + "”", Topic.SELECTION);
        return of(number);
    }

    private WantedLine line(String number, long lineId) {
        return cases.docket(number).said().wanted().stream()
                .filter(l -> l.id() == lineId)
                .findFirst()
                .orElseThrow(() ->
                        Refusal.missing("There is no wanted line " + lineId + " in " + number + "; reload the case."));
    }
}
