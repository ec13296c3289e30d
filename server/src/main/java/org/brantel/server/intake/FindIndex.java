package org.brantel.server.intake;

import org.brantel.server.customers.CustomerViews;
import org.brantel.server.customers.Customers;
import org.springframework.stereotype.Component;

/** The words by which a case is found. */
@Component
class FindIndex {

    private final LabCases cases;
    private final Entries entries;
    private final Customers customers;

    FindIndex(LabCases cases, Entries entries, Customers customers) {
        this.cases = cases;
        this.entries = entries;
        this.customers = customers;
    }

    /** Takes up what a case says now. */
    void of(LabCase c) {
        CustomerViews.Customer customer = customers.view(c.customerId());
        cases.saveAndFlush(c);
        String words = FindWords.of(
                c.number(),
                c.contactPerson(),
                customer,
                entries.devices(c),
                entries.wanted(c),
                c.story(),
                entries.facts(c));
        cases.index(c.id(), words);
        cases.indexWords(words);
    }
}
