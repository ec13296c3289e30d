package org.brantel.server.catalogue;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface CatalogueKeys extends JpaRepository<CatalogueKey, Long> {

    List<CatalogueKey> findByCaseIdAndIdentityKeyIn(Long caseId, Collection<String> keys);

    /** Keys of a line lead to another from now on. */
    @Modifying
    @Query("update CatalogueKey k set k.lineId = ?2 where k.lineId = ?1")
    void lead(Long from, Long to);
}
