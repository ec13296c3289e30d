package org.brantel.server.catalogue;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import org.jspecify.annotations.Nullable;

/** That a session found a line, for asking; {@link SeenLines} writes and reads them. */
@Entity
@Table(name = "catalogue_seen")
@IdClass(CatalogueSeen.Key.class)
class CatalogueSeen {

    record Key(long lineId, long sessionId) implements Serializable {}

    @Id
    private long lineId;

    @Id
    private long sessionId;

    private @Nullable Integer rank;

    protected CatalogueSeen() {}
}
