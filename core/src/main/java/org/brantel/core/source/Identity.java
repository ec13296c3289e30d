package org.brantel.core.source;

/**
 * What a medium says it is. Unknown values are empty, never null.
 *
 * @param make   maker, as the medium reports it
 * @param model  model, as the medium reports it
 * @param serial serial number, as the medium reports it
 * @param size   bytes
 */
public record Identity(String make, String model, String serial, long size) {

    public Identity {
        make = make == null ? "" : make.strip();
        model = model == null ? "" : model.strip();
        serial = serial == null ? "" : serial.strip();
    }

    public static Identity ofSize(long size) {
        return new Identity("", "", "", size);
    }
}
