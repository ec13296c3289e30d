package org.brantel.server.catalogue;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.bytes.Range;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.source.Source;
import org.brantel.core.wanted.Fitting;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.intake.Cases;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Brings a session's findings into the catalogue, a lot of ten thousand at a time. Several sessions of a case may be at
 * work; the lots of one case come in one after the other.
 */
final class Merge implements Closeable {

    private static final int LOT = 10_000;
    /** How many times larger a catalogue is before the database looks at it anew, so that people find things in it. */
    private static final int MORE = 8;
    /** So many more are worth a look at the end. */
    private static final int FEW = 1000;

    /** Begins one. */
    @Component
    static final class Into {
        private final CatalogueStore store;
        private final CatalogueContents contents;
        private final Cases cases;
        private final ImagingRecords imaging;
        private final CatalogueTurns turns;
        private final TransactionTemplate transaction;

        Into(
                CatalogueStore store,
                CatalogueContents contents,
                Cases cases,
                ImagingRecords imaging,
                CatalogueTurns turns,
                TransactionTemplate transaction) {
            this.store = store;
            this.contents = contents;
            this.cases = cases;
            this.imaging = imaging;
            this.turns = turns;
            this.transaction = transaction;
        }

        Merge into(String number, long session, long imagingId) throws IOException {
            return new Merge(
                    this,
                    cases.id(number),
                    cases.docket(number).said().wanted().stream()
                            .map(Fitting::new)
                            .toList(),
                    session,
                    imagingId);
        }

        private MediumNames names(long caseId) {
            return new MediumNames(imaging, cases.untoldDevice(caseId));
        }
    }

    private final Into into;
    private final long caseId;
    private final List<Fitting> wanted;
    private final long session;
    private final long imagingId;
    private final MediumNames names;
    private final String medium;
    private final Images images;
    private final Source image;
    private final Folders.Met folders = new Folders.Met();
    private long added;
    private long shared;
    private long taken;
    private long analyzedAt = LOT;

    private Merge(Into into, long caseId, List<Fitting> wanted, long session, long imagingId) throws IOException {
        this.into = into;
        this.caseId = caseId;
        this.wanted = wanted;
        this.session = session;
        this.imagingId = imagingId;
        names = into.names(caseId);
        medium = names.of(imagingId);
        images = new Images(into.imaging);
        image = images.of(imagingId);
    }

    /**
     * Brings in all of a file.
     *
     * @param told what it brought so far, after each lot
     */
    Catalogues.Merged all(Path file, Consumer<Catalogues.Merged> told) throws IOException {
        try (ReadAhead ahead = new ReadAhead(file, LOT)) {
            for (List<Finding> lot = ahead.next(); !lot.isEmpty(); lot = ahead.next()) {
                bringIn(lot);
                told.accept(merged());
            }
        }
        return end();
    }

    Catalogues.Merged these(List<Finding> some) throws IOException {
        for (int from = 0; from < some.size(); from += LOT) {
            bringIn(some.subList(from, Math.min(some.size(), from + LOT)).stream()
                    .map(Storable::of)
                    .toList());
        }
        return end();
    }

    private Catalogues.Merged end() {
        if (taken >= FEW && taken != analyzedAt) {
            analyze();
        }
        return merged();
    }

    private Catalogues.Merged merged() {
        return new Catalogues.Merged(added, shared);
    }

    private void analyze() {
        analyzedAt = taken;
        into.transaction.executeWithoutResult(t -> into.store.analyze());
    }

    private void bringIn(List<Finding> lot) throws IOException {
        into.turns.take(
                caseId, () -> new SameContent(into.contents, images, caseId, imagingId, medium, lot), this::bringIn);
        taken += lot.size();
        if (taken >= analyzedAt * MORE) {
            analyze();
        }
    }

    private void bringIn(SameContent same) {
        List<Finding> findings = same.findings();
        Stream<String> met = findings.stream().flatMap(f -> Stream.of(
                        Catalogue.keys(f, medium), Catalogue.standsFor(f, medium), Catalogue.looksFor(f, medium))
                .flatMap(List::stream));
        Stream<String> alike =
                same.hashed().entrySet().stream().flatMap(e -> Stream.of(e.getKey(), Catalogue.hashKey(e.getValue())));
        MetLines known = new MetLines(
                into.store, caseId, names, Stream.concat(met, alike).collect(Collectors.toSet()), same.lines());
        same.hashed().forEach(known::hashed);
        long[] read = findings.parallelStream().mapToLong(this::read).toArray();
        Set<CatalogueLine> touched = new LinkedHashSet<>();
        for (int i = 0; i < read.length; i++) {
            Finding f = findings.get(i);
            CatalogueLine line = known.of(f, medium);
            List<String> own = Stream.concat(
                            Catalogue.keys(f, medium).stream(), Catalogue.standsFor(f, medium).stream())
                    .toList();
            if (line == null) {
                line = new CatalogueLine(caseId, imagingId, f, session, read[i]);
                added++;
            } else {
                line.join(f, imagingId, session, read[i]);
                shared++;
            }
            String place = Catalogue.place(f, medium);
            String hash = f.sha256();
            if (place != null && hash != null) {
                line.hashed(place, hash, names);
            }
            known.add(line, own);
            known.seenBy(line, session, Seen.of(f));
            touched.add(line);
        }
        touched.parallelStream().forEach(l -> l.fit(wanted));
        same.save(known.save(folders));
    }

    /** Bytes of a finding that are in the image. */
    private long read(Finding finding) {
        if (finding.prognosis() == Prognosis.OVERWRITTEN) {
            return 0;
        }
        FileContent content = finding.content(image);
        return finding.size()
                - content.knownUnread(new Range(0, finding.size())).stream()
                        .mapToLong(Range::length)
                        .sum();
    }

    @Override
    public void close() throws IOException {
        images.close();
    }
}
