package org.brantel.core.filesystem.ext;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.Extent;
import org.brantel.core.content.FileContent;
import org.brantel.core.filesystem.Bitmaps;
import org.brantel.core.filesystem.Problems;
import org.brantel.core.filesystem.Space;
import org.brantel.core.source.Source;

/**
 * Which blocks of an ext volume are in use: a bitmap in each group, a bit a cluster (EXT4 "Block and inode Bitmaps").
 */
final class ExtSpace {

    private ExtSpace() {}

    static Space read(Blocks blocks, Groups groups, Problems problems) throws IOException {
        Source source = blocks.source();
        Superblock sb = blocks.superblock();
        long all = (sb.blocks() - sb.firstDataBlock() + sb.blocksPerCluster() - 1) / sb.blocksPerCluster();
        long onMedium = Math.max(0, source.size() - sb.offset(sb.firstDataBlock())) / sb.clusterBytes() + 1;
        Space space = new Space(sb.offset(sb.firstDataBlock()), sb.clusterBytes(), 0, Math.min(all, onMedium));
        long perGroup = sb.blocksPerGroup() / sb.blocksPerCluster();
        long tableBytes =
                (sb.inodesPerGroup() * sb.inodeBytes() + sb.blockBytes() - 1) / sb.blockBytes() * sb.blockBytes();
        for (long g = 0; g < groups.count() && g * perGroup < space.count(); g++) {
            Groups.Group group = groups.group(g);
            long clusters = Math.min(perGroup, space.count() - g * perGroup);
            if (group == null || !sb.isBlock(group.blockBitmap())) {
                space.doubt(g * perGroup, clusters);
                continue;
            }
            // An unused bitmap was never written; the tables of other groups may lie in its group all the same.
            space.useBytes(new Range(sb.offset(group.inodeTable()), tableBytes));
            if (!group.bitmapUnused()) {
                FileContent bitmap = new FileContent(
                        source,
                        List.of(new Extent(sb.offset(blocks.standsIn(group.blockBitmap())), sb.blockBytes())),
                        sb.blockBytes(),
                        null);
                Bitmaps.use(bitmap, space, g * perGroup, clusters);
            }
        }
        if (space.unknownClusters() > 0) {
            problems.add("The allocation of " + space.unknownClusters() + " of " + space.count()
                    + " clusters is unknown: their bitmaps were not read.");
        }
        return space;
    }
}
