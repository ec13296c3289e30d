package org.brantel.server.sight;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

/** What was seen of one line. */
@Entity
@Table(name = "catalogue_sight")
class Sight {

    @Id
    private long lineId;

    private long caseId;
    private String content;
    private boolean drawn;
    private @Nullable String look;

    protected Sight() {}

    Sight(long caseId, Sights.Seen seen) {
        this.lineId = seen.line();
        this.caseId = caseId;
        this.content = seen.content();
        this.drawn = seen.drawn();
        this.look = seen.look();
    }

    Sights.Seen seen() {
        return new Sights.Seen(lineId, content, drawn, look);
    }
}
