package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CatalogueContents extends JpaRepository<CatalogueContent, Long> {

    List<CatalogueContent> findByCaseIdAndPlaceIn(Long caseId, Collection<String> places);

    /** What could be the same as contents of these sizes and samples. */
    @Query("select c from CatalogueContent c where c.caseId = ?1 and c.size in ?2 and (c.sample is null or c.sample in ?3)")
    List<CatalogueContent> findAlike(Long caseId, Collection<Long> sizes, Collection<Long> samples);
}
