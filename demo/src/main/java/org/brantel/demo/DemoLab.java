package org.brantel.demo;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import org.brantel.core.layout.NameRules;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.WayKind;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.Holds;
import org.brantel.server.notes.Notes;
import org.brantel.server.platform.Settings;
import org.brantel.server.protocol.Said;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.staff.Staff;
import org.brantel.server.triage.TriageService;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Everything here is invented. */
@Component
class DemoLab {

    private static final String COORDINATOR = DemoStaff.UNA.name();
    private static final int WAIT_DAYS = 4;
    private static final int DEMO_HEALTH_SECONDS = 2;

    /** The device of the parish hall in slot 3, counted from the box on. */
    private static final int CLICKING = 4;

    private final DemoSettings settings;
    private final ZoneId zone;
    private final Staff staff;
    private final Cases cases;
    private final Holds holds;
    private final TriageService triage;
    private final DemoStory story;
    private final PastYears years;
    private final Notes notes;
    private final LabSettings rules;
    private final Clock clock;

    DemoLab(
            DemoSettings settings,
            Settings lab,
            Staff staff,
            Cases cases,
            Holds holds,
            TriageService triage,
            DemoStory story,
            PastYears years,
            Notes notes,
            LabSettings rules,
            Clock clock) {
        this.settings = settings;
        this.zone = lab.zone();
        this.staff = staff;
        this.cases = cases;
        this.holds = holds;
        this.triage = triage;
        this.story = story;
        this.years = years;
        this.notes = notes;
        this.rules = rules;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Order(0)
    void load() {
        if (!staff.isEmpty()) {
            return;
        }
        DemoStaff.ALL.forEach(p -> staff.add(p.login(), p.name(), p.role(), DemoStaff.PASSWORD));
        // The demo's devices are read in a minute; a reading every half of it would be no series.
        rules.set(
                new LabSettings.BenchRules(0, "00:00", "00:00", DEMO_HEALTH_SECONDS, List.of(), false, ""),
                DemoStaff.PETRA.name());
        if (settings.cases() > 0) {
            years.fill(settings.cases());
        }
        String hives = beekeepers();
        String weather = weatherPost();
        band();
        peatStation();
        theatre();
        lighthouse();
        parishHall();
        ferryOffice();
        surveyBoat();
        lanternRoom();
        ropeWalk();
        story.begin(hives, weather);
    }

    private String beekeepers() {
        String number = log(
                "Skerrow Beekeepers' Circle",
                "Hilda Crane",
                "0148 20 30",
                "hives@skerrow.example",
                CaseForm.Device.of("memory-card", "Mossbank", "Brook 4", "MB2-4B7-00931", "4 MiB"),
                "Two hive logs and a picture of a comb were deleted by mistake; one file does not open.",
                List.of(
                        told("loss.event", "deleted-directly"),
                        told("since.use", "none"),
                        told("symptom.appears", "files-missing"),
                        told("copy.backup", "none"),
                        told("copy.trash", "no"),
                        told("worth", "important")),
                List.of(
                        CaseForm.Wanted.of("hive logs, six years", List.of("sheet"), "Hive log*", 6, true),
                        CaseForm.Wanted.of("pictures of the combs", List.of("image"), "Combs/*", 6, false)));
        triage.decide(number, cases.docket(number).version(), null, RecoveryPath.IMAGE_THEN_SCAN, "", COORDINATOR);
        return number;
    }

    private String weatherPost() {
        String number = log(
                "Island Weather Post",
                "Alan Moyle",
                "0148 26 12",
                "weather@skerrow.example",
                CaseForm.Device.of("memory-card", "Corran", "Sound 16", "CS4-16S-07715", "16 MiB"),
                "The card of the mast camera comes and goes in every reader.",
                List.of(
                        told("symptom.appears", "comes-and-goes"),
                        told("symptom.speed", "slow"),
                        told("copy.backup", "none"),
                        told("worth", "important")),
                List.of(
                        CaseForm.Wanted.of("the mast pictures of the gale", List.of("image"), "Mast/*", 6, true),
                        CaseForm.Wanted.of("the readings of five years", List.of("sheet"), "Readings/*", 5, true)));
        triage.decide(number, cases.docket(number).version(), null, RecoveryPath.CAREFUL_IMAGING, "", COORDINATOR);
        return number;
    }

    private void band() {
        log(
                "Skerrow Village Band",
                "Edwin Shore",
                "0148 22 11",
                "band@skerrow.example",
                CaseForm.Device.of("hdd", "Halden", "Stern 35", "HS3-52C-70714", "1 TB"),
                "Fell off the music stand on Monday, clicks when plugged in, tried twice.",
                List.of(
                        told("loss.event", "dropped"),
                        told("symptom.noise", "clicking"),
                        told("symptom.appears", "not-detected"),
                        told("since.tried", "power-cycled"),
                        told("worth", "irreplaceable")),
                List.of(
                        CaseForm.Wanted.of("the parts for all our marches", List.of("document"), "Marches/*", 24, true),
                        CaseForm.Wanted.of("recordings of the summer concerts", List.of("audio"), "", 60, true)));
    }

    private void peatStation() {
        String number = log(
                "Fennel Moss Peat Station",
                "Callum Reeve",
                "0148 31 40",
                "moss@skerrow.example",
                CaseForm.Device.of("usb-stick", "Corran", "Fjord 32", "CF1-32M-00418", "33.5 MB"),
                "The logger stick was emptied by mistake; nothing was written to it since.",
                List.of(
                        told("loss.event", "deleted-directly"),
                        told("since.use", "none"),
                        told("symptom.appears", "files-missing"),
                        told("copy.backup", "none"),
                        told("copy.trash", "no"),
                        told("worth", "important")),
                List.of(
                        CaseForm.Wanted.of("pictures of the plots", List.of("image"), "", 6, true),
                        CaseForm.Wanted.of("the bog level tables", List.of("sheet"), "", 4, true)));
        triage.decide(number, cases.docket(number).version(), null, RecoveryPath.IMAGE_THEN_SCAN, "", COORDINATOR);
    }

    private void theatre() {
        String number = log(
                "Little Quay Puppet Theatre",
                "Morag Tait",
                "0148 27 03",
                "puppets@skerrow.example",
                CaseForm.Device.of("memory-card", "Mossbank", "Delve 48", "MB4-8A1-20093", "50 MB"),
                "Card asks to be formatted since the power cut; it reads slowly and stops in places.",
                List.of(
                        told("loss.event", "power-cut"),
                        told("symptom.appears", "read-errors"),
                        told("symptom.speed", "slow"),
                        told("copy.backup", "none"),
                        told("worth", "irreplaceable")),
                List.of(
                        CaseForm.Wanted.of("photos of the old puppets", List.of("image"), "Puppets/*", 9, true),
                        CaseForm.Wanted.of("stage plans", List.of("document"), "*plan*", 5, false)));
        triage.decide(number, cases.docket(number).version(), null, RecoveryPath.CAREFUL_IMAGING, "", COORDINATOR);
    }

    private void surveyBoat() {
        String number = log(
                "Marram Sound Survey Boat",
                "Brenda Fell",
                "0148 29 77",
                "survey@skerrow.example",
                CaseForm.Device.of("hdd", "Mossbank", "Delve 64", "MD6-0Q4-11873", "67.1 MB"),
                "The disk of the wheelhouse machine got slow over the summer, then files stopped opening; "
                        + "switched off since Tuesday.",
                List.of(
                        told("loss.event", "gradual"),
                        told("symptom.appears", "read-errors"),
                        told("symptom.speed", "slow"),
                        told("symptom.noise", "none"),
                        told("copy.backup", "none"),
                        told("worth", "irreplaceable")),
                List.of(
                        CaseForm.Wanted.of("the readings of five years", List.of("sheet"), "Readings/*", 5, true),
                        CaseForm.Wanted.of("pictures of the mast in the gale", List.of("image"), "Mast/*", 6, false)));
        triage.decide(number, cases.docket(number).version(), null, RecoveryPath.CAREFUL_IMAGING, "", COORDINATOR);
    }

    /** Formatted by mistake, and a second volume that its table lost. */
    private void lanternRoom() {
        String number = log(
                "Corran Bay Lantern Room",
                "Isla Merrin",
                "0148 28 36",
                "lantern@skerrow.example",
                CaseForm.Device.of("hdd", "Halden", "Reef 88", "HR8-31L-00264", "92.3 MB"),
                "The disk of the lantern room was formatted last week and a few things were put on it; the "
                        + "logbooks' drive letter is gone.",
                List.of(
                        told("loss.event", "formatted"),
                        told("symptom.appears", "files-missing"),
                        told("symptom.noise", "none"),
                        told("since.use", "little"),
                        told("copy.backup", "none"),
                        told("worth", "important")),
                List.of(
                        CaseForm.Wanted.of(
                                "pictures of the puppets that were lent to us", List.of("image"), "*puppet*", 8, true),
                        CaseForm.Wanted.of(
                                "the weather readings in the logbooks", List.of("sheet"), "Readings/*", 5, true)));
        triage.decide(number, cases.docket(number).version(), null, RecoveryPath.IMAGE_THEN_SCAN, "", COORDINATOR);
    }

    private void lighthouse() {
        log(
                "Gannet Head Lighthouse Museum",
                "Joan Pell",
                "0148 20 77",
                "museum@skerrow.example",
                CaseForm.Device.of("ssd", "Halden", "Reef 4", "HR4-77A-01962", "500 GB"),
                "Exhibition texts deleted last week; the machine is in use every day.",
                List.of(
                        told("loss.event", "deleted-directly"),
                        told("since.use", "heavy"),
                        told("copy.backup", "older")),
                List.of(CaseForm.Wanted.of("exhibition texts", List.of("document"), "Exhibition/*", 60, true)));
    }

    /** A set of four with one member dead: its members in their slots. */
    private void parishHall() {
        List<CaseForm.Device> devices = new ArrayList<>();
        devices.add(new CaseForm.Device(
                null,
                "nas",
                "Halden",
                "Harbour 4",
                "HH4-221-00871",
                "32 MiB",
                "network",
                "power supply",
                "no marks",
                "hall",
                null,
                "",
                null));
        for (int slot = 1; slot <= 4; slot++) {
            devices.add(new CaseForm.Device(
                    null,
                    "hdd",
                    "Halden",
                    "Stern 8",
                    "HS8-90%d-4410%d".formatted(slot, slot),
                    "8 MiB",
                    "SATA",
                    "",
                    slot == 3 ? "clicks when it is powered" : "no marks",
                    "hall",
                    slot,
                    "",
                    null));
        }
        String number = cases.log(
                new CaseForm(
                        new CustomerViews.Form(
                                null,
                                "organisation",
                                "Northhaven Parish Hall",
                                WayKind.PHONE,
                                List.of(new CustomerViews.Way(WayKind.PHONE, "0148 25 19"))),
                        "Ewan Hollis",
                        devices,
                        "Four-disk box, one member clicks, layout not written down. Shows nothing since the power cut. "
                                + "They believe that it kept the registers twice.",
                        List.of(
                                told("loss.event", "power-cut"),
                                told("set.members", "one-missing"),
                                told("set.layout", "unknown"),
                                told("symptom.appears", "not-detected"),
                                new CaseForm.Fact("symptom.noise", "clicking", Said.TOLD, CLICKING),
                                told("copy.backup", "none"),
                                told("worth", "important")),
                        List.of(
                                CaseForm.Wanted.of(
                                        "the parish registers", List.of("document"), "Registers/*", 12, true),
                                CaseForm.Wanted.of("the hall's accounts", List.of("sheet"), "", 4, false)),
                        new CaseForm.Consent("names", "the parish council", false, true),
                        null,
                        NameRules.WINDOWS,
                        null),
                DemoStaff.UNA);
        notes.write(number, "note", "@tom could you look at slot 3 before we promise anything?", COORDINATOR);
    }

    /** Waits for the customer. */
    private void ferryOffice() {
        String number = log(
                "Marram Quay Ferry Office",
                "Neil Sandison",
                "0148 24 40",
                "ferry@skerrow.example",
                CaseForm.Device.of("usb-stick", "Corran", "Fjord 64", "CF1-64M-20418", "64 GB"),
                "Stick asks to be formatted on every machine; the timetables of the winter are on it.",
                List.of(
                        told("symptom.appears", "asks-to-format"),
                        told("since.tried", "replugged"),
                        told("copy.backup", "older")),
                List.of(CaseForm.Wanted.of("winter timetables", List.of("sheet"), "Winter*", 12, true)));
        notes.write(
                number, "call", "Neil looks for last year's backup in the harbour office and calls back.", COORDINATOR);
        holds.hold(
                number,
                "Neil looks for the backup in the harbour office.",
                LocalDate.now(clock.withZone(zone)).plusDays(WAIT_DAYS),
                COORDINATOR);
    }

    /** One that was declined, and why. */
    private void ropeWalk() {
        String number = log(
                "Skerrow Rope Walk",
                "Iris Garrow",
                "0148 25 61",
                "ropes@skerrow.example",
                CaseForm.Device.of("ssd", "Halden", "Reef 2", "HR2-19C-00375", "250 GB"),
                "Emptied two months ago and used every day since; only receipts that they can ask for again.",
                List.of(
                        told("loss.event", "deleted-directly"),
                        told("since.use", "heavy"),
                        told("copy.backup", "none")),
                List.of(CaseForm.Wanted.of("receipts", List.of("document"), "", 0, false)));
        triage.decide(
                number,
                cases.docket(number).version(),
                null,
                RecoveryPath.DECLINE,
                "Used a lot for two months; what could be left is worth less than the work.",
                COORDINATOR);
    }

    private static CaseForm.Fact told(String code, String value) {
        return new CaseForm.Fact(code, value, Said.TOLD);
    }

    private String log(
            String customer,
            String contact,
            String phone,
            String email,
            CaseForm.Device device,
            String story,
            List<CaseForm.Fact> facts,
            List<CaseForm.Wanted> wanted) {
        List<CustomerViews.Way> ways =
                List.of(new CustomerViews.Way(WayKind.PHONE, phone), new CustomerViews.Way(WayKind.EMAIL, email));
        return cases.log(
                new CaseForm(
                        new CustomerViews.Form(null, "organisation", customer, WayKind.PHONE, ways),
                        contact,
                        List.of(device),
                        story,
                        facts,
                        wanted,
                        new CaseForm.Consent("previews", "", true, true),
                        null,
                        NameRules.WINDOWS,
                        null),
                DemoStaff.UNA);
    }
}
