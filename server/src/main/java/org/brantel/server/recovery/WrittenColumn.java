package org.brantel.server.recovery;

import jakarta.persistence.Converter;
import org.brantel.server.platform.WordColumn;

/** What stands of a file is stored by its word. */
@Converter(autoApply = true)
class WrittenColumn extends WordColumn<Written> {

    WrittenColumn() {
        super(Written.class);
    }
}
