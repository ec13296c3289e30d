package org.brantel.server.scan;

import java.util.List;
import org.brantel.server.catalogue.Searched;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

@Component
class SearchedCases implements Searched {

    private final ScanSessions sessions;

    SearchedCases(ScanSessions sessions) {
        this.sessions = sessions;
    }

    @Override
    public boolean isSearched(long caseId) {
        return sessions.existsByCaseIdAndStateIn(caseId, List.of(WorkState.DONE));
    }

    @Override
    public List<Long> sessions(long caseId) {
        return sessions.numbers(caseId);
    }
}
