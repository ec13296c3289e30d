package org.brantel.server.catalogue;

import java.util.OptionalLong;
import org.brantel.core.content.FileContent;
import org.brantel.core.content.Packing;
import org.brantel.core.finding.Finding;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;

/** The bytes of a finding, by their place: the lines that they are part of come and go as better ones are found. */
final class CatalogueContent {

    /** The sample of what could not be read. */
    static final long NOT_READ = -1;

    /** Which bytes of the image, as the records keep them. */
    record Bytes(long size, String extents, @Nullable String encoding) {}

    private final String place;
    private final Bytes bytes;
    private final boolean isNew;
    private Long imagingId;
    private @Nullable Long sample;
    private @Nullable String sha256;
    private @Nullable Long line;

    /** As the records have it. */
    CatalogueContent(
            String place,
            Long imagingId,
            Bytes bytes,
            @Nullable Long sample,
            @Nullable String sha256,
            @Nullable Long line) {
        this.place = place;
        this.bytes = bytes;
        this.isNew = false;
        this.imagingId = imagingId;
        this.sample = sample;
        this.sha256 = sha256;
        this.line = line;
    }

    /** @param finding that is not on record yet */
    CatalogueContent(Long imagingId, String place, Finding finding) {
        this.place = place;
        this.bytes = new Bytes(
                finding.size(),
                StoredExtents.write(finding.extents()),
                finding.encoding() == null ? null : finding.encoding().word());
        this.isNew = true;
        this.imagingId = imagingId;
    }

    FileContent on(Source image) {
        return new FileContent(
                image, StoredExtents.read(bytes.extents(), place), bytes.size(), Packing.ofWord(bytes.encoding()));
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

    /** The number of the line that its place leads to; null before there is one. */
    @Nullable
    Long line() {
        return line;
    }

    void leadsTo(Long number) {
        line = number;
    }

    boolean isNew() {
        return isNew;
    }

    Bytes bytes() {
        return bytes;
    }

    long size() {
        return bytes.size();
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
