package org.brantel.server.selection;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface SelectionChanges extends JpaRepository<SelectionChange, Long> {

    List<SelectionChange> findByCaseIdOrderByIdDesc(long caseId);

    Optional<SelectionChange> findByCaseIdAndId(long caseId, long id);
}
