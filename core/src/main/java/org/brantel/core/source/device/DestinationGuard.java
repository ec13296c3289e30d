package org.brantel.core.source.device;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;

/** Output never goes to the source: not the same file, partition or physical device, through no link. */
public final class DestinationGuard {

    private DestinationGuard() {}

    /**
     * @param destination a file or folder that is to be written; need not exist yet
     * @throws SourceException when writing there would touch the source
     */
    public static void check(Source source, Path destination) throws IOException {
        for (Path medium : source.filesBehind()) {
            refuseSameFile(medium, destination);
            refuseSameDevice(medium, destination);
        }
    }

    private static void refuseSameFile(Path medium, Path destination) throws IOException {
        if (Files.exists(destination) && Files.isSameFile(medium, destination)) {
            throw new SourceException(destination + " is the source itself; choose another place to write to.");
        }
        if (destination
                .toAbsolutePath()
                .normalize()
                .startsWith(medium.toAbsolutePath().normalize())) {
            throw new SourceException(destination + " lies on the source; choose another place to write to.");
        }
    }

    private static Path nearestThatExists(Path path) {
        Path above = path.getParent();
        return above == null || Files.exists(path) ? path : nearestThatExists(above);
    }

    private static void refuseSameDevice(Path medium, Path destination) throws IOException {
        Optional<BlockDevice> source = BlockDevice.at(medium);
        if (source.isEmpty()) {
            return;
        }
        Path existing = nearestThatExists(destination.toAbsolutePath());
        Optional<BlockDevice> target = Files.isRegularFile(existing) || Files.isDirectory(existing)
                ? BlockDevice.holding(existing)
                : BlockDevice.at(existing);
        if (target.isEmpty()) {
            return;
        }
        Set<Path> shared = target.get().physicalRoots();
        if (!Collections.disjoint(shared, source.get().physicalRoots())) {
            throw new SourceException(destination + " is on the same physical device as the source "
                    + source.map(d -> medium.toString()).orElse("") + "; choose another disk to write to.");
        }
    }
}
