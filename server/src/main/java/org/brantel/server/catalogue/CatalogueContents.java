package org.brantel.server.catalogue;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CatalogueContents extends JpaRepository<CatalogueContent, Long> {

    @Query(value = "select * from catalogue_content where case_id = ?1 and place = any(?2)", nativeQuery = true)
    List<CatalogueContent> findKnown(long caseId, String[] places);

    /** What could be the same as contents of these sizes and samples, which are pairs. */
    @Query(
            value = "select c.* from unnest(?2, ?3) as look (size, sample) cross join lateral (select * from "
                    + "catalogue_content where case_id = ?1 and size = look.size and sample = look.sample "
                    + "union all select * from catalogue_content where case_id = ?1 and size = "
                    + "look.size and sample is null) c",
            nativeQuery = true)
    List<CatalogueContent> findAlike(long caseId, Long[] sizes, Long[] samples);
}
