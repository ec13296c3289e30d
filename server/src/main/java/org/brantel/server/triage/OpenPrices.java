package org.brantel.server.triage;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.brantel.core.estimate.Estimate;
import org.brantel.core.estimate.Estimator;
import org.brantel.core.estimate.PriceList;
import org.brantel.server.intake.CaseLists;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Settings;
import org.brantel.server.settings.LabSettings;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What open cases come to by the price list of today. What was agreed and what was paid is on no record. */
@Service
public class OpenPrices {

    /** @param cases that stand in this stage and have a path, and so a price */
    public record InStage(Stage stage, int cases, double low, double high) {}

    /**
     * @param undecided cases without a path, which have no price yet
     * @param unsized   priced cases whose device's capacity nobody knows; what large devices cost more is not in theirs
     */
    public record Open(String currency, List<InStage> stages, int undecided, int unsized) {}

    private final CaseLists lists;
    private final LabSettings labSettings;
    private final Settings settings;
    private final Clock clock;

    OpenPrices(CaseLists lists, LabSettings labSettings, Settings settings, Clock clock) {
        this.lists = lists;
        this.labSettings = labSettings;
        this.settings = settings;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public Open of(Collection<CaseViews.Summary> open) {
        PriceList prices = labSettings.prices();
        LocalDate today = LocalDate.now(clock.withZone(settings.zone()));
        List<CaseViews.Summary> priced =
                open.stream().filter(c -> c.path() != null).toList();
        Map<String, List<CaseViews.Device>> devices =
                lists.devices(priced.stream().map(CaseViews.Summary::number).toList());
        Map<Stage, List<Estimate.Part>> quotes = new TreeMap<>();
        int unsized = 0;
        for (CaseViews.Summary c : priced) {
            long bytes = TriageService.readable(Known.in(devices, c.number()).stream()
                    .map(d -> Map.entry(d.type(), d.label().capacity()))
                    .toList());
            unsized += bytes == 0 ? 1 : 0;
            Estimator.Job job = new Estimator.Job(
                    c.device().type(),
                    bytes,
                    c.device().brought().attachedBy(),
                    c.waiting().deadline());
            quotes.computeIfAbsent(c.waiting().stage(), s -> new ArrayList<>())
                    .add(Estimator.quote(Objects.requireNonNull(c.path()), job, prices, today));
        }
        return new Open(
                prices.currency(),
                quotes.entrySet().stream()
                        .map(e -> sum(e.getKey(), e.getValue()))
                        .toList(),
                open.size() - priced.size(),
                unsized);
    }

    private static InStage sum(Stage stage, List<Estimate.Part> quotes) {
        return new InStage(
                stage,
                quotes.size(),
                quotes.stream().mapToDouble(Estimate.Part::low).sum(),
                quotes.stream().mapToDouble(Estimate.Part::high).sum());
    }
}
