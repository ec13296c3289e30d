package org.brantel.core.imaging;

import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;

/** Another imaging session reads the device. */
public final class DeviceInUse extends SourceException {

    private static final long serialVersionUID = 1L;

    DeviceInUse(Source source) {
        super(source.description()
                + " is being read by another imaging session; there is never a second one on a device. "
                + "Wait for it, or stop it.");
    }
}
