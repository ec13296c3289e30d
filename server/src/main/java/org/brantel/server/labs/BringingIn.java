package org.brantel.server.labs;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.server.custody.ForeignRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.ForeignCases;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Topic;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Component;

/** Takes a case of another lab in: each part what is new of it, and the records of other labs beside our own. */
@Component
class BringingIn {

    private final Homecoming homecoming;
    private final KnownLabs labs;
    private final CaseHomes homes;
    private final TravelMarkRows marks;
    private final List<GoesAlong> parts;
    private final ForeignCases foreign;
    private final ForeignRecords others;
    private final Cases cases;
    private final Happenings happenings;
    private final Clock clock;

    BringingIn(
            Homecoming homecoming,
            KnownLabs labs,
            CaseHomes homes,
            TravelMarkRows marks,
            List<GoesAlong> parts,
            ForeignCases foreign,
            ForeignRecords others,
            Cases cases,
            Happenings happenings,
            Clock clock) {
        this.homecoming = homecoming;
        this.labs = labs;
        this.homes = homes;
        this.marks = marks;
        this.parts = parts;
        this.foreign = foreign;
        this.others = others;
        this.cases = cases;
        this.happenings = happenings;
        this.clock = clock;
    }

    /**
     * Takes all of a file in, or nothing; within the transaction that decides on it.
     *
     * @param own      fingerprint of this lab's key
     * @param compared how the other lab's key was compared; blank where it was before
     */
    void take(ArrivalRow row, CaseBag.Opened opened, String own, String compared, Staff.Person person)
            throws IOException {
        CaseFile file = opened.file();
        Instant now = clock.instant();
        LabsViews.Says says = homecoming.says(opened, own);
        homecoming.sameRecords(opened, own);
        String how = known(says, compared, person.name(), now);
        String before = says.here();
        String number = before == null ? foreign.log(file, person) : before;
        long caseId = cases.id(number);
        GoesAlong.Coming coming = new GoesAlong.Coming(
                number, caseId, before == null, file, opened.data(), new CaseMarks(marks, caseId, own), person.name());
        for (GoesAlong part : parts) {
            part.takeIn(coming);
        }
        keepRecords(caseId, opened, own, now);
        row.broughtInto(number, says, person.name(), now);
        happenings.tell(
                number,
                person.name(),
                "brought the case in from another lab",
                says.lab() + ", " + says.number() + ", packed " + says.packed() + " by " + says.by() + "; "
                        + says.brings().stream()
                                .filter(b -> b.fresh() > 0)
                                .map(b -> b.fresh() + " " + b.what().word())
                                .collect(Collectors.joining(", "))
                        + "; file SHA-256 " + row.kept().sent().sha256() + ", signed with " + says.fingerprint() + ", "
                        + how
                        + says.custody().stream()
                                .flatMap(c -> c.trouble().stream().map(w -> "; record of " + c.lab() + ": " + w))
                                .collect(Collectors.joining()),
                Topic.CASE,
                Topic.LABS);
    }

    /** @return how the key is known */
    private String known(LabsViews.Says says, String compared, String who, Instant now) {
        LabsViews.Known known = says.known();
        if (known != null) {
            return "known since " + known.at() + " (" + known.compared() + ")";
        }
        String how = compared.strip();
        if (how.isEmpty()) {
            throw Refusal.badInput(
                    "compared",
                    "Nobody has compared the key of " + says.lab() + " yet: call them on a number that you know, let "
                            + "them read its fingerprint to you, and write down who did.");
        }
        labs.save(new KnownLab(says.fingerprint(), says.lab(), how, who, now));
        return "compared: " + how;
    }

    /** What other labs wrote down; our own record is our own. */
    private void keepRecords(long caseId, CaseBag.Opened opened, String own, Instant now) {
        List<CaseFile.Ledger> ledgers = opened.file().custody();
        for (int i = 0; i < ledgers.size(); i++) {
            CaseFile.Ledger ledger = ledgers.get(i);
            CaseFile.Home home = ledger.home();
            if (home.fingerprint().equals(own)) {
                continue;
            }
            CaseHome row = homes.findById(new CaseHome.Key(home.fingerprint(), home.number()))
                    .orElseGet(() -> homes.save(new CaseHome(caseId, home, now)));
            if (ledger.entries() >= row.lastNumber()) {
                others.goOn(
                        caseId,
                        home.fingerprint(),
                        home.number(),
                        opened.custody().get(i).entries());
                row.recordEndsAt(ledger.entries(), ledger.lastHash(), now);
            }
        }
    }
}
