package org.brantel.core.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.brantel.core.source.simulated.SimulatedSource;

/** Writes a simulated device for a test: random content and a fault plan. */
public final class SimulatedDevice {

    private final Path folder;
    private final byte[] content;
    private final List<String> dead = new ArrayList<>();
    private final List<String> weak = new ArrayList<>();
    private final List<String> slow = new ArrayList<>();
    private String dropOut = "";
    private String more = "";
    private String serial = "TEST-1";

    public SimulatedDevice(Path folder, int bytes, long seed) {
        this.folder = folder;
        this.content = new byte[bytes];
        new Random(seed).nextBytes(content);
    }

    /** One that holds something. */
    public SimulatedDevice(Path folder, byte[] content) {
        this.folder = folder;
        this.content = content;
    }

    public byte[] content() {
        return content;
    }

    public SimulatedDevice dead(long offset, long length) {
        dead.add("{\"offset\":%d,\"length\":%d}".formatted(offset, length));
        return this;
    }

    public SimulatedDevice weak(long offset, long length, int tries) {
        weak.add("{\"offset\":%d,\"length\":%d,\"tries\":%d}".formatted(offset, length, tries));
        return this;
    }

    public SimulatedDevice slow(long offset, long length, int microsPerSector) {
        slow.add("{\"offset\":%d,\"length\":%d,\"microsPerSector\":%d}".formatted(offset, length, microsPerSector));
        return this;
    }

    public SimulatedDevice dropsOutAfter(int reads) {
        dropOut = ",\"dropOut\":{\"afterReads\":%d}".formatted(reads);
        return this;
    }

    /** @param json further fields, like {@code "onFault":"stops"} */
    public SimulatedDevice with(String json) {
        more += "," + json;
        return this;
    }

    public SimulatedDevice serial(String is) {
        serial = is;
        return this;
    }

    /** @return the JSON file */
    public Path write() throws IOException {
        Files.write(folder.resolve("backing.img"), content);
        return Files.writeString(folder.resolve("device.json"), """
                {"format":"brantel-simulated-device","version":1,"backing":"backing.img","make":"Test","model":"Sim",
                 "serial":"%s","sectorSize":512,"dead":[%s],"weak":[%s],"slow":[%s]%s%s}
                """.formatted(
                        serial, String.join(",", dead), String.join(",", weak), String.join(",", slow), dropOut, more));
    }

    public SimulatedSource open() throws IOException {
        return SimulatedSource.open(write());
    }
}
