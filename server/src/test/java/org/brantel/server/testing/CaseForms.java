package org.brantel.server.testing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Intake forms, ready to be changed where a test needs it. */
public final class CaseForms {

    private final Map<String, Object> customer = new LinkedHashMap<>(
            Map.of("kind", "organisation", "name", "Skerrow Beekeepers' Circle", "preferred", "phone"));
    private final Map<String, String> ways = new TreeMap<>(Comparator.reverseOrder());
    private final List<Map<String, Object>> devices = new ArrayList<>(List.of(device("usb-stick")));
    private final List<Map<String, Object>> facts = new ArrayList<>();
    private final List<Map<String, Object>> wanted = new ArrayList<>();
    private final Map<String, Object> consent =
            new LinkedHashMap<>(Map.of("look", "contents", "told", "", "mail", false, "termsRead", false));
    private String contact = "Hilda Crane";
    private String story = "The stick was emptied by mistake.";
    private String deadline;
    private Integer version;

    public CaseForms() {
        ways.put("phone", "0148 20 30");
        ways.put("email", "hives@skerrow.example");
    }

    private static Map<String, Object> device(String type) {
        Map<String, Object> device = new LinkedHashMap<>();
        for (String field : List.of(
                "make",
                "model",
                "serial",
                "capacity",
                "attachedBy",
                "accessories",
                "condition",
                "setName",
                "entitlement")) {
            device.put(field, "");
        }
        device.put("type", type);
        return device;
    }

    /**
     * @param field name, kind, preferred, contactPerson, or a contact way: phone, email, post; an empty way is left out
     */
    public CaseForms customer(String field, Object value) {
        if (field.equals("contactPerson")) {
            contact = String.valueOf(value);
        } else if (List.of("phone", "email", "post").contains(field)) {
            ways.put(field, String.valueOf(value));
        } else {
            customer.put(field, value);
        }
        return this;
    }

    /** Of the first device. */
    public CaseForms device(String field, Object value) {
        devices.get(0).put(field, value);
        return this;
    }

    /** Another one. */
    public CaseForms another(String type, String field, Object value) {
        devices.add(device(type));
        devices.get(devices.size() - 1).put(field, value);
        return this;
    }

    /** Of the device that was added last. */
    public CaseForms last(String field, Object value) {
        devices.get(devices.size() - 1).put(field, value);
        return this;
    }

    public CaseForms observed(String code, String value) {
        facts.add(Map.of("code", code, "value", value, "source", "observed"));
        return this;
    }

    public CaseForms consent(String field, Object value) {
        consent.put(field, value);
        return this;
    }

    public CaseForms deadline(String day) {
        deadline = day;
        return this;
    }

    public CaseForms told(String code, String value) {
        facts.add(Map.of("code", code, "value", value, "source", "told"));
        return this;
    }

    /** @param device that it is said of, counted from 1 */
    public CaseForms toldOf(int device, String code, String value) {
        facts.add(Map.of("code", code, "value", value, "source", "told", "device", device));
        return this;
    }

    public CaseForms wanted(String words, String kind, String pattern, int hopedFor) {
        wanted.add(Map.of(
                "words",
                words,
                "kinds",
                kind.isEmpty() ? List.of() : List.of(kind),
                "pattern",
                pattern,
                "hopedFor",
                hopedFor,
                "minBytes",
                0,
                "mustHave",
                true));
        return this;
    }

    /** @param from the first day that is meant, and {@code to} the last, as they are typed */
    public CaseForms wantedFrom(String words, String from, String to) {
        wanted.add(Map.of(
                "words",
                words,
                "kinds",
                List.of(),
                "pattern",
                "",
                "hopedFor",
                1,
                "minBytes",
                0,
                "mustHave",
                true,
                "changedFrom",
                from,
                "changedTo",
                to));
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
        customer.put(
                "ways",
                ways.entrySet().stream()
                        .filter(w -> !w.getValue().isBlank())
                        .map(w -> Map.of("kind", w.getKey(), "value", w.getValue()))
                        .toList());
        form.put("customer", customer);
        form.put("contactPerson", contact);
        form.put("devices", devices);
        form.put("consent", consent);
        if (deadline != null) {
            form.put("deadline", deadline);
        }
        form.put("story", story);
        form.put("facts", facts);
        form.put("wanted", wanted);
        if (version != null) {
            form.put("version", version);
        }
        return form;
    }

    /**
     * Logs it.
     *
     * @return the case's number
     */
    public String log(Visitor visitor) {
        return visitor.post("/api/cases", build())
                .expect(201)
                .json()
                .get("number")
                .asString();
    }
}
