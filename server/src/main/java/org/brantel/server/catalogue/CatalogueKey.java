package org.brantel.server.catalogue;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

/** A key by which a line is known; see {@link org.brantel.core.finding.Catalogue}. */
@Entity
@Table(name = "catalogue_key")
class CatalogueKey {

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "catalogue_key")
    @SequenceGenerator(name = "catalogue_key", sequenceName = "catalogue_key_ids", allocationSize = 500)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private String identityKey;

    private Long lineId;

    protected CatalogueKey() {}

    CatalogueKey(Long caseId, String identityKey, Long lineId) {
        this.caseId = caseId;
        this.identityKey = identityKey;
        this.lineId = lineId;
    }

    String identityKey() {
        return identityKey;
    }

    Long lineId() {
        return lineId;
    }
}
