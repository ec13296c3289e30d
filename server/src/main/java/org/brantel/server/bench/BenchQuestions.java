package org.brantel.server.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
import org.brantel.server.platform.Known;
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
        List<CaseViews.Summary> cases = open.in(Stage.IMAGING);
        Set<String> attached = Set.copyOf(stations.attachedTo().values());
        Map<String, ImagingView> newest = imaging.newest(lists.ids(OpenCases.numbers(cases)));
        List<Question> all = new ArrayList<>();
        cases.stream()
                .filter(c -> newest.containsKey(c.number()))
                .flatMap(c -> of(c, Known.in(newest, c.number()), attached.contains(c.number())))
                .forEach(all::add);
        idleHealth.alarms().stream()
                .flatMap(a -> open.numbered(a.caseNumber()).stream().map(c -> alarm(c, a)))
                .forEach(all::add);
        return all;
    }

    private static Stream<Question> of(CaseViews.Summary c, ImagingView s, boolean attached) {
        return switch (s.standing().state()) {
            case PAUSED, FAILED -> Stream.of(paused(c, s, attached));
            case RUNNING -> s.care().resting() == null ? Stream.of() : Stream.of(resting(c, s));
            case DONE -> Stream.of(done(c, s));
            default -> Stream.of();
        };
    }

    private static String share(ImagingView s) {
        return 100 * s.sum().readBytes() / s.sum().size() + " %";
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

    private static Question done(CaseViews.Summary c, ImagingView s) {
        String read = s.sum().failedBytes() == 0
                ? "Every byte was read."
                : s.sum().failedBytes() + " bytes in " + s.sum().failedPlaces() + " places did not read.";
        return Question.of(
                c,
                "Imaging",
                "Scan the image?",
                read,
                Place.SCANNING,
                Action.call(
                        "Scan it",
                        Action.Call.post("/api/cases/" + c.number() + "/scans", Map.of("method", "both")),
                        c.number() + ": the scan has begun.",
                        Action.Call.post("/api/scans/{id}/stop")),
                Action.open("Open scanning", Place.SCANNING));
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
