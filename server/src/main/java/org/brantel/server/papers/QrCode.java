package org.brantel.server.papers;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.extend.OutputDevice;
import com.openhtmltopdf.render.RenderingContext;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.Rectangle2D;
import java.util.Map;
import org.w3c.dom.Element;

/** Draws {@code <object type="qr" data="...">}: a code that any phone or scanner reads. */
final class QrCode implements FSObjectDrawer {

    private static final Map<EncodeHintType, Object> HINTS =
            Map.of(EncodeHintType.MARGIN, 2, EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.M);
    /** Runs overlap a little, in modules, or a hairline would show between them. */
    private static final double OVERLAP = 0.015;

    /** @return how many modules wide and high the code of a text is; a template gives each a millimetre */
    static int side(String content) {
        return of(content).getWidth();
    }

    private static BitMatrix of(String content) {
        try {
            return new QRCodeWriter().encode(content, BarcodeFormat.QR_CODE, 0, 0, HINTS);
        } catch (WriterException e) {
            throw new IllegalArgumentException("The code of " + content + " cannot be drawn: " + e.getMessage(), e);
        }
    }

    @Override
    public Map<Shape, String> drawObject(
            Element e,
            double x,
            double y,
            double width,
            double height,
            OutputDevice device,
            RenderingContext context,
            int dotsPerPixel) {
        BitMatrix code = of(e.getAttribute("data"));
        device.drawWithGraphics((float) x, (float) y, (float) width, (float) height, g -> {
            g.scale(width / dotsPerPixel / code.getWidth(), height / dotsPerPixel / code.getHeight());
            g.setColor(Color.BLACK);
            draw(code, g);
        });
        return Map.of();
    }

    private static void draw(BitMatrix code, Graphics2D g) {
        for (int row = 0; row < code.getHeight(); row++) {
            for (int from = 0; from < code.getWidth(); from++) {
                int to = from;
                while (to < code.getWidth() && code.get(to, row)) {
                    to++;
                }
                if (to > from) {
                    g.fill(new Rectangle2D.Double(from, row - OVERLAP, to - from, 1 + 2 * OVERLAP));
                    from = to;
                }
            }
        }
    }
}
