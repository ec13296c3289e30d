package org.brantel.server.entry;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;

/**
 * A text as a code for cameras (ISO/IEC 18004).
 *
 * @param path of SVG: its dark modules, a unit each
 * @param side in modules, with the quiet zone
 */
record CodeDrawing(String path, int side) {

    static CodeDrawing of(String text) {
        try {
            BitMatrix code = new QRCodeWriter().encode(text, BarcodeFormat.QR_CODE, 0, 0);
            StringBuilder path = new StringBuilder();
            for (int row = 0; row < code.getHeight(); row++) {
                for (int at = 0; at < code.getWidth(); at++) {
                    if (code.get(at, row)) {
                        path.append('M').append(at).append(' ').append(row).append("h1v1h-1z");
                    }
                }
            }
            return new CodeDrawing(path.toString(), code.getWidth());
        } catch (WriterException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
