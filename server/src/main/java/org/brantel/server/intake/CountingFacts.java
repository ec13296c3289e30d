package org.brantel.server.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.server.protocol.Said;

/** Which of a case's facts count for one of its devices. */
final class CountingFacts {

    private static final String TYPE = "medium.type";

    private record What(String code, Said source) {}

    private CountingFacts() {}

    /** As {@link #said}; its type is a fact of its own. */
    static List<CaseForm.Fact> of(List<CaseViews.Fact> facts, CaseViews.Device device, boolean leads) {
        List<CaseForm.Fact> all = new ArrayList<>(said(facts, device, leads).stream()
                .map(f -> new CaseForm.Fact(f.code(), f.value(), f.source()))
                .toList());
        if (all.stream().noneMatch(f -> f.code().equals(TYPE))) {
            all.add(new CaseForm.Fact(TYPE, device.type(), Said.TOLD));
        }
        return all;
    }

    /**
     * What was said of the device itself stands before what the same kind of source said of all.
     *
     * @param leads it is the first of the case, of which people spoke when they named a type
     */
    static List<CaseViews.Fact> said(List<CaseViews.Fact> facts, CaseViews.Device device, boolean leads) {
        Set<What> own = facts.stream()
                .filter(f -> Objects.equals(f.device(), device.id()))
                .map(f -> new What(f.code(), f.source()))
                .collect(Collectors.toSet());
        return facts.stream()
                .filter(f -> Objects.equals(f.device(), device.id())
                        || f.device() == null
                                && !own.contains(new What(f.code(), f.source()))
                                && (leads || !f.code().equals(TYPE)))
                .toList();
    }
}
