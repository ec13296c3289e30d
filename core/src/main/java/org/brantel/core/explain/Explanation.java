package org.brantel.core.explain;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.brantel.core.content.Extent;
import org.brantel.core.families.Families;
import org.brantel.core.filesystem.RecordShape;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Origin;
import org.brantel.core.source.Source;
import org.brantel.core.volume.Volume;
import org.jspecify.annotations.Nullable;

/** The chain of evidence for one finding: volume, record, bytes, judgement. */
public final class Explanation {

    private static final int SHOWN_BYTES = 64;
    private static final int SHOWN_EXTENTS = 8;

    private final Source source;

    private Explanation(Source source) {
        this.source = source;
    }

    /** @param volume of the finding; null for content that lies in none */
    public static List<Step> of(Source source, @Nullable Volume volume, Finding finding) throws IOException {
        Explanation e = new Explanation(source);
        List<Step> steps = new ArrayList<>();
        steps.add(volume(volume));
        Long at = finding.record().at();
        if (at != null && volume != null) {
            steps.add(e.record(volume, at));
        } else {
            steps.add(Step.ofWords(
                    "No record",
                    finding.origin() == Origin.CARVED
                            ? "No record of a file system names it; it was recognised by its content."
                            : "Its record itself is gone; what is known stands elsewhere, see the reasons."));
        }
        steps.addAll(e.bytes(finding));
        steps.add(new Step(
                "Judged " + finding.prognosis().word() + ", " + finding.score() + " of 100",
                finding.reasons(),
                null,
                null,
                List.of()));
        return steps;
    }

    private static Step volume(@Nullable Volume v) {
        if (v == null) {
            return Step.ofWords("No volume", "It lies in no volume that was found.");
        }
        List<String> words = new ArrayList<>();
        words.add((v.label().isEmpty() ? "Volume " + v.index() : "Volume '" + v.label() + "'") + " is " + v.fs() + ", "
                + v.state().word() + ", " + v.lengthBytes() + " bytes from byte " + v.startByte() + "; found by "
                + v.foundBy()
                + ".");
        words.addAll(v.remarks());
        return new Step("Volume", words, v.startByte(), null, List.of());
    }

    private Step record(Volume volume, long at) throws IOException {
        RecordShape shape = Families.describe(volume.fs());
        byte[] b = new byte[(int) Math.max(0, Math.min(shape.most(), source.size() - at))];
        List<String> words = new ArrayList<>();
        words.add("It stands at byte " + at + " of the medium, " + (at - volume.startByte()) + " into the volume.");
        if (b.length < 32 || !source.read(at, b, 0, b.length).isClean()) {
            words.add("It was not read in full, so it is not shown.");
            return new Step(shape.title(), words, at, null, List.of());
        }
        byte[] own = Arrays.copyOf(b, shape.lengthOf(b));
        return new Step(shape.title(), words, at, Hex.of(own), fields(shape, own));
    }

    private static List<Step.Field> fields(RecordShape shape, byte[] record) {
        return shape.fieldsOf(record).stream()
                .map(f -> new Step.Field(f.name(), f.at(), f.length(), f.value()))
                .toList();
    }

    private List<Step> bytes(Finding finding) throws IOException {
        List<Extent> extents = finding.extents();
        if (extents.isEmpty()) {
            return List.of(Step.ofWords(
                    "Bytes",
                    finding.size() == 0 ? "It is empty." : "None of its " + finding.size() + " bytes are placed."));
        }
        List<String> words = new ArrayList<>();
        words.add(finding.size() + " bytes in " + extents.size() + (extents.size() == 1 ? " extent" : " extents")
                + (finding.encoding() == null
                        ? "."
                        : ", compressed in units of " + finding.encoding().unitBytes() + " bytes."));
        for (Extent e : extents.subList(0, Math.min(SHOWN_EXTENTS, extents.size()))) {
            words.add(
                    e.isHole()
                            ? e.length() + " bytes are a hole and read as zeros."
                            : e.length() + " bytes from byte " + e.offset() + ".");
        }
        if (extents.size() > SHOWN_EXTENTS) {
            words.add("And " + (extents.size() - SHOWN_EXTENTS) + " more.");
        }
        long first = finding.firstByte();
        byte[] head = new byte
                [(int) Math.max(
                        0, Math.min(Math.min(SHOWN_BYTES, finding.size()), source.size() - Math.max(0, first)))];
        boolean there = first >= 0
                && head.length > 0
                && source.read(first, head, 0, head.length).isClean();
        return List.of(
                new Step("Bytes", words, first < 0 ? null : first, there ? Hex.of(head) : null, List.of(), true));
    }
}
