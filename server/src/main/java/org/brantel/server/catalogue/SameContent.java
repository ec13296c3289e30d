package org.brantel.server.catalogue;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.brantel.core.content.FileContent;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.core.scan.ContentHasher;
import org.brantel.core.source.Source;
import org.brantel.server.platform.Known;
import org.jspecify.annotations.Nullable;

/**
 * Finds out which findings have the bytes of others that lie elsewhere. Only contents of one size whose samples are
 * equal are hashed: which these are does not depend on the order in which they come.
 */
final class SameContent {

    private record Look(long size, @Nullable Long sample) {
        static Look of(CatalogueContent content) {
            return new Look(content.size(), content.sample());
        }
    }

    private final CatalogueContents records;
    private final Images images;
    private final long caseId;
    private final ContentHasher hasher = new ContentHasher();
    private final List<Finding> batch;
    private final String medium;
    private final Map<String, CatalogueContent> byPlace = new LinkedHashMap<>();
    private final Set<CatalogueContent> changed = new LinkedHashSet<>();
    private final Map<CatalogueContent, Finding> unsampled = new LinkedHashMap<>();
    private final Map<String, String> hashed = new LinkedHashMap<>();

    /**
     * @param batch  as a session found them, on the image of {@code imagingId}
     * @param medium the name in keys of the device that it is of
     */
    SameContent(
            CatalogueContents records, Images images, long caseId, long imagingId, String medium, List<Finding> batch)
            throws IOException {
        this.records = records;
        this.images = images;
        this.caseId = caseId;
        this.medium = medium;
        this.batch = List.copyOf(batch);
        records.findKnown(
                        caseId,
                        batch.stream().map(this::place).filter(Objects::nonNull).collect(Collectors.toSet()))
                .forEach(c -> byPlace.put(c.place(), c));
        for (Finding f : batch) {
            String place = place(f);
            if (place != null) {
                see(byPlace.computeIfAbsent(place, p -> fresh(imagingId, place, f)), imagingId, f);
            }
        }
        sampleAll(imagingId);
        Map<Look, Set<CatalogueContent>> alike = new HashMap<>();
        for (CatalogueContent c : List.copyOf(byPlace.values())) {
            if (c.isSampled()) {
                alike.computeIfAbsent(Look.of(c), l -> new LinkedHashSet<>()).add(c);
            }
        }
        List<Look> looks = List.copyOf(alike.keySet());
        for (CatalogueContent c : records.findAlike(
                caseId,
                looks.stream().map(Look::size).toArray(Long[]::new),
                looks.stream().map(Look::sample).toArray(Long[]::new))) {
            CatalogueContent other = byPlace.computeIfAbsent(c.place(), p -> c);
            if (other.sample() == null) {
                sample(other);
            }
            Set<CatalogueContent> group = alike.get(Look.of(other));
            if (group != null) {
                group.add(other);
            }
        }
        for (Set<CatalogueContent> group : alike.values()) {
            if (group.size() > 1) {
                for (CatalogueContent c : group) {
                    hash(c);
                }
            }
        }
    }

    private @Nullable String place(Finding finding) {
        return Catalogue.place(finding, medium);
    }

    private CatalogueContent fresh(long imagingId, String place, Finding finding) {
        CatalogueContent content = new CatalogueContent(imagingId, place, finding);
        changed.add(content);
        return content;
    }

    private void see(CatalogueContent content, long imagingId, Finding finding) throws IOException {
        if (content.sha256() == null && finding.sha256() != null) {
            content.hashed(finding.sha256());
            changed.add(content);
        }
        if (!content.isSampled() && !unsampled.containsKey(content)
                || content.sha256() == null
                        && images.ifThere(content.imagingId()).isEmpty()) {
            content.seenOn(imagingId);
            unsampled.put(content, finding);
        }
    }

    /** Two short reads each: by all processors, since the database has nothing to do meanwhile. */
    private void sampleAll(long imagingId) throws IOException {
        Optional<Source> image = images.ifThere(imagingId);
        if (image.isEmpty()) {
            return;
        }
        ThreadLocal<ContentHasher> hashers = ThreadLocal.withInitial(ContentHasher::new);
        try {
            unsampled.entrySet().parallelStream().forEach(e -> {
                try {
                    FileContent content = e.getValue().content(image.get());
                    e.getKey().sampled(hashers.get().sample(content));
                } catch (IOException failed) {
                    throw new UncheckedIOException(failed);
                }
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        changed.addAll(unsampled.keySet());
    }

    private void sample(CatalogueContent content) throws IOException {
        Optional<Source> image = images.ifThere(content.imagingId());
        if (image.isPresent()) {
            content.sampled(hasher.sample(content.on(image.get())));
            changed.add(content);
        }
    }

    private void hash(CatalogueContent content) throws IOException {
        Optional<Source> image = content.sha256() == null ? images.ifThere(content.imagingId()) : Optional.empty();
        Optional<String> hash = image.isEmpty() ? Optional.empty() : hasher.hash(content.on(image.get()));
        hash.ifPresent(hex -> {
            content.hashed(hex);
            hashed.put(content.place(), hex);
            changed.add(content);
        });
    }

    /** The batch, with the hashes that are known. */
    List<Finding> findings() {
        List<Finding> told = new ArrayList<>(batch.size());
        for (Finding f : batch) {
            CatalogueContent content = byPlace.get(place(f));
            told.add(content == null || content.sha256() == null ? f : f.withHash(content.sha256()));
        }
        return told;
    }

    /** By place, the hashes that were not known before. */
    Map<String, String> hashed() {
        return hashed;
    }

    /** By place, the numbers of the lines that it leads to. */
    Map<String, Long> lines() {
        Map<String, Long> lines = new HashMap<>();
        byPlace.forEach((place, content) -> {
            Long line = content.line();
            if (line != null) {
                lines.put(place, line);
            }
        });
        return lines;
    }

    /**
     * Keeps what was found out; in the transaction that keeps the lines.
     *
     * @param lines by place, those that it leads to from now on
     */
    void save(Map<String, Long> lines) {
        lines.forEach((place, line) -> {
            CatalogueContent content = Known.in(byPlace, place);
            content.leadsTo(line);
            changed.add(content);
        });
        records.addAll(caseId, changed.stream().filter(CatalogueContent::isNew).toList());
        records.putAll(caseId, changed.stream().filter(c -> !c.isNew()).toList());
    }
}
