package org.brantel.server.recovery;

import jakarta.persistence.Converter;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.platform.WordColumn;

/** Recovered files have always kept a prognosis by its word. */
@Converter
class PrognosisWord extends WordColumn<Prognosis> {

    PrognosisWord() {
        super(Prognosis.class);
    }
}
