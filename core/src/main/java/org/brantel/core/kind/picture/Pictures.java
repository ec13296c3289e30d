package org.brantel.core.kind.picture;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/** Pictures, as cameras and programs store them. */
public final class Pictures {

    /** In the order in which one that is two of them is taken. */
    public static final List<ContentKind> ALL =
            List.of(new Jpeg(), new Png(), new Gif(), new Bmp(), new Webp(), new Tiff(), new Psd());

    private Pictures() {}
}
