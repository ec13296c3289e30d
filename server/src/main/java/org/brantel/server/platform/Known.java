package org.brantel.server.platform;

import java.util.Map;

/** What must be there by then. */
public final class Known {

    private Known() {}

    /**
     * The value of a key that the map was made for.
     *
     * @throws IllegalStateException naming the key that is not there
     */
    public static <K, V> V in(Map<K, V> map, K key) {
        V value = map.get(key);
        if (value == null) {
            throw new IllegalStateException("nothing is known of " + key);
        }
        return value;
    }
}
