package org.brantel.server.customers;

import jakarta.persistence.Converter;
import org.brantel.server.platform.WordColumn;

/** Ways are stored by their words. */
@Converter(autoApply = true)
class WayKindColumn extends WordColumn<WayKind> {

    WayKindColumn() {
        super(WayKind.class);
    }
}
