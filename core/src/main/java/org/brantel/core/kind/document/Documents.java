package org.brantel.core.kind.document;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/** Documents that are no archives. */
public final class Documents {

    /** In the order in which one that is two of them is taken. */
    public static final List<ContentKind> ALL = List.of(new Pdf(), new CompoundFile(), new Rtf());

    private Documents() {}
}
