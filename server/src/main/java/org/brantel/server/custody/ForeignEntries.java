package org.brantel.server.custody;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ForeignEntries extends JpaRepository<ForeignEntry, Long> {

    List<ForeignEntry> findByFingerprintAndCaseNumberOrderByNumber(String fingerprint, String caseNumber);
}
