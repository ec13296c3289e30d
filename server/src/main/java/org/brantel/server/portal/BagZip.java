package org.brantel.server.portal;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.brantel.server.traffic.Pieces;
import org.jspecify.annotations.Nullable;

/** A bag as one ZIP file, made while it is sent. */
final class BagZip implements Pieces {

    private final Path bag;
    private final Iterator<Path> files;
    private final byte[] portion = new byte[64 << 10];
    private final ByteArrayOutputStream made = new ByteArrayOutputStream();
    private final ZipOutputStream zip = new ZipOutputStream(made, StandardCharsets.UTF_8);
    /** The file that is being packed. */
    private @Nullable InputStream in;

    private boolean ended;

    BagZip(Path bag) throws IOException {
        this.bag = bag;
        try (Stream<Path> walk = Files.walk(bag)) {
            files = List.copyOf(walk.filter(Files::isRegularFile).sorted().toList())
                    .iterator();
        }
        // Recovered files are mostly packed already: storing them is as small and leaves the time to the line.
        zip.setLevel(Deflater.NO_COMPRESSION);
    }

    @Override
    public @Nullable ByteBuffer next() throws IOException {
        while (made.size() == 0 && !ended) {
            goOn();
        }
        if (made.size() == 0) {
            return null;
        }
        byte[] piece = made.toByteArray();
        made.reset();
        return ByteBuffer.wrap(piece);
    }

    private void goOn() throws IOException {
        if (in != null) {
            int count = in.read(portion);
            if (count >= 0) {
                zip.write(portion, 0, count);
                return;
            }
            in.close();
            in = null;
            zip.closeEntry();
        } else if (files.hasNext()) {
            Path file = files.next();
            ZipEntry entry = new ZipEntry(
                    bag.resolveSibling("").relativize(file).toString().replace('\\', '/'));
            entry.setLastModifiedTime(Files.getLastModifiedTime(file));
            zip.putNextEntry(entry);
            in = Files.newInputStream(file);
        } else {
            zip.finish();
            ended = true;
        }
    }

    @Override
    public void close() throws IOException {
        if (in != null) {
            in.close();
        }
        zip.close();
    }
}
