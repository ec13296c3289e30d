package org.brantel.core.kind.data;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/** Databases, fonts and images of discs. */
public final class DataFiles {

    /** In the order in which one that is two of them is taken. */
    public static final List<ContentKind> ALL = List.of(new Sqlite(), new OpenType(), new IsoImage());

    private DataFiles() {}
}
