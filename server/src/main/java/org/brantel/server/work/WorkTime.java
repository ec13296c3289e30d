package org.brantel.server.work;

import org.jspecify.annotations.Nullable;

/** How long some work on a case took. */
public record WorkTime(Long caseId, @Nullable Double seconds) {}
