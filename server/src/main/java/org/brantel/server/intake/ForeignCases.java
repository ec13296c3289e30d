package org.brantel.server.intake;

import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.layout.NameRules;
import org.brantel.core.wanted.WantedLine;
import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.WayKind;
import org.brantel.server.platform.Refusal;
import org.brantel.server.staff.Staff;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What was told of cases, as it goes to other labs and comes from there. */
@Service
public class ForeignCases {

    private final Cases cases;
    private final Validator validator;

    ForeignCases(Cases cases, Validator validator) {
        this.cases = cases;
        this.validator = validator;
    }

    /** What the customer told this lab. */
    @Transactional(readOnly = true)
    public CaseFile.Told told(String number) {
        CaseViews.Docket docket = cases.docket(number);
        CustomerViews.Customer customer = docket.said().customer();
        NameRules opensOn = docket.course().opensOn();
        CaseForm.Consent consent = docket.said().consent();
        return new CaseFile.Told(
                new CaseFile.Customer(
                        customer.kind(),
                        customer.name(),
                        customer.preferred().word(),
                        customer.ways().stream()
                                .map(w -> new CaseFile.Way(w.kind().word(), w.value()))
                                .toList()),
                docket.said().contactPerson(),
                docket.said().story(),
                docket.course().deadline(),
                opensOn == null ? null : opensOn.word(),
                new CaseFile.Consent(consent.look(), consent.told(), consent.mail(), consent.termsRead()),
                docket.said().wanted().stream().map(ForeignCases::told).toList());
    }

    private static CaseFile.Wanted told(WantedLine l) {
        return new CaseFile.Wanted(
                l.words(),
                l.kinds(),
                l.pattern(),
                l.hopedFor(),
                l.minBytes(),
                l.days().from(),
                l.days().to(),
                l.days().yearAssumed(),
                l.mustHave());
    }

    /**
     * Logs a case that another lab had before. Nobody is written to: the customer knows that lab, not this one.
     *
     * @return its number here
     * @throws Refusal when what the file tells is none that this lab takes
     */
    @Transactional
    public String log(CaseFile file, Staff.Person person) {
        CaseForm form = form(file);
        validator.validate(form).stream().findFirst().ifPresent(v -> {
            throw refused(v.getMessage());
        });
        try {
            return cases.takeOver(form, person);
        } catch (Refusal e) {
            throw refused(Refusal.sentence(e));
        }
    }

    private static Refusal refused(String why) {
        return Refusal.badInput(null, "The case cannot be brought in as it is told there: " + why);
    }

    private static CaseForm form(CaseFile file) {
        CaseFile.Told told = file.told();
        CaseFile.Consent consent = told.consent();
        return new CaseForm(
                customer(told.customer()),
                text(told.contactPerson()),
                file.devices().stream().map(ForeignCases::form).toList(),
                told.story(),
                List.of(),
                told.wanted().stream().map(ForeignCases::form).toList(),
                new CaseForm.Consent(text(consent.look()), text(consent.told()), consent.mail(), consent.termsRead()),
                told.deadline(),
                Stream.of(NameRules.values())
                        .filter(r -> r.word().equals(told.opensOn()))
                        .findFirst()
                        .orElse(null),
                null);
    }

    private static CustomerViews.Form customer(CaseFile.Customer c) {
        return new CustomerViews.Form(
                null,
                text(c.kind()),
                text(c.name()),
                way(c.preferred()),
                Objects.requireNonNullElse(c.ways(), List.<CaseFile.Way>of()).stream()
                        .map(w -> new CustomerViews.Way(way(w.kind()), text(w.value())))
                        .toList());
    }

    private static WayKind way(@Nullable String word) {
        return Stream.of(WayKind.values())
                .filter(k -> k.word().equals(word))
                .findFirst()
                .orElseThrow(() -> refused("'" + word + "' is no way to reach a customer."));
    }

    static CaseForm.Device form(CaseFile.Device d) {
        CaseFile.Label label = d.label();
        if (label == null || d.member() == null || d.entitlement() == null) {
            throw refused("a device says nothing of its label.");
        }
        return new CaseForm.Device(
                null,
                text(d.type()),
                text(label.make()),
                text(label.model()),
                text(label.serial()),
                label.capacity() > 0 ? label.capacity() + " B" : "",
                text(d.attachedBy()),
                text(d.accessories()),
                text(d.condition()),
                text(d.member().set()),
                d.member().slot(),
                text(d.entitlement().words()),
                d.entitlement().until());
    }

    private static CaseForm.Wanted form(CaseFile.Wanted w) {
        return new CaseForm.Wanted(
                text(w.words()),
                new ArrayList<>(Objects.requireNonNullElse(w.kinds(), List.<String>of())),
                text(w.pattern()),
                w.hopedFor(),
                w.minBytes(),
                w.changedFrom(),
                w.changedTo(),
                w.yearAssumed(),
                w.mustHave());
    }

    private static String text(@Nullable String told) {
        return told == null ? "" : told;
    }
}
