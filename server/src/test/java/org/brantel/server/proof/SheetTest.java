package org.brantel.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.Image;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.brantel.core.content.PictureLook;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Laid;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tools.jackson.databind.JsonNode;

/** Small pictures are drawn ahead when somebody asks, and those that look nearly the same are told. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class SheetTest {

    private static final int SLOT = 256 << 10;

    private final Lab lab = Lab.open();
    private Laid laid;

    @BeforeAll
    void lay() throws IOException {
        Map<String, byte[]> files = new LinkedHashMap<>();
        BufferedImage pier = scene(640, 480, 40);
        files.put("pier.jpg", written(pier));
        BufferedImage small = new BufferedImage(160, 120, BufferedImage.TYPE_INT_RGB);
        small.getGraphics().drawImage(pier.getScaledInstance(160, 120, Image.SCALE_SMOOTH), 0, 0, null);
        files.put("pier small.jpg", written(small));
        files.put("lamp.jpg", written(scene(640, 480, 400)));
        files.put("fog.jpg", written(new BufferedImage(640, 480, BufferedImage.TYPE_INT_RGB)));
        files.put("torn.jpg", Arrays.copyOf(written(pier), 300));
        laid = Laid.on(lab, "sheet.img", SLOT, files);
    }

    private static BufferedImage scene(int width, int height, int lampAt) {
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = drawn.createGraphics();
        g.setPaint(new GradientPaint(0, 0, Color.DARK_GRAY, lampAt, height, Color.ORANGE));
        g.fillRect(0, 0, width, height);
        g.setColor(Color.WHITE);
        g.fillOval(lampAt, height - lampAt, 160, 160);
        g.dispose();
        return drawn;
    }

    private static byte[] written(BufferedImage picture) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpg", out);
        return out.toByteArray();
    }

    private static JsonNode state(Story story) {
        return story.una.get(story.path("/catalogue/sheet")).expect(200).json();
    }

    private static JsonNode draw(Story story) {
        story.una.post(story.path("/catalogue/sheet")).expect(201);
        return story.una.await(
                story.path("/catalogue/sheet"),
                s -> s.path("run").path("state").asString().equals("done"));
    }

    private static Map<String, JsonNode> lines(Story story) {
        return story.una
                .get(story.path("/catalogue"))
                .expect(200)
                .json()
                .get("lines")
                .valueStream()
                .collect(Collectors.toMap(l -> l.get("name").asString(), Function.identity()));
    }

    private static PictureLook look(JsonNode line) {
        String hex = line.get("look").asString();
        return new PictureLook(
                Long.parseUnsignedLong(hex.substring(0, 16), 16), Long.parseUnsignedLong(hex.substring(16), 16));
    }

    private Path store(Story story) {
        return lab.home().resolve("lab-store").resolve("small").resolve(story.number);
    }

    @Test
    void allAreDrawnAndThoseThatLookTheSameAreTold() throws IOException {
        Story story = laid.found(new CaseForms());
        assertThat(state(story).get("pictures").asInt()).isEqualTo(5);
        assertThat(state(story).get("looked").asInt()).isZero();
        assertThat(lines(story).values()).noneMatch(l -> l.has("look"));
        JsonNode done = draw(story);
        assertThat(done.get("looked").asInt()).isEqualTo(5);
        assertThat(done.get("drawn").asInt()).isEqualTo(4);
        assertThat(done.get("run").get("undrawn").asInt()).isEqualTo(1);
        Map<String, JsonNode> lines = lines(story);
        assertThat(look(lines.get("pier.jpg")).distance(look(lines.get("pier small.jpg"))))
                .isLessThanOrEqualTo(14);
        assertThat(look(lines.get("pier.jpg")).distance(look(lines.get("lamp.jpg"))))
                .isGreaterThan(14);
        assertThat(lines.get("fog.jpg").has("look")).as("too plain").isFalse();
        assertThat(lines.get("torn.jpg").has("look")).isFalse();
        assertThat(store(story)).isDirectoryContaining("glob:**.jpg");
        assertThat(story.una.get(story.path("/custody")).expect(200).json().toString())
                .contains("drew the small pictures");
    }

    @Test
    void whatWasDrawnIsNotDrawnAgain() throws IOException {
        Story story = laid.found(new CaseForms());
        draw(story);
        lab.sql()
                .update(
                        "update catalogue_sight set look = 'kept' where look is not null and case_id = "
                                + "(select id from lab_case where number = ?)",
                        story.number);
        assertThat(draw(story).get("run").get("done").asInt()).isEqualTo(5);
        assertThat(lines(story).get("pier.jpg").get("look").asString()).isEqualTo("kept");
    }

    @Test
    void nothingIsDrawnWhereTheCustomerSaidNamesOnly() throws IOException {
        Story story = laid.found(new CaseForms().consent("look", "names"));
        assertThat(story.una.post(story.path("/catalogue/sheet")).expect(423).sentence())
                .contains("the pictures");
        assertThat(store(story)).doesNotExist();
    }

    @Test
    void whatTheyLookLikeGoesWithTheYesToThem() throws IOException {
        Story story = laid.found(new CaseForms().consent("look", "previews"));
        draw(story);
        int version =
                story.una.get(story.path("")).expect(200).json().get("version").asInt();
        story.una
                .put(
                        story.path(""),
                        new CaseForms()
                                .consent("look", "names")
                                .version(version)
                                .build())
                .expect(200);
        assertThat(state(story).get("looked").asInt()).isZero();
        assertThat(store(story)).doesNotExist();
    }

    @Test
    void whatCannotBeBegunOrPausedIsRefused() throws IOException {
        Story empty = Story.of(new CaseForms());
        assertThat(empty.una.post(empty.path("/catalogue/sheet")).expect(409).sentence())
                .contains("has no pictures");
        assertThat(empty.una
                        .post(empty.path("/catalogue/sheet/pause"))
                        .expect(409)
                        .sentence())
                .contains("nothing to pause");
    }
}
