package org.brantel.server.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.FindingsFile;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.RecordFacts;
import org.brantel.server.testing.CaseForms;
import org.brantel.server.testing.Lab;
import org.brantel.server.testing.Story;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Sessions add up to one catalogue, whatever the order in which they come in. */
class MergeTest {

    @TempDir
    private Path folder;

    private final Lab lab = Lab.open();
    private final Catalogues catalogues = lab.bean(Catalogues.class);

    /** A few files and copies, each as one session or another could see it: named or not, read or not, whole or not. */
    private static Finding seen(Random random) {
        int file = random.nextInt(6);
        int copy = random.nextInt(2);
        boolean named = random.nextBoolean();
        boolean read = random.nextInt(4) > 0;
        long at = 4096L * (file * 4 + copy * 2);
        Prognosis prognosis = read ? Prognosis.WHOLE : random.nextBoolean() ? Prognosis.GAPPED : Prognosis.DOUBTFUL;
        String path = named ? "/tide/" + (copy == 0 ? "gauge " : "copy of gauge ") + file + ".jpg" : null;
        return new Finding(0, named ? 0 : null, path, named ? path.substring(6) : "at-" + at + ".jpg", 3000 + file, "jpg", named ? random.nextBoolean() ? Origin.LIVE : Origin.DELETED : Origin.CARVED,
                prognosis, read ? 80 + random.nextInt(3) * 5 : 30, List.of("seen"), List.of(new Extent(at, 3000 + file)), null, null, null, null,
                read ? "%064d".formatted(file) : null, named ? null : "[gauge " + file + "].jpg", null, null, RecordFacts.NONE, null);
    }

    private static List<String> shown(Story story) {
        List<String> lines = new ArrayList<>();
        for (JsonNode l : story.una.get(story.path("/catalogue?size=200")).expect(200).json().get("lines")) {
            Map<String, JsonNode> fields = new TreeMap<>();
            l.properties().forEach(e -> fields.put(e.getKey(), e.getValue()));
            fields.remove("id");
            List<String> origins = new ArrayList<>();
            fields.remove("origins").forEach(o -> origins.add(o.asString()));
            Collections.sort(origins);
            List<Long> sessions = new ArrayList<>();
            fields.remove("sessions").forEach(s -> sessions.add(s.asLong()));
            Collections.sort(sessions);
            lines.add(fields + " " + origins + " " + sessions);
        }
        Collections.sort(lines);
        return lines;
    }

    @Test
    void theCatalogueIsTheSameWhateverTheOrderOfSessions() throws IOException {
        Story imaged = Story.ofD01().imaged("inbox/d01-fat16.img");
        long imaging = imaged.session().get("id").asLong();
        for (int round = 0; round < 6; round++) {
            Random random = new Random(round);
            Map<Long, Path> sessions = new TreeMap<>();
            for (long s = 1; s <= 4; s++) {
                Path file = folder.resolve("findings-" + round + "-" + s + ".ndjson");
                try (FindingsFile.Writer out = new FindingsFile.Writer(file)) {
                    for (int i = 1 + random.nextInt(8); i > 0; i--) {
                        out.write(seen(random).withId(i));
                    }
                }
                sessions.put(s, file);
            }
            List<String> first = null;
            for (int order = 0; order < 4; order++) {
                Story story = Story.of(new CaseForms());
                List<Long> turns = new ArrayList<>(sessions.keySet());
                Collections.shuffle(turns, new Random(order));
                for (long s : turns) {
                    catalogues.merge(story.number, s, imaging, sessions.get(s));
                }
                // A second time it changes nothing.
                catalogues.merge(story.number, turns.get(0), imaging, sessions.get(turns.get(0)));
                List<String> shown = shown(story);
                first = first == null ? shown : first;
                assertThat(shown).as("round %d, order %s", round, turns).isEqualTo(first);
            }
            assertThat(first).isNotEmpty();
        }
        assertThat(Files.list(folder)).isNotEmpty();
    }
}
