package org.brantel.server.labs;

import java.util.Collection;
import java.util.List;
import org.brantel.server.work.WorkState;
import org.springframework.data.jpa.repository.JpaRepository;

interface Packings extends JpaRepository<Packing, Long> {

    List<Packing> findByCaseIdOrderByIdDesc(Long caseId);

    boolean existsByCaseIdAndStateIn(Long caseId, Collection<WorkState> states);
}
