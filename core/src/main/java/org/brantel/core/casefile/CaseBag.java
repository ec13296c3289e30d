package org.brantel.core.casefile;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.brantel.core.custody.CustodyChain;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.core.json.Json;
import org.brantel.core.manifest.Bag;
import org.brantel.core.manifest.BagCheck;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
import org.brantel.core.source.SourceException;

/** A case file: a signed bag in one ZIP, whose {@code data} holds {@code case.json} and the files that it names. */
public final class CaseBag {

    private static final long LARGEST_RECORD = 256L << 20;
    private static final int MOST_TOLD = 3;

    /**
     * A lab's record as it came.
     *
     * @param tears where it is torn; none when every seam meets
     */
    public record Tape(CaseFile.Home home, List<CustodyEntry> entries, List<CustodyChain.Tear> tears) {}

    /**
     * A case file that is as it was signed.
     *
     * @param bag     the folder that holds it
     * @param custody the records in it, in its order
     */
    public record Opened(CaseFile file, Path bag, List<Tape> custody) {

        /** The folder of the files that the document names. */
        public Path data() {
            return bag.resolve("data");
        }
    }

    private CaseBag() {}

    /** Writes the document into the folder of what it names. */
    public static void document(CaseFile file, Path data) throws IOException {
        Files.writeString(data.resolve("case.json"), Json.writePretty(file));
    }

    /** Writes a record, an entry a line. */
    public static void record(List<CustodyEntry> entries, Path to) throws IOException {
        Files.createDirectories(to.getParent());
        StringBuilder text = new StringBuilder();
        entries.forEach(e -> text.append(Json.write(e)).append('\n'));
        Files.writeString(to, text);
    }

    /**
     * Signs and packs.
     *
     * @param data the folder with the document and all that it names; what is packed may be linked to it
     * @param zip  must not exist yet; its name without the ending names the bag
     */
    public static Bag.Sealed pack(Path data, Path zip, BagInfo info, LabKey key) throws IOException {
        Path bag = zip.resolveSibling(zip.getFileName().toString().replaceAll("\\.zip$", ""));
        try {
            Bag.Sealed sealed = Bag.seal(data, bag, info, null, key);
            Path part = zip.resolveSibling(zip.getFileName() + ".part");
            Files.deleteIfExists(part);
            Zipped.write(bag, part);
            Files.move(part, zip);
            return sealed;
        } finally {
            delete(bag);
        }
    }

    /**
     * Opens a file that came from somewhere: it must be whole, be signed by the key in it, and hold together.
     *
     * @param into a folder of its own
     * @param most bytes that may come out
     * @throws SourceException in one sentence, when it is not what it should be
     */
    public static Opened open(Path zip, Path into, long most) throws IOException {
        return read(Zipped.read(zip, into, most));
    }

    /**
     * Reads a bag that was unpacked, every byte of it.
     *
     * @throws SourceException in one sentence, when it is not as it was signed
     */
    public static Opened read(Path bag) throws IOException {
        BagCheck check = BagCheck.of(bag);
        if (!check.isSound()) {
            List<String> problems = check.problems();
            throw new SourceException("The file is not as the lab signed it: "
                    + String.join(" ", problems.subList(0, Math.min(MOST_TOLD, problems.size())))
                    + " Ask for it again.");
        }
        Opened opened = glance(bag);
        CaseFile file = opened.file();
        if (!file.origin().home().fingerprint().equals(check.fingerprint())) {
            throw new SourceException("The file says that it is of a lab with the key "
                    + file.origin().home().fingerprint() + ", but is signed with " + check.fingerprint() + ".");
        }
        return opened;
    }

    /** What a bag says that was read before, without reading all of it again. */
    public static Opened glance(Path bag) throws IOException {
        Path data = bag.resolve("data");
        CaseFile file = CaseFileCheck.read(data);
        List<Tape> tapes = new ArrayList<>();
        for (CaseFile.Ledger record : file.custody()) {
            List<CustodyEntry> entries =
                    entries(data.resolve(record.file()), record.home().number());
            tapes.add(
                    new Tape(record.home(), entries, CustodyChain.check(entries, record.entries(), record.lastHash())));
        }
        return new Opened(file, bag, tapes);
    }

    private static List<CustodyEntry> entries(Path file, String number) throws IOException {
        List<CustodyEntry> entries = new ArrayList<>();
        if (Files.size(file) > LARGEST_RECORD) {
            throw new SourceException("The custody record " + file.getFileName() + " is longer than records are.");
        }
        try (BufferedReader lines = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                String where = file.getFileName() + ", line " + (entries.size() + 1);
                CustodyEntry entry = Json.read(line, CustodyEntry.class, "custody entry", where);
                if (!number.equals(entry.caseNumber()) || isIncomplete(entry)) {
                    throw new SourceException("The custody record " + where + " is no entry of " + number + ".");
                }
                entries.add(entry);
            }
        }
        return entries;
    }

    private static boolean isIncomplete(CustodyEntry e) {
        return Stream.of(e.at(), e.who(), e.what(), e.detail(), e.previous(), e.hash())
                        .anyMatch(Objects::isNull)
                || (e.who() + e.what() + e.detail()).indexOf('\0') >= 0;
    }

    /** Takes a folder away. */
    public static void delete(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> walk = Files.walk(folder)) {
            for (Path p : walk.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(p);
            }
        }
    }
}
