package org.brantel.server.settings;

import com.fasterxml.jackson.annotation.JsonAlias;
import java.io.IOException;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.brantel.core.carve.SuggestedNames;
import org.brantel.core.estimate.PriceList;
import org.brantel.core.imaging.QuietHours;
import org.brantel.core.json.Json;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.nbd.NbdAddress;
import org.brantel.server.audit.Audit;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The lab's own settings; what was never set has a sensible value to begin with. */
@Service
public class LabSettings {

    /** @param hours by stage: how long a case may stand there; a stage without hours has no clock */
    public record Clocks(Map<String, Integer> hours) {}

    /** Plain text with {@code {customer}}, {@code {case}} and the like, which are filled in. */
    public record Letter(String subject, String body) {}

    public record Letters(Map<String, Letter> byCode) {}

    /**
     * A machine elsewhere in the lab that exports drives.
     *
     * @param address like {@code nbd://bench-box-2:10809}
     */
    public record Box(String name, String address) {}

    /**
     * How the bench reads.
     *
     * @param mibPerSecond  that all sessions together may read; 0 for no limit
     * @param quietFrom     like {@code 22:00}; equal to {@code quietTo} for none
     * @param healthSeconds between two health readings of a device that is read
     * @param scanRecords   a scan by records starts by itself when a device has been imaged; called quickScan in
     *                      settings of before
     * @param namePattern   for files that no record names; see {@link SuggestedNames}
     */
    public record BenchRules(
            int mibPerSecond,
            String quietFrom,
            String quietTo,
            int healthSeconds,
            List<Box> boxes,
            @JsonAlias("quickScan") boolean scanRecords,
            String namePattern) {

        public BenchRules {
            namePattern = namePattern == null || namePattern.isBlank()
                    ? SuggestedNames.USUAL.toString()
                    : namePattern.strip();
        }

        public QuietHours quiet() {
            return new QuietHours(LocalTime.parse(quietFrom), LocalTime.parse(quietTo));
        }
    }

    /** @param managersNeedTwo who manages signs in with a passkey, or a code beside the password */
    public record EntryRules(boolean managersNeedTwo) {}

    private static final EntryRules ENTRY = new EntryRules(false);

    private static final BenchRules BENCH = new BenchRules(0, "00:00", "00:00", 30, List.of(), false, "");
    private static final int MOST_BOXES = 40;

    /** What may stand in a letter. */
    public static final List<String> BLANKS =
            List.of("lab", "phone", "customer", "contact", "case", "device", "path", "reason", "dont");

    private static final Clocks CLOCKS = new Clocks(new LinkedHashMap<>(Map.of(
            "received",
            4,
            "triaged",
            24,
            "imaging",
            72,
            "scanning",
            24,
            "selection",
            72,
            "recovery",
            24,
            "handover",
            72)));

    /** No price is above it. */
    private static final double HIGHEST = 1e7;

    /** What the lab's own record calls them. */
    private static final Map<String, String> WORDS = Map.of(
            "prices", "prices",
            "clocks", "clocks",
            "letters", "letters",
            "bench", "how the bench reads",
            "entry", "how people sign in");

    private final LabSettingRecords records;
    private final Audit audit;
    private final Clock clock;

    LabSettings(LabSettingRecords records, Audit audit, Clock clock) {
        this.records = records;
        this.audit = audit;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public PriceList prices() {
        return read("prices", PriceList.class, PriceList.toBeginWith());
    }

    @Transactional(readOnly = true)
    public Clocks clocks() {
        return read("clocks", Clocks.class, CLOCKS);
    }

    @Transactional(readOnly = true)
    public Letters letters() {
        Map<String, Letter> all = new TreeMap<>(FirstLetters.ALL);
        all.putAll(read("letters", Letters.class, new Letters(Map.of())).byCode());
        return new Letters(all);
    }

    @Transactional(readOnly = true)
    public BenchRules bench() {
        return read("bench", BenchRules.class, BENCH);
    }

    @Transactional(readOnly = true)
    public EntryRules entry() {
        return read("entry", EntryRules.class, ENTRY);
    }

    private <T> T read(String key, Class<T> type, T otherwise) {
        return records.findById(key)
                .map(s -> {
                    try {
                        return Json.read(s.value(), type, "setting", key);
                    } catch (IOException e) {
                        throw new IllegalStateException(e);
                    }
                })
                .orElse(otherwise);
    }

    @Transactional
    void set(PriceList prices, String who) {
        if (prices.currency() == null
                || prices.currency().isBlank()
                || prices.currency().length() > 5) {
            throw Refusal.badInput("currency", "The currency is one to five characters, like £ or EUR.");
        }
        if (prices.byPath() == null) {
            throw Refusal.badInput("byPath", "The prices by path are missing.");
        }
        prices.byPath().forEach((path, band) -> {
            if (band == null || band.high() > HIGHEST) {
                throw Refusal.badInput(
                        path.word(), "The price of " + path.words() + " is missing or more than ten million.");
            }
        });
        if (!(prices.perTerabyte() >= 0) || prices.perTerabyte() > HIGHEST) {
            throw Refusal.badInput(
                    "perTerabyte", "The price of each TB beyond the first is not less than 0, nor above ten million.");
        }
        if (prices.urgentPercent() < 0 || prices.urgentPercent() > 1000) {
            throw Refusal.badInput("urgentPercent", "What is urgent costs 0 to 1,000 % more.");
        }
        if (prices.urgentDays() < 0 || prices.urgentDays() > 365) {
            throw Refusal.badInput("urgentDays", "Urgent is what is needed within 0 to 365 days.");
        }
        write("prices", prices(), prices, who);
    }

    @Transactional
    void set(Clocks clocks, String who) {
        if (clocks.hours() == null) {
            throw Refusal.badInput("clocks", "The hours of the clocks are missing.");
        }
        clocks.hours().forEach((stage, hours) -> {
            if (!CLOCKS.hours().containsKey(stage)) {
                throw Refusal.badInput(
                        "clocks",
                        "There is no clock for '" + stage + "'; the stages with one are "
                                + String.join(", ", CLOCKS.hours().keySet()) + ".");
            }
            if (hours == null || hours < 1 || hours > 10_000) {
                throw Refusal.badInput("clocks", "The clock of '" + stage + "' runs from 1 to 10,000 hours.");
            }
        });
        if (!clocks.hours().keySet().containsAll(CLOCKS.hours().keySet())) {
            throw Refusal.badInput(
                    "clocks", "Each of " + String.join(", ", CLOCKS.hours().keySet()) + " needs its hours.");
        }
        write("clocks", clocks(), clocks, who);
    }

    @Transactional
    public void set(BenchRules rules, String who) {
        if (rules.mibPerSecond() < 0 || rules.mibPerSecond() > 100_000) {
            throw Refusal.badInput("mibPerSecond", "The common rate is 0 for none, or up to 100,000 MiB a second.");
        }
        if (rules.healthSeconds() < 1 || rules.healthSeconds() > 86_400) {
            throw Refusal.badInput("healthSeconds", "Health is read every 1 to 86,400 seconds.");
        }
        try {
            rules.quiet();
        } catch (DateTimeException | NullPointerException e) {
            throw Refusal.badInput("quiet", "Quiet hours go from a time to a time, like 22:00 and 06:30.");
        }
        try {
            new SuggestedNames(rules.namePattern());
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("namePattern", Refusal.sentence(e));
        }
        if (rules.boxes() == null || rules.boxes().size() > MOST_BOXES) {
            throw Refusal.badInput("boxes", "There may be up to " + MOST_BOXES + " bench boxes.");
        }
        for (Box box : rules.boxes()) {
            if (box == null || box.name() == null || !box.name().matches("[A-Za-z0-9][A-Za-z0-9 ._-]{0,39}")) {
                throw Refusal.badInput(
                        "boxes",
                        "Bench box " + (rules.boxes().indexOf(box) + 1)
                                + (box == null ? "" : " (" + box.address() + ")")
                                + " needs a name of up to 40 letters and digits.");
            }
            try {
                NbdAddress.parse(String.valueOf(box.address()));
            } catch (SourceException e) {
                throw Refusal.badInput(
                        "boxes", "The address of " + box.name() + " is none; write it as nbd://HOST:PORT.");
            }
        }
        if (rules.boxes().stream().map(Box::name).distinct().count()
                < rules.boxes().size()) {
            throw Refusal.badInput("boxes", "Two bench boxes have the same name.");
        }
        write("bench", bench(), rules, who);
    }

    @Transactional
    public void set(EntryRules rules, String who) {
        write("entry", entry(), rules, who);
    }

    @Transactional
    void set(String code, Letter letter, String who) {
        if (!FirstLetters.ALL.containsKey(code)) {
            throw Refusal.missing("There is no letter '" + code + "'.");
        }
        if (letter.subject() == null
                || letter.subject().isBlank()
                || letter.subject().length() > 200
                || letter.subject().matches("(?s).*\\v.*")) {
            throw Refusal.badInput("subject", "The subject is one line of up to 200 characters.");
        }
        if (letter.body() == null || letter.body().isBlank() || letter.body().length() > 10_000) {
            throw Refusal.badInput("body", "The text is empty or longer than 10,000 characters.");
        }
        var blank = Pattern.compile("\\{(\\w*)}").matcher(letter.subject() + letter.body());
        while (blank.find()) {
            if (!BLANKS.contains(blank.group(1))) {
                throw Refusal.badInput(
                        "body",
                        "There is nothing to fill in for {" + blank.group(1) + "}; known are {"
                                + String.join("}, {", BLANKS) + "}.");
            }
        }
        Map<String, Letter> changed = new TreeMap<>(letters().byCode());
        changed.put(code, letter);
        write("letters", letters(), new Letters(changed), who);
    }

    private void write(String key, Object before, Object value, String who) {
        String is = Json.write(value);
        LabSetting setting = records.findById(key).orElseGet(() -> new LabSetting(key));
        String changed = WhatChanged.words(Json.write(before), is);
        setting.set(is, who, clock.instant());
        records.save(setting);
        audit.note(who, null, "settings changed", WORDS.get(key) + ": " + changed);
    }
}
