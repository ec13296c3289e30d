package org.brantel.core.testing;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;

/** Small volumes made by the ordinary tools, with a few live and deleted files; a parser's damage is judged on them. */
public final class Seeds {

    private Seeds() {}

    /** @param name of a volume in the test resources, like {@code ntfs} */
    public static byte[] volume(String name) {
        try (InputStream in = Seeds.class.getResourceAsStream("/seeds/" + name + ".img.gz")) {
            return new GZIPInputStream(in).readAllBytes();
        } catch (IOException e) {
            throw new IllegalStateException("no seed " + name, e);
        }
    }

    /** Reads through to a source and notes what was asked for. */
    public static final class Noting implements Source {
        private final FaultySource source;
        private final List<Range> asked = new ArrayList<>();

        public Noting(byte[] bytes) {
            source = new FaultySource(bytes);
        }

        /** What was asked for, in order. */
        public List<Range> asked() {
            return asked;
        }

        @Override
        public ReadOutcome read(long offset, byte[] buffer, int at, int length) {
            asked.add(new Range(offset, length));
            return source.read(offset, buffer, at, length);
        }

        @Override
        public String description() {
            return source.description();
        }

        @Override
        public long size() {
            return source.size();
        }

        @Override
        public int sectorSize() {
            return source.sectorSize();
        }

        @Override
        public Identity identity() {
            return source.identity();
        }

        @Override
        public List<Path> filesBehind() {
            return source.filesBehind();
        }

        @Override
        public void close() {
            source.close();
        }
    }
}
