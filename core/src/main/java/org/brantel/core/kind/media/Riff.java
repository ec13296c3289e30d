package org.brantel.core.kind.media;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * WAVE and AVI in RIFF (Multimedia Programming Interface 1.0), little-endian: "RIFF", the length of what follows, the
 * form; then chunks of a name, a length, and so many bytes, padded to even. An AVI of more than a gigabyte goes on with
 * further RIFF chunks of form "AVIX" (OpenDML 1.02).
 */
final class Riff implements ContentKind {

    private static final long UNKNOWN = 0xffffffffL;

    @Override
    public String code() {
        return "wav";
    }

    @Override
    public Set<String> codes() {
        return Set.of("wav", "avi");
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("RIFF"));
    }

    @Override
    public boolean couldStart(byte[] block, int at) {
        return Bytes.match(block, at + 8, Bytes.latin("WAVE")) || Bytes.match(block, at + 8, Bytes.latin("AVI "));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        String form = Bytes.text(content, 8, 4);
        if (!Bytes.text(content, 0, 4).equals("RIFF") || !form.equals("WAVE") && !form.equals("AVI ")) {
            return Walk.broken(0, "does not begin as WAVE or AVI");
        }
        String code = form.equals("WAVE") ? "wav" : "avi";
        About about = About.NONE;
        boolean format = false;
        boolean data = false;
        long at = 0;
        int parts = 0;
        while (at + 12 <= content.length()
                && Bytes.text(content, at, 4).equals("RIFF")
                && (parts == 0 || Bytes.text(content, at + 8, 4).equals("AVIX"))) {
            long length = content.u32le(at + 4);
            long end = at + 8 + length;
            if (length == UNKNOWN || length < 4 || end > content.length()) {
                return Walk.broken(at + 4, "it states more bytes than there are")
                        .as(code);
            }
            long chunk = at + 12;
            while (chunk + 8 <= end) {
                String name = Bytes.fourCharacters(content, chunk);
                long bytes = content.u32le(chunk + 4);
                if (!Bytes.isFourCharacters(content, chunk) || bytes > end - chunk - 8) {
                    return Walk.broken(chunk, "a chunk is malformed").as(code);
                }
                format |= name.equals("fmt ")
                        || name.equals("LIST")
                                && Bytes.text(content, chunk + 8, 4).equals("hdrl");
                data |= name.equals("data")
                        || name.equals("LIST")
                                && Bytes.text(content, chunk + 8, 4).equals("movi");
                about = about(content, chunk, name, bytes, about);
                chunk += 8 + bytes + (bytes & 1);
            }
            if (chunk < end || chunk > end + 1) {
                return Walk.broken(chunk, "its chunks do not fill it").as(code);
            }
            at = end + (end & 1);
            parts++;
        }
        long length = at - (content.u32le(4) & 1);
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
        return format && data
                ? Walk.fitting(Math.min(length, content.length()), "Its chunks fill it exactly.")
                        .as(code)
                        .about(about)
                : Walk.broken(length, "it has no format or no data").as(code);
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
