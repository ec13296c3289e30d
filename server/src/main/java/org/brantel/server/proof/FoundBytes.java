package org.brantel.server.proof;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Difference;
import org.brantel.core.content.Extents;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Finding;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.catalogue.Catalogues;
import org.springframework.stereotype.Component;

/** Reads what a finding holds out of its image. */
@Component
class FoundBytes {

    /** More is not taken into memory. */
    static final int MOST = 64 << 20;

    private static final int CHUNK = 1 << 20;

    private final ImagingRecords imaging;

    FoundBytes(ImagingRecords imaging) {
        this.imaging = imaging;
    }

    /** @param unread how many of the bytes were never read, and are zeros here */
    record Head(byte[] bytes, long unread) {}

    /** Its first bytes. Where no extent leads there is nothing to show, whatever size the record claims. */
    Head head(Catalogues.Selected line, int most) throws IOException {
        return part(line, 0, most);
    }

    /** Bytes from a place on; fewer where it ends before. */
    Head part(Catalogues.Selected line, long from, int most) throws IOException {
        try (Source image = open(line)) {
            byte[] bytes = new byte[(int) Math.max(0, Math.min(length(line.finding()) - from, most))];
            long unread = line.finding().content(image).read(from, bytes, 0, bytes.length).failed().stream()
                    .mapToLong(Range::length)
                    .sum();
            return new Head(bytes, unread);
        }
    }

    /**
     * Writes all of it into a file.
     *
     * @return what was never read, and is zeros there
     */
    List<Range> copy(Catalogues.Selected line, Path to) throws IOException {
        List<Range> unread = new ArrayList<>();
        try (Source image = open(line);
                OutputStream out = Files.newOutputStream(to)) {
            FileContent content = line.finding().content(image);
            byte[] chunk = new byte[CHUNK];
            long length = length(line.finding());
            for (long at = 0; at < length; at += CHUNK) {
                int size = (int) Math.min(CHUNK, length - at);
                Arrays.fill(chunk, (byte) 0);
                unread.addAll(content.read(at, chunk, 0, size).failed());
                out.write(chunk, 0, size);
            }
        }
        return unread;
    }

    /** What of it was never read, as far as its image says. */
    List<Preview.Share> unread(Catalogues.Selected line) throws IOException {
        long length = length(line.finding());
        try (Source image = open(line)) {
            return Preview.Share.of(line.finding().content(image).knownUnread(new Range(0, length)), length);
        }
    }

    /** Looks at content as far as somebody asks. */
    interface Looking<T> {
        T look(ByteView content) throws IOException;
    }

    <T> T with(Catalogues.Selected line, Looking<T> looking) throws IOException {
        try (Source image = open(line)) {
            return looking.look(ByteView.of(line.finding().content(image), new Range(0, length(line.finding()))));
        }
    }

    /** Where two findings differ, as far as their first bytes go. */
    Difference difference(Catalogues.Selected a, Catalogues.Selected b, long most) throws IOException {
        try (Source image = open(a);
                Source other = open(b)) {
            return Difference.between(a.finding().content(image), b.finding().content(other), most);
        }
    }

    static long length(Finding f) {
        return Math.min(f.size(), Extents.length(f.extents()));
    }

    private Source open(Catalogues.Selected line) throws IOException {
        return Sources.open(imaging.image(line.imagingId()).file().toString());
    }
}
