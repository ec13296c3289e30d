package org.brantel.server.labs;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface ArrivalRows extends JpaRepository<ArrivalRow, Long> {

    List<ArrivalRow> findByOrderByIdDesc(Limit limit);

    /** Two people who decide at once do it one after the other. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select a from ArrivalRow a where a.id = ?1")
    Optional<ArrivalRow> toDecide(long id);
}
