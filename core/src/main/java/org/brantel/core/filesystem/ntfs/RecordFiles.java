package org.brantel.core.filesystem.ntfs;

import static org.brantel.core.bytes.LittleEndian.u16;
import static org.brantel.core.bytes.LittleEndian.u32;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Extents;
import org.brantel.core.content.Packing;
import org.brantel.core.filesystem.Fault;
import org.brantel.core.filesystem.FileRecord;
import org.brantel.core.filesystem.Placement;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.jspecify.annotations.Nullable;

/** What a record of the file table makes: a file for each name and each stream. */
final class RecordFiles {

    /** Reparse tags (MS-FSCC section 2.1.2.1). */
    private static final long LINK = 0xa000000cL;

    private static final long MOUNT_POINT = 0xa0000003L;
    private static final long SYSTEM_COMPRESSED = 0x80000017L;

    /** By bit of the file attributes (MS-FSCC section 2.6). */
    private static final Map<Integer, String> ATTRIBUTES = new LinkedHashMap<>();

    static {
        ATTRIBUTES.put(0x1, "read-only");
        ATTRIBUTES.put(0x2, "hidden");
        ATTRIBUTES.put(0x4, "system");
        ATTRIBUTES.put(0x20, "archive");
        ATTRIBUTES.put(0x100, "temporary");
        ATTRIBUTES.put(0x200, "sparse");
        ATTRIBUTES.put(0x400, "reparse point");
        ATTRIBUTES.put(0x800, "compressed");
        ATTRIBUTES.put(0x1000, "offline");
        ATTRIBUTES.put(0x4000, "encrypted");
    }

    private final AttributeList lists;
    private final BootSector boot;
    private final Folders folders;
    private final Records records;

    RecordFiles(Records records, Folders folders) {
        this.lists = new AttributeList(records);
        this.boot = records.boot();
        this.folders = folders;
        this.records = records;
    }

    /** A file with the answer whether the folders on its path are listed. */
    record Listed(FileRecord file, boolean inLiveFolder) {}

    /**
     * @param fallback a name that something else remembers, for a record that lost its own; null without one
     */
    List<Listed> of(MftRecord record, @Nullable FileName fallback) throws IOException {
        List<AttributeList.Held> all = lists.all(record);
        List<FileName> names = longNames(all, fallback);
        Map<String, List<AttributeList.Held>> streams = new LinkedHashMap<>();
        for (AttributeList.Held held : all) {
            if (held.attribute().type() == Attribute.DATA) {
                streams.computeIfAbsent(held.attribute().name(), n -> new ArrayList<>())
                        .add(held);
            }
        }
        if (!record.folder()
                && !streams.containsKey("")
                && record.first(Attribute.LIST).isEmpty()) {
            streams.put("", List.of());
        }
        Optional<String> reparse = reparse(all);
        List<Listed> files = new ArrayList<>();
        for (FileName name : names) {
            Folders.Path folder = folders.of(name.parent(), name.parentSequence());
            for (Map.Entry<String, List<AttributeList.Held>> stream : streams.entrySet()) {
                String shown = stream.getKey().isEmpty() ? name.name() : name.name() + ":" + stream.getKey();
                files.add(new Listed(
                        file(record, all, folder.text() + shown, shown, stream.getValue(), reparse), folder.live()));
            }
        }
        return files;
    }

    private static List<FileName> longNames(List<AttributeList.Held> all, @Nullable FileName fallback) {
        List<FileName> names = names(all);
        if (names.isEmpty()) {
            return fallback == null ? List.of() : List.of(fallback);
        }
        List<FileName> longOnes = new ArrayList<>(names);
        longOnes.removeIf(n -> n.space() == FileName.SHORT_ONLY);
        return longOnes.isEmpty() ? names : longOnes;
    }

    static List<FileName> names(List<AttributeList.Held> all) {
        List<FileName> names = new ArrayList<>();
        for (AttributeList.Held held : all) {
            Attribute a = held.attribute();
            if (a.type() == Attribute.FILE_NAME && a.resident()) {
                FileName.parse(held.record().bytes(), a.valueAt(), (int) a.size())
                        .ifPresent(names::add);
            }
        }
        return names;
    }

    /** The name that people see; of a record with several, the first. */
    static Optional<FileName> nameOf(MftRecord record) {
        Optional<FileName> shortOne = Optional.empty();
        for (Attribute a : record.attributes()) {
            if (a.type() == Attribute.FILE_NAME && a.resident()) {
                Optional<FileName> name = FileName.parse(record.bytes(), a.valueAt(), (int) a.size());
                if (name.isPresent() && name.get().space() != FileName.SHORT_ONLY) {
                    return name;
                }
                shortOne = name.isPresent() ? name : shortOne;
            }
        }
        return shortOne;
    }

    private FileRecord file(
            MftRecord record,
            List<AttributeList.Held> all,
            String path,
            String name,
            List<AttributeList.Held> pieces,
            Optional<String> reparse) {
        List<Fault> faults = new ArrayList<>();
        Instant created = null;
        Instant modified = null;
        Instant accessed = null;
        List<String> words = List.of();
        AttributeList.Held standard = null;
        for (AttributeList.Held held : all) {
            Attribute a = held.attribute();
            standard = standard == null
                            && a.type() == Attribute.STANDARD_INFORMATION
                            && a.resident()
                            && a.size() >= StandardInformation.LEAST
                    ? held
                    : standard;
        }
        if (standard != null) {
            byte[] b = standard.record().bytes();
            int at = standard.attribute().valueAt();
            created = FileTime.instant(StandardInformation.CREATED.in(b, at));
            modified = FileTime.instant(StandardInformation.MODIFIED.in(b, at));
            accessed = FileTime.instant(StandardInformation.ACCESSED.in(b, at));
            words = words(StandardInformation.ATTRIBUTES.in(b, at));
        }
        reparse.map(Fault.Elsewhere::new).ifPresent(faults::add);
        List<Extent> own = records.place(record, 0, 1);
        Long at = own.isEmpty() ? null : (Long) own.get(0).offset();
        RecordFacts facts = new RecordFacts(at, words, null, null);
        AttributeList.Held resident =
                pieces.isEmpty() || !pieces.get(0).attribute().resident() ? null : pieces.get(0);
        if (resident != null || pieces.isEmpty()) {
            long size = resident == null ? 0 : resident.attribute().size();
            Extents extents = new Extents();
            if (resident != null) {
                for (int[] p : resident.record().piecesOf(resident.attribute())) {
                    records.place(resident.record(), p[0], p[1]).forEach(e -> extents.add(e.offset(), e.length()));
                }
            }
            return new FileRecord(
                    Named.of(path, name),
                    true,
                    size,
                    new Placement.InRecord(extents.list()),
                    null,
                    new Times(created, modified, accessed),
                    faults,
                    facts);
        }
        List<Attribute> attributes = new ArrayList<>(pieces.size());
        Attribute first = pieces.get(0).attribute();
        for (AttributeList.Held held : pieces) {
            attributes.add(held.attribute());
            first = held.attribute().firstVcn() == 0 ? held.attribute() : first;
        }
        List<Extent> extents = AttributeList.joined(attributes, boot.clusterBytes());
        if (first.isEncrypted()) {
            faults.add(new Fault.Encrypted());
        }
        if (extents.isEmpty() && first.size() > 0) {
            faults.add(new Fault.NoPlace("the list of its runs is malformed"));
        } else if (Extents.length(extents) < first.size()) {
            faults.add(new Fault.Unplaced(Extents.length(extents), first.size(), "pieces of its record are missing"));
        }
        boolean packed = first.isCompressed();
        List<Extent> placed = packed ? extents : Extents.withUnwrittenTail(extents, first.written(), first.size());
        return new FileRecord(
                Named.of(path, name),
                true,
                first.size(),
                new Placement.Known(placed),
                packed ? new Packing(first.unitBytes()) : null,
                new Times(created, modified, accessed),
                faults,
                facts);
    }

    private static List<String> words(long bits) {
        List<String> words = new ArrayList<>(2);
        ATTRIBUTES.forEach((bit, word) -> {
            if ((bits & bit) != 0) {
                words.add(word);
            }
        });
        return words;
    }

    /** What a reparse point says, where it keeps the content from being the file. */
    private static Optional<String> reparse(List<AttributeList.Held> all) {
        for (AttributeList.Held held : all) {
            Attribute a = held.attribute();
            if (a.type() != Attribute.REPARSE_POINT || !a.resident() || a.size() < 8) {
                continue;
            }
            byte[] b = held.record().bytes();
            long tag = u32(b, a.valueAt());
            if (tag == SYSTEM_COMPRESSED) {
                return Optional.of(
                        "Its content is compressed by the system in a stream of its own (reparse tag 80000017), "
                                + "which is not unpacked yet.");
            }
            if (tag == LINK || tag == MOUNT_POINT) {
                return Optional.of(
                        "It is a link" + target(b, a, tag == LINK ? 20 : 16) + ", not a file with content of its own.");
            }
        }
        return Optional.empty();
    }

    /** The target as it is shown to people: offset and length stand at bytes 12 and 14 (MS-FSCC section 2.1.2.4). */
    private static String target(byte[] b, Attribute a, int pathsAt) {
        if (a.size() < pathsAt) {
            return "";
        }
        int from = pathsAt + u16(b, a.valueAt() + 12);
        int length = u16(b, a.valueAt() + 14);
        return length == 0 || from + length > a.size()
                ? ""
                : " to " + new String(b, a.valueAt() + from, length, StandardCharsets.UTF_16LE);
    }
}
