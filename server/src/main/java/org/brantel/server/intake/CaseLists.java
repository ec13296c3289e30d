package org.brantel.server.intake;

import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import jakarta.persistence.criteria.Subquery;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.triage.RecoveryPath;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Refusal;
import org.brantel.server.settings.LabSettings;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Sort;
import org.springframework.data.jpa.domain.Specification;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Lists of cases. */
@Service
public class CaseLists {

    /**
     * Which cases; what is empty is not asked.
     *
     * @param state  open, closed (declined ones too) or all
     * @param late   only those whose clock has run out
     * @param medium the type of any of its devices
     */
    public record Filter(
            String state,
            @Nullable Stage stage,
            String owner,
            @Nullable PathFilter path,
            String medium,
            boolean late) {

        public static final Filter OPEN = new Filter("open", null, "", null, "", false);
    }

    private static final int LONGEST = 1000;
    private static final List<Stage> OPEN =
            Arrays.stream(Stage.values()).filter(Stage::isOpen).toList();

    private static final List<Stage> OVER = List.of(Stage.CLOSED, Stage.DECLINED);

    private static final List<RecoveryPath> FROM_THE_BENCH = Arrays.stream(RecoveryPath.values())
            .filter(RecoveryPath::startsAtTheBench)
            .toList();

    private final LabCases cases;
    private final CaseKeys keys;
    private final Devices devices;
    private final FactRows facts;
    private final LabSettings settings;
    private final CaseClock clock;

    CaseLists(LabCases cases, CaseKeys keys, Devices devices, FactRows facts, LabSettings settings, CaseClock clock) {
        this.cases = cases;
        this.keys = keys;
        this.devices = devices;
        this.facts = facts;
        this.settings = settings;
        this.clock = clock;
    }

    /** Newest first. */
    @Transactional(readOnly = true)
    public CaseViews.Page page(Filter filter, int page, int size) {
        if (page < 0 || size < 1 || size > LONGEST) {
            throw Refusal.badInput("page", "A page has a number from 0 and a size from 1 to " + LONGEST + ".");
        }
        LabSettings.Clocks clocks = settings.clocks();
        Page<LabCase> found = cases.findAll(
                matching(filter, clocks), PageRequest.of(page, size, Sort.by(Sort.Direction.DESC, "createdAt", "id")));
        return new CaseViews.Page(summaries(found.getContent(), clocks), found.getTotalElements());
    }

    /** Cases that are neither closed nor declined, newest first. */
    @Transactional(readOnly = true)
    public List<CaseViews.Summary> open() {
        return newestOpen().cases();
    }

    /** As many of {@link #open} as are ever listed, and how many there are. */
    @Transactional(readOnly = true)
    public CaseViews.Page newestOpen() {
        return page(Filter.OPEN, 0, LONGEST);
    }

    /** An open case, as the list shows it. */
    @Transactional(readOnly = true)
    public Optional<CaseViews.Summary> open(String number) {
        List<LabCase> found = cases.findByNumber(number).filter(c -> c.stage().isOpen()).stream()
                .toList();
        return summaries(found, settings.clocks()).stream().findFirst();
    }

    /**
     * Decided cases whose path begins at the bench, the longest wait first.
     *
     * @param most how many of them
     */
    @Transactional(readOnly = true)
    public CaseViews.Page waitingForDevice(int most) {
        Page<LabCase> found = cases.findByStageAndPathIn(
                Stage.TRIAGED, FROM_THE_BENCH, PageRequest.of(0, most, Sort.by("stageSince", "id")));
        return new CaseViews.Page(summaries(found.getContent(), settings.clocks()), found.getTotalElements());
    }

    private Specification<LabCase> matching(Filter f, LabSettings.Clocks clocks) {
        return (root, query, is) -> {
            List<Predicate> all = new ArrayList<>();
            switch (f.state()) {
                case "open" -> all.add(root.get("stage").in(OPEN));
                case "closed" -> all.add(root.get("stage").in(OVER));
                case "all" -> {}
                default ->
                    throw Refusal.badInput("state", "A case is open, closed or all of them, not '" + f.state() + "'.");
            }
            if (f.stage() != null) {
                all.add(is.equal(root.get("stage"), f.stage()));
            }
            if (!f.owner().isEmpty()) {
                all.add(is.equal(root.get("ownerLogin"), f.owner()));
            }
            if (f.path() != null) {
                all.add(
                        f.path().is() == null
                                ? is.isNull(root.get("path"))
                                : is.equal(root.get("path"), f.path().is()));
            }
            if (!f.medium().isEmpty()) {
                Subquery<Long> ofMedium = query.subquery(Long.class);
                Root<DeviceRecord> device = ofMedium.from(DeviceRecord.class);
                ofMedium.select(device.get("caseId"))
                        .where(
                                is.equal(device.get("caseId"), root.get("id")),
                                is.equal(device.get("type"), f.medium()),
                                is.isFalse(device.get("removed")));
                all.add(is.exists(ofMedium));
            }
            if (f.late()) {
                Predicate other = is.and(
                        root.get("stage").in(OPEN),
                        is.notEqual(root.get("stage"), Stage.ON_HOLD),
                        is.lessThan(root.get("waitsUntil"), clock.today()));
                Predicate own = is.or(clocks.hours().entrySet().stream()
                        .filter(e -> Stage.ofWord(e.getKey()).isPresent())
                        .map(e -> is.and(
                                is.equal(
                                        root.get("stage"),
                                        Stage.ofWord(e.getKey()).get()),
                                is.lessThan(root.get("stageSince"), clock.now().minus(Duration.ofHours(e.getValue())))))
                        .toArray(Predicate[]::new));
                all.add(is.or(other, is.and(is.isNull(root.get("waitsUntil")), own)));
            }
            return is.and(all.toArray(Predicate[]::new));
        };
    }

    private List<CaseViews.Summary> summaries(List<LabCase> found, LabSettings.Clocks clocks) {
        Map<Long, List<DeviceRecord>> byCase =
                devices
                        .findByCaseIdInAndRemovedFalseOrderByPosition(
                                found.stream().map(LabCase::id).toList())
                        .stream()
                        .collect(Collectors.groupingBy(DeviceRecord::caseId));
        return found.stream()
                .map(c -> {
                    List<DeviceRecord> own = Known.in(byCase, c.id());
                    return new CaseViews.Summary(
                            c.number(),
                            c.customerName(),
                            c.contactPerson(),
                            own.get(0).view(),
                            own.size(),
                            c.owner(),
                            c.path(),
                            new CaseViews.Waiting(
                                    c.stage(),
                                    c.createdAt(),
                                    c.stageSince(),
                                    clock.due(c, clocks),
                                    c.deadline(),
                                    c.hold()));
                })
                .toList();
    }

    /**
     * What counts for a device, with its own type.
     *
     * @param lostAt when the loss was, counted back from when that was said; empty where nobody said
     * @param apart some of it was told or seen of this device alone
     */
    public record OfDevice(
            CaseViews.Device device, List<CaseForm.Fact> facts, Optional<Instant> lostAt, boolean apart) {}

    /** The facts of the devices of many cases at once, by number; the lead comes first. */
    @Transactional(readOnly = true)
    public Map<String, List<OfDevice>> facts(Collection<String> numbers) {
        Map<Long, String> byId = ids(numbers);
        Map<Long, List<CaseViews.Fact>> said = facts.findByCaseIdInAndWithdrawnFalseOrderById(byId.keySet()).stream()
                .collect(
                        Collectors.groupingBy(FactRow::caseId, Collectors.mapping(FactRow::view, Collectors.toList())));
        Map<String, List<OfDevice>> found = new LinkedHashMap<>();
        devicesById(byId.keySet()).forEach((id, ofCase) -> {
            List<OfDevice> own = found.computeIfAbsent(Known.in(byId, id), n -> new ArrayList<>());
            List<CaseViews.Fact> all = said.getOrDefault(id, List.of());
            for (CaseViews.Device d : ofCase) {
                boolean apart = all.stream().anyMatch(f -> Objects.equals(f.device(), d.id()));
                Optional<Instant> lostAt = CountingFacts.said(all, d, own.isEmpty()).stream()
                        .flatMap(f -> Loss.at(f).stream())
                        .findFirst();
                own.add(new OfDevice(d, CountingFacts.of(all, d, own.isEmpty()), lostAt, apart));
            }
        });
        return found;
    }

    /**
     * Devices that discard what was deleted on them.
     *
     * @param which devices of a case that has others, too; null where it has none
     * @param since when the loss on these was, the latest of them; empty where nobody said
     */
    public record Discarding(@Nullable String which, Optional<Instant> since) {}

    /** Of these cases those whose files were deleted on a device that discards what is deleted. */
    @Transactional(readOnly = true)
    public Map<String, Discarding> lostWhileDiscarding(Collection<String> numbers) {
        Map<Long, String> byId = ids(numbers);
        Set<Long> active = of(facts.findByCodeAndValueInAndWithdrawnFalseAndCaseIdIn(
                Loss.DISCARDS, Set.of(Loss.ACTIVE), byId.keySet()));
        Set<Long> discarding =
                of(facts.findByCodeAndValueInAndWithdrawnFalseAndCaseIdIn(Loss.EVENT, Loss.DELETING, active));
        Map<String, Discarding> lost = new LinkedHashMap<>();
        facts(discarding.stream().map(id -> Known.in(byId, id)).toList()).forEach((number, devices) -> {
            List<OfDevice> theirs =
                    devices.stream().filter(d -> Loss.isDiscarded(d.facts())).toList();
            if (!theirs.isEmpty()) {
                List<CaseViews.Device> named =
                        theirs.stream().map(OfDevice::device).toList();
                Optional<Instant> since =
                        theirs.stream().flatMap(d -> d.lostAt().stream()).max(Comparator.naturalOrder());
                lost.put(number, new Discarding(devices.size() == 1 ? null : CaseViews.Device.which(named), since));
            }
        });
        return lost;
    }

    private static Set<Long> of(List<FactRow> facts) {
        return facts.stream().map(FactRow::caseId).collect(Collectors.toSet());
    }

    /** The devices of these cases, the lead first, by case number. */
    @Transactional(readOnly = true)
    public Map<String, List<CaseViews.Device>> devices(Collection<String> numbers) {
        Map<Long, String> byId = ids(numbers);
        Map<String, List<CaseViews.Device>> found = new LinkedHashMap<>();
        devicesById(byId.keySet()).forEach((id, ofCase) -> found.put(Known.in(byId, id), ofCase));
        return found;
    }

    /** The devices of these cases by the keys of the cases, the lead first. */
    private Map<Long, List<CaseViews.Device>> devicesById(Collection<Long> caseIds) {
        return devices.findByCaseIdInAndRemovedFalseOrderByPosition(caseIds).stream()
                .collect(Collectors.groupingBy(
                        DeviceRecord::caseId,
                        LinkedHashMap::new,
                        Collectors.collectingAndThen(Collectors.toList(), DeviceRecord::views)));
    }

    /**
     * Cases that were decided and are closed or declined since then, the newest end first; one that was taken back right
     * after it was logged never began.
     */
    @Transactional(readOnly = true)
    public CaseViews.Page ended(Instant since) {
        Page<LabCase> found = cases.findByStageInAndTakenBackFalseAndStageSinceGreaterThanEqual(
                OVER, since, PageRequest.of(0, LONGEST, Sort.by(Sort.Direction.DESC, "stageSince", "id")));
        return new CaseViews.Page(summaries(found.getContent(), settings.clocks()), found.getTotalElements());
    }

    /** When the facts of each case changed last. */
    @Transactional(readOnly = true)
    public Map<Long, Instant> factsChanged(Collection<Long> caseIds) {
        return facts.findChanged(caseIds).stream()
                .collect(Collectors.toMap(FactRow.Changed::caseId, FactRow.Changed::at));
    }

    /** The types of these devices, by their keys; also of those that were taken off since. */
    @Transactional(readOnly = true)
    public Map<Long, String> types(Collection<Long> deviceIds) {
        return devices.findAllById(Set.copyOf(deviceIds)).stream()
                .collect(Collectors.toMap(DeviceRecord::id, d -> d.view().type()));
    }

    /** The keys of these cases, with their numbers; what is not there is left out. */
    @Transactional(readOnly = true)
    public Map<Long, String> ids(Collection<String> numbers) {
        return keys.of(numbers);
    }

    /** The versions of these cases as they stand, by number; sent back with a change, so that nobody overwrites another's. */
    @Transactional(readOnly = true)
    public Map<String, Integer> versions(Collection<String> numbers) {
        return cases.findKeys(numbers).stream().collect(Collectors.toMap(LabCase.Key::number, LabCase.Key::version));
    }

    /** Whose cases these are, by number. */
    @Transactional(readOnly = true)
    public Map<String, String> customers(Collection<String> numbers) {
        return cases.findByNumberIn(numbers).stream().collect(Collectors.toMap(LabCase::number, LabCase::customerName));
    }

    /** How many open cases each person has, by sign-in name. */
    @Transactional(readOnly = true)
    public Map<String, Long> openByOwner() {
        return open().stream()
                .flatMap(c -> Stream.ofNullable(c.owner().login()))
                .collect(Collectors.groupingBy(login -> login, Collectors.counting()));
    }
}
