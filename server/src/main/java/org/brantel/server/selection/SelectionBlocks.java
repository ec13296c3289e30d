package org.brantel.server.selection;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface SelectionBlocks extends JpaRepository<SelectionBlock, SelectionBlock.Key> {

    List<SelectionBlock> findBySetId(long setId);

    List<SelectionBlock> findByCaseIdAndBlockIn(long caseId, Collection<Long> blocks);

    @Modifying
    @Query("delete from SelectionBlock b where b.setId in ?1")
    void deleteBySetIdIn(Collection<Long> sets);

    @Query(value = "select nextval('selection_set_ids')", nativeQuery = true)
    long nextSet();

    /** Until the transaction ends, nobody else changes what is chosen of the case. */
    @Query(
            value = "select 1 from pg_advisory_xact_lock(hashtextextended('selection', ?1)) as locked",
            nativeQuery = true)
    Integer lock(long caseId);
}
