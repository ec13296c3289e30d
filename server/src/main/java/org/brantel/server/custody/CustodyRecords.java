package org.brantel.server.custody;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface CustodyRecords extends JpaRepository<CustodyRecord, Long> {

    List<CustodyRecord> findByCaseNumberOrderByNumber(String caseNumber);

    List<CustodyRecord> findByCaseNumberInOrderByCaseNumberAscNumberAsc(Collection<String> caseNumbers);

    long countByCaseNumber(String caseNumber);
}
