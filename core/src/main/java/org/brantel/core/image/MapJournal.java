package org.brantel.core.image;

import java.io.BufferedReader;
import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import org.brantel.core.bytes.Range;
import org.brantel.core.json.Json;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.jspecify.annotations.Nullable;

/**
 * The map of an image on disk, version 2 (version 1 called unasked ranges {@code untried}, and is read as well): a
 * journal of JSON lines that may be cut anywhere.
 *
 * <p>The first line is a {@link Header}, every other line a {@link Entry}; the last word on a range wins. A last line
 * without its line end was being written when the power went: it says nothing. Compacted on a clean stop by writing
 * a new file beside it and renaming. In its sum, entries without length say how far the sweep and the retries are.
 */
public final class MapJournal implements Closeable {

    public static final String FORMAT = "brantel-map";
    public static final int VERSION = 2;
    private static final int OLDEST = 1;
    /** The pass whose entries say how far it came, since others may have read ahead of it. */
    public static final String SWEEP = "sweep";

    public record Header(String format, int version, long size, int sectorSize, Identity identity) {}

    /**
     * @param pass  the pass that said so, for people
     * @param round of retries that it belongs to, from 1; 0 for none
     */
    public record Entry(long off, long len, String state, String pass, int round) {}

    /**
     * A journal read back.
     *
     * @param rounds how far the passes are
     */
    public record Loaded(Header header, ReadMap map, Bookmark rounds) {}

    private final Path file;
    private Header header;
    private final StringBuilder pending = new StringBuilder();
    /** The newest note, which the next one may continue. */
    private @Nullable Entry last;

    private FileChannel channel;

    private MapJournal(Path file, Header header, FileChannel channel) {
        this.file = file;
        this.header = header;
        this.channel = channel;
    }

    /** Where the map of an image lies unless said otherwise. */
    public static Path beside(Path image) {
        return image.resolveSibling(image.getFileName() + ".map");
    }

    /** Starts a new journal; refuses to overwrite one. */
    public static MapJournal create(Path file, Source source) throws IOException {
        return create(file, new Header(FORMAT, VERSION, source.size(), source.sectorSize(), source.identity()));
    }

    static MapJournal create(Path file, Header header) throws IOException {
        FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        MapJournal journal = new MapJournal(file, header, channel);
        journal.pending.append(Json.write(header)).append('\n');
        journal.flush();
        return journal;
    }

    /** Goes on with a journal whose content was loaded; a torn last line is cut off first. */
    public static MapJournal resume(Path file, Header header) throws IOException {
        FileChannel channel = FileChannel.open(file, StandardOpenOption.READ, StandardOpenOption.WRITE);
        channel.truncate(endOfLastWholeLine(channel));
        channel.position(channel.size());
        return new MapJournal(file, header, channel);
    }

    /** @throws SourceException when the file is not a map, or one of its whole lines is malformed */
    public static Loaded load(Path file) throws IOException {
        long whole;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            whole = endOfLastWholeLine(channel);
        }
        try (BufferedReader lines = Files.newBufferedReader(file)) {
            String first = whole == 0 ? null : lines.readLine();
            if (first == null) {
                throw new SourceException("The map " + file + " has no header; delete it to image from the start.");
            }
            Header header = Json.read(first, Header.class, "map", file + ", line 1");
            if (!FORMAT.equals(header.format())
                    || header.version() < OLDEST
                    || header.version() > VERSION
                    || header.size() <= 0) {
                throw new SourceException(file + " is not a map of version " + VERSION + " (format '" + header.format()
                        + "', version " + header.version() + ", size " + header.size() + ").");
            }
            ReadMap map = new ReadMap(header.size());
            Bookmark rounds = Bookmark.NONE;
            long seen = bytesOf(first);
            int number = 2;
            for (String line; seen < whole && (line = lines.readLine()) != null; number++) {
                seen += bytesOf(line);
                Entry entry = apply(line, map, file + ", line " + number);
                rounds = entry.round() > 0 ? rounds.retry(entry.round(), entry.off() + entry.len()) : rounds;
                rounds = SWEEP.equals(entry.pass())
                        ? rounds.sweptTo(Math.max(rounds.swept(), entry.off() + entry.len()))
                        : rounds;
            }
            return new Loaded(header, map, rounds);
        }
    }

    private static long bytesOf(String line) {
        return line.getBytes(StandardCharsets.UTF_8).length + 1L;
    }

    private static Entry apply(String line, ReadMap map, String where) throws IOException {
        Entry entry = Json.read(line, Entry.class, "map", where);
        try {
            map.set(new Range(entry.off(), entry.len()), BlockState.ofWord(entry.state()));
            if (entry.round() < 0) {
                throw new IllegalArgumentException("round " + entry.round() + " is none");
            }
            return entry;
        } catch (IllegalArgumentException e) {
            throw new SourceException("The map " + where + " is malformed: " + e.getMessage() + ".", e);
        }
    }

    private static long endOfLastWholeLine(FileChannel channel) throws IOException {
        ByteBuffer block = ByteBuffer.allocate(4096);
        long end = channel.size();
        while (end > 0) {
            long from = Math.max(0, end - block.capacity());
            block.clear().limit((int) (end - from));
            while (block.hasRemaining() && channel.read(block, from + block.position()) > 0) {
                // until the block is full
            }
            for (int i = block.position() - 1; i >= 0; i--) {
                if (block.get(i) == '\n') {
                    return from + i + 1;
                }
            }
            end = from;
        }
        return 0;
    }

    /** Notes what a pass found; on disk only after {@link #flush()}. */
    public void note(Range range, BlockState state, String pass) {
        note(range, state, pass, 0);
    }

    /** @param round of retries, from 1 */
    public void note(Range range, BlockState state, String pass, int round) {
        Entry next = new Entry(range.offset(), range.length(), state.word(), pass, round);
        Entry both = last == null ? null : joined(last, next);
        if (both == null && last != null) {
            pending.append(line(last));
        }
        last = both == null ? next : both;
    }

    /**
     * One entry for two that touch and say the same; null when they do not. Retries stand alone: their order says how
     * far they are.
     */
    private static @Nullable Entry joined(Entry a, Entry b) {
        if (!a.state().equals(b.state()) || !a.pass().equals(b.pass()) || a.round() != 0 || b.round() != 0) {
            return null;
        }
        return a.off() + a.len() == b.off()
                ? new Entry(a.off(), a.len() + b.len(), a.state(), a.pass(), 0)
                : b.off() + b.len() == a.off() ? new Entry(b.off(), a.len() + b.len(), a.state(), a.pass(), 0) : null;
    }

    private static String line(Entry entry) {
        return (entry.round() > 0
                        ? Json.write(entry)
                        : Json.write(new Plain(entry.off(), entry.len(), entry.state(), entry.pass())))
                + "\n";
    }

    /** An entry outside the rounds, as it is written. */
    private record Plain(long off, long len, String state, String pass) {}

    /** Puts what was noted on the disk. The image's own bytes must be there already. */
    public void flush() throws IOException {
        if (last != null) {
            pending.append(line(last));
            last = null;
        }
        if (pending.isEmpty()) {
            return;
        }
        ByteBuffer bytes = ByteBuffer.wrap(pending.toString().getBytes(StandardCharsets.UTF_8));
        long end = channel.size();
        try {
            while (bytes.hasRemaining()) {
                channel.write(bytes);
            }
        } catch (IOException e) {
            // Half a line in the middle would spoil the map once more is written after it.
            channel.truncate(end);
            throw e;
        }
        channel.force(false);
        pending.setLength(0);
    }

    /** Replaces the journal by its sum. */
    public void compact(ReadMap map, Bookmark rounds) throws IOException {
        // Its words are those of today, whatever version it was begun in.
        header = new Header(FORMAT, VERSION, header.size(), header.sectorSize(), header.identity());
        StringBuilder sum = new StringBuilder(Json.write(header)).append('\n');
        for (ReadMap.Run run : map.runs()) {
            if (run.state() != BlockState.UNASKED) {
                sum.append(line(new Entry(
                        run.range().offset(), run.range().length(), run.state().word(), "sum", 0)));
            }
        }
        if (rounds.swept() > 0) {
            sum.append(line(new Entry(rounds.swept(), 0, BlockState.UNASKED.word(), SWEEP, 0)));
        }
        if (rounds.round() > 0) {
            sum.append(line(new Entry(rounds.position(), 0, BlockState.FAILED.word(), "sum", rounds.round())));
        }
        Path next = file.resolveSibling(file.getFileName() + ".new");
        try (FileChannel out = FileChannel.open(
                next, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            ByteBuffer bytes = ByteBuffer.wrap(sum.toString().getBytes(StandardCharsets.UTF_8));
            while (bytes.hasRemaining()) {
                out.write(bytes);
            }
            out.force(true);
        }
        channel.close();
        Files.move(next, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        channel = FileChannel.open(file, StandardOpenOption.WRITE, StandardOpenOption.APPEND);
        pending.setLength(0);
        last = null;
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
