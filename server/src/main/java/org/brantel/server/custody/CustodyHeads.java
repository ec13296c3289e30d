package org.brantel.server.custody;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface CustodyHeads extends JpaRepository<CustodyHead, String> {

    @Query("select h.caseNumber from CustodyHead h order by h.caseNumber desc")
    Page<String> findNumbers(Pageable page);

    /** How far these records go now, whatever the transaction read of them before. */
    @Query("select new org.brantel.server.custody.CustodyHead$End(h.caseNumber, h.lastNumber, h.lastHash) "
            + "from CustodyHead h where h.caseNumber in ?1")
    List<CustodyHead.End> ends(Collection<String> caseNumbers);

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
