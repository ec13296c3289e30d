package org.brantel.server.intake;

import jakarta.persistence.Converter;
import org.brantel.server.platform.WordColumn;
import org.brantel.server.protocol.Said;

/** How a fact came to be known is stored by its word. */
@Converter(autoApply = true)
class SaidColumn extends WordColumn<Said> {

    SaidColumn() {
        super(Said.class);
    }
}
