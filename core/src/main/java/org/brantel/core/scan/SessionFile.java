package org.brantel.core.scan;

import java.io.BufferedReader;
import java.io.CharArrayWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipException;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.json.Json;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * A session in one file, to be taken to another machine: gzip (RFC 1952) of lines of JSON in UTF-8. The first is what
 * {@code session.json} holds, each other one a line of {@code findings.ndjson}.
 */
public final class SessionFile {

    private static final int LONGEST_LINE = 4 << 20;
    private static final int LONGEST_REPORT = 64 << 20;
    private static final long MOST_FINDINGS = 20_000_000;
    private static final long MOST_HASHED = 64 << 20;

    private SessionFile() {}

    /**
     * @param folder of a session that has ended
     * @param medium that it scanned: where it hashed nothing, some findings are hashed now, so that it can be told from
     *               another medium; null when it is not at hand
     */
    public static void pack(Path folder, @Nullable Source medium, OutputStream to) throws IOException {
        pack(folder, medium, true, to);
    }

    /**
     * As it stands, for a lab that does not have the medium.
     *
     * @param contents whether what contents say of themselves goes along
     */
    public static void packAsItStands(Path folder, boolean contents, OutputStream to) throws IOException {
        pack(folder, null, contents, to);
    }

    private static void pack(Path folder, @Nullable Source medium, boolean contents, OutputStream to)
            throws IOException {
        ScanReport report = Json.read(folder.resolve("session.json"), ScanReport.class, "session");
        Path findings = folder.resolve("findings.ndjson");
        ContentHasher hasher = new ContentHasher();
        long left = medium == null ? 0 : MOST_HASHED;
        try (GZIPOutputStream out = new GZIPOutputStream(to, 64 << 10);
                Stream<String> lines = Files.lines(findings)) {
            out.write((Json.write(report) + "\n").getBytes(StandardCharsets.UTF_8));
            for (String line : (Iterable<String>) lines.filter(l -> !l.isBlank())::iterator) {
                String packed = contents
                        ? line
                        : FindingsFile.line(
                                FindingsFile.parsed(line, findings.toString()).withoutContents());
                if (medium != null && left > 0) {
                    Finding finding = FindingsFile.parsed(line, findings.toString());
                    if (finding.sha256() == null && Catalogue.hasPlace(finding) && finding.size() <= left) {
                        left -= finding.size();
                        packed = FindingsFile.line(hasher.hashed(finding, medium));
                    }
                }
                out.write((packed + "\n").getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    /**
     * Unpacks a session of the same medium into a folder. Its findings are not taken at their word: each lies on the
     * medium, and where a hash is claimed the bytes are hashed here; one that does not hold is left out.
     *
     * @param name of the file, for messages
     * @throws IOException in one sentence, when it is no such file or is of another medium
     */
    public static ScanReport unpack(InputStream packed, String name, Path folder, Source medium) throws IOException {
        return unpack(packed, name, folder, medium.size(), medium);
    }

    /**
     * Unpacks a session of a medium whose bytes another lab has. Nothing of it can be compared here, so no hash is
     * taken over: it would be said by nobody of this lab.
     *
     * @param size bytes of the medium
     * @throws IOException in one sentence, when it is no such file or is of another medium
     */
    public static ScanReport unpackUnseen(InputStream packed, String name, Path folder, long size) throws IOException {
        return unpack(packed, name, folder, size, null);
    }

    private static ScanReport unpack(InputStream packed, String name, Path folder, long size, @Nullable Source medium)
            throws IOException {
        Files.createDirectories(folder);
        try (GZIPInputStream unzipped = new GZIPInputStream(packed, 64 << 10);
                BufferedReader lines = new BufferedReader(new InputStreamReader(
                        unzipped, StandardCharsets.UTF_8.newDecoder().onMalformedInput(CodingErrorAction.REPORT)))) {
            ScanReport report = report(line(lines, LONGEST_REPORT, name, 1), name, size);
            if (findings(lines, name, folder, size, medium) == 0 && medium != null && report.findings() > 0) {
                report = report.withProblem("No finding of " + name
                        + " has a hash, so that nothing shows that it is of this medium but its size.");
            }
            Files.writeString(folder.resolve("session.json"), Json.writePretty(report));
            return report;
        } catch (ZipException | java.io.EOFException | java.nio.charset.CharacterCodingException e) {
            throw new IOException(name + " is no session file, or is damaged: " + e.getMessage() + ".", e);
        }
    }

    private static ScanReport report(@Nullable String line, String name, long size) throws IOException {
        ScanReport report = line == null ? null : Json.read(line, ScanReport.class, "session", name);
        if (report == null
                || !ScanReport.FORMAT.equals(report.edition().format())
                || report.edition().version() != ScanReport.VERSION
                || report.volumes() == null
                || report.account().problems() == null) {
            throw new IOException(name + " is no session file of version " + ScanReport.VERSION + ".");
        }
        if (report.size() != size) {
            throw new IOException(String.format(
                    Locale.ROOT, "%s is of a medium of %d bytes; this one has %d.", name, report.size(), size));
        }
        return report;
    }

    /** @return how many had a hash that was compared */
    private static long findings(BufferedReader lines, String name, Path folder, long size, @Nullable Source medium)
            throws IOException {
        ContentHasher hasher = new ContentHasher();
        long claimed = 0;
        long wrong = 0;
        long number = 1;
        try (FindingsFile.Writer out = new FindingsFile.Writer(folder.resolve("findings.ndjson"))) {
            for (String line = line(lines, LONGEST_LINE, name, 2);
                    line != null;
                    line = line(lines, LONGEST_LINE, name, number + 1)) {
                if (++number > MOST_FINDINGS) {
                    throw new IOException(name + " holds more than " + MOST_FINDINGS + " findings.");
                }
                Finding finding = line.isBlank() ? null : FindingsFile.parsed(line, name + ", line " + number);
                if (finding == null) {
                    continue;
                }
                boolean onMedium = finding.size() >= 0
                        && finding.extents().stream().allMatch(e -> e.isHole() || e.offset() <= size - e.length());
                if (!onMedium) {
                    throw new IOException("The finding " + name + ", line " + number + " leaves the medium.");
                }
                // One that is mostly holes may be longer than any medium, and would be hashed for as long.
                String hash = medium == null || finding.size() > size ? null : finding.sha256();
                boolean checked = hash != null;
                Finding own = medium != null && checked
                        ? hasher.hashed(finding.withHash(null), medium)
                        : finding.withHash(null);
                boolean other = hash != null && !hash.equals(own.sha256());
                claimed += checked ? 1 : 0;
                wrong += other ? 1 : 0;
                if (!other) {
                    out.write(own);
                }
            }
        }
        if (wrong > claimed / 2) {
            throw new IOException(
                    name + " is of another medium: " + wrong + " of " + claimed + " findings have other content here.");
        }
        return claimed;
    }

    /** A line without its end; null behind the last one. */
    private static @Nullable String line(BufferedReader lines, int longest, String name, long number)
            throws IOException {
        CharArrayWriter line = new CharArrayWriter();
        int c;
        while ((c = lines.read()) >= 0 && c != '\n') {
            line.write(c);
            if (line.size() > longest) {
                throw new IOException(name + ", line " + number + " is longer than a session file's lines are.");
            }
        }
        return c < 0 && line.size() == 0 ? null : line.toString();
    }
}
