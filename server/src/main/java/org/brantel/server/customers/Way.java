package org.brantel.server.customers;

import jakarta.persistence.Embeddable;
import java.util.Locale;

/** A way to reach a customer, with what is compared when somebody calls again. */
@Embeddable
class Way {

    private String kind;
    private String value;
    private String plain;

    protected Way() {}

    Way(String kind, String value) {
        this.kind = kind;
        this.value = value.strip();
        this.plain = plain(kind, value);
    }

    /** The digits of a number; the small letters and digits of anything else. */
    static String plain(String kind, String value) {
        return kind.equals("phone")
                ? value.replaceFirst("^\\s*(\\+|00)", "").replaceAll("\\D", "")
                : value.strip()
                        .toLowerCase(Locale.ROOT)
                        .replaceAll(kind.equals("post") ? "[^\\p{L}\\p{N}]+" : "\\s+", " ")
                        .strip();
    }

    CustomerViews.Way view() {
        return new CustomerViews.Way(kind, value);
    }
}
