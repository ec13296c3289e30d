package org.brantel.server.entry;

import java.time.Instant;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface ThrottleRows extends JpaRepository<ThrottleRow, String> {

    /** What is left of the failures of before: one is forgotten after each {@code ?3} seconds without any. */
    String LEFT = "greatest(0, throttle.failures - cast(floor(greatest(0, extract(epoch from "
            + "cast(?2 as timestamptz) - throttle.last_at)) / ?3) as int))";

    /**
     * Counts a try, unless it comes too early. Those that cost nothing are never too early: of two at once, the one that
     * began first may be counted after the other.
     *
     * @param forgets seconds after which one failure is forgotten
     * @param free    so many cost nothing
     * @param first   seconds to wait after them
     * @param longest seconds to wait at most
     * @return how many there are now; empty where it comes too early
     */
    @Query(
            value = "insert into throttle (subject, failures, last_at, blocked_until) values (?1, 1, ?2, ?2) "
                    + "on conflict (subject) do update set last_at = ?2, failures = " + LEFT + " + 1, "
                    + "blocked_until = case when " + LEFT + " + 1 < ?4 then cast(?2 as timestamptz) "
                    + "else cast(?2 as timestamptz) + interval '1 second' "
                    + "* least(?6, ?5 * power(2, least(" + LEFT + " + 1 - ?4, 20))) end "
                    + "where throttle.failures < ?4 or throttle.blocked_until <= ?2 returning failures",
            nativeQuery = true)
    Optional<Integer> count(String subject, Instant now, long forgets, int free, long first, long longest);

    @Query("select r.blockedUntil from ThrottleRow r where r.subject = ?1")
    Optional<Instant> blockedUntil(String subject);

    /** Takes all back; two may do so at once. */
    @Modifying
    @Query("delete from ThrottleRow r where r.subject = ?1")
    void clear(String subject);

    /** Takes one try back: it was none to hold against anybody. */
    @Modifying
    @Query(
            value = "update throttle set failures = greatest(failures - 1, 0), "
                    + "blocked_until = case when failures - 1 < ?3 then cast(?2 as timestamptz) else blocked_until end "
                    + "where subject = ?1",
            nativeQuery = true)
    void discount(String subject, Instant now, int free);

    @Modifying
    @Query("delete from ThrottleRow r where r.lastAt < ?1 and r.blockedUntil < ?1")
    void forget(Instant before);
}
