package org.brantel.server.work;

import java.io.Serializable;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/**
 * One transition of long work: what its record becomes, what custody says of it, what follows. All of it is on record in
 * one transaction, or none of it.
 */
public final class Step<R extends WorkRecord> {

    /** An entry in custody. */
    record Entry(String what, String detail) {}

    private final Consumer<R> change;
    private final List<Entry> entries = new ArrayList<>();
    private final List<Runnable> also = new ArrayList<>();
    private final List<Serializable> announced = new ArrayList<>();

    private Step(Consumer<R> change) {
        this.change = change;
    }

    /** @param change of the record as it stands when the step is taken */
    public static <R extends WorkRecord> Step<R> to(Consumer<R> change) {
        return new Step<>(change);
    }

    /** What custody says of it. */
    public Step<R> told(String what, String detail) {
        entries.add(new Entry(what, detail));
        return this;
    }

    /** Other records that change with it, before it does. */
    public Step<R> also(Runnable change) {
        also.add(change);
        return this;
    }

    /** What others hear of it, surely, once it is on record. */
    public Step<R> announced(Serializable event) {
        announced.add(event);
        return this;
    }

    void take(R record) {
        also.forEach(Runnable::run);
        change.accept(record);
    }

    List<Entry> entries() {
        return entries;
    }

    List<Serializable> announced() {
        return announced;
    }
}
