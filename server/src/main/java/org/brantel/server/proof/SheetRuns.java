package org.brantel.server.proof;

import org.brantel.server.work.PassRuns;
import org.springframework.data.jpa.repository.JpaRepository;

interface SheetRuns extends JpaRepository<SheetRun, Long>, PassRuns<SheetRun> {}
