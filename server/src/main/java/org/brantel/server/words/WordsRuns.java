package org.brantel.server.words;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface WordsRuns extends JpaRepository<WordsRun, Long> {

    Optional<WordsRun> findFirstByCaseIdOrderByIdDesc(Long caseId);
}
