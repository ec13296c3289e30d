package org.brantel.server.media;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.brantel.core.source.Identity;
import org.brantel.core.source.simulated.SimulatedSource;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/** Simulated devices, each a file that says how it behaves. */
@Component
class SimulatedDevices implements MediaOfKind {

    private final MediaFiles files;

    SimulatedDevices(Settings settings) {
        this.files = new MediaFiles(this, settings.demoDevices(), ".json");
    }

    @Override
    public MediumKind kind() {
        return MediumKind.SIMULATED;
    }

    @Override
    public List<Medium> now() throws IOException {
        return files.now(name -> true);
    }

    @Override
    public String specification(String name) {
        return "sim:" + files.existing(name);
    }

    @Override
    public boolean returnsByItself(String name, Identity is) throws IOException {
        return SimulatedSource.backSeconds(files.existing(name)) > 0;
    }

    @Override
    public boolean isBack(String name, Identity was, Instant vanished, Instant now) throws IOException {
        if (!files.isThere(name)) {
            return false;
        }
        double seconds = SimulatedSource.backSeconds(files.existing(name));
        return seconds > 0 && Duration.between(vanished, now).toMillis() >= seconds * 1000;
    }
}
