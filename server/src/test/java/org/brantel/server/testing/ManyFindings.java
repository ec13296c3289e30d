package org.brantel.server.testing;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.SplittableRandom;
import javax.imageio.ImageIO;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;

/**
 * An image of very many pieces of content of which no two are the same, and what a session may have found on it.
 *
 * @param imaging the number of the image
 * @param file    the findings
 */
public record ManyFindings(long imaging, Path file) {

    private static final int SLOT = 1024;
    private static final int PICTURE_SLOT = 8192;
    private static final String[] KINDS = {"jpg", "pdf", "docx", "txt", "mp4", "png", "xls", "mp3", "zip", "html"};
    private static final String[] PLACES = {
        "Tide gauge", "Hive logs", "Band", "Puppets", "Lighthouse", "Peat bog", "Ferry", "Letters", "Accounts", "Scans"
    };
    private static final String[] WORDS = {
        "pier", "harvest", "comb", "march", "storm", "minutes", "receipt", "keeper", "lamp", "tide", "bog", "choir"
    };
    private static final String[] DEVICES = {"Nordlys 5", "Tern 200"};

    /** One piece of content, and what is found there. */
    private interface Piece {
        Finding at(int number, long from, int slot, byte[] content);
    }

    /** Findings of all kinds, of which nothing can be drawn. */
    public static ManyFindings of(Lab lab, int many) throws IOException {
        SplittableRandom random = new SplittableRandom(7);
        Random bytes = new Random(1);
        byte[] content = new byte[SLOT];
        return made(
                lab,
                "many",
                many,
                SLOT,
                i -> {
                    bytes.nextBytes(content);
                    return content;
                },
                (i, at, slot, c) -> any(i, at, random));
    }

    /** Pictures of a few years that can be drawn. */
    public static ManyFindings pictures(Lab lab, int many) throws IOException {
        return made(lab, "pictures", many, PICTURE_SLOT, ManyFindings::picture, ManyFindings::pictured);
    }

    /** Makes one piece of content. */
    private interface Maker {
        byte[] content(int number) throws IOException;
    }

    private static ManyFindings made(Lab lab, String name, int many, int slot, Maker maker, Piece piece)
            throws IOException {
        Path file = lab.home().resolve(name + ".ndjson");
        Path medium = lab.inbox().resolve(name + ".img");
        byte[] padded = new byte[slot];
        try (OutputStream out = Files.newOutputStream(medium);
                OutputStream wide = new BufferedOutputStream(out, 1 << 20);
                FindingsFile.Writer findings = new FindingsFile.Writer(file)) {
            for (int i = 0; i < many; i++) {
                byte[] content = maker.content(i);
                System.arraycopy(content, 0, padded, 0, content.length);
                Arrays.fill(padded, content.length, slot, (byte) 0);
                wide.write(padded);
                findings.write(piece.at(i, (long) i * slot, slot, content));
            }
        }
        long imaging = Story.of(new CaseForms())
                .imaged("inbox/" + name + ".img")
                .session()
                .get("id")
                .asLong();
        return new ManyFindings(imaging, file);
    }

    private static Finding any(int i, long at, SplittableRandom random) {
        String kind = KINDS[(int) (Math.pow(random.nextDouble(), 2) * KINDS.length)];
        boolean named = random.nextInt(10) > 0;
        boolean gone = random.nextInt(4) == 0;
        int year = 2009 + random.nextInt(16);
        String folder = "/Home/" + PLACES[random.nextInt(PLACES.length)] + "/" + year + "/"
                + WORDS[random.nextInt(WORDS.length)] + " " + random.nextInt(40) + "/";
        String name = WORDS[random.nextInt(WORDS.length)] + "-" + String.format(Locale.ROOT, "%07d", i) + "." + kind;
        int size = 300 + random.nextInt(SLOT - 300);
        Instant made = Instant.ofEpochSecond(1_230_000_000L + random.nextLong(500_000_000L));
        Prognosis prognosis = Prognosis.values()[random.nextInt(20) == 0 ? 1 + random.nextInt(2) : 0];
        return new Finding(
                i + 1,
                named ? 0 : null,
                !named ? Origin.CARVED : gone ? Origin.DELETED : Origin.LIVE,
                Named.of(named ? folder + name : null, named ? name : "at-" + at + "." + kind),
                named ? new Times(made, made, null) : Times.NONE,
                new Verdict(
                        prognosis,
                        60 + random.nextInt(40),
                        List.of("Its record is whole and nobody has its clusters."),
                        null),
                new Content(size, kind, List.of(new Extent(at, size)), null, null, Map.of()),
                Evidence.NONE);
    }

    private static byte[] picture(int i) throws IOException {
        Random random = new Random(i);
        BufferedImage drawn = new BufferedImage(320, 240, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = drawn.createGraphics();
        g.setPaint(new GradientPaint(
                0, 0, new Color(random.nextInt(1 << 24)), 320, 240, new Color(random.nextInt(1 << 24))));
        g.fillRect(0, 0, 320, 240);
        g.setColor(Color.WHITE);
        g.drawString("Skerrow " + i, 20 + random.nextInt(200), 20 + random.nextInt(200));
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(drawn, "jpg", out);
        return out.toByteArray();
    }

    private static Finding pictured(int i, long at, int slot, byte[] content) {
        String name = String.format(Locale.ROOT, "pier-%05d.jpg", i);
        Instant made = Instant.ofEpochSecond(1_590_000_000L + i * 3000L);
        return new Finding(
                i + 1,
                0,
                Origin.LIVE,
                Named.of("/DCIM/" + i / 500 + "/" + name, name),
                new Times(made, made, null),
                new Verdict(Prognosis.WHOLE, 99, List.of("Its record is whole and nobody has its clusters."), null),
                new Content(
                        content.length,
                        "jpg",
                        List.of(new Extent(at, content.length)),
                        null,
                        null,
                        Map.of("device", DEVICES[i / 7 % 2])),
                Evidence.NONE);
    }
}
