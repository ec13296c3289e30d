package org.brantel.core.volume;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.brantel.core.families.Families;
import org.brantel.core.source.Source;

/**
 * What the partition tables of a medium list. An image does not know the sectors of the device that it is of: the size
 * is the one under which a table is found.
 */
public final class PartitionTables {

    private PartitionTables() {}

    /** Partitions that lie on the medium, in the order of their table; what does not is told to {@code problems}. */
    public static List<Partition> read(Source source, List<String> problems) throws IOException {
        Set<Integer> sizes = new LinkedHashSet<>(List.of(Math.max(512, source.sectorSize()), 512, 4096));
        for (int sectorBytes : sizes) {
            List<Partition> partitions = guid(source, sectorBytes, problems);
            if (!partitions.isEmpty()) {
                return partitions;
            }
        }
        List<Partition> best = List.of();
        List<String> ofBest = new ArrayList<>();
        long most = -1;
        for (int sectorBytes : sizes) {
            List<String> said = new ArrayList<>();
            List<Partition> partitions = MasterBootRecord.read(source, sectorBytes, said);
            long heads = 0;
            for (Partition p : partitions) {
                heads += Families.recognises(source, p.range()) ? 1 : 0;
            }
            // The table alone does not tell the sector size: the size under which it leads to something is the right
            // one.
            if (heads > most) {
                most = heads;
                best = partitions;
                ofBest = said;
            }
        }
        problems.addAll(ofBest);
        return best;
    }

    private static List<Partition> guid(Source source, int sectorBytes, List<String> problems) throws IOException {
        List<String> said = new ArrayList<>();
        Optional<GuidTable.Read> primary = GuidTable.read(source, sectorBytes, sectorBytes, GuidTable.NAME, said);
        long lastSector = source.size() / sectorBytes * sectorBytes - sectorBytes;
        boolean needsBackup = primary.isEmpty() || !primary.get().sound();
        Optional<GuidTable.Read> backup = needsBackup
                ? GuidTable.read(source, sectorBytes, lastSector, GuidTable.BACKUP_NAME, said)
                : Optional.empty();
        if (primary.isEmpty() && backup.isEmpty()) {
            return List.of();
        }
        problems.addAll(said);
        if (primary.isEmpty()) {
            problems.add("The GUID table at the medium's start is gone; its copy at the end is used.");
        }
        GuidTable.Read chosen = primary.isPresent()
                        && (primary.get().sound()
                                || backup.isEmpty()
                                || !backup.get().sound())
                ? primary.get()
                : backup.get();
        List<Partition> all = new ArrayList<>(chosen.partitions());
        // A hybrid medium lists some partitions in the old table as well, and some there alone.
        List<String> ofOld = new ArrayList<>();
        for (Partition p : MasterBootRecord.read(source, sectorBytes, ofOld)) {
            boolean known = p.type().equals("ee")
                    || all.stream().anyMatch(q -> q.range().overlaps(p.range()));
            if (!known) {
                all.add(p);
            }
        }
        return all;
    }
}
