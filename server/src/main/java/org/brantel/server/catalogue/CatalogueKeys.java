package org.brantel.server.catalogue;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface CatalogueKeys extends JpaRepository<CatalogueKey, Long> {

    /** Keys come by the thousand: as an array they are one parameter, and the plan is the same for any number. */
    @Query(value = "select * from catalogue_key where case_id = ?1 and identity_key = any(?2)", nativeQuery = true)
    List<CatalogueKey> findKnown(long caseId, String[] keys);

    /** Tells the database how the catalogue has grown; else it plans for the few rows that were there. */
    @Modifying
    @Query(value = "analyze catalogue_key, catalogue_content", nativeQuery = true)
    void analyze();

    /** Keys of a line lead to another from now on. */
    @Modifying
    @Query("update CatalogueKey k set k.lineId = ?2 where k.lineId = ?1")
    void lead(Long from, Long to);
}
