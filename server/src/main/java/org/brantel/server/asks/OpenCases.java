package org.brantel.server.asks;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.brantel.server.intake.CaseViews;
import org.brantel.server.intake.Stage;
import org.brantel.server.staff.Staff;

/** The cases that are open, for those who ask about them. */
public final class OpenCases {

    private final List<CaseViews.Summary> all;
    private final Map<String, CaseViews.Summary> byNumber;
    private final Staff.Person person;

    /** @param person who is asked */
    public OpenCases(List<CaseViews.Summary> all, Staff.Person person) {
        this.all = List.copyOf(all);
        this.byNumber = all.stream().collect(Collectors.toMap(CaseViews.Summary::number, Function.identity()));
        this.person = person;
    }

    public List<CaseViews.Summary> all() {
        return all;
    }

    public List<CaseViews.Summary> in(Stage stage) {
        return all.stream().filter(c -> c.waiting().stage() == stage).toList();
    }

    public Optional<CaseViews.Summary> numbered(String number) {
        return Optional.ofNullable(byNumber.get(number));
    }

    public Staff.Person person() {
        return person;
    }

    /** Those of some cases that have several devices, by number. */
    public static List<String> severalOf(List<CaseViews.Summary> cases) {
        return numbers(cases.stream().filter(c -> c.devices() > 1).toList());
    }

    public static List<String> numbers(List<CaseViews.Summary> cases) {
        return cases.stream().map(CaseViews.Summary::number).toList();
    }
}
