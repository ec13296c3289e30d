package org.brantel.core.manifest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BagTest {

    @TempDir
    private Path folder;

    private Path payload;
    private Path bag;
    private LabKey key;

    @BeforeEach
    void fill() throws IOException {
        payload = Files.createDirectories(folder.resolve("files/Plots"));
        Files.writeString(payload.resolve("Plot 1.txt"), "peat");
        Files.writeString(payload.resolve("näme with blanks, ☂.txt"), "moss");
        payload = payload.getParent();
        Files.writeString(payload.resolve("empty.txt"), "");
        bag = folder.resolve("BR-1-delivery-1");
        key = LabKey.at(folder.resolve("key.pem"));
    }

    private Bag.Sealed seal() throws IOException {
        return Bag.seal(
                payload,
                bag,
                new BagInfo(
                        "Skerrow Data Recovery",
                        "BR-1 delivery 1",
                        "Files recovered for the band",
                        LocalDate.of(2026, 11, 24)),
                "{\"format\":\"brantel-account\"}",
                key);
    }

    private static String run(Path in, String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .directory(in.toFile())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(output).isZero();
        return output;
    }

    @Test
    void theCommandsOfItsOwnReadMeProveIt() throws Exception {
        Bag.Sealed sealed = seal();
        assertThat(sealed.files()).isEqualTo(3);
        assertThat(run(bag, "sha256sum", "-c", "manifest-sha256.txt"))
                .contains("data/Plots/Plot 1.txt: OK")
                .doesNotContain("FAILED");
        assertThat(run(bag, "sha512sum", "-c", "manifest-sha512.txt")).contains("data/empty.txt: OK");
        run(bag, "sha256sum", "-c", "tagmanifest-sha256.txt");
        assertThat(run(
                        bag,
                        "openssl",
                        "pkeyutl",
                        "-verify",
                        "-pubin",
                        "-inkey",
                        "lab-key.pem",
                        "-rawin",
                        "-in",
                        "manifest-sha256.txt",
                        "-sigfile",
                        "manifest-sha256.txt.sig"))
                .contains("Signature Verified Successfully");
        assertThat(run(bag, "sh", "-c", "openssl pkey -pubin -in lab-key.pem -outform DER | sha256sum"))
                .startsWith(key.fingerprint());
        String readMe = Files.readString(bag.resolve("READ-ME.txt"));
        assertThat(readMe)
                .contains("sha256sum -c manifest-sha256.txt")
                .contains("openssl pkeyutl -verify")
                .contains(key.fingerprint());
    }

    @Test
    void itsInfoIsWhatTheStandardAsksFor() throws IOException {
        seal();
        assertThat(Files.readString(bag.resolve("bagit.txt")))
                .isEqualTo("BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n");
        assertThat(Files.readAllLines(bag.resolve("bag-info.txt")))
                .contains(
                        "Source-Organization: Skerrow Data Recovery", "Bagging-Date: 2026-11-24", "Payload-Oxum: 8.3");
    }

    @Test
    void aFreshBagIsSound() throws IOException {
        seal();
        BagCheck check = BagCheck.of(bag);
        assertThat(check.problems()).isEmpty();
        assertThat(check.isSound()).isTrue();
        assertThat(check.fingerprint()).isEqualTo(key.fingerprint());
    }

    @Test
    void everyTamperingIsNoticed() throws IOException {
        seal();
        assertNoticed("data/Plots/Plot 1.txt", "peat!", "data/Plots/Plot 1.txt differs");
        assertNoticed("account.json", "{}", "account.json differs");
        assertNoticed("data/added.txt", "x", "data/added.txt is in the bag but not in the manifest");
        assertNoticed("data/empty.txt", null, "data/empty.txt is missing");
        String manifest = Files.readString(bag.resolve(Bag.SHA256_MANIFEST));
        assertNoticed(
                Bag.SHA256_MANIFEST, manifest + "0".repeat(64) + "  data/../../key.pem\n", "leads out of the bag");
        assertNoticed(
                Bag.SHA256_MANIFEST,
                manifest.replaceFirst("(?m)^.*empty.*\n", ""),
                "The signature is not over this manifest");
        assertNoticed(Bag.SIGNATURE, null, "The bag is not signed");
        assertNoticed(Bag.PUBLIC_KEY, LabKey.at(folder.resolve("other.pem")).publicPem(), "not by this key");
    }

    private void assertNoticed(String file, String content, String problem) throws IOException {
        Path path = bag.resolve(file);
        byte[] before = Files.exists(path) ? Files.readAllBytes(path) : null;
        Files.deleteIfExists(path);
        if (content != null) {
            Files.writeString(path, content);
        }
        BagCheck check = BagCheck.of(bag);
        assertThat(check.isSound()).as(file).isFalse();
        assertThat(check.problems()).as(file).anyMatch(p -> p.contains(problem));
        Files.deleteIfExists(path);
        if (before != null) {
            Files.write(path, before);
        }
    }

    @Test
    void aSealedBagIsNeverChangedAndNoFolderIsPackedIntoItself() throws IOException {
        seal();
        assertThatThrownBy(this::seal).hasMessageContaining("a sealed bag is never changed");
        bag = payload.resolve("inside");
        assertThatThrownBy(this::seal).hasMessageContaining("would lie inside what it packs");
        payload = folder.resolve("none");
        bag = folder.resolve("other");
        assertThatThrownBy(this::seal).hasMessageContaining("There is no folder");
        assertThatThrownBy(() -> BagCheck.of(folder)).hasMessageContaining("is not a bag");
    }

    @Test
    void pathsAreEncodedAsTheStandardSays() {
        for (String path : List.of("data/100%.txt", "data/two\nlines", "data/%25", "data/\r")) {
            assertThat(Bag.encoded(path)).doesNotContain("\n").doesNotContain("\r");
            assertThat(Bag.decoded(Bag.encoded(path))).isEqualTo(path);
        }
    }

    @Test
    void theKeyIsMadeOnceAndReadableByItsOwnerAlone() throws IOException {
        Path file = folder.resolve("key.pem");
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-------");
        assertThat(LabKey.at(file).fingerprint()).isEqualTo(key.fingerprint());
        Files.writeString(file, "no key");
        assertThatThrownBy(() -> LabKey.at(file)).hasMessageContaining("no private key");
    }
}
