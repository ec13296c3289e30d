package org.brantel.core.casefile;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.brantel.core.json.Json;
import org.brantel.core.source.SourceException;
import org.jspecify.annotations.Nullable;

/** Whether a case file's document holds together; a stranger may have written it. */
final class CaseFileCheck {

    private static final long LARGEST = 256L << 20;
    private static final int MOST = 20_000;
    private static final int MOST_DEVICES = 48;
    private static final int LONGEST = 20_000;
    /** A lab's own text may hold none, and no database takes one. */
    private static final Pattern NUL = Pattern.compile("\\x00|\\\\u0000");

    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");
    private static final Pattern FILE = Pattern.compile("[a-z]+/[a-z0-9][a-z0-9.-]{0,80}");

    private final Path data;
    private final CaseFile file;

    private CaseFileCheck(Path data, CaseFile file) {
        this.data = data;
        this.file = file;
    }

    /** @param data the folder of what the bag holds */
    static CaseFile read(Path data) throws IOException {
        Path document = data.resolve("case.json");
        if (!Files.isRegularFile(document, LinkOption.NOFOLLOW_LINKS)) {
            throw new SourceException("The bag holds no case.json, so it is no case file; a delivery is one, too.");
        }
        if (Files.size(document) > LARGEST) {
            throw new SourceException("The case.json of the file is larger than any case is.");
        }
        String text = Files.readString(document);
        if (NUL.matcher(text).find()) {
            throw new SourceException("The case.json of the file holds a character that is no text (NUL).");
        }
        CaseFile file = Json.read(text, CaseFile.class, "document", "case.json");
        if (!CaseFile.FORMAT.equals(file.format()) || file.version() != CaseFile.VERSION) {
            throw new SourceException("case.json is no case file of version " + CaseFile.VERSION + " (format '"
                    + file.format() + "', version " + file.version() + "); the lab that packed it may be newer.");
        }
        new CaseFileCheck(data, file).check();
        return file;
    }

    private void check() throws SourceException {
        nothingMissing();
        home("its origin", file.origin().home());
        for (CaseFile.Home home : file.origin().knownAs()) {
            home("a lab that knows the case", home);
        }
        if (file.devices().isEmpty() || file.devices().size() > MOST_DEVICES) {
            throw wrong("it has " + file.devices().size() + " devices, where a case has 1 to " + MOST_DEVICES);
        }
        few("facts", file.facts());
        few("notes", file.notes());
        few("imaging sessions", file.imaging());
        few("scan sessions", file.scans());
        few("custody records", file.custody());
        Set<String> devices = marks("device", file.devices().stream().map(CaseFile.Device::mark));
        marks("fact", file.facts().stream().map(CaseFile.Fact::mark));
        marks("note", file.notes().stream().map(CaseFile.Note::mark));
        Set<String> imaging = marks("imaging session", file.imaging().stream().map(CaseFile.Imaging::mark));
        marks("scan session", file.scans().stream().map(CaseFile.Scan::mark));
        for (CaseFile.Fact fact : file.facts()) {
            known("a fact", fact.device(), devices);
            shortly("a fact", fact.code(), fact.value(), fact.who());
        }
        for (CaseFile.Note note : file.notes()) {
            shortly("a note", note.words(), note.who());
        }
        for (CaseFile.Imaging session : file.imaging()) {
            imaging(session, devices, imaging);
        }
        for (CaseFile.Scan scan : file.scans()) {
            known("a scan session", Objects.requireNonNullElse(scan.imaging(), ""), imaging);
            if (scan.work() == null) {
                throw wrong("a scan session says nothing of who did it");
            }
            shortly("a scan session", scan.work().lab(), scan.work().who());
            there("the scan session " + scan.mark(), scan.file());
        }
        for (CaseFile.Ledger record : file.custody()) {
            home("a custody record", record.home());
            there("the custody record of " + record.home().lab(), record.file());
        }
    }

    private void nothingMissing() throws SourceException {
        List<@Nullable Object> parts = new ArrayList<>();
        parts.addAll(Arrays.asList(
                file.origin(),
                file.told(),
                file.devices(),
                file.facts(),
                file.notes(),
                file.imaging(),
                file.scans(),
                file.custody()));
        if (file.origin() != null) {
            parts.addAll(java.util.Arrays.asList(
                    file.origin().home(),
                    file.origin().knownAs(),
                    file.origin().packed(),
                    file.origin().by()));
        }
        if (file.told() != null) {
            parts.addAll(java.util.Arrays.asList(
                    file.told().customer(),
                    file.told().story(),
                    file.told().consent(),
                    file.told().wanted()));
        }
        if (parts.stream().anyMatch(Objects::isNull)) {
            throw wrong("a part of it is missing");
        }
    }

    private static void home(String whose, CaseFile.@Nullable Home home) throws SourceException {
        if (home == null
                || home.lab() == null
                || home.number() == null
                || home.fingerprint() == null
                || !SHA256.matcher(home.fingerprint()).matches()) {
            throw wrong(whose + " names no lab, number and fingerprint");
        }
        shortly(whose, home.lab(), home.number());
    }

    private static void few(String what, List<?> some) throws SourceException {
        if (some.size() > MOST) {
            throw wrong("it has " + some.size() + " " + what + ", more than any case");
        }
        if (some.stream().anyMatch(Objects::isNull)) {
            throw wrong("one of its " + what + " is empty");
        }
    }

    private static Set<String> marks(String what, Stream<@Nullable String> some) throws SourceException {
        List<@Nullable String> all = some.toList();
        Set<String> known = new HashSet<>();
        for (String mark : all) {
            if (mark == null || !Marks.isOne(mark)) {
                throw wrong("the mark of a " + what + " is none");
            }
            if (!known.add(mark)) {
                throw wrong("two of its parts have the mark " + mark);
            }
        }
        return known;
    }

    private static void known(String what, @Nullable String mark, Set<String> all) throws SourceException {
        if (mark != null && !all.contains(mark)) {
            throw wrong(what + " names " + mark + ", which is not in it");
        }
    }

    private static void shortly(String what, @Nullable String... texts) throws SourceException {
        for (String text : texts) {
            if (text == null || text.length() > LONGEST) {
                throw wrong(what + " has a text that is missing, or longer than " + LONGEST + " characters");
            }
        }
    }

    private void imaging(CaseFile.Imaging session, Set<String> devices, Set<String> all) throws SourceException {
        String what = "the imaging session " + session.mark();
        known(what, Objects.requireNonNullElse(session.device(), ""), devices);
        known(what, session.goesOnFrom(), all);
        CaseFile.Sum sum = session.sum();
        if (sum == null || session.work() == null || session.how() == null || session.identity() == null) {
            throw wrong("a part of " + what + " is missing");
        }
        long known = sum.readBytes() + sum.failedBytes() + sum.deferredBytes();
        if (sum.size() <= 0
                || Stream.of(sum.readBytes(), sum.failedBytes(), sum.deferredBytes(), known)
                        .anyMatch(n -> n < 0 || n > sum.size())) {
            throw wrong("the bytes of " + what + " do not come to its size");
        }
        shortly(
                what,
                session.work().lab(),
                session.work().who(),
                session.how().profile(),
                session.how().cells());
        if (session.map() != null) {
            there(what, session.map());
        }
    }

    private void there(String what, @Nullable String path) throws SourceException {
        if (path == null
                || !FILE.matcher(path).matches()
                || !Files.isRegularFile(data.resolve(path), LinkOption.NOFOLLOW_LINKS)) {
            throw wrong(what + " names a file that the bag does not hold");
        }
    }

    private static SourceException wrong(String why) {
        return new SourceException("The case file does not hold together: " + why + ".");
    }
}
