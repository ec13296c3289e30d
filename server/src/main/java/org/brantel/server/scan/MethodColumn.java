package org.brantel.server.scan;

import jakarta.persistence.Converter;
import org.brantel.core.scan.ScanMethod;
import org.brantel.server.platform.WordColumn;

/** A method is stored as session files write it. */
@Converter(autoApply = true)
class MethodColumn extends WordColumn<ScanMethod> {

    MethodColumn() {
        super(ScanMethod.class);
    }
}
