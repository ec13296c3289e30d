package org.brantel.core.casefile;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Enumeration;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.brantel.core.source.SourceException;

/** A bag as one file: a ZIP whose single top folder is the bag (RFC 8493, section 4). */
final class Zipped {

    private static final int MOST_FILES = 70_000;
    /** What we write ourselves; nothing else is unpacked. */
    private static final Pattern NAME = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._-]{0,100}");

    private static final int DEEPEST = 4;

    private Zipped() {}

    /** @param zip must not exist yet */
    static void write(Path bag, Path zip) throws IOException {
        List<Path> files;
        try (Stream<Path> walk = Files.walk(bag)) {
            files = walk.filter(p -> Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS))
                    .sorted()
                    .toList();
        }
        try (OutputStream raw = Files.newOutputStream(zip, StandardOpenOption.CREATE_NEW);
                ZipOutputStream out = new ZipOutputStream(new BufferedOutputStream(raw, 256 << 10))) {
            for (Path file : files) {
                out.putNextEntry(new ZipEntry(bag.getFileName() + "/"
                        + bag.relativize(file).toString().replace('\\', '/')));
                Files.copy(file, out);
                out.closeEntry();
            }
        }
    }

    /**
     * Unpacks what strangers sent.
     *
     * @param most bytes that may come out
     * @return the bag
     */
    static Path read(Path zip, Path into, long most) throws IOException {
        Files.createDirectories(into);
        try (ZipFile file = new ZipFile(zip.toFile())) {
            if (file.size() == 0 || file.size() > MOST_FILES) {
                throw new SourceException("The file holds " + file.size() + " files, which no case file does.");
            }
            String top = null;
            long left = most;
            Enumeration<? extends ZipEntry> entries = file.entries();
            while (entries.hasMoreElements()) {
                ZipEntry entry = entries.nextElement();
                String[] parts = entry.getName().split("/", -1);
                if (entry.isDirectory()) {
                    continue;
                }
                if (parts.length < 2
                        || parts.length > DEEPEST
                        || !Stream.of(parts).allMatch(p -> NAME.matcher(p).matches())
                        || top != null && !top.equals(parts[0])) {
                    throw new SourceException("The file holds something that no case file does: '"
                            + entry.getName().replaceAll("\\p{Cntrl}", "?") + "'.");
                }
                top = parts[0];
                left -= unpack(file, entry, into.resolve(entry.getName()), left);
            }
            if (top == null) {
                throw new SourceException("The file holds only folders, so it is no case file.");
            }
            return into.resolve(top);
        } catch (ZipException e) {
            throw new SourceException("It is no case file, or damaged: " + e.getMessage() + ".", e);
        }
    }

    private static long unpack(ZipFile file, ZipEntry entry, Path target, long left) throws IOException {
        Files.createDirectories(target.getParent());
        long bytes = 0;
        byte[] buffer = new byte[256 << 10];
        try (InputStream in = file.getInputStream(entry);
                OutputStream out = Files.newOutputStream(target, StandardOpenOption.CREATE_NEW)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                bytes += n;
                if (bytes > left) {
                    throw new SourceException(
                            "The file unpacks to more than there is room for; make room, or ask the lab that packed it.");
                }
                out.write(buffer, 0, n);
            }
        }
        return bytes;
    }
}
