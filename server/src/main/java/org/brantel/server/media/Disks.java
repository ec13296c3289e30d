package org.brantel.server.media;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.brantel.core.source.Identity;
import org.brantel.core.source.device.AttachedDisk;
import org.brantel.core.source.device.AttachedDisks;
import org.brantel.server.platform.Refusal;
import org.springframework.stereotype.Component;

/** Disks of this machine. */
@Component
class Disks implements MediaOfKind {

    @Override
    public MediumKind kind() {
        return MediumKind.DISK;
    }

    @Override
    public List<Medium> now() throws IOException {
        return AttachedDisks.now().stream()
                .map(d -> new Medium(
                        kind().prefix() + d.name(), kind(), d.name(), d.node(), d.identity(), !d.readOnly(), d.inUse()))
                .toList();
    }

    @Override
    public String specification(String name) throws IOException {
        return disk(name).orElseThrow(() -> gone(name)).node();
    }

    @Override
    public void checkOffered(String name) throws IOException {
        AttachedDisk disk = disk(name).orElseThrow(() -> gone(name));
        if (!disk.isOffered()) {
            throw Refusal.conflict(disk.node() + " is in use by this machine (" + disk.inUse()
                    + "); it is never read as a customer's device.");
        }
    }

    /** Without a serial another of its model would look the same. */
    @Override
    public boolean returnsByItself(String name, Identity is) {
        return !is.serial().isEmpty();
    }

    @Override
    public boolean isBack(String name, Identity was, Instant vanished, Instant now) throws IOException {
        return disk(name).filter(d -> d.identity().equals(was) && d.isOffered()).isPresent();
    }

    private static Optional<AttachedDisk> disk(String name) throws IOException {
        return AttachedDisks.now().stream().filter(d -> d.name().equals(name)).findFirst();
    }
}
