package org.brantel.server.catalogue;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.core.json.Json;
import org.brantel.core.wanted.Candidate;
import org.brantel.core.wanted.Fit;
import org.brantel.core.wanted.Fitting;
import org.jspecify.annotations.Nullable;

/** One distinct file of a case, with every session and origin that supports it. */
@Entity
@Table(name = "catalogue_line")
class CatalogueLine {

    private static final Comparator<CatalogueViews.Version> VERSIONS = Comparator.comparingInt(
                    CatalogueViews.Version::rank)
            .thenComparing(CatalogueViews.Version::origin)
            .thenComparing(v -> v.path() == null ? "" : v.path());

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "catalogue_line")
    @SequenceGenerator(name = "catalogue_line", sequenceName = "catalogue_line_ids", allocationSize = 500)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    private Long imagingId;
    private @Nullable Long mergedInto;
    private @Nullable String path;
    private String name;
    private String kind;
    private long size;
    /** Words with a comma before and after each, so that {@code like '%,live,%'} finds one. */
    private String origins;

    @Enumerated(EnumType.STRING)
    private Prognosis prognosis;

    private int score;
    private @Nullable Double proven;
    /** Of its bytes, how many are in the image. */
    private long readBytes;

    private String reasons;
    private String extents;
    private @Nullable String encoding;
    private @Nullable Integer volume;
    private Long toldBy;
    private @Nullable Long recordAt;
    private @Nullable String attributes;
    private @Nullable Instant deleted;
    private @Nullable String trashedFrom;
    private @Nullable Instant created;
    private @Nullable Instant modified;
    private @Nullable Instant accessed;
    private @Nullable String sha256;
    private @Nullable String note;
    private String nameOrigin;
    private @Nullable String suggestedName;
    private String about;
    /** How each session found it, by its number. */
    private String versions;

    private String sessions;
    private String places;
    /** Wanted lines that it fits, and those that it may fit, written like {@code origins}. */
    private String wanted;

    private String mayFit;
    /** A part of another finding, in every session that found it. */
    private boolean inside;

    /** Changed by {@link Selecting} alone, for many at once: a merge that has a line in hand never puts it back. */
    @Column(updatable = false)
    private boolean selected;

    @Column(insertable = false, updatable = false)
    private @Nullable Long selectionChange;

    protected CatalogueLine() {}

    CatalogueLine(Long caseId, Long imagingId, Finding finding, long session, long read) {
        this.caseId = caseId;
        this.origins = ",";
        this.sessions = ",";
        this.places = "[]";
        this.wanted = ",";
        this.mayFit = ",";
        this.inside = finding.container() != null;
        this.versions = "{}";
        takeContent(finding, imagingId, read);
        takeName(finding, session);
        support(finding, session);
    }

    /** The better content speaks for what there is, the better name for what it is called. */
    void join(Finding finding, Long fromImaging, long session, long read) {
        if (Catalogue.BETTER_CONTENT.compare(finding, finding()) < 0) {
            takeContent(finding, fromImaging, read);
        }
        if (Catalogue.BETTER_NAME.compare(finding, finding()) < 0) {
            takeName(finding, session);
        }
        support(finding, session);
        inside &= finding.container() != null;
    }

    /** Another line turned out to be the same file. */
    void absorb(CatalogueLine other) {
        if (Catalogue.BETTER_CONTENT.compare(other.finding(), finding()) < 0) {
            takeContent(other.finding(), other.imagingId, other.readBytes);
        }
        if (Catalogue.BETTER_NAME.compare(other.finding(), finding()) < 0) {
            takeName(other.finding(), other.toldBy);
        }
        words(other.origins).forEach(o -> origins = with(origins, o));
        words(other.sessions).forEach(o -> sessions = with(sessions, o));
        Set<String> all = new TreeSet<>(placeList());
        all.addAll(other.placeList());
        places = Json.write(all);
        Map<String, CatalogueViews.Version> both = versionMap();
        other.versionMap().forEach((session, v) -> both.merge(session, v, CatalogueLine::better));
        versions = Json.write(both);
        inside &= other.inside;
        selected |= other.selected;
        other.selected = false;
    }

    /** These bytes have this hash; said of all that the line is known by, it keeps that of its own. */
    void hashed(String place, String hex) {
        if (sha256 == null && place.equals(Catalogue.place(finding()))) {
            sha256 = hex;
        }
    }

    /** It is another line now, and no longer shown; what was recovered by it still leads here. */
    void mergedInto(Long other) {
        mergedInto = other;
    }

    private static CatalogueViews.Version better(CatalogueViews.Version a, CatalogueViews.Version b) {
        return VERSIONS.compare(a, b) <= 0 ? a : b;
    }

    private void takeContent(Finding f, Long fromImaging, long read) {
        imagingId = fromImaging;
        size = f.size();
        prognosis = f.prognosis();
        score = f.score();
        proven = f.proven();
        readBytes = read;
        reasons = Json.write(f.reasons());
        extents = StoredExtents.write(f.extents());
        encoding = f.encoding() == null ? null : f.encoding().word();
        sha256 = f.sha256();
        note = f.note();
        about = Json.write(f.about());
    }

    private void takeName(Finding f, Long session) {
        volume = f.volume();
        toldBy = session;
        path = f.path();
        name = f.name();
        kind = f.kind();
        nameOrigin = f.origin().word();
        suggestedName = f.suggestedName();
        created = f.created();
        modified = f.modified();
        accessed = f.accessed();
        recordAt = f.record().at();
        attributes = f.record().attributes().isEmpty()
                ? null
                : String.join(",", f.record().attributes());
        deleted = f.record().deleted();
        trashedFrom = f.record().trashedFrom();
    }

    private void support(Finding f, long session) {
        origins = with(origins, f.origin().word());
        if (Finding.ALSO_CARVED.equals(f.note())) {
            origins = with(origins, Origin.CARVED.word());
        }
        sessions = with(sessions, Long.toString(session));
        Map<String, CatalogueViews.Version> known = versionMap();
        known.merge(
                Long.toString(session),
                new CatalogueViews.Version(Catalogue.rank(f), f.prognosis(), f.score(), f.origin(), f.path()),
                CatalogueLine::better);
        versions = Json.write(known);
        if (f.path() != null) {
            Set<String> all = new TreeSet<>(placeList());
            all.add(f.path());
            places = Json.write(all);
        }
    }

    private static String with(String list, String word) {
        return list.contains("," + word + ",") ? list : list + word + ",";
    }

    private Map<String, CatalogueViews.Version> versionMap() {
        return read(versions, Versions.class);
    }

    /** Names the types for reading. */
    private static final class Versions extends TreeMap<String, CatalogueViews.Version> {
        private static final long serialVersionUID = 1L;
    }

    private static final class Facts extends TreeMap<String, String> {
        private static final long serialVersionUID = 1L;
    }

    private static List<String> words(String list) {
        return Arrays.stream(list.split(",")).filter(w -> !w.isEmpty()).toList();
    }

    /** Marks which wanted lines it fits, and which it may fit. */
    void fit(List<Fitting> lines) {
        wanted = ",";
        mayFit = ",";
        Candidate it = candidate();
        for (Fitting line : lines) {
            switch (line.of(it).verdict()) {
                case FITS -> wanted += line.line().id() + ",";
                case MAY_FIT -> mayFit += line.line().id() + ",";
                default -> {}
            }
        }
    }

    /** As it is held against wanted lines. */
    Candidate candidate() {
        return new Candidate(
                new Candidate.Where(name, path, trashedFrom),
                kind,
                size,
                modified == null ? created : modified,
                inside,
                aboutMap(),
                prognosis);
    }

    boolean matches(long wantedLine) {
        return wanted.contains("," + wantedLine + ",") || mayFit.contains("," + wantedLine + ",");
    }

    /** Not in the database yet. */
    boolean isNew() {
        return id == 0;
    }

    long id() {
        return id;
    }

    /** The session that speaks for the line; null for lines of before that was kept. */
    Long toldBy() {
        return toldBy;
    }

    /** Whether a record names it. */
    boolean isNamed() {
        return path != null;
    }

    Long imagingId() {
        return imagingId;
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
        return StoredExtents.read(extents, "catalogue line " + id);
    }

    /**
     * @param into whether what the content says of itself may be shown
     * @param lines the case's wanted lines, for the
     *             reasons; empty for none
     */
    CatalogueViews.Line view(boolean into, List<Fitting> lines) {
        Candidate it = candidate();
        List<CatalogueViews.LineFit> fits = lines.stream()
                .map(l -> {
                    Fit fit = l.of(it);
                    return new CatalogueViews.LineFit(
                            l.line().id(), fit.verdict().word(), into || about.equals("{}") ? fit.why() : "");
                })
                .toList();
        return new CatalogueViews.Line(
                id,
                new CatalogueViews.Called(path, name, into ? suggestedName : null),
                verdict(),
                new CatalogueViews.Stored(imagingId, kind, size, readBytes, extentList(), sha256, created, modified),
                new CatalogueViews.Found(words(origins), placeList(), numbers(sessions), record(), versionMap()),
                new CatalogueViews.Asked(numbers(wanted), numbers(mayFit), fits),
                selected,
                into ? aboutMap() : Map.of());
    }

    private static List<Long> numbers(String words) {
        return words(words).stream().map(Long::valueOf).toList();
    }

    /** As the engine knows it; its number is the line's. */
    Finding finding() {
        return new Finding(
                id,
                volume,
                Origin.valueOf(nameOrigin.toUpperCase(Locale.ROOT)),
                new Named(path, name, suggestedName),
                new Times(created, modified, accessed),
                verdict(),
                new Content(size, kind, extentList(), Packing.ofWord(encoding), sha256, aboutMap()),
                new Evidence(record(), null, note));
    }

    private Verdict verdict() {
        return new Verdict(prognosis, score, Arrays.asList(read(reasons, String[].class)), proven);
    }

    private Map<String, String> aboutMap() {
        return read(about, Facts.class);
    }

    private RecordFacts record() {
        return new RecordFacts(
                recordAt, attributes == null ? List.of() : List.of(attributes.split(",")), deleted, trashedFrom);
    }
}
