package org.brantel.server.customers;

import jakarta.persistence.Embeddable;
import java.util.Locale;

/** A way to reach a customer, with what is compared when somebody calls again. */
@Embeddable
class Way {

    private WayKind kind;
    private String value;
    private String plain;

    protected Way() {}

    Way(WayKind kind, String value) {
        this.kind = kind;
        this.value = value.strip();
        this.plain = plain(kind, value);
    }

    /** The digits of a number; the small letters and digits of anything else. */
    static String plain(WayKind kind, String value) {
        return kind == WayKind.PHONE
                ? value.replaceFirst("^\\s*(\\+|00)", "").replaceAll("\\D", "")
                : value.strip()
                        .toLowerCase(Locale.ROOT)
                        .replaceAll(kind == WayKind.POST ? "[^\\p{L}\\p{N}]+" : "\\s+", " ")
                        .strip();
    }

    CustomerViews.Way view() {
        return new CustomerViews.Way(kind, value);
    }
}
