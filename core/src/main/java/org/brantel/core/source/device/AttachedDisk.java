package org.brantel.core.source.device;

import java.util.List;
import org.brantel.core.source.Identity;

/**
 * A disk that the kernel has attached to this machine.
 *
 * @param node       its device node, like {@code /dev/sdb}
 * @param name       a name that stays when the node changes: the best link of /dev/disk/by-id, else the node's own
 * @param readOnly   whether the kernel refuses to write to it
 * @param partitions nodes of its partitions
 * @param inUse      why it is not offered for reading (mounted, swapped to, part of another device); empty when it may
 *                   be
 */
public record AttachedDisk(
        String node,
        String name,
        Identity identity,
        int sectorSize,
        boolean readOnly,
        boolean removable,
        List<String> partitions,
        String inUse) {

    public AttachedDisk {
        partitions = List.copyOf(partitions);
    }

    public boolean isOffered() {
        return inUse.isEmpty();
    }
}
