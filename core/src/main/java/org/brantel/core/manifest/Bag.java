package org.brantel.core.manifest;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.brantel.core.Engine;
import org.brantel.core.hash.Hashes;
import org.brantel.core.source.SourceException;
import org.jspecify.annotations.Nullable;

/** Writes a bag (RFC 8493) with SHA-256 and SHA-512 manifests, the lab's public key and its signature. */
public final class Bag {

    public static final String SHA256_MANIFEST = "manifest-sha256.txt";
    public static final String SIGNATURE = "manifest-sha256.txt.sig";
    public static final String PUBLIC_KEY = "lab-key.pem";
    public static final String ACCOUNT = "account.json";
    static final String SHA512_MANIFEST = "manifest-sha512.txt";
    static final String DATA = "data";

    /**
     * What was packed.
     *
     * @param sha256 of each payload file, by its path within the bag
     */
    public record Sealed(
            Path folder,
            long files,
            long bytes,
            Map<String, String> sha256,
            String fingerprint,
            String manifestSha256) {}

    private record Digests(String sha256, String sha512, long size) {}

    private Bag() {}

    /**
     * Packs every file of a folder. Files are linked where the disk allows, else copied, and always read from the bag
     * itself to be hashed.
     *
     * @param bag     must not exist yet
     * @param account JSON that accounts for every selected finding, or null
     * @throws SourceException when there is nothing to pack, or the bag is there already
     */
    public static Sealed seal(Path payload, Path bag, BagInfo info, @Nullable String account, LabKey key)
            throws IOException {
        if (Files.exists(bag)) {
            throw new SourceException(bag + " is there already; a sealed bag is never changed. Choose another name.");
        }
        if (!Files.isDirectory(payload)) {
            throw new SourceException("There is no folder " + payload + " to pack.");
        }
        if (bag.toAbsolutePath().normalize().startsWith(payload.toAbsolutePath().normalize())) {
            throw new SourceException("The bag " + bag + " would lie inside what it packs; choose another place.");
        }
        Path building = bag.resolveSibling(bag.getFileName() + ".part");
        deleteTree(building);
        Files.createDirectories(building.resolve(DATA));
        Map<String, Digests> files = pack(payload, building);
        Sealed sealed = write(building, files, info, account, key);
        Files.move(building, bag, StandardCopyOption.ATOMIC_MOVE);
        return new Sealed(
                bag, sealed.files(), sealed.bytes(), sealed.sha256(), sealed.fingerprint(), sealed.manifestSha256());
    }

    private static Map<String, Digests> pack(Path payload, Path bag) throws IOException {
        List<Path> sources;
        try (Stream<Path> walk = Files.walk(payload)) {
            sources = walk.filter(p -> Files.isRegularFile(p, LinkOption.NOFOLLOW_LINKS))
                    .sorted()
                    .toList();
        }
        Map<String, Digests> digests = new TreeMap<>();
        for (Path file : sources) {
            String relative = DATA + "/" + slashed(payload.relativize(file));
            Path target = bag.resolve(relative);
            Files.createDirectories(target.getParent());
            try {
                Files.createLink(target, file);
            } catch (UnsupportedOperationException | IOException e) {
                Files.copy(file, target, StandardCopyOption.COPY_ATTRIBUTES);
            }
            digests.put(relative, digest(target));
        }
        return digests;
    }

    private static Sealed write(
            Path bag, Map<String, Digests> files, BagInfo info, @Nullable String account, LabKey key)
            throws IOException {
        long bytes = files.values().stream().mapToLong(Digests::size).sum();
        text(bag, "bagit.txt", "BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n");
        text(
                bag,
                "bag-info.txt",
                "Source-Organization: " + line(info.organization()) + "\n"
                        + "External-Identifier: " + line(info.identifier()) + "\n"
                        + "External-Description: " + line(info.description()) + "\n"
                        + "Bagging-Date: " + info.date() + "\n"
                        + "Payload-Oxum: " + bytes + "." + files.size() + "\n"
                        + "Bag-Software-Agent: Brantel " + Engine.VERSION + "\n");
        byte[] manifest = manifest(files, Digests::sha256);
        Files.write(bag.resolve(SHA256_MANIFEST), manifest);
        Files.write(bag.resolve(SHA512_MANIFEST), manifest(files, Digests::sha512));
        Files.write(bag.resolve(SIGNATURE), key.sign(manifest));
        text(bag, PUBLIC_KEY, key.publicPem());
        text(bag, "READ-ME.txt", readMe(info, key, files.size()));
        if (account != null) {
            text(bag, ACCOUNT, account);
        }
        tagManifests(bag);
        Map<String, String> sha256 = new LinkedHashMap<>();
        files.forEach((path, d) -> sha256.put(path, d.sha256()));
        return new Sealed(
                bag, files.size(), bytes, sha256, key.fingerprint(), Hashes.sha256Hex(manifest, 0, manifest.length));
    }

    private static void tagManifests(Path bag) throws IOException {
        Map<String, Digests> tags = new TreeMap<>();
        try (Stream<Path> list = Files.list(bag)) {
            for (Path tag : list.filter(Files::isRegularFile).toList()) {
                tags.put(tag.getFileName().toString(), digest(tag));
            }
        }
        Files.write(bag.resolve("tagmanifest-sha256.txt"), manifest(tags, Digests::sha256));
        Files.write(bag.resolve("tagmanifest-sha512.txt"), manifest(tags, Digests::sha512));
    }

    private static byte[] manifest(Map<String, Digests> files, Function<Digests, String> hash) {
        StringBuilder text = new StringBuilder();
        files.forEach((path, d) ->
                text.append(hash.apply(d)).append("  ").append(encoded(path)).append('\n'));
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** RFC 8493, 2.1.3: only these three are encoded. */
    static String encoded(String path) {
        return path.replace("%", "%25").replace("\n", "%0A").replace("\r", "%0D");
    }

    static String decoded(String path) {
        return path.replace("%0D", "\r")
                .replace("%0d", "\r")
                .replace("%0A", "\n")
                .replace("%0a", "\n")
                .replace("%25", "%");
    }

    private static Digests digest(Path file) throws IOException {
        MessageDigest sha256 = Hashes.sha256();
        MessageDigest sha512 = Hashes.sha512();
        byte[] buffer = new byte[256 << 10];
        long size = 0;
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                sha256.update(buffer, 0, n);
                sha512.update(buffer, 0, n);
                size += n;
            }
        }
        return new Digests(Hashes.hex(sha256.digest()), Hashes.hex(sha512.digest()), size);
    }

    static String slashed(Path relative) {
        List<String> parts = new ArrayList<>();
        relative.forEach(p -> parts.add(p.toString()));
        return String.join("/", parts);
    }

    private static void text(Path bag, String name, String content) throws IOException {
        Files.writeString(bag.resolve(name), content);
    }

    private static String line(String value) {
        return value == null ? "" : value.replaceAll("\\s+", " ").strip();
    }

    private static String readMe(BagInfo info, LabKey key, int files) {
        return """
                %s
                %s

                The folder data holds %s: %d in all. This folder is a bag as RFC 8493 describes it.

                To check that every file is as the lab delivered it, open a terminal in this folder:

                    sha256sum -c manifest-sha256.txt

                To check that the list of hashes is the lab's own:

                    openssl pkeyutl -verify -pubin -inkey lab-key.pem -rawin -in manifest-sha256.txt \
                -sigfile manifest-sha256.txt.sig

                To check that the key is the lab's own, compare this fingerprint with the one that you were given (of a
                delivery, the one on its page), or call the lab and let them read it out:

                    openssl pkey -pubin -in lab-key.pem -outform DER | sha256sum

                    %s

                account.json, where it is there, says for every selected file whether it was delivered whole, with
                gaps, or not, and why.
                """.formatted(
                line(info.organization()), line(info.identifier()), line(info.holds()), files, key.fingerprint());
    }

    private static void deleteTree(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> walk = Files.walk(folder)) {
            for (Path p : walk.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(p);
            }
        }
    }
}
