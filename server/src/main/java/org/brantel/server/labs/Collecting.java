package org.brantel.server.labs;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.custody.ForeignRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.ForeignCases;
import org.brantel.server.intake.GoesAlong;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/** Gathers a case for another lab: all that goes along is asked for its part; custody comes last, with all of it. */
@Component
class Collecting {

    private final CaseHomes homes;
    private final TravelMarkRows marks;
    private final List<GoesAlong> parts;
    private final ForeignCases foreign;
    private final Cases cases;
    private final CustodyService custody;
    private final ForeignRecords others;
    private final ThisLab thisLab;

    Collecting(
            CaseHomes homes,
            TravelMarkRows marks,
            List<GoesAlong> parts,
            ForeignCases foreign,
            Cases cases,
            CustodyService custody,
            ForeignRecords others,
            ThisLab thisLab) {
        this.homes = homes;
        this.marks = marks;
        this.parts = parts;
        this.foreign = foreign;
        this.cases = cases;
        this.custody = custody;
        this.others = others;
        this.thisLab = thisLab;
    }

    /**
     * All of it as of one moment, whatever people do with the case meanwhile.
     *
     * @param data        the folder of what goes along
     * @param fingerprint of this lab's key
     */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public CaseFile of(String number, Path data, String fingerprint, Packing packing, Instant now) throws IOException {
        long caseId = cases.id(number);
        GoesAlong.Lab lab = thisLab.here();
        GoesAlong.Leaving leaving = new GoesAlong.Leaving(
                number,
                lab,
                new CaseMarks(marks, caseId, fingerprint),
                data,
                new GoesAlong.Parts(
                        new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>(), new ArrayList<>()));
        for (GoesAlong part : parts) {
            part.pack(leaving);
        }
        CaseFile.Home home = new CaseFile.Home(lab.name(), fingerprint, number);
        List<CaseHome> elsewhere = homes.findByCaseIdOrderByCameAt(caseId);
        List<CaseFile.Ledger> ledgers = new ArrayList<>();
        List<CustodyEntry> own = custody.tape(number).entries();
        CustodyEntry last = own.get(own.size() - 1);
        ledgers.add(new CaseFile.Ledger(home, last.number(), last.hash(), record(data, 1, own)));
        for (CaseHome h : elsewhere) {
            ledgers.add(new CaseFile.Ledger(
                    h.home(),
                    h.lastNumber(),
                    h.lastHash(),
                    record(
                            data,
                            ledgers.size() + 1,
                            others.of(h.home().fingerprint(), h.home().number()))));
        }
        return CaseFile.of(
                new CaseFile.Origin(
                        home,
                        elsewhere.stream().map(CaseHome::home).toList(),
                        now,
                        packing.who(),
                        packing.forLab(),
                        packing.why()),
                foreign.told(number),
                leaving.parts().devices(),
                new CaseFile.Said(leaving.parts().facts(), leaving.parts().notes()),
                leaving.parts().imaging(),
                leaving.parts().scans(),
                ledgers);
    }

    private static String record(Path data, int place, List<CustodyEntry> entries) throws IOException {
        String name = "custody/record-" + place + ".ndjson";
        CaseBag.record(entries, data.resolve(name));
        return name;
    }
}
