package org.brantel.core.carve;

import com.code_intelligence.jazzer.api.FuzzedDataProvider;
import com.code_intelligence.jazzer.junit.FuzzTest;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.List;
import java.util.Map;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.bytes.Range;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Resumable;
import org.brantel.core.kinds.Kinds;
import org.brantel.core.testing.FaultySource;

/**
 * Every kind against hostile content. An input chooses a file and patches it: where, how many bytes, which. No input
 * may make a walk throw anything but that the content ends, or take long; what is whole lies in the content.
 */
class KindsFuzzTest {

    private static final ThreadMXBean CLOCK = ManagementFactory.getThreadMXBean();
    private static final long LONGEST_NANOS = 10_000_000_000L;
    private static final int MOST_BYTES = 64 << 10;
    private static final Map<String, byte[]> SAMPLES = KindSamples.all();

    @FuzzTest(maxDuration = "30m")
    void pictures(FuzzedDataProvider data) throws IOException {
        survives(data, "jpg", "png", "gif", "bmp", "tiff", "webp", "psd");
    }

    @FuzzTest(maxDuration = "30m")
    void media(FuzzedDataProvider data) throws IOException {
        survives(data, "mp4", "mov", "m4a", "heic", "wav", "avi", "mkv", "flac", "ogg", "mp3", "aiff", "mid");
    }

    @FuzzTest(maxDuration = "30m")
    void documents(FuzzedDataProvider data) throws IOException {
        survives(data, "pdf", "doc", "xls", "rtf", "docx", "odt", "sqlite", "ttf", "iso", "html", "json", "vcf", "eml");
    }

    @FuzzTest(maxDuration = "30m")
    void archives(FuzzedDataProvider data) throws IOException {
        survives(data, "zip", "7z", "rar", "gz", "xz", "zst", "bz2", "tar");
    }

    private static void survives(FuzzedDataProvider data, String... codes) throws IOException {
        String code = data.pickValue(codes);
        byte[] sample = SAMPLES.get(code);
        // Heads decide; the rest of a long file only makes each try slower.
        byte[] bytes = java.util.Arrays.copyOf(sample, Math.min(sample.length, MOST_BYTES));
        while (data.remainingBytes() > 4) {
            int at = data.consumeBoolean()
                    ? data.consumeInt(0, Math.min(bytes.length - 1, 600))
                    : data.consumeInt(0, bytes.length - 1);
            byte[] patch = data.consumeBytes(data.consumeInt(1, 12));
            System.arraycopy(patch, 0, bytes, at, Math.min(patch.length, bytes.length - at));
        }
        long began = CLOCK.getCurrentThreadCpuTime();
        for (ContentKind kind : List.of(Kinds.byCode(code).orElseThrow())) {
            walked(kind, bytes);
        }
        long took = CLOCK.getCurrentThreadCpuTime() - began;
        if (took > LONGEST_NANOS) {
            throw new AssertionError(code + " took " + took / 1_000_000 + " ms");
        }
    }

    private static void walked(ContentKind kind, byte[] bytes) throws IOException {
        FaultySource source = new FaultySource(bytes);
        try {
            ContentKind.Walk walk = kind.walk(ByteView.of(source, new Range(0, bytes.length)));
            if (walk.length() < 0
                    || walk.whole() && walk.length() > bytes.length
                    || walk.words().isBlank()
                    || walk.about() == null) {
                throw new AssertionError("not a walk: " + walk);
            }
            if (walk.whole()) {
                return;
            }
            Resumable again = kind.resumable(ByteView.of(source, new Range(0, bytes.length)));
            if (again != null && (again.earliest() < 0 || again.latest() < again.earliest())) {
                throw new AssertionError("no place to go on from: " + again.earliest() + " to " + again.latest());
            }
        } catch (ByteView.End contentEnds) {
            // Told by its type; it is no find.
        }
    }
}
