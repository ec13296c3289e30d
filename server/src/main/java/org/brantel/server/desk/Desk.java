package org.brantel.server.desk;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Pressing;
import org.brantel.server.asks.Pressure;
import org.brantel.server.asks.Question;
import org.brantel.server.drafts.Drafts;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.platform.Refusal;
import org.brantel.server.platform.Settings;
import org.brantel.server.staff.Staff;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Draws together what needs a person. Everything on it comes from the records. */
@Service
class Desk {

    private static final int MOST_LISTED = 1000;
    private static final int EVENTS = 12;
    /** When a deadline's day ends for the lab. */
    private static final int CLOSING_HOUR = 17;

    private final CaseLists lists;
    private final List<Asking> features;
    private final List<Pressing> pressures;
    private final RunningWork running;
    private final Drafts drafts;
    private final Settings settings;
    private final Clock clock;

    Desk(
            CaseLists lists,
            List<Asking> features,
            List<Pressing> pressures,
            RunningWork running,
            Drafts drafts,
            Settings settings,
            Clock clock) {
        this.lists = lists;
        this.features = features;
        this.pressures = pressures;
        this.running = running;
        this.drafts = drafts;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    DeskViews.Desk of(Staff.Person person, int listed) {
        if (listed < 1 || listed > MOST_LISTED) {
            throw Refusal.badInput("listed", "The Desk lists 1 to " + MOST_LISTED + " decisions.");
        }
        List<CaseViews.Summary> open = lists.open();
        OpenCases asked = new OpenCases(open, person);
        List<Question> all = questions(asked);
        Instant now = clock.instant();
        List<DeskViews.Work> work = running.all();
        int overdue = (int) open.stream().filter(c -> c.waiting().isLate(now)).count();
        Today today = today(open, work, now);
        return new DeskViews.Desk(
                all.stream().limit(listed).toList(),
                all.size(),
                overdue,
                work,
                today.listed(),
                today.timed(),
                stages(open, now),
                drafts.count());
    }

    /** What one open case waits for, as its own screens ask it. */
    @Transactional(readOnly = true)
    List<Question> ofCase(String number, Staff.Person person) {
        OpenCases asked = new OpenCases(lists.open(number).stream().toList(), person);
        return questions(asked).stream()
                .filter(q -> q.of().caseNumber().equals(number))
                .toList();
    }

    /** The most pressing first. */
    private List<Question> questions(OpenCases asked) {
        Map<String, List<Pressure>> pressing = new HashMap<>();
        for (Pressing p : pressures) {
            p.of(asked).forEach((number, why) -> pressing.computeIfAbsent(number, n -> new ArrayList<>())
                    .addAll(why));
        }
        return features.stream()
                .flatMap(f -> f.about(asked).stream())
                .map(q -> q.pressed(pressing.getOrDefault(q.of().caseNumber(), List.of())))
                .sorted(Question.MOST_PRESSING_FIRST)
                .toList();
    }

    private static List<DeskViews.Count> stages(List<CaseViews.Summary> open, Instant now) {
        return open.stream()
                .collect(Collectors.groupingBy(c -> c.waiting().stage(), TreeMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .map(e -> new DeskViews.Count(
                        e.getKey(),
                        e.getValue().size(),
                        e.getValue().stream()
                                .filter(c -> c.waiting().isLate(now))
                                .count()))
                .toList();
    }

    /** What has a time today: clocks that run out, cases that wake, deadlines, work that will end. */
    private Today today(List<CaseViews.Summary> open, List<DeskViews.Work> work, Instant now) {
        LocalDate today = LocalDate.now(clock.withZone(settings.zone()));
        Instant tomorrow = today.plusDays(1).atStartOfDay(settings.zone()).toInstant();
        List<DeskViews.Event> promised = new ArrayList<>();
        List<DeskViews.Event> clocks = new ArrayList<>();
        for (CaseViews.Summary c : open) {
            if (c.waiting().hold() == null
                    && c.waiting().due() != null
                    && !c.waiting().due().isBefore(now.minus(Duration.ofHours(1)))
                    && c.waiting().due().isBefore(tomorrow)) {
                clocks.add(new DeskViews.Event(
                        c.waiting().due(),
                        "Clock of " + c.waiting().stage().word() + " runs out",
                        c.number(),
                        c.customer(),
                        Place.of(c.waiting().stage())));
            }
            if (c.waiting().deadline() != null && c.waiting().deadline().equals(today)) {
                promised.add(new DeskViews.Event(
                        today.atTime(CLOSING_HOUR, 0).atZone(settings.zone()).toInstant(),
                        "Files are needed",
                        c.number(),
                        c.customer(),
                        Place.of(c.waiting().stage())));
            }
        }
        work.stream()
                .filter(w -> w.ends() != null && w.ends().isBefore(tomorrow))
                .forEach(w -> promised.add(
                        new DeskViews.Event(w.ends(), w.what() + " done", w.caseNumber(), w.customer(), w.place())));
        return Today.of(promised, clocks);
    }

    /** What is listed of a day, and how much there is in all. */
    private record Today(List<DeskViews.Event> listed, int timed) {

        static Today of(List<DeskViews.Event> promised, List<DeskViews.Event> clocks) {
            Comparator<DeskViews.Event> byTime = Comparator.comparing(DeskViews.Event::at);
            return new Today(
                    Stream.concat(
                                    promised.stream().sorted(byTime),
                                    clocks.stream().sorted(byTime))
                            .limit(EVENTS)
                            .sorted(byTime)
                            .toList(),
                    promised.size() + clocks.size());
        }
    }
}
