package org.brantel.server.catalogue;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.json.Json;
import org.brantel.core.wanted.WantedLine;

/** One distinct file of a case, with every session and origin that supports it. */
@Entity
@Table(name = "catalogue_line")
class CatalogueLine {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;
    @Column(updatable = false)
    private Long caseId;
    private String identityKey;
    private Long imagingId;
    private String path;
    private String name;
    private String kind;
    private long size;
    /** Words with a comma before and after each, so that {@code like '%,live,%'} finds one. */
    private String origins;
    @Enumerated(EnumType.STRING)
    private Prognosis prognosis;
    private int score;
    private long provenBytes;
    private String reasons;
    private String extents;
    private String encoding;
    private Integer volume;
    private Long toldBy;
    private Long recordAt;
    private String attributes;
    private Instant deleted;
    private String trashedFrom;
    private Instant created;
    private Instant modified;
    private Instant accessed;
    private String sha256;
    private String note;
    private String sessions;
    private String places;
    private String wanted;
    private boolean selected;

    protected CatalogueLine() { }

    CatalogueLine(Long caseId, String identityKey, Long imagingId, Finding finding, long session, long proven) {
        this.caseId = caseId;
        this.identityKey = identityKey;
        this.origins = ",";
        this.sessions = ",";
        this.places = "[]";
        this.wanted = ",";
        take(finding, imagingId, session, proven);
        support(finding, session);
    }

    /** The better of two findings of the same content speaks for the line: a named one before a nameless one. */
    void join(Finding finding, Long fromImaging, long session, long proven) {
        boolean better = path == null && finding.path() != null
                || (path == null) == (finding.path() == null) && finding.score() > score;
        if (better) {
            take(finding, fromImaging, session, proven);
        }
        support(finding, session);
    }

    private void take(Finding f, Long fromImaging, long session, long proven) {
        imagingId = fromImaging;
        volume = f.volume();
        toldBy = session;
        path = f.path();
        name = f.name();
        kind = f.kind();
        size = f.size();
        prognosis = f.prognosis();
        score = f.score();
        provenBytes = proven;
        reasons = Json.write(f.reasons());
        extents = Json.write(f.extents().stream().map(e -> new long[] {e.offset(), e.length()}).toList());
        encoding = f.encoding() == null ? null : f.encoding().word();
        created = f.created();
        modified = f.modified();
        accessed = f.accessed();
        sha256 = f.sha256();
        note = f.note();
        recordAt = f.record().at();
        attributes = f.record().attributes().isEmpty() ? null : String.join(",", f.record().attributes());
        deleted = f.record().deleted();
        trashedFrom = f.record().trashedFrom();
    }

    private void support(Finding f, long session) {
        origins = with(origins, f.origin().word());
        if (Finding.ALSO_CARVED.equals(f.note())) {
            origins = with(origins, Origin.CARVED.word());
        }
        sessions = with(sessions, Long.toString(session));
        if (f.path() != null) {
            Set<String> all = new LinkedHashSet<>(placeList());
            all.add(f.path());
            places = Json.write(all);
        }
    }

    private static String with(String list, String word) {
        return list.contains("," + word + ",") ? list : list + word + ",";
    }

    private static List<String> words(String list) {
        return Arrays.stream(list.split(",")).filter(w -> !w.isEmpty()).toList();
    }

    /** Marks which wanted lines it fits. */
    void fit(List<WantedLine> lines) {
        StringBuilder fits = new StringBuilder(",");
        lines.stream().filter(l -> l.fits(kind, path, name, size, modified)).forEach(l -> fits.append(l.id()).append(','));
        wanted = fits.toString();
    }

    void select(boolean yes) {
        selected = yes;
    }

    Long id() {
        return id;
    }

    /** The session that speaks for the line; null for lines of before that was kept. */
    Long toldBy() {
        return toldBy;
    }

    Long imagingId() {
        return imagingId;
    }

    String identityKey() {
        return identityKey;
    }

    private List<String> placeList() {
        return Arrays.asList(read(places, String[].class));
    }

    private <T> T read(String json, Class<T> type) {
        try {
            return Json.read(json, type, "catalogue line", String.valueOf(id));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private List<Extent> extentList() {
        List<Extent> all = new ArrayList<>();
        for (long[] e : read(extents, long[][].class)) {
            all.add(new Extent(e[0], e[1]));
        }
        return all;
    }

    CatalogueViews.Line view() {
        return new CatalogueViews.Line(id, path, name, kind, size, words(origins), prognosis.word(), score, provenBytes,
                Arrays.asList(read(reasons, String[].class)), extentList(), created, modified, sha256, placeList(),
                words(sessions).stream().map(Long::valueOf).toList(), words(wanted).stream().map(Long::valueOf).toList(), selected, record());
    }

    /** As the engine knows it; its number is the line's. */
    Finding finding() {
        return new Finding(id, volume, path, name, size, kind, Origin.LIVE, prognosis, score,
                Arrays.asList(read(reasons, String[].class)), extentList(), Packing.ofWord(encoding), created, modified, accessed, sha256, null, null, note, record());
    }

    private RecordFacts record() {
        return new RecordFacts(recordAt, attributes == null ? List.of() : List.of(attributes.split(",")), deleted, trashedFrom);
    }
}
