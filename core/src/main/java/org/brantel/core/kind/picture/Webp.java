package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.Bytes;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * WebP (RFC 9649), little-endian: "RIFF", the length of what follows, "WEBP", then chunks of a name, a length, and so
 * many bytes, padded to even. They must fill the file exactly, and a picture's data must begin as such.
 */
final class Webp implements ContentKind {

    @Override
    public String code() {
        return "webp";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("RIFF"));
    }

    @Override
    public boolean couldStart(byte[] block, int at) {
        return Bytes.match(block, at + 8, Bytes.latin("WEBPVP8"));
    }

    @Override
    public long longest() {
        return 512L << 20;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        if (!Bytes.text(content, 0, 4).equals("RIFF")
                || !Bytes.text(content, 8, 4).equals("WEBP")) {
            return Walk.broken(0, "does not begin as a WebP");
        }
        long end = 8 + content.u32le(4);
        if (end > content.length()) {
            return Walk.broken(4, "it states more bytes than there are");
        }
        About about = About.NONE;
        boolean picture = false;
        long at = 12;
        while (at + 8 <= end) {
            String name = Bytes.fourCharacters(content, at);
            long length = content.u32le(at + 4);
            long body = at + 8;
            if (!Bytes.isFourCharacters(content, at) || length > end - body) {
                return Walk.broken(at, "a chunk is malformed");
            }
            switch (name) {
                case "VP8 " -> {
                    if (content.u8(body + 3) != 0x9d || content.u16le(body + 4) != 0x2a01) {
                        return Walk.broken(body, "the picture's data do not begin as such");
                    }
                    picture = true;
                    about = about.with(About.WIDTH, content.u16le(body + 6) & 0x3fff)
                            .with(About.HEIGHT, content.u16le(body + 8) & 0x3fff);
                }
                case "VP8L" -> {
                    if (content.u8(body) != 0x2f) {
                        return Walk.broken(body, "the picture's data do not begin as such");
                    }
                    picture = true;
                    long bits = content.u32le(body + 1);
                    about = about.with(About.WIDTH, (bits & 0x3fff) + 1).with(About.HEIGHT, (bits >> 14 & 0x3fff) + 1);
                }
                case "ANMF" -> picture = true;
                case "EXIF" -> {
                    long tiff = Bytes.text(content, body, 6).equals("Exif\0\0") ? body + 6 : body;
                    about = TiffTags.isHeader(content, tiff) ? about.and(new TiffTags(content, tiff).about()) : about;
                }
                default -> {}
            }
            at = body + length + (length & 1);
        }
        return picture && at >= end && at <= end + 1
                ? Walk.fitting(end, "Its chunks fill it exactly.").about(about)
                : Walk.broken(at, "its chunks do not fill it");
    }
}
