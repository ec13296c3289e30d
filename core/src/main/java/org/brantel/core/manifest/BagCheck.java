package org.brantel.core.manifest;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.brantel.core.hash.Hashes;
import org.brantel.core.source.SourceException;
import org.jspecify.annotations.Nullable;

/**
 * What a check of a bag found.
 *
 * @param files       payload files that the manifests list
 * @param problems    one sentence for each thing that is not as it should be; empty when the bag is sound
 * @param signed      whether the signature over the SHA-256 manifest is right
 * @param fingerprint of the key in the bag, or null
 */
public record BagCheck(
        long files,
        List<String> problems,
        boolean signed,
        @Nullable String fingerprint) {

    public boolean isSound() {
        return problems.isEmpty() && signed;
    }

    /** @throws SourceException when the folder is no bag at all */
    public static BagCheck of(Path bag) throws IOException {
        if (!Files.isRegularFile(bag.resolve("bagit.txt")) || !Files.isRegularFile(bag.resolve(Bag.SHA256_MANIFEST))) {
            throw new SourceException(bag + " is not a bag: bagit.txt or " + Bag.SHA256_MANIFEST + " is missing.");
        }
        List<String> problems = new ArrayList<>();
        Map<String, String> payload = compare(bag, Bag.SHA256_MANIFEST, Hashes.sha256(), problems);
        if (Files.exists(bag.resolve(Bag.SHA512_MANIFEST))) {
            compare(bag, Bag.SHA512_MANIFEST, Hashes.sha512(), problems);
        }
        if (Files.exists(bag.resolve("tagmanifest-sha256.txt"))) {
            compare(bag, "tagmanifest-sha256.txt", Hashes.sha256(), problems);
        }
        if (Files.exists(bag.resolve("tagmanifest-sha512.txt"))) {
            compare(bag, "tagmanifest-sha512.txt", Hashes.sha512(), problems);
        }
        extras(bag, payload.keySet(), problems);
        boolean signed = false;
        String fingerprint = null;
        Path key = bag.resolve(Bag.PUBLIC_KEY);
        Path signature = bag.resolve(Bag.SIGNATURE);
        if (Files.exists(key) && Files.exists(signature)) {
            String pem = Files.readString(key);
            fingerprint = LabKey.fingerprintOf(pem);
            signed = LabKey.verify(
                    pem, Files.readAllBytes(bag.resolve(Bag.SHA256_MANIFEST)), Files.readAllBytes(signature));
            if (!signed) {
                problems.add("The signature is not over this manifest, or not by this key.");
            }
        } else {
            problems.add("The bag is not signed: its key or its signature is missing.");
        }
        return new BagCheck(payload.size(), problems.stream().distinct().toList(), signed, fingerprint);
    }

    private static Map<String, String> compare(Path bag, String manifest, MessageDigest digest, List<String> problems)
            throws IOException {
        Map<String, String> listed = new TreeMap<>();
        int number = 0;
        for (String line : Files.readAllLines(bag.resolve(manifest))) {
            number++;
            int gap = line.indexOf(' ');
            if (gap <= 0) {
                problems.add(manifest + ", line " + number + " is not a hash and a path.");
                continue;
            }
            String path = Bag.decoded(line.substring(gap).strip());
            listed.put(path, line.substring(0, gap));
            Path file = bag.resolve(path).normalize();
            if (!file.startsWith(bag.normalize())) {
                problems.add(manifest + ", line " + number + " leads out of the bag: " + path + ".");
            } else if (!Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
                problems.add(path + " is missing.");
            } else if (!hash(file, digest).equalsIgnoreCase(line.substring(0, gap))) {
                problems.add(path + " differs from the manifest.");
            }
        }
        return listed;
    }

    private static String hash(Path file, MessageDigest digest) throws IOException {
        digest.reset();
        byte[] buffer = new byte[256 << 10];
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                digest.update(buffer, 0, n);
            }
        }
        return Hashes.hex(digest.digest());
    }

    private static void extras(Path bag, Set<String> listed, List<String> problems) throws IOException {
        Path data = bag.resolve(Bag.DATA);
        if (!Files.isDirectory(data)) {
            problems.add("The folder data is missing.");
            return;
        }
        try (Stream<Path> walk = Files.walk(data)) {
            Set<String> there = walk.filter(p -> !Files.isDirectory(p, LinkOption.NOFOLLOW_LINKS))
                    .map(p -> Bag.slashed(bag.relativize(p)))
                    .collect(Collectors.toCollection(TreeSet::new));
            there.removeAll(listed);
            there.forEach(extra -> problems.add(extra + " is in the bag but not in the manifest."));
        }
    }
}
