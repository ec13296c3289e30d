package org.brantel.core.past;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * How a lab's cases ended, what they waited for, and how far its estimates held.
 *
 * @param months   each of the time asked for, in order, also those in which none ended
 * @param media    a case with devices of two types counts with both; so with {@code losses}
 * @param stages   in the order in which they were given
 */
public record PastRecord(
        long cases,
        List<Ended> how,
        List<Month> months,
        List<Group> paths,
        List<Group> media,
        List<Group> losses,
        List<Stays> stages,
        List<Holding> foretold) {

    /** Fewer than this many are counted, and no share is said of them. */
    public static final int FEW = 10;

    private static final double DAY = 86_400;

    public record Ended(HowEnded how, long cases) {}

    /** @param month like {@code 2026-11} */
    public record Month(String month, List<Ended> how) {}

    /** @param few too few to say how often what happens */
    public record Group(String of, long cases, boolean few, List<Ended> how) {}

    /**
     * How long cases stood in a stage.
     *
     * @param days  of those that came to it
     * @param share of all the time that these cases took, 0 to 1
     */
    public record Stays(String stage, Spread days, double share, boolean few) {}

    /**
     * How estimates of some work held.
     *
     * @param within how often it took as long as was foretold; {@code sooner} and {@code later} otherwise
     * @param ratios what it took, divided by the middle of what was foretold; ascending
     */
    public record Holding(
            String work, long compared, long sooner, long within, long later, boolean few, List<Double> ratios) {}

    /** @param stages in which cases stand before they end, in their order */
    public static PastRecord of(List<PastCase> cases, YearMonth from, YearMonth to, List<String> stages) {
        return new PastRecord(
                cases.size(),
                ended(cases),
                months(cases, from, to),
                groups(cases, c -> List.of(c.path())),
                groups(cases, PastCase::media),
                groups(cases, PastCase::losses),
                stays(cases, stages),
                holdings(cases));
    }

    private static List<Ended> ended(Collection<PastCase> cases) {
        Map<HowEnded, Long> counts = new EnumMap<>(HowEnded.class);
        cases.forEach(c -> counts.merge(c.how(), 1L, Long::sum));
        return counts.entrySet().stream()
                .map(e -> new Ended(e.getKey(), e.getValue()))
                .toList();
    }

    private static List<Month> months(List<PastCase> cases, YearMonth from, YearMonth to) {
        Map<YearMonth, List<PastCase>> by = new TreeMap<>();
        for (YearMonth m = from; !m.isAfter(to); m = m.plusMonths(1)) {
            by.put(m, new ArrayList<>());
        }
        cases.forEach(c -> by.computeIfAbsent(c.month(), m -> new ArrayList<>()).add(c));
        return by.entrySet().stream()
                .map(e -> new Month(e.getKey().toString(), ended(e.getValue())))
                .toList();
    }

    /** The largest first. */
    private static List<Group> groups(List<PastCase> cases, Function<PastCase, List<String>> by) {
        Map<String, List<PastCase>> groups = new LinkedHashMap<>();
        for (PastCase c : cases) {
            // Of which nothing is on record is a group as well, or those that are shown would seem to be all.
            List<String> of = by.apply(c);
            (of.isEmpty() ? List.of("") : of).forEach(g -> groups.computeIfAbsent(g, k -> new ArrayList<>())
                    .add(c));
        }
        return groups.entrySet().stream()
                .map(e ->
                        new Group(e.getKey(), e.getValue().size(), e.getValue().size() < FEW, ended(e.getValue())))
                .sorted(Comparator.comparingLong(Group::cases).reversed().thenComparing(Group::of))
                .toList();
    }

    private static List<Stays> stays(List<PastCase> cases, List<String> stages) {
        Map<String, List<Double>> days = new LinkedHashMap<>();
        stages.forEach(s -> days.put(s, new ArrayList<>()));
        for (PastCase c : cases) {
            for (PastCase.Stay stay : c.stays()) {
                List<Double> of = days.get(stay.stage());
                if (of != null) {
                    of.add(stay.seconds() / DAY);
                }
            }
        }
        double all = days.values().stream()
                .flatMap(List::stream)
                .mapToDouble(Double::doubleValue)
                .sum();
        return days.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .map(e -> new Stays(
                        e.getKey(),
                        Spread.of(e.getValue()),
                        all == 0
                                ? 0
                                : e.getValue().stream()
                                                .mapToDouble(Double::doubleValue)
                                                .sum()
                                        / all,
                        e.getValue().size() < FEW))
                .toList();
    }

    private static List<Holding> holdings(List<PastCase> cases) {
        Map<String, List<PastCase.Foretold>> by = new TreeMap<>();
        cases.stream()
                .flatMap(c -> c.foretold().stream())
                .filter(f -> f.low() + f.high() > 0)
                .forEach(f ->
                        by.computeIfAbsent(f.work(), w -> new ArrayList<>()).add(f));
        return by.entrySet().stream()
                .map(e -> holding(e.getKey(), e.getValue()))
                .toList();
    }

    private static Holding holding(String work, List<PastCase.Foretold> all) {
        long sooner = all.stream().filter(f -> f.came() < f.low()).count();
        long later = all.stream().filter(f -> f.came() > f.high()).count();
        return new Holding(
                work,
                all.size(),
                sooner,
                all.size() - sooner - later,
                later,
                all.size() < FEW,
                all.stream()
                        .map(f -> f.came() / ((f.low() + f.high()) / 2))
                        .sorted()
                        .toList());
    }
}
