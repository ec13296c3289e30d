package org.brantel.server.selection;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** What is chosen of each case, its changes, and the sets that are kept under a name; always within a transaction. */
@Service
@Transactional(propagation = Propagation.MANDATORY)
public class Selections {

    /** So many changes of a case can be taken back. */
    private static final int CHANGES = 100;

    private static final int MOST_KEPT = 50;

    /**
     * A change that is to be made.
     *
     * @param set    its number
     * @param gained lines that are chosen now
     * @param lost   lines that are not any more
     * @param now    all that is chosen
     */
    public record Turned(long set, Marks gained, Marks lost, Marks now) {

        public long count() {
            return gained.count() + lost.count();
        }
    }

    private final SelectionBlocks blocks;
    private final SelectionChanges changes;
    private final KeptSelections kept;

    Selections(SelectionBlocks blocks, SelectionChanges changes, KeptSelections kept) {
        this.blocks = blocks;
        this.changes = changes;
        this.kept = kept;
    }

    /** Until the transaction ends, nobody else changes what is chosen of the case. */
    public void lock(long caseId) {
        blocks.lock(caseId);
    }

    public Marks chosen(long caseId) {
        return of(-caseId);
    }

    private Marks of(long set) {
        Marks marks = new Marks();
        blocks.findBySetId(set).forEach(b -> marks.put(b.block(), b.bits()));
        return marks;
    }

    private void hold(long caseId, long set, Marks marks) {
        Map<Long, byte[]> now = marks.blocks();
        Map<Long, SelectionBlock> there = new HashMap<>();
        blocks.findBySetId(set).forEach(b -> there.put(b.block(), b));
        now.forEach((block, bits) -> {
            SelectionBlock held = there.remove(block);
            if (held == null) {
                blocks.save(new SelectionBlock(caseId, set, block, bits));
            } else {
                held.hold(bits);
            }
        });
        blocks.deleteAll(there.values());
    }

    /** Makes a case's selection what it is to be; the change can be taken back by its number. */
    public Turned choose(long caseId, Marks target, Changing changing) {
        Marks before = chosen(caseId);
        Turned turned = new Turned(blocks.nextSet(), target.without(before), before.without(target), target);
        if (turned.gained().isEmpty() && turned.lost().isEmpty()) {
            return turned;
        }
        hold(caseId, -caseId, target);
        changes.save(new SelectionChange(
                turned.set(),
                caseId,
                changing,
                turned.gained().count(),
                turned.lost().count()));
        hold(caseId, turned.set(), before.differing(target));
        List<SelectionChange> old =
                changes.findByCaseIdOrderByIdDesc(caseId).stream().skip(CHANGES).toList();
        if (!old.isEmpty()) {
            blocks.deleteBySetIdIn(old.stream().map(SelectionChange::id).toList());
            changes.deleteAll(old);
        }
        return turned;
    }

    /** Turns what a change turned back, but for what was changed anew since. */
    public Turned takeBack(long caseId, long change, Changing changing) {
        SelectionChange gone = changes.findByCaseIdAndId(caseId, change)
                .orElseThrow(() -> Refusal.missing("This change of the selection is not on record any more; look at "
                        + "what is chosen, and choose anew."));
        if (!gone.stands()) {
            return new Turned(change, new Marks(), new Marks(), chosen(caseId));
        }
        Marks turning = of(change);
        for (SelectionChange later : changes.findByCaseIdOrderByIdDesc(caseId)) {
            if (later.id() > change && later.stands()) {
                turning = turning.without(of(later.id()));
            }
        }
        Marks before = chosen(caseId);
        Marks now = before.differing(turning);
        hold(caseId, -caseId, now);
        gone.takeBack(changing.who(), changing.at());
        return new Turned(change, turning.without(before), turning.among(before), now);
    }

    /** The newest first. */
    public List<SelectionViews.Change> changes(long caseId) {
        return changes.findByCaseIdOrderByIdDesc(caseId).stream()
                .map(SelectionChange::view)
                .toList();
    }

    public List<SelectionViews.Kept> kept(long caseId) {
        return standing(caseId).map(this::view).toList();
    }

    private Stream<KeptSelection> standing(long caseId) {
        return kept.findByCaseIdOrderById(caseId).stream().filter(KeptSelection::isThere);
    }

    /** Keeps what is chosen under a name. */
    public void keep(long caseId, String name, Changing changing) {
        Marks chosen = chosen(caseId);
        if (chosen.isEmpty()) {
            throw Refusal.conflict("Nothing is chosen that could be kept under this name; choose findings first.");
        }
        if (standing(caseId).count() >= MOST_KEPT) {
            throw Refusal.conflict("This case keeps " + MOST_KEPT + " selections already; let one go first.");
        }
        isFree(caseId, name, k -> true);
        KeptSelection fresh = new KeptSelection(blocks.nextSet(), caseId, name, changing.who(), changing.at());
        kept.save(fresh);
        hold(caseId, fresh.id(), chosen);
    }

    /** Gives a kept selection another name, lets it go, or takes it up again. */
    public void change(long caseId, long id, String name, boolean letGo) {
        KeptSelection one = keptOne(caseId, id);
        if (!letGo) {
            isFree(caseId, name, k -> k.id() != id);
        }
        one.rename(name);
        one.letGo(letGo);
    }

    private void isFree(long caseId, String name, Predicate<KeptSelection> among) {
        if (standing(caseId).filter(among).anyMatch(k -> k.name().equalsIgnoreCase(name))) {
            throw Refusal.conflict("A selection of this case is called “" + name + "” already; take another name.");
        }
    }

    public SelectionViews.Kept keptView(long caseId, long id) {
        return view(keptOne(caseId, id));
    }

    private SelectionViews.Kept view(KeptSelection one) {
        return one.view(of(one.id()).count());
    }

    /** The lines of a kept selection. */
    public Marks kept(long caseId, long id) {
        return of(keptOne(caseId, id).id());
    }

    private KeptSelection keptOne(long caseId, long id) {
        return kept.findByCaseIdAndId(caseId, id)
                .orElseThrow(() -> Refusal.missing("There is no kept selection " + id + " in this case; reload it."));
    }

    /**
     * Lines became parts of others: where such a line is in a set, the one that has it now is in its place.
     *
     * @param gone by their numbers, the lines that took them in, in the order in which that happened
     */
    public void takeIn(long caseId, Map<Long, Long> gone) {
        Set<Long> touched = new HashSet<>();
        gone.forEach((line, by) -> {
            touched.add(line / Marks.BLOCK);
            touched.add(by / Marks.BLOCK);
        });
        Map<Long, Marks> sets = new LinkedHashMap<>();
        blocks.findByCaseIdAndBlockIn(caseId, touched)
                .forEach(b -> sets.computeIfAbsent(b.setId(), s -> new Marks()).put(b.block(), b.bits()));
        if (sets.isEmpty()) {
            return;
        }
        Marks chosen = sets.getOrDefault(-caseId, new Marks());
        Set<Long> ofChanges = changes.findByCaseIdOrderByIdDesc(caseId).stream()
                .map(SelectionChange::id)
                .collect(Collectors.toSet());
        gone.forEach((line, by) -> {
            // Of two that were chosen, the choice of the one that stays can be taken back.
            boolean takesOver = chosen.has(line) && !chosen.has(by);
            sets.forEach((set, marks) -> {
                boolean had = marks.has(line);
                marks.remove(line);
                if (!ofChanges.contains(set)) {
                    if (had) {
                        marks.add(by);
                    }
                } else if (takesOver) {
                    marks.remove(by);
                    if (had) {
                        marks.add(by);
                    }
                }
            });
        });
        sets.forEach((set, marks) -> holdSome(caseId, set, marks, touched));
    }

    private void holdSome(long caseId, long set, Marks marks, Collection<Long> touched) {
        Map<Long, byte[]> now = marks.blocks();
        for (long block : touched) {
            blocks.findById(new SelectionBlock.Key(set, block))
                    .ifPresentOrElse(b -> b.hold(now.getOrDefault(block, new byte[Marks.BLOCK / 8])), () -> {
                        if (now.containsKey(block)) {
                            blocks.save(new SelectionBlock(caseId, set, block, now.get(block)));
                        }
                    });
        }
    }
}
