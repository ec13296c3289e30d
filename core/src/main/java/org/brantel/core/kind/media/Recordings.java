package org.brantel.core.kind.media;

import java.util.List;
import org.brantel.core.kind.ContentKind;

/** Sound and film. */
public final class Recordings {

    /** In the order in which one that is two of them is taken. */
    public static final List<ContentKind> ALL = List.of(
            new IsoMedia(), new Riff(), new Aiff(), new Midi(), new Matroska(), new Flac(), new Ogg(), new Mp3());

    private Recordings() {}
}
