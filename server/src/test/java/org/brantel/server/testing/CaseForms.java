package org.brantel.server.testing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Intake forms, ready to be changed where a test needs it. */
public final class CaseForms {

    private final Map<String, Object> customer = new LinkedHashMap<>(Map.of("name", "Skerrow Beekeepers' Circle", "contactPerson", "Hilda Crane",
            "phone", "0148 20 30", "email", "hives@skerrow.example"));
    private final Map<String, Object> device = new LinkedHashMap<>(Map.of("type", "usb-stick", "make", "", "model", "", "serial", "", "capacity", ""));
    private final List<Map<String, Object>> facts = new ArrayList<>();
    private final List<Map<String, Object>> wanted = new ArrayList<>();
    private String story = "The stick was emptied by mistake.";
    private Integer version;

    public CaseForms customer(String field, String value) {
        customer.put(field, value);
        return this;
    }

    public CaseForms device(String field, String value) {
        device.put(field, value);
        return this;
    }

    public CaseForms told(String code, String value) {
        facts.add(Map.of("code", code, "value", value, "source", "told"));
        return this;
    }

    public CaseForms wanted(String words, String kind, String pattern, int hopedFor) {
        wanted.add(Map.of("words", words, "kinds", kind.isEmpty() ? List.of() : List.of(kind), "pattern", pattern, "hopedFor", hopedFor, "mustHave", true));
        return this;
    }

    public CaseForms story(String text) {
        story = text;
        return this;
    }

    public CaseForms version(int edited) {
        version = edited;
        return this;
    }

    public Map<String, Object> build() {
        Map<String, Object> form = new LinkedHashMap<>();
        form.put("customer", customer);
        form.put("device", device);
        form.put("story", story);
        form.put("facts", facts);
        form.put("wanted", wanted);
        if (version != null) {
            form.put("version", version);
        }
        return form;
    }

    /** Logs it. @return the case's number */
    public String log(Visitor visitor) {
        return visitor.post("/api/cases", build()).expect(201).json().get("number").asString();
    }
}
