package org.brantel.core.explain;

import static org.brantel.core.source.LittleEndian.u16;
import static org.brantel.core.source.LittleEndian.u32;
import static org.brantel.core.source.LittleEndian.u8;

import java.util.List;

/**
 * What the bytes of a file's record are, for each family. The layouts are those that the readers describe in full
 * ({@code DirectoryEntry}, {@code EntrySet}, {@code MftRecord}, {@code Inode}, {@code IsoRecord}, {@code UdfEntry});
 * here they are only named for people.
 */
final class RecordStructures {

    /** @param length bytes of a record that are shown at most */
    record Shape(String title, int length) {}

    private RecordStructures() {}

    static Shape shapeOf(String fs) {
        return switch (fs) {
            case "fat12", "fat16", "fat32" -> new Shape("Entry in its folder", 32);
            case "exfat" -> new Shape("Entries in its folder", 32 * 19);
            case "ntfs" -> new Shape("Record of the file table", 1024);
            case "ext2", "ext3", "ext4" -> new Shape("Inode", 160);
            case "iso9660" -> new Shape("Record in its folder", 255);
            case "udf" -> new Shape("File entry", 216);
            default -> new Shape("Record", 64);
        };
    }

    static List<Step.Field> fields(String fs, byte[] b) {
        return switch (fs) {
            case "fat12", "fat16", "fat32" -> fat(b, fs.equals("fat32"));
            case "exfat" -> exfat(b);
            case "ntfs" -> ntfs(b);
            case "ext2", "ext3", "ext4" -> inode(b);
            case "iso9660" -> iso(b);
            case "udf" -> udf(b);
            default -> List.of();
        };
    }

    /** How many of the shown bytes the record takes. */
    static int lengthOf(String fs, byte[] b) {
        return switch (fs) {
            case "exfat" -> Math.min(b.length, (u8(b, 1) + 1) * 32);
            case "ntfs" -> (int) Math.max(64, Math.min(b.length, u32(b, 24)));
            case "iso9660" -> Math.min(b.length, Math.max(34, u8(b, 0)));
            default -> b.length;
        };
    }

    private static List<Step.Field> fat(byte[] b, boolean wide) {
        Structure s = new Structure(b);
        boolean deleted = u8(b, 0) == 0xe5;
        s.text(deleted ? "name, first letter replaced by the mark of a deleted entry" : "name", 0, 11);
        s.flags("attributes", 11, 1, "read-only", "hidden", "system", "label", "folder", "archive");
        s.dosTime("created", 14, 4).dosTime("accessed", 18, 2);
        if (wide) {
            s.count("first cluster, upper half", 20, 2);
        }
        return s.dosTime("changed", 22, 4)
                .count("first cluster", 26, 2)
                .count("bytes", 28, 4)
                .fields();
    }

    private static List<Step.Field> exfat(byte[] b) {
        Structure s = new Structure(b);
        s.add("type", 0, 1, (u8(b, 0) & 0x80) != 0 ? "file, in use" : "file, deleted");
        s.count("entries that follow", 1, 1)
                .flags("checksum", 2, 2)
                .flags("attributes", 4, 2, "read-only", "hidden", "system", "", "folder", "archive");
        s.dosTime("created", 8, 4).dosTime("changed", 12, 4).dosTime("accessed", 16, 4);
        if (s.fits(32, 32)) {
            s.flags("stream: flags", 33, 1, "has clusters", "in one piece")
                    .count("characters of the name", 35, 1)
                    .count("bytes written", 40, 8)
                    .count("first cluster", 52, 4)
                    .count("bytes", 56, 8);
        }
        for (int at = 64; at + 32 <= b.length && (u8(b, at) & 0x7f) == 0x41; at += 32) {
            s.wide("name", at + 2, 30);
        }
        return s.fields();
    }

    private static List<Step.Field> ntfs(byte[] b) {
        Structure s = new Structure(b);
        s.text("signature", 0, 4)
                .count("update sequence at", 4, 2)
                .count("its values", 6, 2)
                .count("sequence", 16, 2)
                .count("names", 18, 2)
                .count("attributes at", 20, 2)
                .flags("flags", 22, 2, "in use", "folder")
                .count("bytes in use", 24, 4)
                .count("continues record", 32, 6)
                .count("number", 44, 4);
        int at = u16(b, 20);
        for (int i = 0; i < 32 && s.fits(at, 16) && u32(b, at) != 0xffffffffL; i++) {
            int length = (int) Math.min(u32(b, at + 4), 65536);
            if (length < 16) {
                break;
            }
            attribute(s, b, at, length);
            at += length;
        }
        return s.fields();
    }

    private static void attribute(Structure s, byte[] b, int at, int length) {
        int type = (int) u32(b, at);
        boolean resident = u8(b, at + 8) == 0;
        String name =
                switch (type) {
                    case 0x10 -> "times and attributes";
                    case 0x20 -> "list of further records";
                    case 0x30 -> "name";
                    case 0x80 -> "content";
                    case 0x90 -> "index";
                    case 0xa0 -> "index blocks";
                    case 0xb0 -> "bitmap";
                    case 0xc0 -> "link or other meaning";
                    default -> String.format("attribute %02X", type);
                };
        s.add(name, at, 8, length + " bytes, " + (resident ? "in the record" : "in clusters"));
        int value = at + (s.fits(at + 20, 2) ? u16(b, at + 20) : 24);
        if (resident && type == 0x10) {
            s.ticks("created", value)
                    .ticks("changed", value + 8)
                    .ticks("record changed", value + 16)
                    .ticks("accessed", value + 24)
                    .flags("attributes", value + 32, 4, "read-only", "hidden", "system", "", "", "archive");
        } else if (resident && type == 0x30 && s.fits(value, 66)) {
            s.count("record of its folder", value, 6)
                    .count("sequence of its folder", value + 6, 2)
                    .wide("name", value + 66, u8(b, value + 64) * 2);
        } else if (!resident && s.fits(at, 64)) {
            s.count("bytes allocated", at + 40, 8).count("bytes", at + 48, 8).count("bytes written", at + 56, 8);
            int runs = at + u16(b, at + 32);
            s.add(
                    "runs",
                    runs,
                    Math.max(0, Math.min(at + length, b.length) - runs),
                    "length and place of each, in clusters");
        } else if (resident && type == 0x80 && s.fits(at + 16, 4)) {
            s.add(
                    "its bytes",
                    value,
                    (int) Math.max(0, Math.min(u32(b, at + 16), b.length - value)),
                    u32(b, at + 16) + " bytes of content");
        }
    }

    private static List<Step.Field> inode(byte[] b) {
        Structure s = new Structure(b);
        s.add(
                "mode",
                0,
                2,
                (u16(b, 0) >> 12 == 8 ? "file" : u16(b, 0) >> 12 == 4 ? "folder" : "other") + ", "
                        + Integer.toOctalString(u16(b, 0) & 07777));
        s.count("bytes, lower half", 4, 4)
                .seconds("accessed", 8)
                .seconds("inode changed", 12)
                .seconds("content changed", 16)
                .seconds("deleted", 20)
                .count("names", 26, 2)
                .flags("flags", 32, 4)
                .count("generation", 100, 4)
                .count("bytes, upper half", 108, 4);
        boolean extents = (u32(b, 32) & 0x80000) != 0;
        if (extents) {
            s.count("extents: entries", 42, 2).count("extents: depth", 46, 2);
            for (int i = 0; i < Math.min(4, u16(b, 42)) && u16(b, 46) == 0; i++) {
                int at = 52 + i * 12;
                s.add(
                        "extent " + (i + 1),
                        at,
                        12,
                        u16(b, at + 4) % 32768 + " blocks at block " + (u32(b, at + 8) | (long) u16(b, at + 6) << 32)
                                + ", from block " + u32(b, at) + " of the file");
            }
        } else {
            s.add("blocks", 40, 48, "the first 12 of them")
                    .count("block of blocks", 88, 4)
                    .count("block of those", 92, 4)
                    .count("block of those", 96, 4);
        }
        return s.seconds("created", 144).fields();
    }

    private static List<Step.Field> iso(byte[] b) {
        Structure s = new Structure(b);
        return s.count("bytes of the record", 0, 1)
                .count("first block", 2, 4)
                .count("bytes", 10, 4)
                .add("recorded", 18, 7, "year - 1900, month, day, hour, minute, second, zone")
                .flags("flags", 25, 1, "hidden", "folder", "", "", "", "", "", "goes on")
                .count("bytes of the name", 32, 1)
                .text("name", 33, s.fits(32, 1) ? u8(b, 32) : 0)
                .fields();
    }

    private static List<Step.Field> udf(byte[] b) {
        Structure s = new Structure(b);
        boolean extended = u16(b, 0) == 266;
        s.add("tag", 0, 16, extended ? "extended file entry" : "file entry")
                .count("type", 27, 1)
                .count("bytes", 56, 8);
        return s.count("bytes of extended attributes", extended ? 208 : 168, 4)
                .count("bytes of places", extended ? 212 : 172, 4)
                .fields();
    }
}
