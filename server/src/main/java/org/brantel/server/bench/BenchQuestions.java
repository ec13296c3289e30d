package org.brantel.server.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.springframework.stereotype.Component;

/** Sessions that need somebody, and devices that are not well. */
@Component
class BenchQuestions implements Asking {

    private static final Action LOOK = Action.open("Open imaging", Place.IMAGING);

    private final CaseLists lists;
    private final Stations stations;
    private final ImagingRecords imaging;
    private final IdleHealth idleHealth;

    BenchQuestions(CaseLists lists, Stations stations, ImagingRecords imaging, IdleHealth idleHealth) {
        this.lists = lists;
        this.stations = stations;
        this.imaging = imaging;
        this.idleHealth = idleHealth;
    }

    @Override
    public List<Question> about(OpenCases open) {
        // While one device of a case is scanned, or its files are chosen, another may still be read.
        List<CaseViews.Summary> cases = Stream.concat(
                        open.in(Stage.IMAGING).stream(),
                        Stream.of(Stage.SCANNING, Stage.SELECTION)
                                .flatMap(s -> open.in(s).stream())
                                .filter(c -> c.devices() > 1))
                .toList();
        Map<String, Stations.For> attachedTo = stations.attachedTo();
        Set<Long> attached =
                attachedTo.values().stream().map(Stations.For::device).collect(Collectors.toSet());
        Map<String, List<ImagingView>> newest = imaging.newest(lists.ids(OpenCases.numbers(cases)));
        List<IdleHealth.Alarm> alarms = idleHealth.alarms();
        List<CaseViews.Summary> alarmed = alarms.stream()
                .flatMap(a -> open.numbered(a.caseNumber()).stream())
                .toList();
        Map<String, List<CaseViews.Device>> devices = lists.devices(OpenCases.severalOf(
                Stream.concat(cases.stream(), alarmed.stream()).distinct().toList()));
        List<Question> all = new ArrayList<>();
        for (CaseViews.Summary c : cases) {
            for (ImagingView s : newest.getOrDefault(c.number(), List.of())) {
                of(c, s, attached.contains(s.device()))
                        .map(q -> of(q, s.device(), devices.getOrDefault(c.number(), List.of())))
                        .forEach(all::add);
            }
        }
        for (IdleHealth.Alarm a : alarms) {
            open.numbered(a.caseNumber())
                    .map(c -> of(alarm(c, a), a.device(), devices.getOrDefault(c.number(), List.of())))
                    .ifPresent(all::add);
        }
        return all;
    }

    private static Question of(Question question, long device, List<CaseViews.Device> all) {
        return question.of(all.stream().filter(d -> d.id() == device).toList(), all);
    }

    private static Stream<Question> of(CaseViews.Summary c, ImagingView s, boolean attached) {
        return switch (s.standing().state()) {
            case PAUSED, FAILED -> Stream.of(paused(c, s, attached));
            case RUNNING -> s.care().resting() == null ? Stream.of() : Stream.of(resting(c, s));
            default -> Stream.of();
        };
    }

    private static String share(ImagingView s) {
        return (int) (100 * s.share()) + " %";
    }

    private static Action.Call ask(ImagingView s, String what) {
        return Action.Call.post("/api/imaging/" + s.id() + "/" + what);
    }

    private static Action goOn(CaseViews.Summary c, ImagingView s) {
        return Action.call("Go on", ask(s, "resume"), c.number() + ": reading goes on.", ask(s, "pause"));
    }

    private static Question paused(CaseViews.Summary c, ImagingView s, boolean attached) {
        String so = share(s) + " is read; nothing is lost.";
        if (s.care().reached() != null) {
            return Question.of(
                    c,
                    attached ? Harm.DEVICE : Harm.WORK,
                    "Limit",
                    "Go on past the limit?",
                    s.standing().trouble() + " " + so,
                    Place.IMAGING,
                    goOn(c, s),
                    Action.call("End with what is read", ask(s, "enough")),
                    LOOK);
        }
        if (s.files() != null && s.files().unsound() != null) {
            return Question.of(
                    c,
                    attached ? Harm.DEVICE : Harm.WORK,
                    "Straight copy",
                    "Image it instead?",
                    s.files().unsound() + " What was read is kept.",
                    Place.IMAGING,
                    Action.call(
                            "Image it",
                            ask(s, "whole"),
                            c.number() + ": imaging goes on from where the copy stopped.",
                            ask(s, "pause")),
                    Action.call("End with what is read", ask(s, "enough")),
                    LOOK);
        }
        if (s.care().vanishedAt() != null) {
            String back = s.standing().trouble()
                    + " It is looked for all the time; when the same one is seen again, reading goes on by itself.";
            return Question.of(c, Harm.WORK, "Imaging", "Is its device back?", back, Place.IMAGING, goOn(c, s), LOOK);
        }
        String why = s.standing().trouble() != null ? s.standing().trouble() : "It was paused; " + so;
        return Question.of(c, Harm.WORK, "Imaging", "Go on reading?", why, Place.IMAGING, goOn(c, s), LOOK);
    }

    private static Question resting(CaseViews.Summary c, ImagingView s) {
        return Question.of(
                c,
                Harm.WORK,
                "Rest",
                "Let it rest?",
                s.care().resting() + " " + share(s) + " is read; the device stays attached.",
                Place.IMAGING,
                Action.call("Read on now", ask(s, "work"), c.number() + ": reading goes on.", ask(s, "rest")),
                LOOK);
    }

    private static Question alarm(CaseViews.Summary c, IdleHealth.Alarm a) {
        return Question.of(
                c,
                a.failing() ? Harm.DEVICE : Harm.CLOCK,
                "Health",
                a.failing() ? "Detach it, or read it now?" : "How gently is it read?",
                a.sentence() + " It stands attached and idle.",
                Place.IMAGING,
                LOOK);
    }
}
