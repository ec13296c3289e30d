package org.brantel.server.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

/** That somebody chose a line, or gave it up again; lines that nobody touched have none. */
@Entity
@Table(name = "catalogue_choice")
class CatalogueChoice {

    @Id
    private long lineId;

    private long caseId;
    private boolean chosen;
    /** The change that made it so; null once that was taken back. */
    private @Nullable Long change;

    protected CatalogueChoice() {}
}
