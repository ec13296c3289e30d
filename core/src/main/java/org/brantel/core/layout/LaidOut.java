package org.brantel.core.layout;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.brantel.core.finding.Standing;
import org.brantel.core.kinds.Kinds;
import org.jspecify.annotations.Nullable;

/**
 * The paths of a selection: no path leaves the delivery, and no two are the same on the system that opens it. The same
 * selection gets the same paths every time.
 */
public final class LaidOut {

    /**
     * Where a file lies.
     *
     * @param path    relative, parts joined by '/'
     * @param changes what of its name or folders could not stay; empty for most
     */
    public record Place(String path, Set<Change> changes) {}

    private static final String NO_NAME = "no name kept";

    private final Layout layout;
    private final NameRules rules;
    private final boolean byVolume;
    private final Set<String> taken = new HashSet<>();
    private final Set<String> folders = new HashSet<>();

    private LaidOut(Layout layout, NameRules rules, boolean byVolume) {
        this.layout = layout;
        this.rules = rules;
        this.byVolume = byVolume;
    }

    /** @return by the numbers of the files, in their order */
    public static Map<Long, Place> plan(Iterable<Placeable> selection, Layout layout, NameRules rules) {
        Set<Integer> volumes = new HashSet<>();
        selection.forEach(f -> {
            if (f.volume() != null) {
                volumes.add(f.volume());
            }
        });
        LaidOut laidOut = new LaidOut(layout, rules, volumes.size() > 1);
        Map<Long, Place> wanted = new LinkedHashMap<>();
        // Folders first, so that no file takes the name of a folder that a later file needs.
        for (Placeable f : selection) {
            Place place = laidOut.wanted(f);
            wanted.put(f.id(), place);
            laidOut.noteFolders(place.path());
        }
        selection.forEach(f -> wanted.computeIfPresent(f.id(), (id, place) -> laidOut.free(place, f.day())));
        return wanted;
    }

    private Place wanted(Placeable f) {
        Set<Change> changes = EnumSet.noneOf(Change.class);
        List<String> parts = new ArrayList<>();
        Standing stands = f.stands();
        if (layout == Layout.BY_DAY) {
            parts.add(
                    f.day() == null
                            ? "day not known"
                            : String.format(Locale.ROOT, "%04d", f.day().getYear()));
            if (f.day() != null) {
                parts.add(f.day().toString());
            }
        } else if (layout == Layout.BY_KIND) {
            parts.add(kindWords(f.kind()));
        }
        if (stands == null) {
            if (layout == Layout.AS_IT_STOOD) {
                parts.add("found by content");
                parts.add(part(f.kind(), changes));
            } else {
                parts.add(NO_NAME);
            }
        } else if (layout != Layout.BY_DAY) {
            if (f.image() > 1) {
                parts.add("image " + f.image());
            }
            if (byVolume && f.volume() != null) {
                parts.add("volume " + (f.volume() + 1));
            }
            stands.folders().forEach(folder -> parts.add(part(folder, changes)));
        }
        String given = f.given();
        if (given != null) {
            changes.add(Change.RENAMED);
        }
        parts.add(part(given != null ? given : stands == null ? f.name() : stands.name(), changes));
        return new Place(Parts.fitted(parts, rules, changes), changes);
    }

    private static String kindWords(String kind) {
        return switch (Kinds.groupOf(kind)) {
            case "image" -> "pictures";
            case "document" -> "documents";
            case "sheet" -> "tables";
            case "slides" -> "slides";
            case "audio" -> "sound";
            case "video" -> "films";
            case "archive" -> "archives";
            case "mail" -> "mail";
            case "database" -> "databases";
            default -> "other";
        };
    }

    private String part(String name, Set<Change> changes) {
        return Parts.part(name, rules, changes);
    }

    private void noteFolders(String path) {
        for (int slash = path.indexOf('/'); slash >= 0; slash = path.indexOf('/', slash + 1)) {
            folders.add(rules.key(path.substring(0, slash)));
        }
    }

    private Place free(Place place, @Nullable LocalDate day) {
        String path = place.path();
        if (isFree(path)) {
            return place;
        }
        if (day != null && layout != Layout.BY_DAY) {
            path = told(path, day.toString());
            place.changes().add(Change.DATED);
            if (isFree(path)) {
                return new Place(path, place.changes());
            }
        }
        place.changes().add(Change.NUMBERED);
        String numbered = told(path, "2");
        for (int n = 3; !isFree(numbered); n++) {
            numbered = told(path, String.valueOf(n));
        }
        return new Place(numbered, place.changes());
    }

    /** Takes a path, if nobody has it. */
    private boolean isFree(String path) {
        return !folders.contains(rules.key(path)) && taken.add(rules.key(path));
    }

    /** A name with something that tells it apart, before its ending. */
    private static String told(String path, String by) {
        int slash = path.lastIndexOf('/');
        int dot = path.lastIndexOf('.');
        return dot > slash + 1
                ? path.substring(0, dot) + " (" + by + ")" + path.substring(dot)
                : path + " (" + by + ")";
    }
}
