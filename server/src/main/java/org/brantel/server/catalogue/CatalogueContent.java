package org.brantel.server.catalogue;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;
import java.util.Objects;
import java.util.OptionalLong;
import org.brantel.core.content.FileContent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Catalogue;
import org.brantel.core.finding.Finding;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** The bytes of a finding, by their place: the lines that they are part of come and go as better ones are found. */
@Entity
@Table(name = "catalogue_content")
class CatalogueContent {

    /** The sample of what could not be read. */
    static final long NOT_READ = -1;

    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "catalogue_content")
    @SequenceGenerator(name = "catalogue_content", sequenceName = "catalogue_content_ids", allocationSize = 500)
    private long id;

    @Column(updatable = false)
    private Long caseId;

    @Column(updatable = false)
    private String place;

    private Long imagingId;

    @Column(updatable = false)
    private long size;

    @Column(updatable = false)
    private String extents;

    @Column(updatable = false)
    private @Nullable String encoding;

    private @Nullable Long sample;
    private @Nullable String sha256;

    protected CatalogueContent() {}

    /** @param finding that has a place */
    CatalogueContent(Long caseId, Long imagingId, Finding finding) {
        this.caseId = caseId;
        this.imagingId = imagingId;
        this.place = Objects.requireNonNull(Catalogue.place(finding));
        this.size = finding.size();
        this.extents = StoredExtents.write(finding.extents());
        this.encoding = finding.encoding() == null ? null : finding.encoding().word();
    }

    FileContent on(Source image) {
        return new FileContent(image, StoredExtents.read(extents, place), size, Packing.ofWord(encoding));
    }

    /** Its bytes may have been read since, by another imaging of the device. */
    void seenOn(Long imaging) {
        imagingId = imaging;
    }

    void sampled(OptionalLong sum) {
        sample = sum.orElse(NOT_READ);
    }

    void hashed(String hex) {
        sha256 = hex;
    }

    String place() {
        return place;
    }

    Long imagingId() {
        return imagingId;
    }

    long size() {
        return size;
    }

    /** Whether its sample could be read, so that it can be found alike. */
    boolean isSampled() {
        return sample != null && sample != NOT_READ;
    }

    @Nullable
    Long sample() {
        return sample;
    }

    @Nullable
    String sha256() {
        return sha256;
    }
}
