package org.brantel.core.opening;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import org.brantel.core.image.FillingImage;
import org.brantel.core.image.MapJournal;
import org.brantel.core.image.MappedImage;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.brantel.core.source.device.FileSource;
import org.brantel.core.source.nbd.NbdAddress;
import org.brantel.core.source.nbd.NbdSource;
import org.brantel.core.source.simulated.SimulatedSource;

/**
 * Opens a source from how it is written: a path, an image with its map beside it, {@code nbd://HOST:PORT/NAME}, or
 * {@code sim:FILE.json}.
 */
public final class Sources {

    private static final String SIMULATED = "sim:";

    private Sources() {}

    public static Source open(String written) throws IOException {
        return open(written, WriteBlock.REQUIRED);
    }

    public static Source open(String written, WriteBlock writeBlock) throws IOException {
        if (written == null || written.isBlank()) {
            throw new SourceException(
                    "No source is named; give an image file, a device, nbd://HOST:PORT/NAME, or sim:FILE.json.");
        }
        if (written.startsWith(SIMULATED)) {
            return SimulatedSource.open(Path.of(written.substring(SIMULATED.length())));
        }
        if (written.startsWith(NbdAddress.SCHEME)) {
            return NbdSource.open(NbdAddress.parse(written), writeBlock);
        }
        Path path = Path.of(written);
        FileSource file = FileSource.open(path, writeBlock);
        Path map = MapJournal.beside(path);
        try {
            return Files.exists(map) ? MappedImage.open(file, map) : file;
        } catch (IOException | RuntimeException e) {
            file.close();
            throw e;
        }
    }

    /**
     * An image that a session is still writing: what is asked for and was not tried yet is read from the device next,
     * and waited for.
     *
     * @param filling whether it still is written, asked while it waits; from then on, what was not read is not there
     */
    public static Source openFilling(Path image, BooleanSupplier filling) throws IOException {
        return new FillingImage(image, filling);
    }
}
