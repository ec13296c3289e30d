package org.brantel.server.words;

import org.brantel.server.work.PassRuns;
import org.springframework.data.jpa.repository.JpaRepository;

interface WordsRuns extends JpaRepository<WordsRun, Long>, PassRuns<WordsRun> {}
