package org.brantel.server.work;

import java.util.Optional;

/** The records of passes of one kind. */
public interface PassRuns<R extends PassRecord> {

    /** The newest of a case. */
    Optional<R> findFirstByCaseIdOrderByIdDesc(Long caseId);
}
