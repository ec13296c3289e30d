package org.brantel.server.recovery;

import jakarta.persistence.Converter;
import org.brantel.core.layout.Layout;
import org.brantel.server.platform.WordColumn;

/** A run keeps its layout by its word. */
@Converter
class LayoutWord extends WordColumn<Layout> {

    LayoutWord() {
        super(Layout.class);
    }
}
