package org.brantel.server.triage;

import jakarta.persistence.Converter;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.WordColumn;

/** Decisions have always kept a stage by its word. */
@Converter
class StageWord extends WordColumn<Stage> {

    StageWord() {
        super(Stage.class);
    }
}
