package org.brantel.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.ColorScheme;
import org.brantel.server.testing.Lab;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What looks for faults finds those that are there. */
class AxeTest {

    @ParameterizedTest
    @EnumSource(names = {"LIGHT", "DARK"})
    void findsWhatCannotBeReadAndWhatHasNoName(ColorScheme scheme) {
        boolean dark = scheme == ColorScheme.DARK;
        try (Chromium.Tab tab = Chromium.open(Lab.open().address(), 1280, 800, scheme)) {
            tab.page()
                    .setContent("<html lang='en' data-bs-theme='" + (dark ? "dark" : "light")
                            + "'><title>t</title><body style='background:#fff'><main>"
                            + "<p style='color:#eee'>hardly there</p><button></button></main>");
            assertThat(String.join("\n", Axe.faults(tab.page())))
                    .contains("color-contrast", "hardly there")
                    .satisfies(all -> assertThat(all.contains("button-name")).isNotEqualTo(dark));
        }
    }
}
