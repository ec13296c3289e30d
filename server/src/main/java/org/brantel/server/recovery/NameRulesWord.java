package org.brantel.server.recovery;

import jakarta.persistence.Converter;
import org.brantel.core.layout.NameRules;
import org.brantel.server.platform.WordColumn;

/** A run keeps by its word for which system names were made. */
@Converter
class NameRulesWord extends WordColumn<NameRules> {

    NameRulesWord() {
        super(NameRules.class);
    }
}
