package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Coverage;
import org.brantel.core.kind.Start;

/**
 * WAVE, AVI and animated pointers in RIFF (Multimedia Programming Interface 1.0), little-endian: "RIFF", the length
 * of what follows, the form; then chunks of a name, a length, and so many bytes, padded to even. An AVI of more than
 * a gigabyte goes on with further RIFF chunks of form "AVIX" (OpenDML 1.02).
 */
final class Riff implements ContentKind {

    /**
     * In the chunk "ds64" of RF64 (EBU Tech 3306), which comes first: lengths of the file and of its data, 8 bytes
     * each.
     */
    private static final long WIDE_LENGTH = 20;

    private static final long WIDE_DATA = 28;
    private static final int MOST_PARTS = 1 << 20;
    private static final long UNKNOWN = 0xffffffffL;

    /**
     * @param head the chunk that says what its data are; a list is written with the type that stands in it
     * @param data the chunk that holds them
     */
    private record Form(byte[] name, String code, String head, String data) {}

    private static final Map<String, Form> FORMS = Map.of(
            "WAVE", new Form(Bytes.latin("WAVE"), "wav", "fmt ", "data"),
            "AVI ", new Form(Bytes.latin("AVI "), "avi", "LISThdrl", "LISTmovi"),
            "ACON", new Form(Bytes.latin("ACON"), "ani", "anih", "LISTfram"));

    @Override
    public String code() {
        return "wav";
    }

    @Override
    public Set<String> codes() {
        return Set.of("wav", "avi", "ani");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("RIFF"), Start.of("RF64"));
    }

    @Override
    public boolean couldStart(byte[] block, int at) {
        return FORMS.values().stream().anyMatch(form -> Bytes.match(block, at + 8, form.name()));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        Form form = FORMS.get(Bytes.text(content, 8, 4));
        boolean wide = Bytes.text(content, 0, 4).equals("RF64")
                && Bytes.text(content, 12, 4).equals("ds64");
        if (!wide && !Bytes.text(content, 0, 4).equals("RIFF") || form == null) {
            return Walk.broken(0, "does not begin as WAVE, AVI or an animated pointer");
        }
        if (Streamed.is(content)) {
            return Streamed.walk(content);
        }
        String code = form.code();
        About about = About.NONE;
        Set<Long> pieces = new HashSet<>();
        Coverage coverage = new Coverage();
        long misplaced = -1;
        boolean format = false;
        boolean data = false;
        long at = 0;
        int parts = 0;
        while (at + 12 <= content.length()
                && (Bytes.text(content, at, 4).equals("RIFF") || wide && at == 0)
                && (parts == 0 || Bytes.text(content, at + 8, 4).equals("AVIX"))) {
            long length = wide && at == 0 ? content.i64le(WIDE_LENGTH) : content.u32le(at + 4);
            long end = at + 8 + length;
            if (length == UNKNOWN || length < 4 || length > content.length() - at - 8) {
                return Walk.broken(at + 4, "it states more bytes than there are")
                        .as(code);
            }
            long chunk = at + 12;
            while (chunk + 8 <= end) {
                String name = Bytes.fourCharacters(content, chunk);
                long bytes = content.u32le(chunk + 4);
                bytes = wide && bytes == UNKNOWN && name.equals("data") ? content.i64le(WIDE_DATA) : bytes;
                if (bytes < 0 || !Bytes.isFourCharacters(content, chunk) || bytes > end - chunk - 8) {
                    return Walk.broken(chunk, "a chunk is malformed").as(code);
                }
                String what = name.equals("LIST") ? name + Bytes.text(content, chunk + 8, 4) : name;
                format |= what.equals(form.head());
                data |= what.equals(form.data());
                if (what.equals("LISTmovi") || what.equals("LISTfram")) {
                    long wrong = pieces(content, chunk + 12, chunk + 8 + bytes, pieces, coverage);
                    misplaced = misplaced < 0 ? wrong : misplaced;
                }
                coverage.place(chunk + 8);
                about = about(content, chunk, name, bytes, about);
                chunk += 8 + bytes + (bytes & 1);
            }
            if (chunk < end || chunk > end + 1) {
                return Walk.broken(chunk, "its chunks do not fill it").as(code);
            }
            at = end + (end & 1);
            parts++;
        }
        long length = at - ((wide ? content.i64le(WIDE_LENGTH) : content.u32le(4)) & 1);
        long strange = format && data && code.equals("wav")
                ? Samples.firstStrange(content, Math.min(length, content.length()))
                : -1;
        if (strange >= 0) {
            return Walk.likely(
                            Math.min(length, content.length()),
                            "Its chunks fill it exactly, but from byte " + strange
                                    + " on there is no sound like before.")
                    .as(code)
                    .about(about);
        }
        if (format && data && misplaced >= 0) {
            return Walk.damaged(
                            Math.min(length, content.length()),
                            "Its chunks fill it exactly, but at byte " + misplaced
                                    + " its pictures no longer follow each other.")
                    .as(code)
                    .about(about);
        }
        if (code.equals("wav") && Samples.areKnown(content, Math.min(length, content.length()))) {
            coverage.stretch(12, length);
        }
        return format && data
                ? Walk.fitting(Math.min(length, content.length()), "Its chunks fill it exactly.")
                        .as(code)
                        .about(about)
                        .proving(coverage.bytes())
                        .holding(pieces::contains)
                : Walk.broken(length, "it has no format or no data").as(code);
    }

    /**
     * Where the pictures of a film begin: its chunks, those within a list of them as well.
     *
     * @return the first place where none stands and one should; -1 when all do
     */
    private static long pieces(ByteView content, long from, long end, Set<Long> to, Coverage coverage)
            throws IOException {
        for (long at = from; at + 8 <= end && to.size() < MOST_PARTS; ) {
            long bytes = content.u32le(at + 4);
            if (!Bytes.isFourCharacters(content, at) || bytes > end - at - 8) {
                return at;
            }
            coverage.place(at + 8);
            if (Bytes.text(content, at, 4).equals("LIST")) {
                at += 12;
                continue;
            }
            to.add(at + 8);
            at += 8 + bytes + (bytes & 1);
        }
        return -1;
    }

    private static About about(ByteView content, long chunk, String name, long bytes, About about) throws IOException {
        if (name.equals("fmt ") && bytes >= 16) {
            return about.with(RATE, content.u32le(chunk + 16));
        }
        if (name.equals("data") && about.get(RATE) != null && !about.get(RATE).equals("0")) {
            return about.with(
                    About.SECONDS,
                    String.format(Locale.ROOT, "%.1f", bytes / (double) Long.parseLong(about.get(RATE))));
        }
        if (name.equals("LIST")
                && bytes >= 72
                && Bytes.text(content, chunk + 8, 8).equals("hdrlavih")) {
            long body = chunk + 20;
            double seconds = content.u32le(body) * (double) content.u32le(body + 16) / 1e6;
            return about.with(About.SECONDS, String.format(Locale.ROOT, "%.1f", seconds))
                    .with(About.TRACKS, content.u32le(body + 24))
                    .with(About.WIDTH, content.u32le(body + 32))
                    .with(About.HEIGHT, content.u32le(body + 36));
        }
        return about;
    }

    /** Bytes a second, which only the length in seconds needs. */
    private static final String RATE = "bytesPerSecond";
}
