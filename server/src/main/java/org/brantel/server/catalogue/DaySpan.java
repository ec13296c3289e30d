package org.brantel.server.catalogue;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** How finely what was made on many days stands side by side. */
enum DaySpan {
    DAY {
        @Override
        LocalDate first(LocalDate day) {
            return day;
        }

        @Override
        LocalDate last(LocalDate first) {
            return first;
        }
    },
    MONTH {
        @Override
        LocalDate first(LocalDate day) {
            return day.withDayOfMonth(1);
        }

        @Override
        LocalDate last(LocalDate first) {
            return first.plusMonths(1).minusDays(1);
        }
    },
    YEAR {
        @Override
        LocalDate first(LocalDate day) {
            return day.withDayOfYear(1);
        }

        @Override
        LocalDate last(LocalDate first) {
            return first.plusYears(1).minusDays(1);
        }
    };

    /** So many shelves are looked along. */
    private static final int MOST = 60;

    abstract LocalDate first(LocalDate day);

    abstract LocalDate last(LocalDate first);

    private List<Walk.Days> of(Map<LocalDate, Walk.Holds> days) {
        Map<LocalDate, Walk.Holds> spans = new TreeMap<>();
        days.forEach((day, holds) -> spans.merge(first(day), holds, Walk.Holds::and));
        return spans.entrySet().stream()
                .map(e -> new Walk.Days(e.getKey(), last(e.getKey()), e.getValue()))
                .toList();
    }

    /** As finely as can be looked along. */
    static List<Walk.Days> fine(Map<LocalDate, Walk.Holds> days) {
        List<Walk.Days> spans = DAY.of(days);
        spans = spans.size() > MOST ? MONTH.of(days) : spans;
        return spans.size() > MOST ? YEAR.of(days) : spans;
    }
}
