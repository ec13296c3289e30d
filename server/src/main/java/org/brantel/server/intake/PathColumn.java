package org.brantel.server.intake;

import jakarta.persistence.Converter;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.platform.WordColumn;

/** A recovery path is stored as protocols write it. */
@Converter(autoApply = true)
class PathColumn extends WordColumn<RecoveryPath> {

    PathColumn() {
        super(RecoveryPath.class);
    }
}
