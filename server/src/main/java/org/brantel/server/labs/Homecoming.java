package org.brantel.server.labs;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.brantel.core.casefile.CaseBag;
import org.brantel.core.casefile.CaseFile;
import org.brantel.core.custody.CustodyEntry;
import org.brantel.server.custody.CustodyService;
import org.brantel.server.custody.ForeignRecords;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.ForeignCases;
import org.brantel.server.intake.Travelled;
import org.brantel.server.platform.Refusal;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Which case of ours a file is of, what of it is new, and what it says otherwise. */
@Component
class Homecoming {

    private final CaseHomes homes;
    private final TravelMarkRows marks;
    private final KnownLabs labs;
    private final Cases cases;
    private final ForeignCases foreign;
    private final CustodyService custody;
    private final ForeignRecords others;

    Homecoming(
            CaseHomes homes,
            TravelMarkRows marks,
            KnownLabs labs,
            Cases cases,
            ForeignCases foreign,
            CustodyService custody,
            ForeignRecords others) {
        this.homes = homes;
        this.marks = marks;
        this.labs = labs;
        this.cases = cases;
        this.foreign = foreign;
        this.custody = custody;
        this.others = others;
    }

    /**
     * The number of the case that a file is of.
     *
     * @param own fingerprint of this lab's key
     * @return empty for a case that was never here
     * @throws Refusal when it is ours and not here, or of two of ours
     */
    Optional<String> number(CaseFile file, String own) {
        if (file.origin().home().fingerprint().equals(own)) {
            throw Refusal.conflict("This lab packed the file itself ("
                    + file.origin().home().number() + "); nothing in it can be new here. Send it to the other lab.");
        }
        Set<String> here = new HashSet<>();
        Stream.concat(Stream.of(file.origin().home()), file.origin().knownAs().stream())
                .forEach(home -> {
                    if (home.fingerprint().equals(own)) {
                        here.add(ours(home.number()));
                    } else {
                        homes.findById(new CaseHome.Key(home.fingerprint(), home.number()))
                                .ifPresent(h -> here.add(cases.number(h.caseId())));
                    }
                });
        if (here.size() > 1) {
            throw Refusal.conflict("The file says that it is of several cases of this lab: "
                    + String.join(", ", here.stream().sorted().toList()) + "; ask the lab that packed it.");
        }
        return here.stream().findFirst();
    }

    private String ours(String number) {
        try {
            cases.id(number);
            return number;
        } catch (Refusal e) {
            throw Refusal.conflict("The file says that it is of this lab's " + number + ", but no such case is here.");
        }
    }

    /** @param own fingerprint of this lab's key */
    LabsViews.Says says(CaseBag.Opened opened, String own) {
        CaseFile file = opened.file();
        String number = number(file, own).orElse(null);
        CaseMarks known = number == null ? null : new CaseMarks(marks, cases.id(number), own);
        return new LabsViews.Says(
                file.origin().home().lab(),
                file.origin().home().fingerprint(),
                file.origin().home().number(),
                file.origin().packed(),
                file.origin().by(),
                Objects.requireNonNullElse(file.origin().why(), ""),
                file.told().customer().name(),
                file.devices().stream().map(Homecoming::called).toList(),
                List.of(
                        brings(known, Travelled.DEVICE, file.devices(), CaseFile.Device::mark),
                        brings(known, Travelled.FACT, file.facts(), CaseFile.Fact::mark),
                        brings(known, Travelled.NOTE, file.notes(), CaseFile.Note::mark),
                        brings(known, Travelled.IMAGING, file.imaging(), CaseFile.Imaging::mark),
                        brings(known, Travelled.SCAN, file.scans(), CaseFile.Scan::mark),
                        entries(opened, own)),
                opened.custody().stream().map(t -> tape(t, own)).toList(),
                labs.findById(file.origin().home().fingerprint())
                        .map(KnownLab::view)
                        .orElse(null),
                number,
                number == null ? List.of() : differs(file, number));
    }

    private static String called(CaseFile.Device d) {
        return String.join(
                        " ",
                        d.type().replace('-', ' '),
                        d.label().make(),
                        d.label().model(),
                        d.label().serial())
                .strip()
                .replaceAll(" +", " ");
    }

    private static <T> LabsViews.Brings brings(
            @Nullable CaseMarks known, Travelled kind, List<T> all, Function<T, String> mark) {
        long fresh = all.stream()
                .filter(x -> known == null || known.here(kind, mark.apply(x)).isEmpty())
                .count();
        return new LabsViews.Brings(
                switch (kind) {
                    case DEVICE -> LabsViews.Travelling.DEVICES;
                    case FACT -> LabsViews.Travelling.FACTS;
                    case NOTE -> LabsViews.Travelling.NOTES;
                    case IMAGING -> LabsViews.Travelling.IMAGING;
                    case SCAN -> LabsViews.Travelling.SCANS;
                },
                all.size(),
                (int) fresh);
    }

    private LabsViews.Brings entries(CaseBag.Opened opened, String own) {
        int all = 0;
        int fresh = 0;
        for (CaseBag.Tape tape : opened.custody()) {
            int came = tape.entries().size();
            all += came;
            fresh += Math.max(0, came - before(tape, own).size());
        }
        return new LabsViews.Brings(LabsViews.Travelling.ENTRIES, all, fresh);
    }

    /** What is here of a record that came: our own, or as it came before. */
    private List<CustodyEntry> before(CaseBag.Tape tape, String own) {
        return tape.home().fingerprint().equals(own)
                ? custody.tape(tape.home().number()).entries()
                : others.of(tape.home().fingerprint(), tape.home().number());
    }

    private LabsViews.Tape tape(CaseBag.Tape tape, String own) {
        List<String> trouble = new ArrayList<>();
        tape.tears().forEach(t -> trouble.add(t.words()));
        long differs = others.differsAt(before(tape, own), tape.entries());
        if (differs > 0) {
            trouble.add("From entry " + differs + " on it is another record than the one that is here.");
        }
        return new LabsViews.Tape(
                tape.home().lab(), tape.home().number(), tape.entries().size(), trouble);
    }

    /** @throws Refusal where a record is another one than the one that is here */
    void sameRecords(CaseBag.Opened opened, String own) {
        for (CaseBag.Tape tape : opened.custody()) {
            long at = others.differsAt(before(tape, own), tape.entries());
            if (at > 0) {
                throw Refusal.conflict("The custody record of " + tape.home().lab() + " in the file is another from "
                        + "entry " + at + " on than the one that is here; one of the two was changed. Ask both labs.");
            }
        }
    }

    /** What the customer told is kept as it stands here; whoever looks at the file is told where it differs. */
    private List<String> differs(CaseFile file, String number) {
        CaseFile.Told here = foreign.told(number);
        CaseFile.Told there = file.told();
        List<String> differs = new ArrayList<>();
        differ(differs, "Customer", here.customer().name(), there.customer().name());
        differ(
                differs,
                "Ways to reach them",
                here.customer().ways(),
                there.customer().ways());
        differ(differs, "Contact", here.contactPerson(), there.contactPerson());
        if (!here.story().equals(there.story())) {
            differs.add("The story is told otherwise there.");
        }
        differ(differs, "Needed by", here.deadline(), there.deadline());
        differ(differs, "Opened on", here.opensOn(), there.opensOn());
        differ(
                differs,
                "What may be looked at",
                here.consent().look(),
                there.consent().look());
        if (!here.wanted().equals(there.wanted())) {
            differs.add("The wanted list has " + there.wanted().size() + " lines there and "
                    + here.wanted().size() + " here, not all of them the same.");
        }
        return differs;
    }

    private static void differ(List<String> differs, String what, @Nullable Object here, @Nullable Object there) {
        if (!Objects.equals(here, there)) {
            differs.add(what + ": " + words(there) + " there, " + words(here) + " here.");
        }
    }

    private static String words(@Nullable Object said) {
        if (said instanceof List<?> several) {
            return several.stream()
                    .map(w -> w instanceof CaseFile.Way way ? way.value() : String.valueOf(w))
                    .reduce((a, b) -> a + ", " + b)
                    .orElse("nothing");
        }
        String text = said == null ? "" : said.toString();
        return text.isBlank() ? "nothing" : text;
    }
}
