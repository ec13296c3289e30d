package org.brantel.server.papers;

import java.io.IOException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.triage.Ranking;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.customers.CustomerViews;
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

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.UK);

    private final Cases cases;
    private final TriageService triage;
    private final Letters letters;
    private final Settings settings;
    private final Clock clock;
    private final Printer printer;

    Papers(Cases cases, TriageService triage, Letters letters, Settings settings, Clock clock, Printer printer) {
        this.cases = cases;
        this.triage = triage;
        this.letters = letters;
        this.settings = settings;
        this.clock = clock;
        this.printer = printer;
    }

    /** A label for the bag, and one for each device. */
    byte[] labels(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        List<CaseViews.Device> devices = docket.said().devices();
        Map<String, Object> bag = label(
                number,
                "bag",
                docket.said().customer().name(),
                devices.size() == 1 ? docket.device().name() : devices.size() + " devices",
                warning(triage.stopRules(number)));
        List<Map<String, Object>> labels = Stream.concat(
                        Stream.of(bag),
                        devices.stream()
                                .map(d -> label(
                                        number + "/" + d.position(),
                                        "device " + d.position() + " of " + devices.size(),
                                        d.name() + place(d),
                                        d.label().serial().isEmpty()
                                                ? "no serial noted"
                                                : d.label().serial(),
                                        warning(triage.rank(number, d.id()).stopRules()))))
                .toList();
        return print("labels", number, Map.of("labels", labels));
    }

    private static Map<String, Object> label(String code, String what, String first, String second, String warning) {
        return Map.of(
                "code",
                code,
                "side",
                QrCode.side(code),
                "what",
                what,
                "first",
                shortened(first, 30),
                "second",
                shortened(second, 34),
                "warning",
                warning);
    }

    private static String warning(List<Ranking.Stop> stops) {
        String words = stops.stream()
                .map(stop -> StopWords.of(stop.code()))
                .distinct()
                .limit(4)
                .collect(Collectors.joining(". "));
        return words.isEmpty() ? "No stop rule holds so far." : words + ".";
    }

    private static String place(CaseViews.Device d) {
        return d.member().setName().isEmpty()
                ? ""
                : ", " + d.member().setName()
                        + (d.member().slot() == null
                                ? ""
                                : " slot " + d.member().slot());
    }

    private static String shortened(String text, int letters) {
        return text.codePointCount(0, text.length()) <= letters
                ? text
                : text.substring(0, text.offsetByCodePoints(0, letters - 1)) + "…";
    }

    /** What the customer takes home when the device stays. */
    byte[] receipt(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        List<String> rules = triage.stopRules(number).stream()
                .map(Ranking.Stop::say)
                .distinct()
                .toList();
        return print(
                "receipt",
                number,
                Map.of(
                        "side",
                        QrCode.side(number),
                        "facts",
                        facts(docket),
                        "devices",
                        docket.said().devices().stream()
                                .map(d -> Map.entry(d.position() + ". " + d.name() + place(d), details(d)))
                                .toList(),
                        "rules",
                        rules.isEmpty()
                                ? List.of("Leave copies and other devices with the same files as they are.")
                                : rules,
                        "agreed",
                        agreed(docket)));
    }

    /** What the customer signs who takes their devices back before the work is done. */
    byte[] collection(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        return print(
                "collection",
                number,
                Map.of(
                        "side",
                        QrCode.side(number),
                        "facts",
                        facts(docket),
                        "devices",
                        docket.said().devices().stream()
                                .map(d -> Map.entry(d.position() + ". " + d.name() + place(d), details(d)))
                                .toList()));
    }

    private static List<Map.Entry<String, String>> facts(CaseViews.Docket docket) {
        return List.of(
                Map.entry("From", docket.said().customer().name()),
                Map.entry("Handed over by", docket.said().contactPerson()),
                Map.entry(
                        "Reached by",
                        docket.said().customer().ways().stream()
                                .map(CustomerViews.Way::value)
                                .collect(Collectors.joining(", "))),
                Map.entry("Looked after by", docket.decision().owner().name()));
    }

    private static String details(CaseViews.Device d) {
        return Stream.of(
                        "serial "
                                + (d.label().serial().isEmpty()
                                        ? "not noted"
                                        : d.label().serial()),
                        d.brought().attachedBy(),
                        d.brought().accessories().isEmpty()
                                ? ""
                                : "with " + d.brought().accessories(),
                        d.brought().condition().isEmpty()
                                ? ""
                                : "condition: " + d.brought().condition())
                .filter(t -> !t.isEmpty())
                .collect(Collectors.joining("; "));
    }

    private static List<String> agreed(CaseViews.Docket docket) {
        String look =
                switch (docket.said().consent().look()) {
                    case "names" -> "We may look at the names of your files, not into them.";
                    case "previews" -> "We may look at small previews of your files.";
                    case "contents" -> "We may look into files where the work needs it.";
                    default ->
                        "What we may look at has not been asked yet; until then we look at the names of your "
                                + "files, not into them.";
                };
        String told = docket.said().consent().told().isEmpty()
                ? "Nobody but you is told about this case."
                : "Besides you we may talk to: " + docket.said().consent().told() + ".";
        return List.of(
                look,
                told,
                docket.said().consent().mail()
                        ? "You agreed to messages by e-mail."
                        : "We do not write to you by e-mail.",
                docket.said().consent().termsRead()
                        ? "The terms were read to you."
                        : "The terms have not been read to you yet.");
    }

    /** The letter of a case that was declined. */
    byte[] decline(String number) throws IOException {
        CaseViews.Docket docket = cases.docket(number);
        if (docket.decision().path() != RecoveryPath.DECLINE) {
            throw Refusal.conflict(
                    number + " was not declined, so there is no letter of decline; decide on 'decline' first.");
        }
        LabSettings.Letter letter = letters.fill("declined", docket, "Decline", reasons(number, docket), List.of());
        String post = docket.said().customer().way(WayKind.POST);
        return print(
                "decline",
                number,
                Map.of(
                        "customer",
                        docket.said().customer().name(),
                        "address",
                        post.isEmpty() ? docket.said().contactPerson() : post,
                        "subject",
                        letter.subject(),
                        "body",
                        letter.body(),
                        "owner",
                        docket.decision().owner().name()));
    }

    /** What was written down at the decision, and what speaks for it. */
    private String reasons(String number, CaseViews.Docket docket) {
        Stream<String> evidence = triage.rank(number, null).ranking().stream()
                .filter(r -> r.path() == RecoveryPath.DECLINE)
                .flatMap(r -> r.speaksFor().stream())
                .map(Ranking.Piece::reason);
        return Stream.concat(Stream.ofNullable(docket.decision().pathReason()), evidence)
                .filter(t -> !t.isBlank())
                .distinct()
                .collect(Collectors.joining("\n"));
    }

    /** Every paper says whose it is, of which case and of which day. */
    private byte[] print(String template, String number, Map<String, Object> values) throws IOException {
        Map<String, Object> all = new HashMap<>(values);
        all.putAll(Map.of("number", number, "lab", settings.lab(), "phone", settings.phone(), "today", today()));
        return printer.print(template, all);
    }

    private String today() {
        return LocalDate.now(clock.withZone(settings.zone())).format(DAY);
    }
}
