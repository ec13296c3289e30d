package org.brantel.core.manifest;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyFactory;
import java.security.KeyPair;
import java.security.KeyPairGenerator;
import java.security.PrivateKey;
import java.security.PublicKey;
import java.security.Signature;
import java.security.spec.PKCS8EncodedKeySpec;
import java.security.spec.X509EncodedKeySpec;
import java.util.Base64;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.brantel.core.hash.Hashes;

/** The lab's Ed25519 key pair: signs manifests; its fingerprint is what a customer compares. */
public final class LabKey {

    private static final String ALGORITHM = "Ed25519";
    private static final Pattern PEM = Pattern.compile("-----BEGIN ([A-Z ]+)-----([^-]+)-----END \\1-----");

    private final PrivateKey privateKey;
    private final PublicKey publicKey;

    private LabKey(PrivateKey privateKey, PublicKey publicKey) {
        this.privateKey = privateKey;
        this.publicKey = publicKey;
    }

    /** Reads the key, or makes one that its owner alone can read; who asks at the same time gets the same one. */
    public static LabKey at(Path file) throws IOException {
        if (!Files.exists(file)) {
            make(file);
        }
        String text = Files.readString(file);
        try {
            KeyFactory factory = KeyFactory.getInstance(ALGORITHM);
            return new LabKey(
                    factory.generatePrivate(new PKCS8EncodedKeySpec(section(text, "PRIVATE KEY", file))),
                    factory.generatePublic(new X509EncodedKeySpec(section(text, "PUBLIC KEY", file))));
        } catch (GeneralSecurityException e) {
            throw new IOException("The lab key " + file + " is not an Ed25519 key pair: " + e.getMessage() + ".", e);
        }
    }

    /** It is there as a whole or not at all, and the first one stays. */
    private static void make(Path file) throws IOException {
        KeyPair pair = generate();
        Path folder = Files.createDirectories(file.toAbsolutePath().getParent());
        Path part = Files.createTempFile(
                folder,
                "lab-key",
                ".part",
                PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try {
            Files.writeString(
                    part,
                    pem("PRIVATE KEY", pair.getPrivate().getEncoded())
                            + pem("PUBLIC KEY", pair.getPublic().getEncoded()),
                    StandardOpenOption.TRUNCATE_EXISTING);
            Files.createLink(file, part);
        } catch (FileAlreadyExistsException e) {
            // Somebody else was first: theirs is the lab's.
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private static KeyPair generate() {
        try {
            return KeyPairGenerator.getInstance(ALGORITHM).generateKeyPair();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java 17 has " + ALGORITHM, e);
        }
    }

    private static byte[] section(String text, String name, Object where) throws IOException {
        Matcher m = PEM.matcher(text);
        while (m.find()) {
            if (m.group(1).equals(name)) {
                try {
                    return Base64.getMimeDecoder().decode(m.group(2).strip());
                } catch (IllegalArgumentException e) {
                    throw new IOException("The " + name.toLowerCase(Locale.ROOT) + " in " + where + " is damaged.", e);
                }
            }
        }
        throw new IOException("There is no " + name.toLowerCase(Locale.ROOT) + " in " + where + ".");
    }

    private static String pem(String name, byte[] der) {
        return "-----BEGIN " + name + "-----\n"
                + Base64.getMimeEncoder(64, new byte[] {'\n'}).encodeToString(der) + "\n-----END " + name + "-----\n";
    }

    public byte[] sign(byte[] message) {
        try {
            Signature signature = Signature.getInstance(ALGORITHM);
            signature.initSign(privateKey);
            signature.update(message);
            return signature.sign();
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("the lab key does not sign", e);
        }
    }

    /** The public half, as PEM. */
    public String publicPem() {
        return pem("PUBLIC KEY", publicKey.getEncoded());
    }

    /** SHA-256 of the public key's DER form, hex. */
    public String fingerprint() {
        return fingerprint(publicKey.getEncoded());
    }

    private static String fingerprint(byte[] der) {
        return Hashes.sha256Hex(der, 0, der.length);
    }

    /** The fingerprint of a public key in PEM. */
    public static String fingerprintOf(String publicPem) throws IOException {
        return fingerprint(section(publicPem, "PUBLIC KEY", "the public key"));
    }

    /** Whether a signature over a message was made by the private half of a public key in PEM. */
    public static boolean verify(String publicPem, byte[] message, byte[] signature) throws IOException {
        try {
            PublicKey key = KeyFactory.getInstance(ALGORITHM)
                    .generatePublic(new X509EncodedKeySpec(section(publicPem, "PUBLIC KEY", "the public key")));
            Signature check = Signature.getInstance(ALGORITHM);
            check.initVerify(key);
            check.update(message);
            return check.verify(signature);
        } catch (GeneralSecurityException | IllegalArgumentException e) {
            return false;
        }
    }
}
