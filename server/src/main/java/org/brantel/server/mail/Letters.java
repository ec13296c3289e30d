package org.brantel.server.mail;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.brantel.core.triage.Ranking;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Settings;
import org.brantel.server.settings.LabSettings;
import org.springframework.stereotype.Component;

/** Fills the lab's letters in. */
@Component
public class Letters {

    private static final Pattern BLANK = Pattern.compile("\\{(\\w+)}");

    private final LabSettings labSettings;
    private final Settings settings;

    Letters(LabSettings labSettings, Settings settings) {
        this.labSettings = labSettings;
        this.settings = settings;
    }

    /**
     * @param path   the name of the decided path; empty where none is meant
     * @param reason in words; may be empty
     */
    public LabSettings.Letter fill(
            String code, CaseViews.Docket docket, String path, String reason, List<Ranking.Stop> stops) {
        LabSettings.Letter letter = Known.in(labSettings.letters().byCode(), code);
        Map<String, String> words = new HashMap<>();
        words.put("lab", settings.lab());
        words.put("phone", settings.phone());
        words.put("customer", docket.said().customer().name());
        words.put(
                "contact",
                docket.said().contactPerson().isEmpty()
                        ? docket.said().customer().name()
                        : docket.said().contactPerson());
        words.put("case", docket.number());
        words.put(
                "device",
                docket.said().devices().size() == 1
                        ? docket.device().name()
                        : docket.device().name() + " and "
                                + (docket.said().devices().size() - 1) + " more");
        words.put("path", path.toLowerCase(Locale.ROOT));
        words.put("reason", reason);
        List<String> sayings = stops.stream().map(Ranking.Stop::say).distinct().toList();
        words.put(
                "dont",
                sayings.isEmpty()
                        ? "- Leave it as it is until we have spoken."
                        : sayings.stream().map(s -> "- " + s).collect(Collectors.joining("\n")));
        // A subject is one line, whatever somebody is called.
        return new LabSettings.Letter(
                filled(letter.subject(), words)
                        .replaceAll("[\\p{Cntrl}\\v]+", " ")
                        .strip(),
                filled(letter.body(), words).replaceAll("\n{3,}", "\n\n").strip());
    }

    private static String filled(String text, Map<String, String> words) {
        Matcher m = BLANK.matcher(text);
        return m.replaceAll(r -> Matcher.quoteReplacement(words.getOrDefault(r.group(1), r.group())));
    }
}
