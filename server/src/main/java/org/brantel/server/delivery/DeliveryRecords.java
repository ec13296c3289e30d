package org.brantel.server.delivery;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.brantel.server.work.WorkState;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface DeliveryRecords extends JpaRepository<Delivery, Long> {

    List<Delivery> findByCaseIdOrderByIdDesc(Long caseId);

    Optional<Delivery> findByTokenHash(String tokenHash);

    /** What a customer does at two places at once is written one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select d from Delivery d where d.id = ?1")
    Optional<Delivery> lock(long id);

    Page<Delivery> findByOrderByIdDesc(Pageable page);

    @Query("select d from Delivery d where d.id in (select max(x.id) from Delivery x where x.caseId in ?1 "
            + "group by x.caseId)")
    List<Delivery> findNewest(Collection<Long> caseIds);

    @Query("select d from Delivery d where d.id in (select max(x.id) from Delivery x where x.caseId in ?1 "
            + "and x.state = org.brantel.server.work.WorkState.DONE group by x.caseId)")
    List<Delivery> findNewestSealed(Collection<Long> caseIds);

    /** Which run a case's newest sealed delivery holds. */
    record Sealed(Long caseId, Long runId) {}

    @Query("select new org.brantel.server.delivery.DeliveryRecords$Sealed(d.caseId, d.runId) from Delivery d where "
            + "d.id in (select max(x.id) from Delivery x where x.caseId in ?1 "
            + "and x.state = org.brantel.server.work.WorkState.DONE group by x.caseId)")
    List<Sealed> findSealedRuns(Collection<Long> caseIds);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<WorkState> states);
}
