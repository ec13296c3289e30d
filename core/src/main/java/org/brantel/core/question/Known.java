package org.brantel.core.question;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;

/**
 * What is known where a question is asked.
 *
 * @param today    what days are counted from
 * @param wanted   the case's wanted lines by their records' numbers, in the order that people see them in
 * @param sessions the case's scan sessions
 */
public record Known(LocalDate today, List<Long> wanted, Set<Long> sessions) {}
