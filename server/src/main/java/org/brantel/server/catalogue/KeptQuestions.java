package org.brantel.server.catalogue;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface KeptQuestions extends JpaRepository<KeptQuestion, Long> {

    List<KeptQuestion> findByCaseIdOrderById(long caseId);

    long deleteByCaseIdAndId(long caseId, long id);

    long countByCaseId(long caseId);
}
