package org.brantel.server.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.brantel.core.copying.StraightCopy;
import org.brantel.core.imaging.Imager;
import org.brantel.core.imaging.ImagingResult;
import org.brantel.core.imaging.Orders;
import org.brantel.core.imaging.Unsound;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.server.intake.CaseForm;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Ticker;
import org.brantel.server.protocol.Said;
import org.brantel.server.work.WorkRun;
import org.springframework.stereotype.Component;

/** The part of a session that copies files instead of reading all of a device. */
@Component
class FileCopying {

    /** What a sign of damage says to triage; content that fails its check may have been so for years. */
    private static final Map<Unsound.Sign, CaseForm.Fact> SAYS = Map.of(
            Unsound.Sign.UNREAD, new CaseForm.Fact("bench.read", "some-errors", Said.OBSERVED),
            Unsound.Sign.NO_FILES, new CaseForm.Fact("bench.filesystem", "none", Said.OBSERVED),
            Unsound.Sign.RECORDS, new CaseForm.Fact("bench.filesystem", "damaged", Said.OBSERVED));

    private static final int EVERY_MILLIS = 400;

    private final Cases cases;

    FileCopying(Cases cases) {
        this.cases = cases;
    }

    /**
     * Reads the files, and checks them from the copy.
     *
     * @throws Unsound when the device turns out not to be sound
     */
    ImagingResult copy(Imager imager, Path image, WorkRun<ImagingSession> run, Orders orders) throws IOException {
        ImagingResult result =
                imager.keep(new StraightCopy((sum, inAll) -> run.progress(s -> s.copies(sum, inAll))), orders);
        if (!result.finished() || orders.enough()) {
            return result;
        }
        run.progress(s -> s.checked(0));
        Ticker ticker = new Ticker(EVERY_MILLIS);
        try (Source copy = Sources.open(image.toString())) {
            StraightCopy.check(
                    copy,
                    files -> {
                        if (ticker.due()) {
                            run.progress(s -> s.checked(files));
                        }
                    },
                    orders::stop);
        }
        return orders.stop() ? result.unfinished() : result;
    }

    /** Puts what was seen on record, so that triage knows of it. */
    void note(ImagingSession session, String number, Unsound why) {
        CaseForm.Fact fact = SAYS.get(why.sign());
        if (fact != null) {
            cases.observe(number, session.deviceId(), List.of(fact), Set.of(fact.code()), Happenings.MACHINE);
        }
    }
}
