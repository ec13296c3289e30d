package org.brantel.server.testing;

import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Every test class has a lab of its own: what one leaves behind is not there for the next. */
public final class FreshLab implements AfterAllCallback {

    @Override
    public void afterAll(ExtensionContext context) {
        Lab.close();
    }
}
