package org.brantel.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.Binarizer;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Visitor;
import org.junit.jupiter.api.Test;

class PapersTest {

    private static final float DPI = 203.2f; // a label printer's: 8 dots a millimetre
    private final Visitor una = Lab.open().as("una");

    private PDDocument paper(String number, String name) throws IOException {
        Visitor.Answer answer =
                una.get("/api/cases/" + number + "/" + name + ".pdf").expect(200);
        assertThat(answer.header("Content-Type")).isEqualTo("application/pdf");
        return Loader.loadPDF(answer.body());
    }

    private static String text(PDDocument paper) throws IOException {
        return new PDFTextStripper().getText(paper);
    }

    /** The characters as they were set, joined or not. */
    private static String glyphs(PDDocument paper) throws IOException {
        StringBuilder all = new StringBuilder();
        new PDFTextStripper() {
            @Override
            protected void processTextPosition(TextPosition text) {
                all.append(text.getUnicode());
            }
        }.getText(paper);
        return all.toString();
    }

    /** What a scanner reads off a printed page. */
    private static String scanned(PDDocument paper, int page) throws Exception {
        BufferedImage image = new PDFRenderer(paper).renderImageWithDPI(page, DPI);
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        RGBLuminanceSource seen = new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels);
        try {
            return decoded(new HybridBinarizer(seen));
        } catch (ReaderException e) {
            return decoded(new GlobalHistogramBinarizer(seen)); // a scanner looks more than once
        }
    }

    private static String decoded(Binarizer light) throws ReaderException {
        return new QRCodeReader()
                .decode(new BinaryBitmap(light), Map.of(DecodeHintType.TRY_HARDER, true))
                .getText();
    }

    /** Whatever the number is, a label printer's dots are enough for it. */
    @Test
    void everyCodeCanBeScanned() throws Exception {
        Random random = new Random(8);
        for (int round = 0; round < 30; round++) {
            String code = "BR-%04d-%04d".formatted(1601 + random.nextInt(1100), random.nextInt(10_000))
                    + (round % 3 == 0 ? "" : "/" + (1 + random.nextInt(48)));
            Map<String, Object> label = Map.of(
                    "code", code, "side", QrCode.side(code), "what", "bag", "first", "whose", "second", "what it is");
            byte[] printed = new Printer()
                    .print(
                            "labels",
                            Map.of("number", code, "labels", List.of(label), "warning", "", "lab", "", "phone", ""));
            try (PDDocument paper = Loader.loadPDF(printed)) {
                assertThat(scanned(paper, 0)).isEqualTo(code);
            }
        }
    }

    @Test
    void eachLabelCarriesACodeThatFindsItsCase() throws Exception {
        String number = new CaseForms()
                .device("type", "hdd")
                .device("serial", "HS3-52C-70714")
                .told("symptom.noise", "clicking")
                .another("hdd", "serial", "SECOND-2")
                .log(una);
        try (PDDocument labels = paper(number, "labels")) {
            assertThat(labels.getNumberOfPages()).isEqualTo(3);
            assertThat(text(labels))
                    .contains(number + "/1")
                    .contains("HS3-52C-70714")
                    .contains("DO NOT POWER")
                    .contains("device 2 of 2");
            assertThat(scanned(labels, 0)).isEqualTo(number);
            assertThat(scanned(labels, 2)).isEqualTo(number + "/2");
        }
        assertThat(una.get("/api/find?q=" + number + "/2")
                        .json()
                        .get(0)
                        .get("to")
                        .asString())
                .isEqualTo("/cases/" + number);
    }

    @Test
    void theReceiptSaysWhatNotToDoAndWhatWasAgreed() throws IOException {
        String number = new CaseForms()
                .device("type", "usb-stick")
                .device("accessories", "red cord")
                .told("symptom.appears", "asks-to-format")
                .consent("look", "names")
                .log(una);
        try (PDDocument receipt = paper(number, "receipt")) {
            assertThat(text(receipt))
                    .contains("Drop-off receipt")
                    .contains(number)
                    .contains("red cord")
                    .contains("If a machine offers to format")
                    .contains("names of your files, not into them");
        }
    }

    @Test
    void aLetterOfDeclineNeedsADecline() throws IOException {
        String number = new CaseForms()
                .device("type", "ssd")
                .told("loss.event", "deleted-directly")
                .told("trim", "active")
                .told("since.use", "heavy")
                .log(una);
        assertThat(una.get("/api/cases/" + number + "/decline.pdf").expect(409).sentence())
                .contains("was not declined");
        int version = una.get("/api/cases/" + number).json().get("version").asInt();
        una.post(
                        "/api/cases/" + number + "/triage/decision",
                        Map.of("path", "decline", "reason", "Nothing can be had back.", "version", version))
                .expect(200);
        try (PDDocument letter = paper(number, "decline")) {
            assertThat(text(letter).replaceAll("\\s+", " "))
                    .contains("we cannot take it on")
                    .contains("Nothing can be had back.")
                    .contains("discards deleted blocks");
        }
    }

    @Test
    void namesInAnyScriptAreSetAndWhatNoFontHasIsABox() throws IOException {
        String number = new CaseForms()
                .customer("name", "مقهى الميناء")
                .customer("contactPerson", "ἙΛΕΝΗ Ћирић")
                .story("x")
                .device("model", "灯台" + "W".repeat(150))
                .log(una);
        try (PDDocument receipt = paper(number, "receipt");
                PDDocument labels = paper(number, "labels")) {
            assertThat(text(receipt)).contains("Ћирић").contains("□□");
            assertThat(glyphs(receipt)).as("letters that join are joined").containsPattern("[\\ufe70-\\ufeff]");
            assertThat(labels.getNumberOfPages()).isEqualTo(2);
        }
    }
}
