package org.brantel.core.filesystem;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.function.LongPredicate;

/** Places on a medium, in bytes and ascending, where something begins like a head of a volume or a record of one. */
public final class Signs {

    /** A boot sector, or a head that names its family. */
    public static final Sign HEAD = new Sign("head");

    /** What a sector begins like. Each family has its own besides {@link #HEAD}; one is the same as itself alone. */
    public static final class Sign {
        private final String name;

        public Sign(String name) {
            this.name = name;
        }

        @Override
        public String toString() {
            return name;
        }
    }

    /** Places in the order in which they were met. */
    private static final class Places {
        private long[] at = new long[16];
        private int count;

        void add(long place) {
            if (count == at.length) {
                at = Arrays.copyOf(at, count * 2);
            }
            at[count++] = place;
        }

        /** Two families may know the same head. */
        boolean endsWith(long place) {
            return count > 0 && at[count - 1] == place;
        }

        long[] all() {
            return Arrays.copyOf(at, count);
        }
    }

    private final Map<Sign, Places> bySign = new HashMap<>();

    public void add(Sign sign, long place) {
        Places places = bySign.computeIfAbsent(sign, s -> new Places());
        if (!places.endsWith(place)) {
            places.add(place);
        }
    }

    public long[] of(Sign sign) {
        Places places = bySign.get(sign);
        return places == null ? new long[0] : places.all();
    }

    /** Those of them at places that are meant. */
    public Signs at(LongPredicate meant) {
        Signs some = new Signs();
        bySign.forEach(
                (sign, places) -> Arrays.stream(places.all()).filter(meant).forEach(place -> some.add(sign, place)));
        return some;
    }
}
