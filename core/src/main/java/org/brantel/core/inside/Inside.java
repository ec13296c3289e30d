package org.brantel.core.inside;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.brantel.core.bytes.ByteView;

/** Lists what content holds, as far as a person looks. */
public final class Inside {

    /** So many rows of a table are shown. */
    static final int SHOWN = 200;

    /** What is listed of an archive's files; times are as the archive has them. */
    static final List<String> FILES = List.of("name", "bytes", "changed");

    private static final Set<String> ZIPS = Set.of("zip", "jar", "kmz");

    /**
     * @param rows  how many there are; {@link #NOT_KNOWN} where they are not counted
     * @param heads what the columns hold
     * @param cells the first rows
     */
    public record Table(String name, long rows, List<String> heads, List<List<String>> cells) {

        public static final long NOT_KNOWN = -1;
    }

    /** Even what it lists is closed by a password. */
    public static final class Locked extends IOException {

        private static final long serialVersionUID = 1L;

        Locked() {
            super("its list is closed by a password");
        }
    }

    private Inside() {}

    /** Whether content of a kind is listed. */
    public static boolean lists(String kind) {
        return ZIPS.contains(kind) || Set.of("tar", "7z", "rar", "sqlite").contains(kind);
    }

    /**
     * @throws Locked      where even the list asks for a password
     * @throws IOException where it cannot be read, or is not what its kind says
     */
    public static List<Table> of(String kind, ByteView content) throws IOException {
        if (ZIPS.contains(kind)) {
            return List.of(ZipNames.of(content));
        }
        return switch (kind) {
            case "7z" -> List.of(SevenZipNames.of(content));
            case "rar" -> List.of(RarNames.of(content));
            case "tar" -> List.of(TarNames.of(content));
            case "sqlite" -> SqliteTables.of(content);
            default -> throw new IOException("what is " + kind + " is not listed");
        };
    }
}
