package org.brantel.core.source.nbd;

import java.io.IOException;
import java.net.SocketException;
import java.net.SocketTimeoutException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.brantel.core.bytes.Range;
import org.brantel.core.bytes.RangeSet;
import org.brantel.core.bytes.ReadOutcome;
import org.brantel.core.source.Identity;
import org.brantel.core.source.Source;
import org.brantel.core.source.SourceException;
import org.brantel.core.source.WriteBlock;
import org.jspecify.annotations.Nullable;

/**
 * A drive that another machine exports. A link that breaks is made anew a few times; the export that answers then must
 * be the one that it was. A request that outlasts its time is a fault of the place that it asked for.
 */
public final class NbdSource implements Source {

    /** What a server has on offer. */
    public record Offer(String name, String description) {}

    private static final int LINKS = 3;
    private static final long FIRST_WAIT_MILLIS = 500;

    private final NbdAddress address;
    private final NbdExport export;
    private @Nullable NbdLink link;
    private int timeoutSeconds;

    private NbdSource(NbdAddress address, NbdLink link) {
        this.address = address;
        this.link = link;
        export = link.export();
    }

    /** @throws SourceException in one sentence */
    public static NbdSource open(NbdAddress address, WriteBlock writeBlock) throws IOException {
        NbdLink link = NbdHandshake.open(address);
        if (!link.export().readOnly() && !writeBlock.isDecided()) {
            link.close();
            throw new SourceException.WriteBlockNeeded(address.toString(), "the server that exports it");
        }
        return new NbdSource(address, link);
    }

    /** Everything that a server exports by name. */
    public static List<Offer> exports(NbdAddress address) throws IOException {
        return NbdHandshake.exports(address);
    }

    @Override
    public ReadOutcome read(long offset, byte[] buffer, int at, int length) throws IOException {
        Source.checkBounds(this, offset, buffer, at, length);
        long start = System.nanoTime();
        RangeSet failed = new RangeSet();
        RangeSet named = new RangeSet();
        for (long done = 0; done < length; ) {
            int step = (int) Math.min(length - done, export.largest() - (offset + done) % export.unit());
            ReadOutcome part = units(new Range(offset + done, step), buffer, at + (int) done);
            part.failed().forEach(failed::add);
            part.named().forEach(named::add);
            done += step;
        }
        return new ReadOutcome(failed.ranges(), named.ranges(), System.nanoTime() - start);
    }

    /** Whole units around what is wanted. */
    private ReadOutcome units(Range wanted, byte[] buffer, int at) throws IOException {
        long from = wanted.offset() / export.unit() * export.unit();
        long to = Math.min(export.size(), (wanted.end() + export.unit() - 1) / export.unit() * export.unit());
        if (from == wanted.offset() && to == wanted.end()) {
            return ask(wanted, buffer, at);
        }
        byte[] wide = new byte[(int) (to - from)];
        ReadOutcome outcome = ask(new Range(from, to - from), wide, 0);
        System.arraycopy(wide, (int) (wanted.offset() - from), buffer, at, (int) wanted.length());
        return new ReadOutcome(cut(outcome.failed(), wanted), cut(outcome.named(), wanted), outcome.nanos());
    }

    private static List<Range> cut(List<Range> ranges, Range wanted) {
        return ranges.stream()
                .map(r -> r.intersection(wanted))
                .filter(r -> !r.isEmpty())
                .toList();
    }

    private ReadOutcome ask(Range wanted, byte[] buffer, int at) throws IOException {
        List<String> troubles = new ArrayList<>();
        for (int i = 0; i < LINKS; i++) {
            try {
                NbdLink to = link == null ? connectedAgain(i) : link;
                return to.read(wanted, buffer, at);
            } catch (SocketTimeoutException e) {
                // Its reply may still come, to nobody; the next request gets a link of its own.
                drop();
                Arrays.fill(buffer, at, at + (int) wanted.length(), (byte) 0);
                return new ReadOutcome(List.of(wanted), 0);
            } catch (SourceException.Gone e) {
                throw e;
            } catch (IOException e) {
                drop();
                troubles.add(e.getMessage() == null ? "the server hung up" : e.getMessage());
            }
        }
        throw new SourceException.Gone(description(), troubles.get(troubles.size() - 1));
    }

    private NbdLink connectedAgain(int tries) throws IOException {
        try {
            Thread.sleep(tries == 0 ? 0 : FIRST_WAIT_MILLIS << tries - 1);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new SourceException.Gone(description(), "waiting for it was interrupted");
        }
        NbdLink again = NbdHandshake.open(address);
        link = again;
        again.timeout(timeoutSeconds);
        if (!again.export().equals(export)) {
            long size = again.export().size();
            drop();
            throw new SourceException.Gone(
                    description(),
                    "what is exported there now is another device (" + size + " bytes, " + export.size()
                            + " before), or it may be written to");
        }
        return again;
    }

    private void drop() throws IOException {
        if (link != null) {
            link.drop();
            link = null;
        }
    }

    @Override
    public void timeout(int seconds) throws IOException {
        timeoutSeconds = seconds;
        if (link != null) {
            link.timeout(seconds);
        }
    }

    @Override
    public String lockKey() {
        return "export " + address.toString().toLowerCase(Locale.ROOT);
    }

    @Override
    public String description() {
        return address.toString();
    }

    @Override
    public long size() {
        return export.size();
    }

    @Override
    public int sectorSize() {
        return export.unit();
    }

    @Override
    public Identity identity() {
        return export.identity();
    }

    /** None on this machine that we could know of. */
    @Override
    public List<Path> filesBehind() {
        return List.of();
    }

    @Override
    public void close() throws IOException {
        if (link != null) {
            try {
                link.close();
            } catch (SocketException e) {
                // The server left first; there is nobody to say good-bye to.
                link.drop();
            }
        }
    }
}
