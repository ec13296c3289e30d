package org.brantel.core.wanted;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.kind.About;
import org.brantel.core.kinds.Kinds;
import org.jspecify.annotations.Nullable;

/**
 * Holds findings against one wanted line, made ready once. Everything that the line asks is answered in this order of
 * trust: the record's own dates, names and folders (of a trashed file those of the place it came from); what the
 * content says of itself; then nothing, and what is not known makes it <em>may fit</em>. One 'no' is a no.
 */
public final class Fitting {

    private static final List<String> TITLES = List.of(About.TITLE, About.SUBJECT, About.ALBUM, About.WORDS);
    /** A title that a program gave by itself. */
    private static final String NO_TITLE =
            "(?i)|untitled.*|document ?\\d*|microsoft .*|new .*|unbenannt.*|sans titre.*|scan ?\\d*|img.*|dsc.*";

    private static final int CLOCK_SLACK_DAYS = 1;

    private final WantedLine line;
    private final Meant meant = Meant.shipped();
    private final @Nullable NamePattern pattern;
    private final List<String> ownWords;

    public Fitting(WantedLine line) {
        this.line = line;
        pattern = line.pattern().isEmpty() ? null : new NamePattern(line.pattern());
        ownWords = Stream.of(PlainWords.spaced(line.words()).split(" "))
                .filter(w -> w.length() > 3)
                .toList();
    }

    public WantedLine line() {
        return line;
    }

    /** What can be said of a finding and the line, with the reason. */
    public Fit of(Candidate it) {
        if (it.size() == 0) {
            return Fit.not("It is empty.");
        }
        if (it.prognosis() == Prognosis.OVERWRITTEN) {
            return Fit.not("Other data or zeros stand where its content was.");
        }
        if (!line.kinds().isEmpty() && line.kinds().stream().noneMatch(word -> Kinds.isMeantBy(it.kind(), word))) {
            return Fit.not("It is " + it.kind() + "; the line asks for " + String.join(" or ", line.kinds()) + ".");
        }
        if (it.size() < line.minBytes()) {
            return Fit.not("It is smaller than asked, " + it.size() + " of " + line.minBytes() + " bytes.");
        }
        Optional<String> brought = meant.brought(line, it);
        if (brought.isPresent()) {
            return Fit.not(brought.get());
        }
        if (it.inside() && meant.of(line).isPresent()) {
            return Fit.not("It is a part of another file, a preview or the like.");
        }
        Fit all = meant.fit(line, it).and(name(it)).and(time(it));
        return all.why().isEmpty() ? new Fit(all.verdict(), said()) : all;
    }

    private String said() {
        return Stream.of(
                        line.kinds().isEmpty() ? "" : "its kind",
                        pattern == null ? "" : "its name",
                        isTimed() ? "its time" : "")
                .filter(s -> !s.isEmpty())
                .reduce((a, b) -> a + ", " + b)
                .map(s -> "Asked and answered: " + s + ".")
                .orElse("Its words are in its name.");
    }

    private boolean isTimed() {
        return line.days().areAsked();
    }

    private Fit name(Candidate it) {
        if (pattern == null) {
            return line.kinds().isEmpty() && !isTimed() && line.minBytes() == 0 ? wordsAlone(it) : Fit.fits("");
        }
        if (Stream.of(TITLES, List.of(About.AUTHOR, About.FROM))
                .flatMap(List::stream)
                .map(it::about)
                .anyMatch(t -> !t.isEmpty() && pattern.isIn(t))) {
            return Fit.fits("");
        }
        String place = it.place();
        if (place == null) {
            String title = title(it);
            return title == null
                    ? Fit.mayFit("Its name is lost, and its content says none.")
                    : Fit.not("It says of itself “" + title + "”.");
        }
        String name = Candidate.nameIn(place);
        boolean isIn = pattern.isOfPlace()
                ? pattern.isIn(place)
                : pattern.isIn(name) || folders(place).anyMatch(pattern::isIn);
        return isIn
                ? Fit.fits("")
                : pattern.mayBe(name)
                        ? Fit.mayFit("Its long name is lost; what is left of it, " + name + ", agrees.")
                        : Fit.not("Its name is " + name + ".");
    }

    private static Stream<String> folders(String place) {
        return Stream.of(place.substring(0, place.lastIndexOf('/') + 1).split("/"))
                .filter(f -> !f.isEmpty());
    }

    /** A line of words alone is met by a name that holds one of them; nothing else can be said of it. */
    private Fit wordsAlone(Candidate it) {
        String told = Stream.concat(
                        Stream.of(it.place() == null ? "" : it.place()),
                        TITLES.stream().map(it::about))
                .reduce("", (a, b) -> a + " " + b);
        return PlainWords.holdsAny(told, ownWords)
                ? Fit.fits("")
                : Fit.mayFit("The line says nothing that could be checked: no kind, no name, no time.");
    }

    private static @Nullable String title(Candidate it) {
        return TITLES.stream()
                .map(it::about)
                .filter(t -> !t.strip().matches(NO_TITLE))
                .findFirst()
                .orElse(null);
    }

    private Fit time(Candidate it) {
        if (!isTimed()) {
            return Fit.fits("");
        }
        LocalDate changed = day(it.changed());
        StatedDate content = StatedDate.ofContent(it.about(About.TAKEN));
        String name = it.ownName();
        StatedDate camera = name == null ? null : StatedDate.ofCamera(name);
        for (StatedDate made : Stream.of(content, camera).filter(d -> d != null).toList()) {
            // A copy's record is younger than what it holds; a record that is older shows that the clock of the content
            // was wrong.
            if (changed == null || !made.from().isAfter(changed.plusDays(CLOCK_SLACK_DAYS))) {
                return asked(
                        made, made.equals(content) ? "it says of itself that it was made " : "the camera named it by ");
            }
        }
        if (changed != null) {
            return asked(new StatedDate(changed, changed), "it was last changed ");
        }
        if (it.place() != null) {
            StatedDate named = StatedDate.ofName(name);
            if (named == null) {
                named = folders(it.place())
                        .map(StatedDate::ofName)
                        .filter(d -> d != null)
                        .reduce((a, b) -> b)
                        .orElse(null);
            }
            if (named != null) {
                return asked(named, "its name or folder says ");
            }
        }
        return Fit.mayFit("Nothing says when it was made.");
    }

    private static @Nullable LocalDate day(@Nullable Instant changed) {
        LocalDate day = changed == null ? null : changed.atZone(ZoneOffset.UTC).toLocalDate();
        return day == null || StatedDate.isUnset(day) ? null : day;
    }

    private Fit asked(StatedDate date, String who) {
        boolean startsIn = (line.days().from() == null
                        || !date.from().isBefore(line.days().from()))
                && (line.days().to() == null || !date.from().isAfter(line.days().to()));
        boolean endsIn = (line.days().from() == null
                        || !date.to().isBefore(line.days().from()))
                && (line.days().to() == null || !date.to().isAfter(line.days().to()));
        if (startsIn && endsIn) {
            return Fit.fits("");
        }
        boolean apart = line.days().to() != null
                        && date.from().isAfter(line.days().to())
                || line.days().from() != null && date.to().isBefore(line.days().from());
        String words = Character.toUpperCase(who.charAt(0)) + who.substring(1) + date.say() + ".";
        return apart ? Fit.not(words) : Fit.mayFit(words + " The line asks for a part of that.");
    }
}
