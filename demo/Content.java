import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;

/** Makes the files of the demo devices: drawn pictures, small PDFs, tables and notes of the coast of Skerrow. */
public final class Content {

    private static final Random RANDOM = new Random(23);
    private static Path root;
    private static int made;

    public static void main(String[] args) throws IOException {
        root = Path.of(args[0]);
        for (int i = 1; i <= 8; i++) {
            jpeg("moss/Plots/Plot %d from the east.jpg".formatted(i), 900, 600);
        }
        for (int i = 1; i <= 4; i++) {
            png("moss/Sections/Peat section %d.png".formatted(i), 480, 640);
        }
        for (int year = 2019; year <= 2024; year++) {
            table("moss/Levels/Bog levels %d.csv".formatted(year), year);
        }
        pdf("moss/Reports/Water table report 2023.pdf", "Fennel Moss, water table 2023", 14);
        pdf("moss/Reports/Loggers and their places.pdf", "Loggers and their places", 5);
        notes("moss/read me first.txt", "The loggers are read on the first Monday of the month.");
        notes("moss/Reports/Storm of 12 March.txt", "Two loggers stood under water until the evening.");

        for (int i = 1; i <= 9; i++) {
            jpeg("theatre/Puppets/Old puppet %d.jpg".formatted(i), 1100, 800);
        }
        for (int i = 1; i <= 3; i++) {
            png("theatre/Backdrops/Backdrop %d.png".formatted(i), 900, 500);
        }
        pdf("theatre/Plans/Stage plan The Selkie.pdf", "Stage plan, The Selkie", 9);
        pdf("theatre/Plans/Stage plan Three Herrings.pdf", "Stage plan, Three Herrings", 7);
        pdf("theatre/Plans/Lighting plan winter.pdf", "Lighting plan, winter", 6);
        notes("theatre/Scripts/The Selkie, act 2.txt", "The sea is a blue cloth; two hands move it from below.");
        notes("theatre/Scripts/Three Herrings, prompts.txt", "Cue 4: the lamp. Cue 5: the third herring speaks.");
        table("theatre/Tickets 2024.csv", 2024);

        for (int year = 2020; year <= 2025; year++) {
            table("hives/Hive logs/Hive log %d.csv".formatted(year), year);
        }
        for (int i = 1; i <= 5; i++) {
            jpeg("hives/Combs/Comb %d.jpg".formatted(i), 800, 560);
        }
        pdf("hives/Minutes/Minutes 2024.pdf", "Beekeepers' circle, minutes 2024", 4);
        pdf("hives/Minutes/Minutes 2025.pdf", "Beekeepers' circle, minutes 2025", 4);
        notes("hives/Swarm calls.txt", "Swarm in the lamp house, 4 June, taken before noon.");

        for (int i = 1; i <= 6; i++) {
            jpeg("weather/Mast/Mast camera %d.jpg".formatted(i), 1000, 640);
        }
        for (int year = 2021; year <= 2025; year++) {
            table("weather/Readings/Readings %d.csv".formatted(year), year);
        }
        notes("weather/Log.txt", "Gale from the south-west; the mast camera turned to the wall.");

        hiveDoor("frames", 96);
        table("keepers/Weights 2026, before.csv", 2026);
        corrected("keepers/Weights 2026, before.csv", "keepers/Weights 2026.csv");

        for (int decade = 1850; decade <= 1960; decade += 10) {
            notes("hall/Registers/Register %ds.txt".formatted(decade), "Register of the parish, the " + decade + "s.");
        }
        pdf("hall/Registers/Index of families.pdf", "Index of families", 3);
        for (int year = 2022; year <= 2025; year++) {
            table("accounts/Hall accounts %d.csv".formatted(year), year);
        }
        notes("accounts/Bookings.txt", "The choir on Tuesdays, the boat builders on Thursdays.");
    }

    /** A table as it is after somebody went over it: some of its lines are others. */
    private static void corrected(String before, String after) throws IOException {
        List<String> lines = new ArrayList<>(Files.readAllLines(file(before)));
        for (int i = 40; i < lines.size(); i += 61) {
            lines.set(i, lines.get(i).replaceFirst("plot \\d", "plot 9"));
        }
        Path file = file(after);
        Files.writeString(file, String.join("\n", lines) + "\n");
        stamp(file);
    }

    /** Frames of a film: the door of a hive, and bees that come and go. */
    private static void hiveDoor(String folder, int frames) throws IOException {
        int width = 480;
        int height = 320;
        BufferedImage behind = scene(width, height);
        int bees = 14;
        double[][] flight = new double[bees][3];
        for (double[] f : flight) {
            f[0] = RANDOM.nextDouble() * Math.PI * 2;
            f[1] = 60 + RANDOM.nextDouble() * 170;
            f[2] = 0.6 + RANDOM.nextDouble();
        }
        for (int frame = 0; frame < frames; frame++) {
            BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            Graphics2D g = image.createGraphics();
            g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            g.drawImage(behind, 0, 0, null);
            g.setColor(new Color(0xC9A063));
            g.fillRect(130, 70, 220, 190);
            g.setColor(new Color(0xA37C42));
            for (int y = 70; y < 260; y += 38) {
                g.fillRect(130, y, 220, 3);
            }
            g.setColor(new Color(0x7A5B2E));
            g.fillRect(115, 55, 250, 18);
            g.setColor(new Color(0x2A2118));
            g.fillRect(195, 232, 90, 14);
            for (double[] f : flight) {
                double way = (frame / (double) frames * f[2] * 3 + f[0]) % 2;
                double far = (way < 1 ? way : 2 - way) * f[1];
                int x = (int) (240 + Math.cos(f[0]) * far);
                int y = (int) (238 - Math.abs(Math.sin(f[0])) * far + Math.sin(frame * 0.7 + f[0]) * 3);
                g.setColor(new Color(0xF2C94C));
                g.fillOval(x - 4, y - 3, 8, 6);
                g.setColor(new Color(0x3A2C14));
                g.fillRect(x - 1, y - 3, 2, 6);
                g.setColor(new Color(255, 255, 255, 150));
                g.fillOval(x - 3, y - 7 - frame % 2, 6, 4);
            }
            g.dispose();
            ImageIO.write(
                    image, "png", file(folder + "/%03d.png".formatted(frame)).toFile());
        }
    }

    private static Path file(String name) throws IOException {
        Path file = root.resolve(name);
        Files.createDirectories(file.getParent());
        return file;
    }

    private static void stamp(Path file) throws IOException {
        made++;
        LocalDateTime when =
                LocalDateTime.of(2019 + made % 6, 1 + made % 12, 1 + made % 27, 8 + made % 9, made % 60, made % 30 * 2);
        Files.setLastModifiedTime(file, FileTime.from(when.toInstant(ZoneOffset.UTC)));
    }

    private static BufferedImage scene(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        float hue = 0.08f + RANDOM.nextFloat() * 0.5f;
        for (int y = 0; y < height; y++) {
            g.setColor(Color.getHSBColor(hue, 0.10f + 0.25f * y / height, 0.95f - 0.25f * y / height));
            g.drawLine(0, y, width, y);
        }
        for (int layer = 0; layer < 6; layer++) {
            Path2D hill = new Path2D.Double();
            double base = height * (0.35 + 0.11 * layer);
            hill.moveTo(0, height);
            double phase = RANDOM.nextDouble() * 7;
            for (int x = 0; x <= width; x += 6) {
                hill.lineTo(
                        x,
                        base
                                + Math.sin(x / 60.0 + phase) * 18
                                + Math.sin(x / 17.0 + phase) * 5
                                + RANDOM.nextGaussian() * 1.5);
            }
            hill.lineTo(width, height);
            g.setColor(Color.getHSBColor(hue + 0.05f * layer, 0.25f + 0.06f * layer, 0.75f - 0.1f * layer));
            g.fill(hill);
        }
        g.setStroke(new BasicStroke(2));
        for (int i = 0; i < 160; i++) {
            int x = RANDOM.nextInt(width);
            int y = height - RANDOM.nextInt(height / 3);
            g.setColor(Color.getHSBColor(hue + RANDOM.nextFloat() * 0.2f, 0.5f, 0.3f + RANDOM.nextFloat() * 0.4f));
            g.drawLine(x, y, x + RANDOM.nextInt(9) - 4, y - 8 - RANDOM.nextInt(18));
        }
        g.dispose();
        return image;
    }

    private static void jpeg(String name, int width, int height) throws IOException {
        Path file = file(name);
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam param = writer.getDefaultWriteParam();
        param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        param.setCompressionQuality(0.85f);
        try (var out = ImageIO.createImageOutputStream(file.toFile())) {
            writer.setOutput(out);
            writer.write(null, new IIOImage(scene(width, height), null, null), param);
        }
        writer.dispose();
        stamp(file);
    }

    private static void png(String name, int width, int height) throws IOException {
        Path file = file(name);
        ImageIO.write(scene(width, height), "png", file.toFile());
        stamp(file);
    }

    private static void table(String name, int year) throws IOException {
        StringBuilder text = new StringBuilder("date,place,level_mm,temperature_c\n");
        for (int day = 1; day <= 330; day++) {
            text.append(String.format(
                    Locale.ROOT,
                    "%d-%02d-%02d,plot %d,%d,%.1f%n",
                    year,
                    1 + day / 30 % 12,
                    1 + day % 28,
                    1 + day % 8,
                    180 + RANDOM.nextInt(240),
                    2 + RANDOM.nextDouble() * 16));
        }
        Path file = file(name);
        Files.writeString(file, text);
        stamp(file);
    }

    private static void notes(String name, String first) throws IOException {
        StringBuilder text = new StringBuilder(first).append("\n\n");
        String[] words = {
            "tide", "lamp", "heather", "rope", "ferry", "stave", "gauge", "mist", "pier", "lantern", "reed", "slate"
        };
        for (int line = 0; line < 60; line++) {
            for (int w = 0; w < 10; w++) {
                text.append(words[RANDOM.nextInt(words.length)]).append(w == 9 ? ".\n" : " ");
            }
        }
        Path file = file(name);
        Files.writeString(file, text);
        stamp(file);
    }

    /** A PDF of the plainest kind: pages of lines, a cross-reference table, a trailer. */
    private static void pdf(String name, String title, int pages) throws IOException {
        List<String> objects = new ArrayList<>();
        StringBuilder kids = new StringBuilder();
        for (int p = 0; p < pages; p++) {
            kids.append(4 + p * 2).append(" 0 R ");
        }
        objects.add("<< /Type /Catalog /Pages 2 0 R >>");
        objects.add("<< /Type /Pages /Count " + pages + " /Kids [ " + kids + "] >>");
        objects.add("<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>");
        for (int p = 0; p < pages; p++) {
            StringBuilder page =
                    new StringBuilder("BT /F1 16 Tf 60 780 Td (" + title + ", page " + (p + 1) + ") Tj ET\n");
            for (int i = 0; i < 40; i++) {
                page.append("0.4 w ")
                        .append(60 + RANDOM.nextInt(80))
                        .append(' ')
                        .append(740 - i * 16)
                        .append(" m ")
                        .append(300 + RANDOM.nextInt(240))
                        .append(' ')
                        .append(740 - i * 16 + RANDOM.nextInt(9))
                        .append(" l S\n");
            }
            objects.add("<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R "
                    + ">> >> /Contents "
                    + (5 + p * 2) + " 0 R >>");
            objects.add("<< /Length " + page.length() + " >>\nstream\n" + page + "\nendstream");
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        List<Integer> offsets = new ArrayList<>();
        out.write("%PDF-1.4\n".getBytes(StandardCharsets.US_ASCII));
        for (int i = 0; i < objects.size(); i++) {
            offsets.add(out.size());
            out.write(((i + 1) + " 0 obj\n" + objects.get(i) + "\nendobj\n").getBytes(StandardCharsets.US_ASCII));
        }
        int xref = out.size();
        StringBuilder tail = new StringBuilder("xref\n0 " + (objects.size() + 1) + "\n0000000000 65535 f \n");
        offsets.forEach(o -> tail.append(String.format("%010d 00000 n \n", o)));
        tail.append("trailer\n<< /Size ")
                .append(objects.size() + 1)
                .append(" /Root 1 0 R " + ">>\nstartxref\n")
                .append(xref)
                .append("\n%%EOF\n");
        out.write(tail.toString().getBytes(StandardCharsets.US_ASCII));
        Path file = file(name);
        Files.write(file, out.toByteArray());
        stamp(file);
    }
}
