package org.brantel.server.words;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.apache.tika.exception.EncryptedDocumentException;
import org.apache.tika.exception.TikaException;
import org.apache.tika.exception.WriteLimitReachedException;
import org.apache.tika.metadata.Metadata;
import org.apache.tika.mime.MediaType;
import org.apache.tika.parser.AutoDetectParser;
import org.apache.tika.parser.ParseContext;
import org.apache.tika.parser.Parser;
import org.apache.tika.parser.epub.EpubParser;
import org.apache.tika.parser.html.JSoupParser;
import org.apache.tika.parser.mail.RFC822Parser;
import org.apache.tika.parser.mbox.MboxParser;
import org.apache.tika.parser.microsoft.OfficeParser;
import org.apache.tika.parser.microsoft.ooxml.OOXMLParser;
import org.apache.tika.parser.microsoft.rtf.RTFParser;
import org.apache.tika.parser.odf.OpenDocumentParser;
import org.apache.tika.parser.pdf.PDFParser;
import org.apache.tika.parser.txt.TXTParser;
import org.apache.tika.sax.BodyContentHandler;
import org.brantel.server.workers.Chore;
import org.xml.sax.SAXException;

/**
 * Takes words out of documents by a library; what a document is was found out before. Asked for a kind, it answers with
 * the outcome and the words.
 */
public final class Extraction implements Chore {

    static final int MOST_LETTERS = 200_000;

    private static final byte[] COMPOUND = HexFormat.of().parseHex("d0cf11e0a1b11ae1");

    private static final Map<String, Supplier<Parser>> OF_GROUP = Map.of(
            "pdf", PDFParser::new,
            "doc dot xls ppt pps msg", OfficeParser::new,
            "docx docm pptx ppsx xlsx xlsm", OOXMLParser::new,
            "odt ott ods odp", OpenDocumentParser::new,
            "rtf", RTFParser::new,
            "eml emlx", RFC822Parser::new,
            "mbox", MboxParser::new,
            "html", JSoupParser::new,
            "epub", EpubParser::new,
            "txt csv tsv md log ini xml json ics vcf tex", TXTParser::new);

    @Override
    public byte[] work(String kind, byte[] content) {
        return of(kind, content).answer().getBytes(StandardCharsets.UTF_8);
    }

    /** The kinds whose words are read. */
    static Set<String> kinds() {
        Set<String> kinds = new TreeSet<>();
        OF_GROUP.keySet().forEach(group -> kinds.addAll(Set.of(group.split(" "))));
        return kinds;
    }

    private static Parser parser(String kind, byte[] content) {
        // A document of the newer kinds that a password closes is packed as those before were.
        if (isCompound(content)) {
            return new OfficeParser();
        }
        return OF_GROUP.entrySet().stream()
                .filter(e -> Stream.of(e.getKey().split(" ")).anyMatch(kind::equals))
                .findFirst()
                .orElseThrow()
                .getValue()
                .get();
    }

    /** Whether it is a compound file (MS-CFB, 2.2). */
    static boolean isCompound(byte[] content) {
        return content.length >= COMPOUND.length
                && Arrays.equals(content, 0, COMPOUND.length, COMPOUND, 0, COMPOUND.length);
    }

    /** @param kind one of {@link #kinds} */
    private static WordsIn of(String kind, byte[] content) {
        BodyContentHandler words = new BodyContentHandler(MOST_LETTERS);
        ParseContext context = new ParseContext();
        // What lies within a mail or a document is read by what it is, and by nothing that goes elsewhere for it.
        context.set(
                Parser.class,
                new AutoDetectParser(
                        new TXTParser(),
                        new JSoupParser(),
                        new PDFParser(),
                        new OfficeParser(),
                        new OOXMLParser(),
                        new OpenDocumentParser(),
                        new RTFParser(),
                        new RFC822Parser()));
        Metadata of = new Metadata();
        Parser parser = parser(kind, content);
        parser.getSupportedTypes(context).stream()
                .findFirst()
                .map(MediaType::toString)
                .ifPresent(type -> of.set(Metadata.CONTENT_TYPE, type));
        try {
            parser.parse(new ByteArrayInputStream(content), words, of, context);
            return WordsIn.of(words.toString(), false);
        } catch (EncryptedDocumentException e) {
            return WordsIn.not(Outcome.LOCKED);
        } catch (IOException | SAXException | TikaException | RuntimeException e) {
            return WriteLimitReachedException.isWriteLimitReached(e)
                    ? WordsIn.of(words.toString(), true)
                    : partly(words.toString());
        }
    }

    /** A damaged document may say something before it breaks. */
    private static WordsIn partly(String text) {
        WordsIn some = WordsIn.of(text, false).partly();
        return some.outcome() == Outcome.NOTHING ? WordsIn.not(Outcome.DAMAGED) : some;
    }
}
