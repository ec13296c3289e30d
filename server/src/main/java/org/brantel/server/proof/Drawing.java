package org.brantel.server.proof;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.geometry.size.FloatSize;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.ResourcePolicy;
import com.github.weisj.jsvg.parser.SVGLoader;
import java.awt.Color;
import java.awt.Component;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import org.brantel.server.workers.Chore;

/**
 * Draws pictures, pages and letters anew from their content, no larger than they are shown: what is more is left out
 * while it is read. Asked {@code png 640 1 pdf} - how it is to be written, its longer edge in points, the page and the
 * kind - it answers with the bytes of a picture.
 */
public final class Drawing implements Chore {

    private static final Set<String> KINDS =
            Set.of("jpg", "png", "gif", "bmp", "tiff", "webp", "psd", "svg", "ttf", "otf");
    /** Drawn by a tool first, then as what the tool makes of them. */
    private static final Set<String> BY_TOOL = Set.of("heic", "heif", "avif");
    /** Raw pictures are laid out as TIFF, with pictures to look at among what they hold. */
    private static final Set<String> RAW = Set.of("cr2", "nef", "dng", "arw", "orf", "pef", "rw2");
    /** Others have a picture to look at somewhere in them. */
    private static final Set<String> OTHER_RAW = Set.of("cr3", "raf");

    private static final Set<String> PICTURES = Stream.of(KINDS, BY_TOOL, RAW, OTHER_RAW)
            .flatMap(Set::stream)
            .filter(kind -> !isFont(kind))
            .collect(Collectors.toUnmodifiableSet());

    private static final long MOST_POINTS = 120_000_000;
    /** So many pictures in one file are tried. */
    private static final int MOST_PICTURES = 8;

    static {
        // Readers that came with the server are found by the class path of who looks for them first.
        ImageIO.scanForPlugins();
    }

    static boolean isDrawn(String kind) {
        return KINDS.contains(kind) || isRaw(kind) || isByTool(kind);
    }

    /** Whether it is a picture; letters are drawn, too. */
    static boolean isPicture(String kind) {
        return isDrawn(kind) && !isFont(kind);
    }

    /** All kinds of pictures. */
    static Set<String> pictures() {
        return PICTURES;
    }

    static boolean isRaw(String kind) {
        return RAW.contains(kind) || OTHER_RAW.contains(kind);
    }

    static boolean isByTool(String kind) {
        return BY_TOOL.contains(kind);
    }

    static boolean isFont(String kind) {
        return kind.equals("ttf") || kind.equals("otf");
    }

    /** What it is asked for. */
    static String asked(String format, int edge, int page, String kind) {
        return format + " " + edge + " " + page + " " + kind;
    }

    @Override
    public byte[] work(String what, byte[] content) throws IOException {
        String[] words = what.split(" ", 4);
        int edge = Integer.parseInt(words[1]);
        BufferedImage drawn = words[3].equals("pdf")
                ? PdfPages.draw(content, Integer.parseInt(words[2]), edge)
                : of(words[3], content, edge);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(words[0].equals("jpg") ? flat(drawn) : drawn, words[0], out);
        return out.toByteArray();
    }

    /** JPEG knows no transparency; what shines through is paper. */
    private static BufferedImage flat(BufferedImage drawn) {
        BufferedImage flat = new BufferedImage(drawn.getWidth(), drawn.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D g = flat.createGraphics();
        g.drawImage(drawn, 0, 0, Color.WHITE, null);
        g.dispose();
        return flat;
    }

    /**
     * @param edge the longer edge of what is drawn, in points
     * @throws IOException when the content is damaged
     * @throws Refused     saying why it cannot be drawn
     */
    private static BufferedImage of(String kind, byte[] content, int edge) throws IOException {
        if (kind.equals("svg")) {
            return shapes(content, edge);
        }
        if (isFont(kind)) {
            return Specimen.of(content, edge);
        }
        if (OTHER_RAW.contains(kind)) {
            return Embedded.largest(content, picture -> of("jpg", picture, edge));
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
            ImageReader reader = reader(kind, in);
            try {
                reader.setInput(in, false, true);
                return Thumbnails.of(isRaw(kind) ? anyOf(reader, edge) : read(reader, 0, edge))
                        .size(edge, edge)
                        .keepAspectRatio(true)
                        .asBufferedImage();
            } finally {
                reader.dispose();
            }
        }
    }

    private static ImageReader reader(String kind, ImageInputStream in) throws Refused {
        Iterator<ImageReader> readers =
                isRaw(kind) ? ImageIO.getImageReadersByFormatName("tiff") : ImageIO.getImageReaders(in);
        if (!readers.hasNext()) {
            throw new Refused("its content is not the picture that its name says.");
        }
        return readers.next();
    }

    private static BufferedImage read(ImageReader reader, int index, int edge) throws IOException {
        int width = reader.getWidth(index);
        int height = reader.getHeight(index);
        if ((long) width * height > MOST_POINTS) {
            throw new Refused("it has more points than are drawn here.");
        }
        ImageReadParam param = reader.getDefaultReadParam();
        // Twice what is shown is enough to draw it well.
        int each = Math.max(1, Math.max(width, height) / (2 * edge));
        param.setSourceSubsampling(each, each, 0, 0);
        return reader.read(index, param);
    }

    /** Of several pictures in one file, the first that can be read. */
    private static BufferedImage anyOf(ImageReader reader, int edge) throws IOException {
        int pictures = Math.min(MOST_PICTURES, reader.getNumImages(true));
        IOException first = null;
        for (int i = 0; i < pictures; i++) {
            try {
                return read(reader, i, edge);
            } catch (IOException | RuntimeException e) {
                // What the sensor saw needs developing; a picture to look at stands beside it.
                first = first != null ? first : new IOException(e);
            }
        }
        throw first != null ? first : new IOException("no picture in it");
    }

    /** Shapes alone: nothing that lies elsewhere is fetched, and no script is run. */
    private static BufferedImage shapes(byte[] content, int edge) throws IOException {
        SVGDocument drawing = new SVGLoader()
                .load(
                        new ByteArrayInputStream(content),
                        null,
                        LoaderContext.builder()
                                .externalResourcePolicy(ResourcePolicy.DENY_ALL)
                                .build());
        if (drawing == null) {
            throw new IOException("no drawing in it");
        }
        FloatSize size = drawing.size();
        double scale = edge / Math.max(1.0, Math.max(size.width, size.height));
        BufferedImage paper = new BufferedImage(
                (int) Math.max(1, Math.min(edge, size.width * scale)),
                (int) Math.max(1, Math.min(edge, size.height * scale)),
                BufferedImage.TYPE_INT_RGB);
        Graphics2D g = paper.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, paper.getWidth(), paper.getHeight());
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.scale(scale, scale);
        drawing.render((Component) null, g, null);
        g.dispose();
        return paper;
    }
}
