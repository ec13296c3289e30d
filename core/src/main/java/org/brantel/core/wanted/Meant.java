package org.brantel.core.wanted;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.brantel.core.json.Json;
import org.brantel.core.kind.About;
import org.brantel.core.kinds.Kinds;

/**
 * What people mean by a wanted line, and what a medium holds besides that was never theirs: {@code meant.json}, read
 * once.
 */
record Meant(String version, String about, List<Brought> brought, Unsure unsure, List<Meaning> meanings) {

    /**
     * What programs and systems bring along, by the folder that it lies in ({@code *_files}: how its name ends) or by
     * its whole name.
     */
    record Brought(List<String> folders, List<String> names, String reason) {
        Brought {
            folders = folders == null ? List.of() : folders;
            names = names == null ? List.of() : names;
        }
    }

    /** Kinds of which nobody can say whose they were, once their record is lost. */
    record Unsure(List<String> kinds, String reason) {}

    /** Words in a name or a folder that say it is something else. */
    record Sign(List<String> words, String reason) {}

    /**
     * What speaks against it, each with the reason.
     *
     * @param notAbout facts of the content
     */
    record Against(
            Map<String, String> notKinds,
            Map<String, String> unsureKinds,
            List<Sign> not,
            Map<String, String> notAbout) {
        Against {
            notAbout = notAbout == null ? Map.of() : notAbout;
        }
    }

    /**
     * How large it is at least.
     *
     * @param smallSide points of the longer side below which it is a small copy, {@code sureSide} from which it is
     *                  surely none; 0 where sizes say nothing. In between a camera's own word decides, or a record that
     *                  keeps it among somebody's own files
     * @param smallBytes the same by its length, where no points are known
     */
    record Sizes(int smallSide, int sureSide, int smallBytes, int sureBytes) {}

    /**
     * What one of some words in a line means.
     *
     * @param group     the kinds that it speaks of
     */
    record Meaning(
            String means,
            List<String> words,
            List<String> unless,
            String group,
            @JsonUnwrapped Against against,
            @JsonUnwrapped Sizes sizes) {

        private boolean isMeantBy(WantedLine line) {
            return PlainWords.holdsAny(line.words(), words)
                    && !PlainWords.holdsAny(line.words(), unless)
                    && (line.kinds().isEmpty()
                            || line.kinds().stream().anyMatch(k -> k.equals(group) || Kinds.isMeantBy(k, group)));
        }
    }

    private static final Meant SHIPPED = read();
    private static final double CAMERA_SHARE = 0.6;

    private static Meant read() {
        try (InputStream in = Meant.class.getResourceAsStream("meant.json")) {
            return Json.read(
                    new String(in.readAllBytes(), StandardCharsets.UTF_8),
                    Meant.class,
                    "rules of what is meant",
                    "meant.json");
        } catch (IOException e) {
            throw new IllegalStateException("the rules of what is meant that ship with the product cannot be read", e);
        }
    }

    static Meant shipped() {
        return SHIPPED;
    }

    /** What a line means beyond its kinds; empty when it says nothing more. */
    Optional<Meaning> of(WantedLine line) {
        return meanings.stream().filter(m -> m.isMeantBy(line)).findFirst();
    }

    /** Why something was never somebody's own; empty when nothing says so, or the line asks for just that. */
    Optional<String> brought(WantedLine line, Candidate it) {
        String place = it.place();
        if (place == null) {
            return Optional.empty();
        }
        String folders = "/"
                + PlainWords.flat(place.substring(0, place.lastIndexOf('/') + 1))
                        .replaceFirst("^/+", "");
        String name = PlainWords.flat(it.ownName());
        for (Brought rule : brought) {
            boolean is = rule.names().contains(name)
                    || rule.folders().stream()
                            .anyMatch(f -> folders.contains((f.startsWith("*") ? f.substring(1) : "/" + f) + "/")
                                    && !asksFor(line, f));
            if (is) {
                return Optional.of(rule.reason());
            }
        }
        return Optional.empty();
    }

    private static boolean asksFor(WantedLine line, String folder) {
        String last = folder.substring(folder.lastIndexOf('/') + 1);
        return PlainWords.holds(line.words(), last)
                || line.pattern().indexOf('/') >= 0 && PlainWords.holds(line.pattern(), last);
    }

    /** How a finding stands to what the words mean. */
    Fit fit(WantedLine line, Candidate it) {
        Meaning meaning = of(line).orElse(null);
        if (it.path() == null
                && unsure.kinds().contains(it.kind())
                && line.pattern().isEmpty()
                && !line.kinds().contains(it.kind())) {
            return Fit.mayFit(unsure.reason());
        }
        if (meaning == null || !Kinds.isMeantBy(it.kind(), meaning.group())) {
            return Fit.fits("");
        }
        if (meaning.against().notKinds().containsKey(it.kind())) {
            return Fit.not(meaning.against().notKinds().get(it.kind()));
        }
        String place = it.place() == null ? "" : it.place();
        for (Sign sign : meaning.against().not()) {
            if (PlainWords.holdsAny(place, sign.words()) && !PlainWords.holdsAny(line.words(), sign.words())) {
                return Fit.not(sign.reason());
            }
        }
        for (Map.Entry<String, String> fact : meaning.against().notAbout().entrySet()) {
            if (!it.about(fact.getKey()).isEmpty()) {
                return Fit.not(fact.getValue());
            }
        }
        Fit size = size(meaning, it);
        String unsureKind = meaning.against().unsureKinds().get(it.kind());
        return unsureKind == null
                        || size.isOut()
                        || isFromCamera(it)
                        || it.place() != null
                                && size.verdict() == Fit.Verdict.FITS
                                && longerSide(it) >= 2L * meaning.sizes().sureSide()
                ? size
                : size.and(Fit.mayFit(unsureKind));
    }

    private static Fit size(Meaning meaning, Candidate it) {
        long side = longerSide(it);
        if (meaning.sizes().sureSide() == 0) {
            return Fit.fits("");
        }
        if (side > 0) {
            double small = isFromCamera(it)
                    ? meaning.sizes().smallSide() * CAMERA_SHARE
                    : meaning.sizes().smallSide();
            String points = it.about(About.WIDTH) + " by " + it.about(About.HEIGHT) + " points";
            return side < small
                    ? Fit.not("It is a small picture, " + points + ".")
                    : side < meaning.sizes().sureSide() && !isFromCamera(it) && it.place() == null
                            ? Fit.mayFit("It is small, " + points + ", and says nothing of a camera.")
                            : Fit.fits("");
        }
        return it.size() < meaning.sizes().smallBytes()
                ? Fit.not("It is a small picture, " + it.size() + " bytes.")
                : it.size() < meaning.sizes().sureBytes() && it.place() == null
                        ? Fit.mayFit("It is short, " + it.size() + " bytes, and its size in points is not known.")
                        : Fit.fits("");
    }

    private static long longerSide(Candidate it) {
        return Math.max(number(it.about(About.WIDTH)), number(it.about(About.HEIGHT)));
    }

    private static long number(String text) {
        return text.matches("\\d{1,9}") ? Long.parseLong(text) : 0;
    }

    private static boolean isFromCamera(Candidate it) {
        return !it.about(About.DEVICE).isEmpty() || !it.about(About.TAKEN).isEmpty();
    }
}
