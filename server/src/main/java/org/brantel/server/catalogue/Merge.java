package org.brantel.server.catalogue;

import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
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
 * Brings a session's findings into the catalogue, some hundreds at a time. A case has one session at work, so that one
 * merge is under way.
 */
final class Merge implements Closeable {

    private static final int BATCH = 500;

    /** Begins one. */
    @Component
    static final class Into {
        private final CatalogueLines lines;
        private final CatalogueKeys keys;
        private final CatalogueContents contents;
        private final Cases cases;
        private final ImagingRecords imaging;
        private final TransactionTemplate transaction;

        Into(
                CatalogueLines lines,
                CatalogueKeys keys,
                CatalogueContents contents,
                Cases cases,
                ImagingRecords imaging,
                TransactionTemplate transaction) {
            this.lines = lines;
            this.keys = keys;
            this.contents = contents;
            this.cases = cases;
            this.imaging = imaging;
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
    }

    private final Into into;
    private final long caseId;
    private final List<Fitting> wanted;
    private final long session;
    private final long imagingId;
    private final Images images;
    private final Source image;
    private final List<Finding> batch = new ArrayList<>();
    private long added;
    private long analyzedAt = BATCH;
    private long shared;

    private Merge(Into into, long caseId, List<Fitting> wanted, long session, long imagingId) throws IOException {
        this.into = into;
        this.caseId = caseId;
        this.wanted = wanted;
        this.session = session;
        this.imagingId = imagingId;
        images = new Images(into.imaging);
        image = images.of(imagingId);
    }

    /** @throws UncheckedIOException when an image cannot be read */
    void take(Finding finding) {
        batch.add(Storable.of(finding));
        if (batch.size() == BATCH) {
            bringIn();
        }
    }

    Catalogues.Merged end() {
        bringIn();
        return new Catalogues.Merged(added, shared);
    }

    private void bringIn() {
        try {
            SameContent same = new SameContent(into.contents, images, caseId, imagingId, batch);
            into.transaction.executeWithoutResult(t -> bringIn(same));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        batch.clear();
        // Also where most is known already: it may have come in little by little, while the session went on.
        if (added + shared >= analyzedAt * 2) {
            analyzedAt = added + shared;
            into.transaction.executeWithoutResult(t -> into.keys.analyze());
        }
    }

    private void bringIn(SameContent same) {
        List<Finding> findings = same.findings();
        Stream<String> met = findings.stream()
                .flatMap(f -> Stream.of(Catalogue.keys(f), Catalogue.standsFor(f), Catalogue.looksFor(f))
                        .flatMap(List::stream));
        Stream<String> alike =
                same.hashed().entrySet().stream().flatMap(e -> Stream.of(e.getKey(), Catalogue.hashKey(e.getValue())));
        MetLines known = new MetLines(
                into.lines,
                into.keys,
                caseId,
                Stream.concat(met, alike).distinct().toList());
        same.hashed().forEach(known::hashed);
        for (Finding f : findings) {
            CatalogueLine line = known.of(f);
            List<String> own = Stream.concat(Catalogue.keys(f).stream(), Catalogue.standsFor(f).stream())
                    .toList();
            if (line == null) {
                line = new CatalogueLine(caseId, imagingId, f, session, read(f));
                added++;
            } else {
                line.join(f, imagingId, session, read(f));
                shared++;
            }
            String place = Catalogue.place(f);
            String hash = f.sha256();
            if (place != null && hash != null) {
                line.hashed(place, hash);
            }
            known.add(line, own);
            line.fit(wanted);
        }
        known.save();
        same.save();
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
