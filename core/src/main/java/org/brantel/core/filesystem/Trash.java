package org.brantel.core.filesystem;

import static org.brantel.core.bytes.LittleEndian.i64;
import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Finding;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * Files that somebody put into the trash: where they lay and when they went there stands in a record beside them. Such
 * files are held back until the walk is over, as their records may come later.
 *
 * <pre>
 * /$Recycle.Bin/OWNER/$RNAME.EXT    its record is $INAME.EXT, little-endian:
 *      0  8  version 1 or 2     8  8  bytes     16  8  deleted, 100 ns from 1601     24  path, UTF-16 (version 2: 24 4
 *      characters, path from 28)
 * /RECYCLER/OWNER/DcN.EXT, /RECYCLED/DcN.EXT    the file INFO2 beside it: 12 4 bytes of a record; records from 20:
 *    260  4  N    268  8  deleted    280  520  path, UTF-16
 * /.Trash-USER/files/NAME and /…/Trash/files/NAME    ../info/NAME.trashinfo (freedesktop.org Trash specification 1.0):
 *      lines Path= (percent-encoded) and DeletionDate= (local time)
 * /.Trashes/USER/NAME, /.Trash/NAME    no record
 * </pre>
 */
public final class Trash implements FindingSink {

    private static final Pattern BIN = Pattern.compile("(?i)(/\\$Recycle\\.Bin/[^/]+/)\\$([RI])([^/]+)(/.*)?");
    private static final Pattern OLD_BIN =
            Pattern.compile("(?i)(/RECYCLE[RD]/(?:S-[^/]+/)?)(INFO2|D[a-z](\\d+)[^/]*)(/.*)?");
    private static final Pattern FREEDESKTOP =
            Pattern.compile("(.*/(?:\\.Trash(?:-\\d+)?(?:/\\d+)?|Trash)/)(files|info)/([^/]+)(/.*)?");
    private static final Pattern BARE = Pattern.compile("(?:.*/\\.Trash|/\\.Trashes/\\d+)/[^/]+.*");
    private static final int MOST_RECORD = 1 << 20;
    private static final long SECONDS_TO_1970 = 11_644_473_600L;

    /** @param from the path before */
    private record Went(String from, @Nullable Instant when) {}

    private final Source source;
    private final FindingSink next;
    private final List<Finding> held = new ArrayList<>();
    private final Map<String, Went> went = new HashMap<>();

    /** @param next hears of everything in the end */
    public Trash(Source source, FindingSink next) {
        this.source = source;
        this.next = next;
    }

    @Override
    public void found(Finding finding) {
        if (finding.path() != null && isTrash(finding.path())) {
            held.add(finding);
        } else {
            next.found(finding);
        }
    }

    @Override
    public void problem(String what) {
        next.problem(what);
    }

    private static boolean isTrash(String path) {
        // Asked of every file: most have nothing of it in their path.
        boolean could =
                path.startsWith("/$") || path.regionMatches(true, 0, "/recycle", 0, 8) || path.contains("Trash");
        return could && isTrashFor(path);
    }

    private static boolean isTrashFor(String path) {
        return BIN.matcher(path).matches()
                || OLD_BIN.matcher(path).matches()
                || FREEDESKTOP.matcher(path).matches()
                || BARE.matcher(path).matches();
    }

    /** The walk is over: what was held back goes on, with what the records say. */
    public void finish() throws IOException {
        for (Finding f : held) {
            readRecord(f);
        }
        for (Finding f : held) {
            next.found(dressed(f));
        }
        held.clear();
    }

    private void readRecord(Finding f) throws IOException {
        Matcher bin = BIN.matcher(f.path());
        Matcher old = OLD_BIN.matcher(f.path());
        Matcher freedesktop = FREEDESKTOP.matcher(f.path());
        if (bin.matches() && bin.group(2).equalsIgnoreCase("I") && bin.group(4) == null) {
            Optional<byte[]> b = bytes(f);
            if (b.isPresent() && b.get().length >= 28) {
                binRecord(b.get()).ifPresent(w -> went.put(key(bin.group(1), bin.group(3)), w));
            }
        } else if (old.matches() && old.group(2).equalsIgnoreCase("INFO2")) {
            Optional<byte[]> b = bytes(f);
            if (b.isPresent()) {
                oldRecords(b.get(), old.group(1));
            }
        } else if (freedesktop.matches()
                && freedesktop.group(2).equals("info")
                && f.name().endsWith(".trashinfo")) {
            Optional<byte[]> b = bytes(f);
            if (b.isPresent()) {
                String name = freedesktop.group(3);
                freedesktopRecord(b.get())
                        .ifPresent(w -> went.put(
                                key(freedesktop.group(1), name.substring(0, name.length() - ".trashinfo".length())),
                                w));
            }
        }
    }

    private Optional<byte[]> bytes(Finding f) throws IOException {
        FileContent content = f.content(source);
        if (content.size() <= 0 || content.size() > MOST_RECORD) {
            return Optional.empty();
        }
        byte[] b = new byte[(int) content.size()];
        return content.read(0, b, 0, b.length).isClean() ? Optional.of(b) : Optional.empty();
    }

    private static String key(String folder, String name) {
        return (folder + name).toLowerCase(Locale.ROOT);
    }

    private static Optional<Went> binRecord(byte[] b) {
        long version = i64(b, 0);
        int at = version == 2 ? 28 : 24;
        long characters = version == 2 ? u32(b, 24) : 260;
        if (version != 1 && version != 2 || characters > 32768) {
            return Optional.empty();
        }
        int length = (int) Math.min(characters * 2, b.length - at) & ~1;
        return Optional.of(new Went(shown(wide(b, at, length)), time(i64(b, 16))));
    }

    private void oldRecords(byte[] b, String folder) {
        if (b.length < 20) {
            return;
        }
        long size = u32(b, 12);
        if (size != 800 && size != 280) {
            return;
        }
        for (int at = 20; at + size <= b.length; at += (int) size) {
            String path = size == 800 ? wide(b, at + 280, 520) : narrow(b, at, 260);
            went.put(key(folder, "#" + u32(b, at + 260)), new Went(shown(path), time(i64(b, at + 268))));
        }
    }

    private static Optional<Went> freedesktopRecord(byte[] b) {
        String path = null;
        Instant when = null;
        for (String line : new String(b, StandardCharsets.UTF_8).split("\n")) {
            if (line.startsWith("Path=")) {
                path = decoded(line.substring(5).strip());
            } else if (line.startsWith("DeletionDate=")) {
                try {
                    when = LocalDateTime.parse(line.substring(13).strip()).toInstant(ZoneOffset.UTC);
                } catch (DateTimeException e) {
                    when = null;
                }
            }
        }
        return path == null ? Optional.empty() : Optional.of(new Went(path, when));
    }

    private static String decoded(String text) {
        byte[] raw = text.getBytes(StandardCharsets.UTF_8);
        byte[] out = new byte[raw.length];
        int n = 0;
        for (int i = 0; i < raw.length; i++) {
            int high = raw[i] == '%' && i + 2 < raw.length ? Character.digit(raw[i + 1], 16) : -1;
            int low = high < 0 ? -1 : Character.digit(raw[i + 2], 16);
            if (low >= 0) {
                out[n++] = (byte) (high << 4 | low);
                i += 2;
            } else {
                out[n++] = raw[i];
            }
        }
        return new String(out, 0, n, StandardCharsets.UTF_8);
    }

    private static String wide(byte[] b, int at, int length) {
        int end = at;
        while (end + 2 <= at + length && end + 2 <= b.length && u16(b, end) != 0) {
            end += 2;
        }
        return new String(b, at, end - at, StandardCharsets.UTF_16LE);
    }

    private static String narrow(byte[] b, int at, int length) {
        int end = at;
        while (end < at + length && b[end] != 0) {
            end++;
        }
        return new String(b, at, end - at, StandardCharsets.ISO_8859_1);
    }

    private static String shown(String path) {
        return path.replace('\\', '/');
    }

    private static @Nullable Instant time(long ticks) {
        return ticks <= 0
                ? null
                : Instant.ofEpochSecond(ticks / 10_000_000L - SECONDS_TO_1970, ticks % 10_000_000L * 100);
    }

    private Finding dressed(Finding f) {
        Matcher bin = BIN.matcher(f.path());
        Matcher old = OLD_BIN.matcher(f.path());
        Matcher freedesktop = FREEDESKTOP.matcher(f.path());
        String below = "";
        Went record = null;
        if (bin.matches()) {
            if (bin.group(2).equalsIgnoreCase("I")) {
                return f;
            }
            record = went.get(key(bin.group(1), bin.group(3)));
            below = bin.group(4);
        } else if (old.matches()) {
            if (old.group(3) == null) {
                return f;
            }
            record = went.get(key(old.group(1), "#" + Long.parseLong(old.group(3))));
            below = old.group(4);
        } else if (freedesktop.matches()) {
            if (freedesktop.group(2).equals("info")) {
                return f;
            }
            record = went.get(key(freedesktop.group(1), freedesktop.group(3)));
            below = freedesktop.group(4);
        }
        String from = record == null ? "" : record.from() + (below == null ? "" : below);
        List<String> reasons = new ArrayList<>(f.reasons());
        reasons.add(
                record == null
                        ? "It lies in the trash; no record says where it was before."
                        : "It lies in the trash; it was " + from
                                + (record.when() == null ? "." : ", put there " + record.when() + "."));
        return f.judged(f.verdict().because(reasons))
                .withRecord(f.record().trashed(record == null ? f.record().deleted() : record.when(), from));
    }
}
