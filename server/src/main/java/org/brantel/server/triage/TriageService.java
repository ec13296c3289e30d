package org.brantel.server.triage;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.core.triage.Facts;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.Triage;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Ranks and decides. */
@Service
public class TriageService {

    private final Protocol protocol = Protocol.current();
    private final Triage triage = new Triage(protocol);
    private final Cases cases;
    private final CustodyService custody;

    TriageService(Cases cases, CustodyService custody) {
        this.cases = cases;
        this.custody = custody;
    }

    Protocol protocol() {
        return protocol;
    }

    /** The ranking for facts that are still being entered. */
    Ranking rank(List<CaseForm.Fact> facts) {
        try {
            return triage.rank(Facts.of(grouped(facts, "told"), grouped(facts, "observed"), protocol));
        } catch (Facts.UnknownFact e) {
            throw Refusal.badInput("facts", e.getMessage());
        }
    }

    /** The ranking for a case as it stands; the device's type is a fact of its own. */
    public Ranking rank(CaseViews.Docket docket) {
        List<CaseForm.Fact> facts = docket.facts().stream()
                .map(f -> new CaseForm.Fact(f.code(), f.value(), f.source())).collect(Collectors.toList());
        if (facts.stream().noneMatch(f -> f.code().equals("medium.type"))) {
            facts.add(new CaseForm.Fact("medium.type", docket.device().type(), "told"));
        }
        return rank(facts);
    }

    private static Map<String, List<String>> grouped(List<CaseForm.Fact> facts, String source) {
        return facts.stream().filter(f -> f.source().equals(source)).collect(Collectors.groupingBy(CaseForm.Fact::code,
                LinkedHashMap::new, Collectors.mapping(CaseForm.Fact::value, Collectors.toList())));
    }

    /** @param reason needed when the path is not the first of the ranking */
    @Transactional
    public void decide(String number, int version, String path, String reason, String who) {
        Ranking ranking = rank(cases.docket(number));
        Ranking.Ranked chosen = ranking.ranking().stream().filter(r -> r.path().equals(path)).findFirst()
                .orElseThrow(() -> Refusal.badInput("path", "There is no recovery path '" + path + "'."));
        boolean first = ranking.ranking().get(0).path().equals(path);
        String words = reason == null ? "" : reason.strip();
        if (chosen.barred() && words.isEmpty()) {
            throw Refusal.badInput("reason", chosen.label() + " is barred: " + chosen.barredBecause().get(0)
                    + " To take it all the same, write down why.");
        }
        if (!first && words.isEmpty()) {
            throw Refusal.badInput("reason", chosen.label() + " is not the first of the ranking; write down why you take it.");
        }
        cases.decide(number, version, path, words, ranking.protocol(), who);
        custody.record(number, who, "decided on " + chosen.label().toLowerCase() + (first ? "" : ", not the first of the ranking"),
                ranking.protocol() + "; score " + chosen.score() + (words.isEmpty() ? "" : "; reason: " + words));
    }
}
