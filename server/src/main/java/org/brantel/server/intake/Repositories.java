package org.brantel.server.intake;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface LabCases extends JpaRepository<LabCase, Long> {

    Optional<LabCase> findByNumber(String number);

    /** For changes that lie in rows of their own: the case counts as changed all the same. */
    @Lock(LockModeType.OPTIMISTIC_FORCE_INCREMENT)
    @Query("select c from LabCase c where c.number = ?1")
    Optional<LabCase> findForEdit(String number);

    List<LabCase> findByStageNotInOrderByCreatedAtDesc(Collection<Stage> stages);

    @Query(value = "select nextval('case_number_seq')", nativeQuery = true)
    long nextNumber();
}

interface Devices extends JpaRepository<DeviceRecord, Long> {

    Optional<DeviceRecord> findByCaseId(Long caseId);
}

interface FactRows extends JpaRepository<FactRow, Long> {

    List<FactRow> findByCaseIdAndWithdrawnFalseOrderById(Long caseId);
}

interface WantedRows extends JpaRepository<WantedRow, Long> {

    List<WantedRow> findByCaseIdOrderById(Long caseId);
}

interface StageRows extends JpaRepository<StageRow, Long> {

    List<StageRow> findByCaseIdOrderById(Long caseId);
}
