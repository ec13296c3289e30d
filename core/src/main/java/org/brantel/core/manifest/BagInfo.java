package org.brantel.core.manifest;

import java.time.LocalDate;

/**
 * What bag-info.txt says (RFC 8493, 2.2.2), in the standard's own labels.
 *
 * @param organization the lab
 * @param identifier   the case's number and the delivery's
 * @param description  one line
 * @param holds        what is in it, for people, as in "recovered files"
 */
public record BagInfo(String organization, String identifier, String description, LocalDate date, String holds) {

    /** Of files for a customer. */
    public BagInfo(String organization, String identifier, String description, LocalDate date) {
        this(organization, identifier, description, date, "recovered files");
    }
}
