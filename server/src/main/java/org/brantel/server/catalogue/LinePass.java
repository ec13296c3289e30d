package org.brantel.server.catalogue;

import java.io.IOException;
import java.util.Collection;
import java.util.List;
import org.brantel.server.work.StopRequest;
import org.springframework.stereotype.Component;

/** Goes over all lines of some kinds of a catalogue, a lot at a time. */
@Component
public class LinePass {

    private static final int LOT = 100;

    private final Catalogues catalogues;

    LinePass(Catalogues catalogues) {
        this.catalogues = catalogues;
    }

    /** What is done with the lines. */
    public interface Over {

        /** A lot comes next; refuses where its case is closed to it meanwhile. */
        void lot(List<Catalogues.Selected> lines) throws IOException;

        void line(Catalogues.Selected line) throws IOException;
    }

    /** @return whether it was stopped before its end */
    public boolean over(String number, Collection<String> kinds, StopRequest stop, Over over) throws IOException {
        long after = 0;
        while (true) {
            List<Catalogues.Selected> lot = catalogues.ofKinds(number, kinds, after, LOT);
            over.lot(lot);
            if (lot.isEmpty()) {
                return false;
            }
            for (Catalogues.Selected line : lot) {
                if (stop.getAsBoolean()) {
                    return true;
                }
                over.line(line);
            }
            after = lot.get(lot.size() - 1).finding().id();
        }
    }
}
