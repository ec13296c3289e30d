package org.brantel.server.asks;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Something that can be done about a question: a place is opened, or a request is made.
 *
 * @param opens the part of the docket that it opens; absent where it makes a request
 * @param call  the request that it makes
 * @param undo  how that is taken back; absent where it cannot be
 */
public record Action(
        String label,
        @Nullable Place opens,
        @Nullable Call call,
        @Nullable Undo undo) {

    /** How a request is made. */
    public enum Method {
        POST,
        PUT,
        DELETE
    }

    /**
     * A request.
     *
     * @param path   of this API; a name in braces is taken from the answer to the action's own request
     * @param body   absent for none
     */
    public record Call(Method method, String path, @Nullable Map<String, Object> body) {

        public static Call post(String path) {
            return new Call(Method.POST, path, null);
        }

        public static Call post(String path, Map<String, Object> body) {
            return new Call(Method.POST, path, body);
        }
    }

    /** @param words what was done, in a sentence that is shown while it can be taken back */
    public record Undo(String words, Call call) {}

    /** Opens a part of the docket. */
    public static Action open(String label, Place place) {
        return new Action(label, place, null, null);
    }

    /** Makes a request that cannot be taken back. */
    public static Action call(String label, Call call) {
        return new Action(label, null, call, null);
    }

    /** Makes a request that has its opposite. */
    public static Action call(String label, Call call, String done, Call opposite) {
        return new Action(label, null, call, new Undo(done, opposite));
    }
}
