package org.brantel.server.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.poi.hslf.usermodel.HSLFSlideShow;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xslf.usermodel.XMLSlideShow;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.poi.xwpf.usermodel.XWPFDocument;

/** Small documents that say what they are told to, made in code. */
public final class Documents {

    private Documents() {}

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /** By kind. */
    public static Map<String, byte[]> all(String words) throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put("pdf", pdf(words));
        all.put("docx", docx(words));
        all.put("xls", book(new HSSFWorkbook(), words));
        all.put("xlsx", book(new XSSFWorkbook(), words));
        all.put("ppt", ppt(words));
        all.put("pptx", pptx(words));
        all.put("rtf", utf8("{\\rtf1\\ansi\\deff0{\\fonttbl{\\f0 Arial;}}\\f0 " + words + "\\par}"));
        all.put("html", utf8("<html><head><script>let x = 'never said'</script></head><p>" + words + "</p></html>"));
        all.put(
                "eml",
                utf8("From: mara@skerrow.example\r\nSubject: Dues\r\nMIME-Version: 1.0\r\nContent-Type: text/plain\r\n"
                        + "\r\n" + words + "\r\n"));
        all.put("txt", utf8(words));
        all.put("csv", utf8("what,when\n" + words + ",1962\n"));
        return all;
    }

    public static byte[] pdf(String words) throws IOException {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDPage page = new PDPage();
            document.addPage(page);
            try (PDPageContentStream stream = new PDPageContentStream(document, page)) {
                stream.beginText();
                stream.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 12);
                stream.newLineAtOffset(40, 700);
                stream.showText(words);
                stream.endText();
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    /** Closed by a password. */
    public static byte[] locked(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf);
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.protect(new StandardProtectionPolicy("owner of the Nordlys", "harbour", new AccessPermission()));
            document.save(out);
            return out.toByteArray();
        }
    }

    /** A document of the newer office kinds, closed by a password. */
    public static byte[] lockedOffice(byte[] document) throws IOException {
        try (POIFSFileSystem files = new POIFSFileSystem();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Encryptor encryptor = new EncryptionInfo(EncryptionMode.agile).getEncryptor();
            encryptor.confirmPassword("harbour");
            try (OutputStream packed = encryptor.getDataStream(files)) {
                packed.write(document);
            }
            files.writeFilesystem(out);
            return out.toByteArray();
        } catch (GeneralSecurityException e) {
            throw new IOException(e);
        }
    }

    private static byte[] docx(String words) throws IOException {
        try (XWPFDocument document = new XWPFDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.createParagraph().createRun().setText(words);
            document.write(out);
            return out.toByteArray();
        }
    }

    private static byte[] book(Workbook empty, String words) throws IOException {
        try (Workbook book = empty;
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            book.createSheet().createRow(0).createCell(0).setCellValue(words);
            book.write(out);
            return out.toByteArray();
        }
    }

    private static byte[] ppt(String words) throws IOException {
        try (HSLFSlideShow show = new HSLFSlideShow();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            show.createSlide().addTitle().setText(words);
            show.write(out);
            return out.toByteArray();
        }
    }

    private static byte[] pptx(String words) throws IOException {
        try (XMLSlideShow show = new XMLSlideShow();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            show.createSlide().createTextBox().setText(words);
            show.write(out);
            return out.toByteArray();
        }
    }
}
