package org.brantel.server.scan;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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
    public Map<Long, Long> devices(long caseId) {
        return sessions.findScanned(caseId).stream()
                .collect(Collectors.toMap(ScanSession.Scanned::id, ScanSession.Scanned::deviceId));
    }

    @Override
    public List<Long> sessions(long caseId) {
        return sessions.numbers(caseId);
    }
}
