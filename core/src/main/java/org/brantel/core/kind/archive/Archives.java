package org.brantel.core.kind.archive;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/** Archives and packed files, and the documents that are archives. */
public final class Archives {

    /** In the order in which one that is two of them is taken. */
    public static final List<ContentKind> ALL =
            List.of(new Zip(), new SevenZip(), new Rar(), new Gzip(), new Xz(), new Zstd(), new Bzip2(), new Tar());

    private Archives() {}
}
