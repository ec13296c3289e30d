package org.brantel.server.papers;

import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.customers.WayKind;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Cases;
import org.brantel.server.mail.Letters;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.settings.LabSettings;
import org.brantel.server.triage.TriageService;
import org.springframework.stereotype.Service;

/** Writes the papers of a case. */
@Service
class Papers {

    private static final float MM = 72 / 25.4f;
    /** 100 by 62 mm, a common size of label rolls. */
    private static final PDRectangle LABEL = new PDRectangle(100 * MM, 62 * MM);

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

    private final Cases cases;
    private final TriageService triage;
    private final Letters letters;
    private final Settings settings;
    private final Clock clock;

    Papers(Cases cases, TriageService triage, Letters letters, Settings settings, Clock clock) {
        this.cases = cases;
        this.triage = triage;
        this.letters = letters;
        this.settings = settings;
        this.clock = clock;
    }

    /** A label for the bag, and one for each device. */
    byte[] labels(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        List<Ranking.Stop> stops = triage.rank(number).stopRules();
        try (Paper paper = new Paper(LABEL, 4 * MM, "Labels of " + number)) {
            label(
                    paper,
                    number,
                    "bag",
                    docket.customer().name(),
                    docket.devices().size() == 1
                            ? docket.device().label()
                            : docket.devices().size() + " devices",
                    stops);
            for (CaseViews.Device d : docket.devices()) {
                String place =
                        d.setName().isEmpty() ? "" : ", " + d.setName() + (d.slot() == null ? "" : " slot " + d.slot());
                label(
                        paper,
                        number + "/" + d.position(),
                        "device " + d.position() + " of " + docket.devices().size(),
                        d.label() + place,
                        d.serial().isEmpty() ? "no serial noted" : d.serial(),
                        stops);
            }
            return paper.bytes();
        }
    }

    private void label(Paper paper, String code, String what, String first, String second, List<Ranking.Stop> stops)
            throws IOException {
        paper.newPage();
        paper.qr(code, MM, LABEL.getWidth() - 30 * MM, 3 * MM);
        paper.bold(code, 17)
                .text(what, 9)
                .skip(4)
                .bold(shortened(first, 30), 11)
                .text(shortened(second, 34), 10);
        paper.skip(Math.max(0, 31 * MM - paper.at())).rule();
        String words = stops.isEmpty()
                ? "No stop rule holds so far."
                : stops.stream()
                                .map(s -> StopWords.of(s.code()))
                                .distinct()
                                .limit(4)
                                .collect(Collectors.joining(". ")) + ".";
        paper.bold(words, 9.5f).skip(2).text(settings.lab() + "  " + settings.phone(), 8);
    }

    private static String shortened(String text, int letters) {
        return text.codePointCount(0, text.length()) <= letters
                ? text
                : text.substring(0, text.offsetByCodePoints(0, letters - 1)) + "…";
    }

    /** What the customer takes home when the device stays. */
    byte[] receipt(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        try (Paper paper = new Paper(PDRectangle.A4, 20 * MM, "Drop-off receipt " + number)) {
            paper.newPage();
            paper.qr(number, MM, PDRectangle.A4.getWidth() - 46 * MM, 18 * MM);
            paper.text(settings.lab(), 11)
                    .text(settings.phone(), 11)
                    .skip(14)
                    .bold("Drop-off receipt", 20)
                    .skip(2)
                    .bold(number, 14)
                    .skip(10);
            paper.pair("Received", today(), 10.5f, 110)
                    .pair("From", docket.customer().name(), 10.5f, 110)
                    .pair("Handed over by", docket.contactPerson(), 10.5f, 110);
            paper.pair(
                    "Reached by",
                    docket.customer().ways().stream().map(w -> w.value()).collect(Collectors.joining(", ")),
                    10.5f,
                    110);
            paper.pair("Looked after by", docket.owner(), 10.5f, 110)
                    .skip(6)
                    .rule()
                    .bold("What you left with us", 12)
                    .skip(2);
            for (CaseViews.Device d : docket.devices()) {
                paper.bold(
                        d.position() + ". " + d.label()
                                + (d.setName().isEmpty()
                                        ? ""
                                        : ", " + d.setName() + (d.slot() == null ? "" : " slot " + d.slot())),
                        10.5f);
                paper.text(
                                Stream.of(
                                                "serial " + (d.serial().isEmpty() ? "not noted" : d.serial()),
                                                d.attachedBy(),
                                                d.accessories().isEmpty() ? "" : "with " + d.accessories(),
                                                d.condition().isEmpty() ? "" : "condition: " + d.condition())
                                        .filter(t -> !t.isEmpty())
                                        .collect(Collectors.joining("; ")),
                                10)
                        .skip(3);
            }
            paper.rule().bold("What not to do until you hear from us", 12).skip(2);
            List<String> sayings = triage.rank(number).stopRules().stream()
                    .map(Ranking.Stop::say)
                    .distinct()
                    .toList();
            for (String say : sayings.isEmpty()
                    ? List.of("Leave copies and other devices with the same files as they are.")
                    : sayings) {
                paper.item(say, 10.5f);
            }
            paper.skip(4).rule().bold("What you agreed to", 12).skip(2);
            agreed(docket).forEach(line -> item(paper, line));
            paper.skip(4).rule().bold("What happens next", 12).skip(2);
            item(
                    paper,
                    "We look at the device and tell you how we would go about it, what it may cost and how good "
                            + "the chances are.");
            item(paper, "Nothing is written to your device.");
            item(paper, "Bring this paper, or the number " + number + ", when you collect it.");
            paper.skip(44).signatures("for the lab", "for the customer", 9);
            return paper.bytes();
        }
    }

    private static void item(Paper paper, String text) {
        try {
            paper.item(text, 10.5f);
        } catch (IOException e) {
            throw new IllegalStateException(e); // it is written to memory
        }
    }

    private static List<String> agreed(CaseViews.Docket docket) {
        String look =
                switch (docket.consent().look()) {
                    case "names" -> "We may look at the names of your files, not into them.";
                    case "previews" -> "We may look at small previews of your files.";
                    case "contents" -> "We may look into files where the work needs it.";
                    default ->
                        "What we may look at has not been asked yet; until then we look at the names of your "
                                + "files, not into them.";
                };
        String told = docket.consent().told().isEmpty()
                ? "Nobody but you is told about this case."
                : "Besides you we may talk to: " + docket.consent().told() + ".";
        return List.of(
                look,
                told,
                docket.consent().mail() ? "You agreed to messages by e-mail." : "We do not write to you by e-mail.",
                docket.consent().termsRead()
                        ? "The terms were read to you."
                        : "The terms have not been read to you yet.");
    }

    /** The letter of a case that was declined. */
    byte[] decline(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        if (docket.path() != RecoveryPath.DECLINE) {
            throw Refusal.conflict(
                    number + " was not declined, so there is no letter of decline; decide on 'decline' first.");
        }
        LabSettings.Letter letter = letters.fill("declined", docket, "Decline", reasons(number, docket), List.of());
        try (Paper paper = new Paper(PDRectangle.A4, 25 * MM, letter.subject())) {
            paper.newPage().text(settings.lab(), 11).text(settings.phone(), 11).skip(30);
            paper.text(docket.customer().name(), 11)
                    .text(
                            docket.customer().way(WayKind.POST).isEmpty()
                                    ? docket.contactPerson()
                                    : docket.customer().way(WayKind.POST),
                            11);
            paper.skip(24)
                    .text(today(), 11)
                    .skip(16)
                    .bold(letter.subject(), 13)
                    .skip(8)
                    .text(letter.body(), 11)
                    .skip(20)
                    .text(docket.owner(), 11);
            return paper.bytes();
        }
    }

    /** What was written down at the decision, and what speaks for it. */
    private String reasons(String number, CaseViews.Docket docket) {
        Stream<String> evidence = triage.rank(number).ranking().stream()
                .filter(r -> r.path() == RecoveryPath.DECLINE)
                .flatMap(r -> r.speaksFor().stream())
                .map(Ranking.Piece::reason);
        return Stream.concat(Stream.ofNullable(docket.pathReason()), evidence)
                .filter(t -> !t.isBlank())
                .distinct()
                .collect(Collectors.joining("\n"));
    }

    private String today() {
        return LocalDate.now(clock.withZone(settings.zone())).format(DAY);
    }
}
