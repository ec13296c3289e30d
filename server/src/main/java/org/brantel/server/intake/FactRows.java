package org.brantel.server.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface FactRows extends JpaRepository<FactRow, Long>, OfDevices {

    List<FactRow> findByCaseIdAndWithdrawnFalseOrderById(Long caseId);

    List<FactRow> findByCaseIdOrderById(Long caseId);

    List<FactRow> findByCaseIdInAndWithdrawnFalseOrderById(Collection<Long> caseIds);

    @Query("select new org.brantel.server.intake.FactRow$Changed(f.caseId, max(coalesce(f.withdrawnAt, f.at))) "
            + "from FactRow f where f.caseId in ?1 group by f.caseId")
    List<FactRow.Changed> findChanged(Collection<Long> caseIds);

    List<FactRow> findByCodeAndValueInAndWithdrawnFalseAndCaseIdIn(
            String code, Collection<String> values, Collection<Long> caseIds);

    @Override
    @Modifying(clearAutomatically = true, flushAutomatically = true)
    @Query("update FactRow f set f.caseId = ?2 where f.deviceId = ?1")
    void give(long device, long caseId);

    List<FactRow> findByCaseIdAndWithdrawnTrueOrderByWithdrawnAtDesc(Long caseId);

    @Query("select distinct new org.brantel.server.intake.FactRow$Value(f.caseId, f.value) from FactRow f "
            + "where f.code = ?1 and f.withdrawn = false and f.caseId in ?2 order by f.caseId, f.value")
    List<FactRow.Value> findValues(String code, Collection<Long> caseIds);
}
