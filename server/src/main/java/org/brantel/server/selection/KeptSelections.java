package org.brantel.server.selection;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface KeptSelections extends JpaRepository<KeptSelection, Long> {

    List<KeptSelection> findByCaseIdOrderById(long caseId);

    Optional<KeptSelection> findByCaseIdAndId(long caseId, long id);
}
