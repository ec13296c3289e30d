package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What was chosen of a catalogue. */
interface Choices extends Repository<CatalogueChoice, Long> {

    /** Until the transaction ends, nobody else changes what is chosen of the case. */
    @Query(
            value = "select 1 from pg_advisory_xact_lock(hashtextextended('catalogue_choice', ?1)) as locked",
            nativeQuery = true)
    Integer lock(long caseId);

    /** Until the transaction ends, the database joins very many lines at once, whatever it has counted last. */
    @Query(value = "select set_config('enable_nestloop', 'off', true)", nativeQuery = true)
    String forMany();

    @Query(value = "select nextval('selection_change_ids')", nativeQuery = true)
    long nextChange();

    @Modifying
    @Query(
            "update CatalogueChoice c set c.chosen = not c.chosen, c.change = null where c.caseId = ?1 and c.change = ?2")
    void takeBack(long caseId, long change);

    @Query("select c.lineId from CatalogueChoice c where c.chosen and c.lineId in ?1")
    Set<Long> among(Collection<Long> lines);

    @Query("select l from CatalogueChoice c join CatalogueLine l on l.id = c.lineId where c.caseId = ?1 and c.chosen "
            + "order by l.id")
    List<CatalogueLine> lines(long caseId);

    /** Prognosis, number and bytes. */
    @Query("select l.prognosis, count(l), sum(l.size) from CatalogueChoice c join CatalogueLine l on l.id = c.lineId "
            + "where c.caseId = ?1 and c.chosen group by l.prognosis")
    List<Object[]> sums(long caseId);

    /** How many that fit a wanted line, or may. */
    @Query("select count(l) from CatalogueChoice c join CatalogueLine l on l.id = c.lineId where c.caseId = ?1 and "
            + "c.chosen and (array_contains(l.wanted, ?2) or array_contains(l.mayFit, ?2))")
    long fitting(long caseId, Long wanted);

    @Query("select l.id from CatalogueChoice c join CatalogueLine l on l.id = c.lineId where c.caseId = ?1 and "
            + "c.chosen and (array_contains(l.wanted, ?2) or array_contains(l.mayFit, ?2)) order by l.id")
    List<Long> fittingIds(long caseId, Long wanted);
}
