package org.brantel.server.proof;

import java.io.IOException;
import org.brantel.server.catalogue.Catalogues;

/** One way of showing content. */
interface Showing {

    /** Whether it shows content of a kind. */
    boolean shows(String kind);

    /** @throws IOException when the image cannot be read, or the content is damaged */
    Preview of(Catalogues.Selected line) throws IOException;
}
