package org.brantel.server.catalogue;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.content.Extent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Made;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.core.finding.Standing;
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

    /**
     * Where in a case a line was found.
     *
     * @param device that its bytes are taken from
     * @param elsewhere the lab that has the image; null where it is here
     * @param all    on which sessions found it
     */
    record On(long device, @Nullable String elsewhere, List<Long> all) {

        /** Where nobody asks for it. */
        static final On NOWHERE = new On(0, null, List.of());
    }

    @Id
    private long id;

    @Column(updatable = false)
    private Long caseId;

    private Long imagingId;
    private @Nullable Long mergedInto;
    private @Nullable String path;
    private String name;
    private String kind;
    private long size;
    private String[] origins;

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
    /** By the clock of what made it, or in UTC. */
    private @Nullable LocalDateTime made;

    private @Nullable String sha256;
    private @Nullable String note;
    private String nameOrigin;
    private @Nullable String suggestedName;
    private String about;
    private String[] places;
    /** The folder that it stands in; null for what no record names. */
    private @Nullable Long folderId;
    /** Where else it lay or lies; null for most. */
    private @Nullable String elsewhere;
    /** Wanted lines that it fits, and those that it may fit. */
    private Long[] wanted;

    private Long[] mayFit;
    /** A part of another finding, in every session that found it. */
    private boolean inside;

    protected CatalogueLine() {}

    CatalogueLine(Long caseId, Long imagingId, Finding finding, long session, long read) {
        this.caseId = caseId;
        this.origins = new String[0];
        this.places = new String[0];
        this.wanted = new Long[0];
        this.mayFit = new Long[0];
        this.inside = finding.container() != null;
        takeContent(finding, imagingId, read);
        takeName(finding, session);
        support(finding);
    }

    /** The better content speaks for what there is, the better name for what it is called. */
    void join(Finding finding, Long fromImaging, long session, long read) {
        if (leads(finding, read)) {
            takeContent(finding, fromImaging, read);
        }
        if (Catalogue.BETTER_NAME.compare(finding, finding()) < 0) {
            takeName(finding, session);
        }
        support(finding);
        inside &= finding.container() != null;
    }

    /** Content of which bytes are here comes before content that another lab has, or nobody; then the better one. */
    private boolean leads(Finding content, long read) {
        boolean here = read > 0;
        boolean hasBytes = readBytes > 0;
        return here == hasBytes ? Catalogue.BETTER_CONTENT.compare(content, finding()) < 0 : here;
    }

    /** Another line turned out to be the same file. */
    void absorb(CatalogueLine other) {
        if (leads(other.finding(), other.readBytes)) {
            takeContent(other.finding(), other.imagingId, other.readBytes);
        }
        if (Catalogue.BETTER_NAME.compare(other.finding(), finding()) < 0) {
            takeName(other.finding(), other.toldBy);
        }
        for (String origin : other.origins) {
            origins = with(origins, origin);
        }
        for (String place : other.places) {
            places = with(places, place);
        }
        inside &= other.inside;
    }

    /** These bytes have this hash; said of all that the line is known by, it keeps that of its own. */
    void hashed(String place, String hex, MediumNames names) {
        if (sha256 == null && place.equals(names.place(finding(), imagingId))) {
            sha256 = hex;
        }
    }

    /** It is another line now, and no longer shown; what was recovered by it still leads here. */
    void mergedInto(Long other) {
        mergedInto = other;
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

    private void support(Finding f) {
        origins = with(origins, f.origin().word());
        if (Finding.ALSO_CARVED.equals(f.note())) {
            origins = with(origins, Origin.CARVED.word());
        }
        if (f.path() != null) {
            places = with(places, f.path());
        }
    }

    /** In order, each once; the same list when it holds the word. */
    private static String[] with(String[] list, String word) {
        int at = Arrays.binarySearch(list, word);
        if (at >= 0) {
            return list;
        }
        String[] more = new String[list.length + 1];
        System.arraycopy(list, 0, more, 0, -at - 1);
        more[-at - 1] = word;
        System.arraycopy(list, -at - 1, more, -at, list.length + at + 1);
        return more;
    }

    /** Names the types for reading. */
    private static final class Facts extends TreeMap<String, String> {
        private static final long serialVersionUID = 1L;
    }

    /** Marks which wanted lines it fits, and which it may fit. */
    void fit(List<Fitting> lines) {
        Candidate it = candidate();
        Map<Long, Fit.Verdict> verdicts = new LinkedHashMap<>();
        lines.forEach(l -> verdicts.put(l.line().id(), l.of(it).verdict()));
        wanted = among(verdicts, Fit.Verdict.FITS);
        mayFit = among(verdicts, Fit.Verdict.MAY_FIT);
    }

    private static Long[] among(Map<Long, Fit.Verdict> verdicts, Fit.Verdict meant) {
        return verdicts.entrySet().stream()
                .filter(e -> e.getValue() == meant)
                .map(Map.Entry::getKey)
                .toArray(Long[]::new);
    }

    /** Where it stands; null for what no record names. */
    @Nullable
    Standing standing() {
        return Standing.of(path, name, trashedFrom);
    }

    @Nullable
    Long folderId() {
        return folderId;
    }

    /** The folder of that; null for what no record names. */
    Folders.@Nullable Place place() {
        Standing stands = standing();
        return stands == null
                ? null
                : new Folders.Place(toldBy == null ? 0 : toldBy, volume == null ? -1 : volume, stands.folders());
    }

    void standsIn(@Nullable Long folder) {
        folderId = folder;
        made = Made.of(aboutMap(), modified);
        Stream<String> from = trashedFrom == null || trashedFrom.isEmpty() ? Stream.of() : Stream.of(trashedFrom);
        String others = Stream.concat(from, Arrays.stream(places).filter(p -> !p.equals(path)))
                .collect(Collectors.joining("\n"));
        elsewhere = others.isEmpty() ? null : others;
    }

    /** What is counted of it; null while it is not shown. */
    CountChanges.@Nullable Counted counted() {
        return mergedInto != null
                ? null
                : new CountChanges.Counted(
                        folderId, kind, List.of(origins), prognosis, size, List.of(wanted), List.of(mayFit));
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
        return Arrays.asList(wanted).contains(wantedLine)
                || Arrays.asList(mayFit).contains(wantedLine);
    }

    /** Not in the database yet. */
    boolean isNew() {
        return id == 0;
    }

    /** Where another line took it in; null while it is shown. */
    @Nullable
    Long mergedInto() {
        return mergedInto;
    }

    /** The columns of {@link #row}, in its order. */
    static final String COLUMNS = "id, case_id, imaging_id, path, name, kind, size, origins, prognosis, score, proven, "
            + "read_bytes, reasons, extents, encoding, volume, told_by, record_at, attributes, deleted, trashed_from, "
            + "created, modified, accessed, sha256, note, name_origin, suggested_name, about, places, wanted, may_fit, "
            + "inside, folder_id, elsewhere, made";

    /** Writes a new line under its number. */
    void row(CopyRows out, long number) {
        id = number;
        out.add(id)
                .add(caseId)
                .add(imagingId)
                .add(path)
                .add(name)
                .add(kind)
                .add(size)
                .add(origins);
        out.add(prognosis.name())
                .add(score)
                .add(proven)
                .add(readBytes)
                .add(reasons)
                .add(extents)
                .add(encoding);
        out.add(volume).add(toldBy).add(recordAt).add(attributes).add(deleted).add(trashedFrom);
        out.add(created)
                .add(modified)
                .add(accessed)
                .add(sha256)
                .add(note)
                .add(nameOrigin)
                .add(suggestedName);
        out.add(about)
                .add(places)
                .add(wanted)
                .add(mayFit)
                .add(inside)
                .add(folderId)
                .add(elsewhere)
                .add(made)
                .end();
    }

    long id() {
        return id;
    }

    @Nullable
    String path() {
        return path;
    }

    String name() {
        return name;
    }

    Long size() {
        return size;
    }

    @Nullable
    Instant modified() {
        return modified;
    }

    Integer score() {
        return score;
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
     * @param on devices of the case
     * @param seen how each session found it
     * @param lab what the lab does with it
     */
    CatalogueViews.Line view(boolean into, On on, List<Fitting> lines, Seen seen, CatalogueViews.Lab lab) {
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
                new CatalogueViews.Called(path, name, into ? suggestedName : null, CatalogueViews.Place.of(standing())),
                verdict(),
                new CatalogueViews.Stored(
                        on.device(),
                        imagingId,
                        on.elsewhere(),
                        kind,
                        size,
                        readBytes,
                        extentList(),
                        sha256,
                        dates(into)),
                new CatalogueViews.Found(
                        List.of(origins), List.of(places), seen.sessions(), on.all(), record(), seen.versions()),
                new CatalogueViews.Asked(List.of(wanted), List.of(mayFit), fits),
                lab,
                into ? aboutMap() : Map.of());
    }

    private CatalogueViews.Dates dates(boolean into) {
        return new CatalogueViews.Dates(created, modified, into ? made : Made.of(Map.of(), modified));
    }

    @Nullable
    LocalDateTime made() {
        return made;
    }

    List<Long> wanted() {
        return List.of(wanted);
    }

    List<Long> mayFit() {
        return List.of(mayFit);
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
