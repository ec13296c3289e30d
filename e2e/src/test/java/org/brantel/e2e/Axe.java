package org.brantel.e2e;

import com.deque.html.axecore.args.AxeRunOptions;
import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.AxeResults;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;

/** What keeps somebody from using a page: by WCAG 2.2 AA as far as axe tells it, and by its layout. */
final class Axe {

    private static final List<String> RULES = List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");

    private Axe() {}

    static List<String> faults(Page page) {
        List<String> faults = new ArrayList<>();
        // What is not a matter of colour is the same in both themes.
        Object theme = page.evaluate("document.documentElement.dataset.bsTheme");
        boolean dark = "dark".equals(theme);
        if (!dark) {
            faults.addAll(Layout.faults(page));
        }
        // All is one page without frames; what passes need not be told.
        AxeRunOptions wanted = new AxeRunOptions();
        wanted.setResultTypes(List.of("violations"));
        AxeBuilder axe = new AxeBuilder(page).setLegacyMode(true).options(wanted);
        AxeResults results = (dark ? axe.withRules(List.of("color-contrast")) : axe.withTags(RULES)).analyze();
        results.getViolations().forEach(v -> v.getNodes().stream()
                .limit(3)
                .forEach(n -> faults.add(page.url() + " in " + theme + ": " + v.getId() + " " + n.getHtml() + " "
                        + n.getFailureSummary())));
        return faults;
    }
}
