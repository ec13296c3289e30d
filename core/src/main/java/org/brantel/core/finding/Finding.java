package org.brantel.core.finding;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.brantel.core.content.Extent;
import org.brantel.core.content.FileContent;
import org.brantel.core.content.Packing;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/**
 * One file that a scan session found, put together of what it is called, when, how intact, what and by which evidence.
 * It answers for its parts.
 *
 * @param id     number within the session, from 1
 * @param volume index of its volume in the session, or null
 */
public record Finding(
        long id,
        @Nullable Integer volume,
        Origin origin,
        Named named,
        Times times,
        Verdict verdict,
        Content content,
        Evidence evidence) {

    /** The note of a finding that carving supports as well. */
    public static final String ALSO_CARVED = "also carved";

    public Finding withId(long newId) {
        return new Finding(newId, volume, origin, named, times, verdict, content, evidence);
    }

    public Finding judged(Verdict newVerdict) {
        return new Finding(id, volume, origin, named, times, newVerdict, content, evidence);
    }

    public Finding withRecord(RecordFacts facts) {
        return with(new Evidence(facts, container(), note()));
    }

    public Finding withContainer(long holder) {
        return with(new Evidence(record(), holder, note()));
    }

    public Finding withHash(@Nullable String hex) {
        return with(content.withSha256(hex));
    }

    public Finding withAbout(Map<String, String> facts) {
        return with(content.withAbout(facts));
    }

    /** Without what its content says of itself, and the name that was made from that. */
    public Finding withoutContents() {
        Named named = new Named(path(), name(), null);
        return new Finding(id, volume, origin, named, times, verdict, content.withAbout(Map.of()), evidence);
    }

    /** A carving hit on the same bytes supports this finding. */
    public Finding joinedByCarving() {
        List<String> reasons = new ArrayList<>(reasons());
        reasons.add("Carving found the same bytes by their content alone.");
        return judged(verdict.because(reasons)).with(new Evidence(record(), container(), ALSO_CARVED));
    }

    private Finding with(Content newContent) {
        return new Finding(id, volume, origin, named, times, verdict, newContent, evidence);
    }

    private Finding with(Evidence newEvidence) {
        return new Finding(id, volume, origin, named, times, verdict, content, newEvidence);
    }

    /** The content, to be read from the source that it was found on. */
    public FileContent content(Source source) {
        return new FileContent(source, extents(), size(), encoding());
    }

    /** Where the first stored byte is, or -1 for a file that stores none. */
    public long firstByte() {
        for (Extent e : extents()) {
            if (!e.isHole()) {
                return e.offset();
            }
        }
        return -1;
    }

    public @Nullable String path() {
        return named.path();
    }

    public String name() {
        return named.name();
    }

    public @Nullable String suggestedName() {
        return named.suggested();
    }

    public @Nullable Instant created() {
        return times.created();
    }

    public @Nullable Instant modified() {
        return times.modified();
    }

    public @Nullable Instant accessed() {
        return times.accessed();
    }

    public Prognosis prognosis() {
        return verdict.prognosis();
    }

    public int score() {
        return verdict.score();
    }

    public @Nullable Double proven() {
        return verdict.proven();
    }

    public List<String> reasons() {
        return verdict.reasons();
    }

    public long size() {
        return content.size();
    }

    public String kind() {
        return content.kind();
    }

    public List<Extent> extents() {
        return content.extents();
    }

    public @Nullable Packing encoding() {
        return content.encoding();
    }

    public @Nullable String sha256() {
        return content.sha256();
    }

    public Map<String, String> about() {
        return content.about();
    }

    public RecordFacts record() {
        return evidence.record();
    }

    public @Nullable Long container() {
        return evidence.container();
    }

    public @Nullable String note() {
        return evidence.note();
    }
}
