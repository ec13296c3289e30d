package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CatalogueLines extends JpaRepository<CatalogueLine, Long> {

    /** Prognosis and number of the lines that fit a wanted line, and of those that may. */
    @Query(
            value = "select prognosis, fits, may_fit from catalogue_fit where case_id = ?1 and wanted_id = ?2",
            nativeQuery = true)
    List<Object[]> fitting(long caseId, Long line);

    /** Counts what fits the wanted lines anew, after many have changed. */
    @Query(value = "select 1 from recount_fits(?1)", nativeQuery = true)
    Integer recountFits(long caseId);

    @Query("select count(l) from CatalogueLine l where l.caseId = ?1 and l.mergedInto is null and l.id in ?3 "
            + "and (array_contains(l.wanted, ?2) or array_contains(l.mayFit, ?2))")
    long matching(long caseId, Long line, Collection<Long> ids);

    List<CatalogueLine> findByCaseIdAndMergedIntoIsNullAndIdGreaterThanOrderById(Long caseId, Long after, Limit limit);

    List<CatalogueLine> findByCaseIdAndMergedIntoIsNullAndKindInAndIdGreaterThanOrderById(
            Long caseId, Collection<String> kinds, Long after, Limit limit);

    /** Numbers come by the ten thousand: as an array they are one parameter. */
    @Query(value = "select * from catalogue_line where id = any(?1)", nativeQuery = true)
    List<CatalogueLine> findByIds(Long[] ids);

    /** By session, how many of these lines its image holds; of those sessions alone that are asked for. */
    @Query(
            value = "select imaging_id, count(*) from catalogue_line where id = any(?1) and imaging_id = any(?2) "
                    + "group by imaging_id order by imaging_id",
            nativeQuery = true)
    List<Object[]> countOn(Long[] ids, Long[] imagingIds);

    List<CatalogueLine> findByCaseIdAndIdIn(Long caseId, Collection<Long> ids);
}
