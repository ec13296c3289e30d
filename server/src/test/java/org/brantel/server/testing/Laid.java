package org.brantel.server.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.brantel.core.content.Extent;
import org.brantel.core.finding.Content;
import org.brantel.core.finding.Evidence;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Named;
import org.brantel.core.finding.Origin;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.finding.Times;
import org.brantel.core.finding.Verdict;
import org.brantel.server.catalogue.Catalogues;

/**
 * Files that lie on a medium one behind the other, each with room of its own, and what a session finds of them: all at
 * the top of a volume, whole.
 *
 * @param imaging the number of the medium's image
 */
public record Laid(Lab lab, long imaging, List<Finding> findings) {

    private static final long SESSION = 3;

    /**
     * @param room  bytes that each file has; none is larger
     * @param files by name, whose ending says their kind
     */
    public static Laid on(Lab lab, String medium, int room, Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        List<Finding> findings = new ArrayList<>();
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            byte[] content = file.getValue();
            if (content.length > room) {
                throw new IllegalArgumentException(file.getKey() + " takes more room than there is");
            }
            findings.add(finding(findings.size() + 1, file.getKey(), content.length, all.size(), Prognosis.WHOLE));
            all.writeBytes(Arrays.copyOf(content, room));
        }
        Files.write(lab.inbox().resolve(medium), all.toByteArray());
        long imaging = Story.of(new CaseForms())
                .imaged("inbox/" + medium)
                .session()
                .get("id")
                .asLong();
        return new Laid(lab, imaging, findings);
    }

    /** @param at its first byte on the medium */
    public static Finding finding(int number, String name, int size, long at, Prognosis prognosis) {
        return new Finding(
                number,
                0,
                Origin.LIVE,
                Named.of("/" + name, name),
                Times.NONE,
                new Verdict(prognosis, 80, List.of("seen")),
                Content.of(size, name.substring(name.lastIndexOf('.') + 1), List.of(new Extent(at, size))),
                Evidence.NONE);
    }

    /** One more is found on the medium. */
    public Laid with(Finding more) {
        return new Laid(
                lab, imaging, Stream.concat(findings.stream(), Stream.of(more)).toList());
    }

    /** A case in which all of them were found. */
    public Story found(CaseForms form) throws IOException {
        return found(form, findings);
    }

    /** A case in which some were found. */
    public Story found(CaseForms form, List<Finding> some) throws IOException {
        Story story = Story.of(form);
        lab.bean(Catalogues.class).merge(story.number, SESSION, imaging, some);
        return story;
    }
}
