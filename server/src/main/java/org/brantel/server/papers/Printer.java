package org.brantel.server.papers;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.render.DefaultObjectDrawerFactory;
import java.awt.Font;
import java.awt.FontFormatException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** Sets a template of {@code papers/} as a PDF: tagged, so that it can be read out, with its own fonts. */
@Component
class Printer {

    private static final String TEMPLATES = "papers/";
    private static final String FONTS = "/net/sf/jasperreports/fonts/dejavu/";
    private static final String FAMILY = "DejaVu Sans";
    private static final int REGULAR = 400;
    private static final int BOLD = 700;

    private final TemplateEngine templates = new TemplateEngine();
    private final Font known = font();

    Printer() {
        ClassLoaderTemplateResolver found = new ClassLoaderTemplateResolver();
        found.setPrefix(TEMPLATES);
        found.setSuffix(".html");
        templates.setTemplateResolver(found);
    }

    /** @param values for the template's expressions: texts, lists and maps of them */
    byte[] print(String template, Map<String, Object> values) throws IOException {
        String page = shown(templates.process(template, new Context(Locale.UK, values)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        DefaultObjectDrawerFactory drawers = new DefaultObjectDrawerFactory();
        drawers.registerDrawer("qr", new QrCode());
        new PdfRendererBuilder()
                .usePdfUaAccessibility(true)
                .useFont(() -> fontFile("DejaVuSans.ttf"), FAMILY, REGULAR, FontStyle.NORMAL, true)
                .useFont(() -> fontFile("DejaVuSans-Bold.ttf"), FAMILY, BOLD, FontStyle.NORMAL, true)
                .useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory())
                .useUnicodeBidiReorderer(new ICUBidiReorderer())
                .useObjectDrawerFactory(drawers)
                .withHtmlContent(
                        page, Printer.class.getResource("/" + TEMPLATES).toString())
                .toStream(out)
                .run();
        return out.toByteArray();
    }

    /** What the font cannot show is a box, so that nobody overlooks it; marks that turn text round are left out. */
    private String shown(String text) {
        StringBuilder shown = new StringBuilder(text.length());
        text.codePoints().forEach(c -> {
            if (Character.isWhitespace(c)) {
                shown.appendCodePoint(c);
            } else if (Character.isISOControl(c) || Character.getType(c) == Character.FORMAT) {
                shown.append(' ');
            } else {
                shown.appendCodePoint(known.canDisplay(c) ? c : '\u25a1');
            }
        });
        return shown.toString();
    }

    private static InputStream fontFile(String name) {
        return Printer.class.getResourceAsStream(FONTS + name);
    }

    private static Font font() {
        try (InputStream in = fontFile("DejaVuSans.ttf")) {
            return Font.createFont(Font.TRUETYPE_FONT, in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (FontFormatException e) {
            throw new IllegalStateException("The font of papers cannot be read: " + e.getMessage(), e);
        }
    }
}
