package org.brantel.server.audit;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface AuditHeads extends JpaRepository<AuditHead, Integer> {

    /** Makes sure that there is a head to lock. */
    @Modifying
    @Query(
            value = "insert into audit_head (id, last_number, last_hash) values (1, 0, ?1) on conflict do nothing",
            nativeQuery = true)
    void ensure(String start);

    /** Entries are written one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select h from AuditHead h")
    Optional<AuditHead> lock();
}
