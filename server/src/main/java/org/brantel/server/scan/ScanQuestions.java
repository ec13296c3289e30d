package org.brantel.server.scan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.server.asks.Action;
import org.brantel.server.asks.Asking;
import org.brantel.server.asks.Harm;
import org.brantel.server.asks.OpenCases;
import org.brantel.server.asks.Place;
import org.brantel.server.asks.Question;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.work.Ask;
import org.brantel.server.work.WorkState;
import org.springframework.stereotype.Component;

/** Images that nobody has looked into, and scans that broke off or were stopped. */
@Component
class ScanQuestions implements Asking {

    private static final Action LOOK = Action.open("Open scanning", Place.SCANNING);

    private final CaseLists lists;
    private final Scans scans;
    private final ImagingRecords imaging;

    ScanQuestions(CaseLists lists, Scans scans, ImagingRecords imaging) {
        this.lists = lists;
        this.scans = scans;
        this.imaging = imaging;
    }

    @Override
    public List<Question> about(OpenCases open) {
        // Of one device, the stage of its case says whether it was scanned.
        List<CaseViews.Summary> several = Stream.of(Stage.SCANNING, Stage.SELECTION)
                .flatMap(s -> open.in(s).stream())
                .filter(c -> c.devices() > 1)
                .toList();
        List<CaseViews.Summary> read =
                Stream.concat(open.in(Stage.IMAGING).stream(), several.stream()).toList();
        List<CaseViews.Summary> cases = Stream.of(read, open.in(Stage.SCANNING))
                .flatMap(List::stream)
                .distinct()
                .toList();
        Map<Long, String> ids = lists.ids(OpenCases.numbers(cases));
        Map<String, List<ScanView>> newest = scans.newest(ids);
        Map<String, List<ImagingView>> images = imaging.newest(lists.ids(OpenCases.numbers(read)));
        Map<String, List<CaseViews.Device>> devices = lists.devices(OpenCases.severalOf(cases));
        List<Question> all = new ArrayList<>();
        for (CaseViews.Summary c : cases) {
            List<CaseViews.Device> own = devices.getOrDefault(c.number(), List.of());
            List<ScanView> scanned = newest.getOrDefault(c.number(), List.of());
            boolean begun = c.waiting().stage() != Stage.IMAGING;
            scanned.stream()
                    .filter(s -> begun)
                    .flatMap(s -> of(c, s).map(q -> of(q, s.of().device(), own)))
                    .forEach(all::add);
            images.getOrDefault(c.number(), List.of()).stream()
                    .filter(i -> i.standing().state() == WorkState.DONE)
                    .filter(i -> !begun || scanned.stream().noneMatch(s -> s.of().device() == i.device()))
                    .map(i -> of(unscanned(c, i), i.device(), own))
                    .forEach(all::add);
        }
        return all;
    }

    private static Question of(Question question, long device, List<CaseViews.Device> all) {
        return question.of(all.stream().filter(d -> d.id() == device).toList(), all);
    }

    private static Question unscanned(CaseViews.Summary c, ImagingView i) {
        String read = i.files() != null ? "Its files were copied." : read(i.sum());
        return Question.of(
                c,
                "Imaging",
                "Scan the image?",
                read,
                Place.SCANNING,
                Action.call(
                        "Scan it",
                        Action.Call.post(
                                "/api/cases/" + c.number() + "/scans",
                                Map.of("method", i.files() == null ? "both" : "structure", "device", i.device())),
                        c.number() + ": the scan has begun.",
                        Action.Call.post("/api/scans/{id}/stop")),
                LOOK);
    }

    private static String read(ImagingView.Sum sum) {
        if (sum.readBytes() == sum.size()) {
            return "Every byte was read.";
        }
        return sum.failedPlaces() == 0
                ? sum.size() - sum.readBytes() + " bytes were not read."
                : sum.failedBytes() + " bytes in " + sum.failedPlaces() + " places did not read.";
    }

    private static Stream<Question> of(CaseViews.Summary c, ScanView s) {
        return switch (s.standing().state()) {
            case FAILED, STOPPED -> Stream.of(again(c, s));
            case WAITING, RUNNING -> s.standing().asked() == Ask.PAUSE ? Stream.of(paused(c, s)) : Stream.of();
            case PAUSED, DONE -> Stream.of();
        };
    }

    private static Action.Call ask(ScanView s, String what) {
        return Action.Call.post("/api/scans/" + s.id() + "/" + what);
    }

    private static Question again(CaseViews.Summary c, ScanView s) {
        String why = s.standing().trouble() == null
                ? "It was stopped."
                : s.standing().trouble();
        return Question.of(
                c,
                Harm.WORK,
                "Scan",
                "Scan it again?",
                why + " What it found is kept.",
                Place.SCANNING,
                Action.call(
                        "Scan again",
                        ask(s, "repeat"),
                        c.number() + ": the scan has begun again.",
                        Action.Call.post("/api/scans/{id}/stop")),
                LOOK);
    }

    private static Question paused(CaseViews.Summary c, ScanView s) {
        return Question.of(
                c,
                Harm.WORK,
                "Scan",
                "Go on scanning?",
                "Its scan is paused.",
                Place.SCANNING,
                Action.call("Go on", ask(s, "resume"), c.number() + ": the scan goes on.", ask(s, "pause")),
                LOOK);
    }
}
