package org.brantel.server.catalogue;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.annotation.JsonValue;
import jakarta.persistence.EntityManager;
import jakarta.persistence.criteria.CriteriaQuery;
import jakarta.persistence.criteria.Predicate;
import jakarta.persistence.criteria.Root;
import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.brantel.core.finding.Prognosis;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.brantel.server.selection.Changing;
import org.brantel.server.selection.Marks;
import org.brantel.server.selection.SelectionViews;
import org.brantel.server.selection.Selections;
import org.hibernate.query.Query;
import org.hibernate.query.criteria.HibernateCriteriaBuilder;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Chooses what is to be recovered. What a change turned is kept as a set of its own, however many lines it is about: by
 * that it is taken back, and never what somebody chose since.
 */
@Service
public class Selecting {

    private static final int FETCHED = 20_000;

    /** What a kept selection does to what is chosen. */
    enum How {
        ADD("also chose"),
        SUBTRACT("gave up"),
        ONLY("chose nothing but");

        private final String words;

        How(String words) {
            this.words = words;
        }

        /** As it goes over the wire. */
        @JsonValue
        String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        private Marks target(Marks now, Marks kept) {
            return switch (this) {
                case ADD -> now.without(kept).differing(kept);
                case SUBTRACT -> now.without(kept);
                case ONLY -> kept;
            };
        }
    }

    /**
     * @param change  its number
     * @param changed lines that were not so before
     */
    record Changed(long change, long changed, @JsonUnwrapped CatalogueViews.SelectionSum sum) {}

    private final Selections selections;
    private final Choices choices;
    private final FoundPages pages;
    private final Cases cases;
    private final Happenings happenings;
    private final EntityManager entities;
    private final Clock clock;

    Selecting(
            Selections selections,
            Choices choices,
            FoundPages pages,
            Cases cases,
            Happenings happenings,
            EntityManager entities,
            Clock clock) {
        this.selections = selections;
        this.choices = choices;
        this.pages = pages;
        this.cases = cases;
        this.happenings = happenings;
        this.entities = entities;
        this.clock = clock;
    }

    /** Chooses lines by their numbers, or gives them up; such as are no lines of the case are passed over. */
    @Transactional
    Changed select(String number, List<Long> ids, boolean yes, String who) {
        return select(
                number, CatalogueFilter.ALL, ids, yes, ids.size() == 1 ? "one finding" : ids.size() + " findings", who);
    }

    /** Chooses all lines that pass a filter, or gives them up. */
    @Transactional
    Changed select(String number, CatalogueFilter filter, boolean yes, String who) {
        return select(number, filter, null, yes, filter.words(), who);
    }

    private Changed select(
            String number, CatalogueFilter filter, @Nullable List<Long> ids, boolean yes, String what, String who) {
        // Two people may choose the same lines at once.
        selections.lock(cases.id(number));
        Marks meant = passing(number, filter, ids);
        return change(
                number,
                now -> yes ? now.without(meant).differing(meant) : now.without(meant),
                (yes ? "chose " : "gave up ") + what,
                who);
    }

    /** Adds a kept selection to what is chosen, takes it away from it, or puts it in its place. */
    @Transactional
    Changed apply(String number, long kept, How how, String who) {
        long caseId = cases.id(number);
        selections.lock(caseId);
        Marks set = selections.kept(caseId, kept);
        String name = selections.keptView(caseId, kept).name();
        return change(number, now -> how.target(now, set), how.words + " “" + name + "”", who);
    }

    private Changed change(String number, UnaryOperator<Marks> target, String what, String who) {
        long caseId = cases.id(number);
        Marks now = selections.chosen(caseId);
        Selections.Turned turned =
                selections.choose(caseId, target.apply(now), new Changing(what, who, clock.instant()));
        weigh(caseId, turned);
        happenings.changed(number, Topic.SELECTION);
        return new Changed(turned.set(), turned.count(), choices.sum(caseId));
    }

    @Transactional
    CatalogueViews.SelectionSum takeBack(String number, long change, String who) {
        long caseId = cases.id(number);
        selections.lock(caseId);
        weigh(caseId, selections.takeBack(caseId, change, new Changing("", who, clock.instant())));
        happenings.changed(number, Topic.SELECTION);
        return choices.sum(caseId);
    }

    /** What turned is weighed, or what is chosen now, whichever is less. */
    private void weigh(long caseId, Selections.Turned turned) {
        if (turned.now().count() <= turned.count()) {
            choices.set(caseId, turned.now());
            return;
        }
        Map<Prognosis, Choices.Weight> more = new EnumMap<>(choices.weigh(caseId, turned.gained()));
        choices.weigh(caseId, turned.lost())
                .forEach((prognosis, w) -> more.merge(prognosis, w.turned(), Choices.Weight::and));
        choices.add(caseId, more);
    }

    /** @param ids of these alone; null for all */
    private Marks passing(String number, CatalogueFilter filter, @Nullable List<Long> ids) {
        CatalogueFilter.Reach reach = pages.reach(number, filter);
        HibernateCriteriaBuilder b = (HibernateCriteriaBuilder) entities.getCriteriaBuilder();
        CriteriaQuery<Long> query = b.createQuery(Long.class);
        Root<CatalogueLine> line = query.from(CatalogueLine.class);
        List<Predicate> all = new ArrayList<>(filter.predicates(reach, line, query, b));
        if (ids != null) {
            all.add(line.get("id").in(ids));
        }
        query.select(line.get("id")).where(all.toArray(Predicate[]::new));
        Marks marks = new Marks();
        try (Stream<Long> passing = entities.createQuery(query)
                .unwrap(Query.class)
                .setFetchSize(FETCHED)
                .getResultStream()) {
            passing.forEach(marks::add);
        }
        return marks;
    }

    /** Selects everything of which some bytes can be given back. */
    @Transactional
    public void selectRecoverable(String number, String who) {
        List<String> recoverable = List.of(Prognosis.WHOLE.word(), Prognosis.GAPPED.word());
        select(
                number,
                new CatalogueFilter(List.of(), List.of(), recoverable, null, null, false, null, null),
                true,
                who);
    }

    @Transactional(readOnly = true)
    List<SelectionViews.Change> changes(String number) {
        return selections.changes(cases.id(number));
    }

    @Transactional(readOnly = true)
    List<SelectionViews.Kept> kept(String number) {
        return selections.kept(cases.id(number));
    }

    @Transactional
    List<SelectionViews.Kept> keep(String number, String name, String who) {
        long caseId = cases.id(number);
        selections.lock(caseId);
        selections.keep(caseId, name, new Changing(name, who, clock.instant()));
        happenings.changed(number, Topic.SELECTION);
        return kept(number);
    }

    @Transactional
    List<SelectionViews.Kept> change(String number, long kept, String name, boolean letGo) {
        long caseId = cases.id(number);
        selections.lock(caseId);
        selections.change(caseId, kept, name, letGo);
        happenings.changed(number, Topic.SELECTION);
        return kept(number);
    }
}
