package org.brantel.server.triage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.brantel.core.triage.Protocol;
import org.brantel.core.triage.Triage;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.protocol.LabProtocol;
import org.brantel.server.protocol.Said;
import org.junit.jupiter.api.Test;

class RankingsTest {

    private static List<CaseForm.Fact> says(String noise) {
        return List.of(new CaseForm.Fact("symptom.noise", noise, Said.TOLD));
    }

    private final Triage shipped = new Triage(Protocol.current());
    private final Triage adopted = new Triage(Protocol.current());
    private final Rankings rankings = new Rankings();

    @Test
    void whatWasRankedIsWhatRankingGives() {
        for (String noise : List.of("clicking", "none", "clicking", "none")) {
            assertThat(rankings.of(says(noise), shipped))
                    .isEqualTo(shipped.ranking(LabProtocol.facts(says(noise), shipped.protocol())));
        }
        assertThat(rankings.of(says("clicking"), shipped)).isNotEqualTo(rankings.of(says("none"), shipped));
    }

    @Test
    void anotherProtocolRanksAnew() {
        List<?> before = rankings.of(says("clicking"), shipped);
        assertThat(rankings.of(says("clicking"), shipped)).isSameAs(before);
        assertThat(rankings.of(says("clicking"), adopted)).isNotSameAs(before);
    }
}
