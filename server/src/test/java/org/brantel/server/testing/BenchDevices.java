package org.brantel.server.testing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.brantel.core.testing.Corpus;
import org.brantel.core.testing.SimulatedDevice;

/** Puts simulated devices at the bench of a lab under test. */
public final class BenchDevices {

    private BenchDevices() {}

    public static SimulatedDevice device(Lab lab, int bytes) throws IOException {
        return new SimulatedDevice(Files.createTempDirectory(lab.home(), "sim"), bytes, 77);
    }

    /** One that holds a medium of the corpus. */
    public static SimulatedDevice corpus(Lab lab, String name) throws IOException {
        Path folder = Files.createTempDirectory(lab.home(), "sim");
        return new SimulatedDevice(folder, Files.readAllBytes(Corpus.image(name, folder)));
    }

    /** @return its key */
    public static String put(Lab lab, String name, SimulatedDevice device) throws IOException {
        Path made = device.write();
        Files.move(
                made.resolveSibling("backing.img"),
                lab.devices().resolve(name + ".img"),
                StandardCopyOption.REPLACE_EXISTING);
        Files.writeString(
                lab.devices().resolve(name + ".json"), Files.readString(made).replace("backing.img", name + ".img"));
        return "sim/" + name;
    }
}
