package org.brantel.server.intake;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.brantel.core.casefile.CaseFile;
import org.brantel.server.platform.Refusal;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.protocol.Said;
import org.jspecify.annotations.Nullable;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Facts go with who said them and when, those that were corrected, too. */
@Component
@Order(2)
class FactsAlong implements GoesAlong {

    private final LabCases cases;
    private final FactRows facts;
    private final LabProtocol protocol;

    FactsAlong(LabCases cases, FactRows facts, LabProtocol protocol) {
        this.cases = cases;
        this.facts = facts;
        this.protocol = protocol;
    }

    @Override
    public void pack(Leaving leaving) {
        List<Long> devices = leaving.parts().devices().stream()
                .map(d -> leaving.marks().here(Travelled.DEVICE, d.mark()).orElseThrow())
                .toList();
        facts.findByCaseIdOrderById(cases.byNumber(leaving.number()).id()).stream()
                .filter(row -> row.stated().device() == null
                        || devices.contains(row.stated().device()))
                .forEach(row -> leaving.parts().facts().add(told(leaving, row)));
    }

    private static CaseFile.Fact told(Leaving leaving, FactRow row) {
        CaseViews.Withdrawn w = row.withdrawnView();
        CaseViews.Fact f = w.fact();
        Long device = f.device();
        return new CaseFile.Fact(
                leaving.marks().of(Travelled.FACT, row.id()),
                device == null ? null : leaving.marks().of(Travelled.DEVICE, device),
                f.code(),
                f.value(),
                f.source().word(),
                f.measured(),
                leaving.person(f.who()),
                f.at(),
                row.isWithdrawn()
                        ? new CaseFile.Withdrawn(
                                Optional.ofNullable(w.withdrawnBy())
                                        .map(leaving::person)
                                        .orElse(null),
                                w.withdrawnAt())
                        : null);
    }

    @Override
    public void takeIn(Coming coming) {
        for (CaseFile.Fact f : coming.file().facts()) {
            Optional<Long> here = coming.marks().here(Travelled.FACT, f.mark());
            CaseFile.Withdrawn withdrawn = f.withdrawn();
            if (here.isPresent()) {
                if (withdrawn != null) {
                    correct(coming, here.get(), f, withdrawn);
                }
                continue;
            }
            FactRow.Stated stated = stated(coming, f);
            if (stated == null) {
                continue;
            }
            FactRow row = new FactRow(coming.caseId(), stated, f.measured(), f.who(), f.at());
            if (withdrawn != null) {
                withdraw(row, f, withdrawn);
            }
            coming.marks().came(Travelled.FACT, f.mark(), facts.save(row).id());
        }
    }

    /** What was corrected elsewhere since is corrected here as well; a file speaks of its own case alone. */
    private void correct(Coming coming, long id, CaseFile.Fact fact, CaseFile.Withdrawn withdrawn) {
        facts.findById(id)
                .filter(row -> row.caseId() == coming.caseId() && !row.isWithdrawn())
                .ifPresent(row -> withdraw(row, fact, withdrawn));
    }

    private static void withdraw(FactRow row, CaseFile.Fact fact, CaseFile.Withdrawn withdrawn) {
        String by = withdrawn.who();
        var at = withdrawn.at();
        row.withdraw(by == null ? fact.who() : by, at == null ? fact.at() : at);
    }

    /** Null for what this lab's protocol does not know: it cannot be judged here, and stays in the file. */
    private FactRow.@Nullable Stated stated(Coming coming, CaseFile.Fact f) {
        Optional<Said> source = Stream.of(Said.values())
                .filter(s -> s.word().equals(f.source()))
                .findFirst();
        if (source.isEmpty() || !isKnown(f, source.get())) {
            return null;
        }
        String mark = f.device();
        Long device = mark == null
                ? null
                : coming.marks().here(Travelled.DEVICE, mark).orElseThrow();
        return new FactRow.Stated(f.code(), f.value(), source.get(), device);
    }

    private boolean isKnown(CaseFile.Fact f, Said source) {
        try {
            protocol.facts(List.of(new CaseForm.Fact(f.code(), f.value(), source)));
            return true;
        } catch (Refusal e) {
            return false;
        }
    }
}
