package org.brantel.core.question;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongPredicate;

/**
 * What is known where a question is asked.
 *
 * @param today    what days are counted from
 * @param wanted   the case's wanted lines by their records' numbers, in the order that people see them in
 * @param sessions the case's scan sessions
 * @param devices  of the case by what people call them: {@code device 2}, {@code slot 3}
 * @param isLine   whether the catalogue has a line of a number
 * @param contents whether what content says of itself may be looked at
 * @param words    whether the words inside may be looked at
 */
public record Known(
        LocalDate today,
        List<Long> wanted,
        Set<Long> sessions,
        Map<String, Long> devices,
        LongPredicate isLine,
        boolean contents,
        boolean words) {}
