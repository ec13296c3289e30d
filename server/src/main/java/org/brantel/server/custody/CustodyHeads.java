package org.brantel.server.custody;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface CustodyHeads extends JpaRepository<CustodyHead, String> {

    Page<CustodyHead> findByOrderByCaseNumberDesc(Pageable page);

    /** Makes sure that there is a head to lock. */
    @Modifying
    @Query(
            value = "insert into custody_head (case_number, last_number, last_hash) values (?1, 0, ?2) on "
                    + "conflict do nothing",
            nativeQuery = true)
    void ensure(String caseNumber, String start);

    /** Entries of one case are written one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select h from CustodyHead h where h.caseNumber = ?1")
    Optional<CustodyHead> lock(String caseNumber);
}
