package org.brantel.server.words;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface Insides extends JpaRepository<Inside, Long> {

    /** What is known of a line's words without the words. */
    record Known(long line, String content, Outcome outcome) {}

    @Query("select new org.brantel.server.words.Insides$Known(i.lineId, i.content, i.outcome) from Inside i "
            + "where i.lineId in ?1")
    List<Known> known(Collection<Long> lines);

    long countByCaseIdAndOutcomeNotIn(long caseId, Collection<Outcome> outcomes);

    long countByCaseIdAndOutcomeIn(long caseId, Collection<Outcome> outcomes);

    @Modifying
    @Query("delete from Inside i where i.caseId = ?1")
    void deleteOfCase(long caseId);

    @Modifying
    @Query("delete from Inside i where i.lineId in ?1")
    void deleteOf(Collection<Long> lines);
}
