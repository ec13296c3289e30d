package org.brantel.server.workers;

import java.io.IOException;

/**
 * Work on what may be hostile, done in a process of its own. A chore has a constructor without parameters and keeps
 * nothing between two files.
 */
public interface Chore {

    /** It is not done, and the sentence says why. */
    final class Refused extends IOException {
        private static final long serialVersionUID = 1L;

        public Refused(String sentence) {
            super(sentence);
        }

        /** The sentence. */
        public String sentence() {
            return String.valueOf(getMessage());
        }
    }

    /**
     * @param what    is asked of it, in words of its own
     * @param content that it is done on
     * @throws Refused     saying why it is not done
     * @throws IOException when the content is damaged
     */
    byte[] work(String what, byte[] content) throws IOException;
}
