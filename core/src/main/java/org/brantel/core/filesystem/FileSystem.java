package org.brantel.core.filesystem;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.Range;

/** A volume that a reader knows: what it is, what it lists, what it deleted, what it has free. */
public interface FileSystem {

    VolumeFacts facts();

    /** Whether what its head points to stands there; a head found somewhere by itself proves nothing. */
    boolean stands() throws IOException;

    /** The volume's free space, on the medium; nothing is told of what is malformed. */
    List<Range> free() throws IOException;

    /** Reads every record, live and deleted, to the sink. */
    Walked walk(Walk walk) throws IOException;
}
