package org.brantel.server.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A folder, as filters ask for it; {@link Folders} makes them, and {@link Walk} shows them. */
@Entity
@Table(name = "catalogue_folder")
class CatalogueFolder {

    @Id
    private long id;

    private long caseId;
    /** Empty for the top of the volume. */
    private String path;
    /** Those that it lies in, from the top on, and itself. */
    private Long[] lineage;

    protected CatalogueFolder() {}
}
