package org.brantel.core.finding;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.brantel.core.content.Extent;
import org.brantel.core.content.FileContent;
import org.brantel.core.content.Packing;
import org.brantel.core.source.Source;

/**
 * One file that a scan session found. Names are as found on the medium; they are made safe only when written out.
 *
 * @param id            number within the session, from 1
 * @param volume        index of its volume in the session, or null
 * @param path          absolute within the volume, parts joined by '/', or null when no record names it
 * @param size          bytes of the content
 * @param kind          code of {@link org.brantel.core.kinds.Kinds}
 * @param score         0 to 100, how far the prognosis can be trusted to mean every byte
 * @param reasons       in words, with the numbers behind them
 * @param extents       where the bytes are in the source, in file order; may hold less than {@code size}
 * @param encoding      how the stored bytes become the content, or null where they are the content
 * @param created       UTC; null where none is kept
 * @param sha256        hex; null unless asked for and fully read
 * @param suggestedName from what the content says, for nameless findings; never posing as the original
 * @param container     id of the finding that holds this one, or null
 * @param record        what else its record says; {@link RecordFacts#NONE} without a record
 * @param about         what the content says of itself, by {@link org.brantel.core.kind.About}'s words
 */
public record Finding(
        long id,
        Integer volume,
        String path,
        String name,
        long size,
        String kind,
        Origin origin,
        Prognosis prognosis,
        int score,
        List<String> reasons,
        List<Extent> extents,
        Packing encoding,
        Instant created,
        Instant modified,
        Instant accessed,
        String sha256,
        String suggestedName,
        Long container,
        String note,
        RecordFacts record,
        Map<String, String> about) {

    public Finding {
        about = about == null ? Map.of() : Collections.unmodifiableMap(new TreeMap<>(about));
        reasons = List.copyOf(reasons);
        extents = List.copyOf(extents);
    }

    public Finding withId(long newId) {
        Parts parts = new Parts(this);
        parts.id = newId;
        return parts.together();
    }

    public Finding judged(Prognosis newPrognosis, int newScore, List<String> newReasons) {
        Parts parts = new Parts(this);
        parts.prognosis = newPrognosis;
        parts.score = newScore;
        parts.reasons = newReasons;
        return parts.together();
    }

    public Finding withRecord(RecordFacts facts) {
        Parts parts = new Parts(this);
        parts.record = facts;
        return parts.together();
    }

    public Finding withContainer(long holder) {
        Parts parts = new Parts(this);
        parts.container = holder;
        return parts.together();
    }

    public Finding withHash(String hex) {
        Parts parts = new Parts(this);
        parts.sha256 = hex;
        return parts.together();
    }

    public Finding withAbout(Map<String, String> facts) {
        Parts parts = new Parts(this);
        parts.about = facts;
        return parts.together();
    }

    /** A carving hit on the same bytes supports this finding. */
    public Finding joinedByCarving() {
        Parts parts = new Parts(this);
        parts.reasons = new ArrayList<>(reasons);
        parts.reasons.add("Carving found the same bytes by their content alone.");
        parts.note = ALSO_CARVED;
        return parts.together();
    }

    /** What a finding is made of, while one like it is put together with something changed. */
    private static final class Parts {
        private long id;
        private Integer volume;
        private String path;
        private String name;
        private long size;
        private String kind;
        private Origin origin;
        private Prognosis prognosis;
        private int score;
        private List<String> reasons;
        private List<Extent> extents;
        private Packing encoding;
        private Instant created;
        private Instant modified;
        private Instant accessed;
        private String sha256;
        private String suggestedName;
        private Long container;
        private String note;
        private RecordFacts record;
        private Map<String, String> about;

        Parts(Finding of) {
            id = of.id;
            volume = of.volume;
            path = of.path;
            name = of.name;
            size = of.size;
            kind = of.kind;
            origin = of.origin;
            prognosis = of.prognosis;
            score = of.score;
            reasons = of.reasons;
            extents = of.extents;
            encoding = of.encoding;
            created = of.created;
            modified = of.modified;
            accessed = of.accessed;
            sha256 = of.sha256;
            suggestedName = of.suggestedName;
            container = of.container;
            note = of.note;
            record = of.record;
            about = of.about;
        }

        Finding together() {
            return new Finding(
                    id,
                    volume,
                    path,
                    name,
                    size,
                    kind,
                    origin,
                    prognosis,
                    score,
                    reasons,
                    extents,
                    encoding,
                    created,
                    modified,
                    accessed,
                    sha256,
                    suggestedName,
                    container,
                    note,
                    record,
                    about);
        }
    }

    /** The note of a finding that carving supports as well. */
    public static final String ALSO_CARVED = "also carved";

    /** The content, to be read from the source that it was found on. */
    public FileContent content(Source source) {
        return new FileContent(source, extents, size, encoding);
    }

    /** Where the first stored byte is, or -1 for a file that stores none. */
    public long firstByte() {
        for (Extent e : extents) {
            if (!e.isHole()) {
                return e.offset();
            }
        }
        return -1;
    }
}
