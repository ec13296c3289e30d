package org.brantel.server.words;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
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

    private static Parser parser(String kind) {
        return OF_GROUP.entrySet().stream()
                .filter(e -> Stream.of(e.getKey().split(" ")).anyMatch(kind::equals))
                .findFirst()
                .orElseThrow()
                .getValue()
                .get();
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
        Parser parser = parser(kind);
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
