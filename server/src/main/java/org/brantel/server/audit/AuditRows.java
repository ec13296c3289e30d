package org.brantel.server.audit;

import java.util.List;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AuditRows extends JpaRepository<AuditRow, Long> {

    Page<AuditRow> findAllByOrderByNumberDesc(Pageable page);

    Page<AuditRow> findByAboutOrderByNumberDesc(String about, Pageable page);

    @Query("select r from AuditRow r where r.number <= ?1 order by r.number")
    List<AuditRow> upTo(long number);
}
