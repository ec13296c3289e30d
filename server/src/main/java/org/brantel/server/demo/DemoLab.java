package org.brantel.server.demo;

import java.util.List;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Role;
import org.brantel.server.staff.Staff;
import org.brantel.server.triage.TriageService;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Everything here is invented. */
@Component
class DemoLab {

    static final String PASSWORD = "skerrow-demo";

    private final Settings settings;
    private final Staff staff;
    private final Cases cases;
    private final TriageService triage;
    private final DemoStory story;

    DemoLab(Settings settings, Staff staff, Cases cases, TriageService triage, DemoStory story) {
        this.settings = settings;
        this.staff = staff;
        this.cases = cases;
        this.triage = triage;
        this.story = story;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(0)
    void load() {
        if (!settings.demo() || !staff.isEmpty()) {
            return;
        }
        staff.add("una", "Una Farrow", Role.COORDINATOR, PASSWORD);
        staff.add("tom", "Tom Gale", Role.ENGINEER, PASSWORD);
        staff.add("petra", "Petra Lunn", Role.MANAGER, PASSWORD);
        String hives = beekeepers();
        String weather = weatherPost();
        band();
        peatStation();
        theatre();
        lighthouse();
        story.begin(hives, weather);
    }

    private String beekeepers() {
        String number = log("Skerrow Beekeepers' Circle", "Hilda Crane", "0148 20 30", "hives@skerrow.example",
                new CaseForm.Device("memory-card", "Mossbank", "Brook 4", "MB2-4B7-00931", "4 MiB"),
                "Two hive logs and a picture of a comb were deleted by mistake; one file does not open.",
                List.of(told("loss.event", "deleted-directly"), told("since.use", "none"), told("symptom.appears", "files-missing"),
                        told("copy.backup", "none"), told("copy.trash", "no"), told("worth", "important")),
                List.of(new CaseForm.Wanted("hive logs, six years", List.of("sheet"), "Hive log*", 6, true),
                        new CaseForm.Wanted("pictures of the combs", List.of("image"), "Combs/*", 6, false)));
        triage.decide(number, cases.docket(number).version(), "image-then-scan", "", "Una Farrow");
        return number;
    }

    private String weatherPost() {
        String number = log("Island Weather Post", "Alan Moyle", "0148 26 12", "weather@skerrow.example",
                new CaseForm.Device("memory-card", "Corran", "Sound 16", "CS4-16S-07715", "16 MiB"),
                "The card of the mast camera comes and goes in every reader.",
                List.of(told("symptom.appears", "comes-and-goes"), told("symptom.speed", "slow"), told("copy.backup", "none"),
                        told("worth", "important")),
                List.of(new CaseForm.Wanted("the mast pictures of the gale", List.of("image"), "Mast/*", 6, true),
                        new CaseForm.Wanted("the readings of five years", List.of("sheet"), "Readings/*", 5, true)));
        triage.decide(number, cases.docket(number).version(), "careful-imaging", "", "Una Farrow");
        return number;
    }

    private void band() {
        log("Skerrow Village Band", "Edwin Shore", "0148 22 11", "band@skerrow.example",
                new CaseForm.Device("hdd", "Halden", "Stern 35", "HS3-52C-70714", "1 TB"),
                "Fell off the music stand on Monday, clicks when plugged in, tried twice.",
                List.of(told("loss.event", "dropped"), told("symptom.noise", "clicking"), told("symptom.appears", "not-detected"),
                        told("since.tried", "power-cycled"), told("worth", "irreplaceable")),
                List.of(new CaseForm.Wanted("the parts for all our marches", List.of("document"), "Marches/*", 24, true),
                        new CaseForm.Wanted("recordings of the summer concerts", List.of("audio"), "", 60, true)));
    }

    private void peatStation() {
        String number = log("Fennel Moss Peat Station", "Callum Reeve", "0148 31 40", "moss@skerrow.example",
                new CaseForm.Device("usb-stick", "Corran", "Fjord 32", "CF1-32M-00418", "33.5 MB"),
                "The logger stick was emptied by mistake; nothing was written to it since.",
                List.of(told("loss.event", "deleted-directly"), told("since.use", "none"), told("symptom.appears", "files-missing"),
                        told("copy.backup", "none"), told("copy.trash", "no"), told("worth", "important")),
                List.of(new CaseForm.Wanted("pictures of the plots", List.of("image"), "", 6, true),
                        new CaseForm.Wanted("the bog level tables", List.of("sheet"), "", 4, true)));
        triage.decide(number, cases.docket(number).version(), "image-then-scan", "", "Una Farrow");
    }

    private void theatre() {
        String number = log("Little Quay Puppet Theatre", "Morag Tait", "0148 27 03", "puppets@skerrow.example",
                new CaseForm.Device("memory-card", "Mossbank", "Delve 48", "MB4-8A1-20093", "50 MB"),
                "Card asks to be formatted since the power cut; it reads slowly and stops in places.",
                List.of(told("loss.event", "power-cut"), told("symptom.appears", "read-errors"), told("symptom.speed", "slow"),
                        told("copy.backup", "none"), told("worth", "irreplaceable")),
                List.of(new CaseForm.Wanted("photos of the old puppets", List.of("image"), "Puppets/*", 9, true),
                        new CaseForm.Wanted("stage plans", List.of("document"), "*plan*", 5, false)));
        triage.decide(number, cases.docket(number).version(), "careful-imaging", "", "Una Farrow");
    }

    private void lighthouse() {
        log("Gannet Head Lighthouse Museum", "Joan Pell", "0148 20 77", "museum@skerrow.example",
                new CaseForm.Device("ssd", "Halden", "Reef 4", "HR4-77A-01962", "500 GB"),
                "Exhibition texts deleted last week; the machine is in use every day.",
                List.of(told("loss.event", "deleted-directly"), told("since.use", "heavy"), told("copy.backup", "older")),
                List.of(new CaseForm.Wanted("exhibition texts", List.of("document"), "Exhibition/*", 60, true)));
    }

    private static CaseForm.Fact told(String code, String value) {
        return new CaseForm.Fact(code, value, "told");
    }

    private String log(String customer, String contact, String phone, String email, CaseForm.Device device, String story,
                       List<CaseForm.Fact> facts, List<CaseForm.Wanted> wanted) {
        return cases.log(new CaseForm(new CaseForm.Customer(customer, contact, phone, email), device, story, facts, wanted, null),
                "Una Farrow");
    }
}
