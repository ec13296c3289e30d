package org.brantel.server.settings;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Map;
import org.brantel.core.estimate.PriceList;
import org.brantel.server.staff.ManagersOnly;
import org.brantel.server.staff.Staff;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Settings: seen by all, changed by a manager. */
@RestController
@RequestMapping("/api/settings")
class SettingsController {

    /** @param blanks what a letter may have filled in */
    record AllSettings(
            PriceList prices,
            LabSettings.Clocks clocks,
            Map<String, LabSettings.Letter> letters,
            LabSettings.BenchRules bench,
            LabSettings.EntryRules entry,
            List<String> blanks) {}

    private final LabSettings settings;
    private final Staff staff;

    SettingsController(LabSettings settings, Staff staff) {
        this.settings = settings;
        this.staff = staff;
    }

    @GetMapping
    AllSettings all() {
        return new AllSettings(
                settings.prices(),
                settings.clocks(),
                settings.letters().byCode(),
                settings.bench(),
                settings.entry(),
                LabSettings.BLANKS);
    }

    @ManagersOnly
    @PutMapping("/prices")
    AllSettings prices(@NotNull @RequestBody PriceList prices) {
        settings.set(prices, staff.current().name());
        return all();
    }

    @ManagersOnly
    @PutMapping("/clocks")
    AllSettings clocks(@NotNull @RequestBody LabSettings.Clocks clocks) {
        settings.set(clocks, staff.current().name());
        return all();
    }

    @ManagersOnly
    @PutMapping("/bench")
    AllSettings bench(@NotNull @RequestBody LabSettings.BenchRules rules) {
        settings.set(rules, staff.current().name());
        return all();
    }

    @ManagersOnly
    @PutMapping("/entry")
    AllSettings entry(@NotNull @RequestBody LabSettings.EntryRules rules) {
        settings.set(rules, staff.current().name());
        return all();
    }

    @ManagersOnly
    @PutMapping("/letters/{code}")
    AllSettings letter(@PathVariable String code, @NotNull @RequestBody LabSettings.Letter letter) {
        settings.set(code, letter, staff.current().name());
        return all();
    }
}
