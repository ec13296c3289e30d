package org.brantel.server.catalogue;

import java.util.Map;
import java.util.stream.Collectors;
import org.brantel.server.bench.ImagingRecords;
import org.brantel.server.bench.ImagingView;
import org.brantel.server.intake.Cases;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Refusal;
import org.brantel.server.selection.Selections;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whether what is selected can be written out at all. */
@Service
public class ChosenBytes {

    private final CatalogueLines lines;
    private final Selections selections;
    private final ImagingRecords imaging;
    private final Cases cases;

    ChosenBytes(CatalogueLines lines, Selections selections, ImagingRecords imaging, Cases cases) {
        this.lines = lines;
        this.selections = selections;
        this.imaging = imaging;
        this.cases = cases;
    }

    /** @throws Refusal when the image that holds some of it is in another lab */
    @Transactional(readOnly = true)
    public void here(String number) {
        Map<Long, String> labs = imaging.elsewhere(number).stream()
                .collect(Collectors.toMap(
                        ImagingView::id, s -> String.valueOf(s.kept().elsewhere())));
        if (labs.isEmpty()) {
            return;
        }
        Long[] chosen = selections.chosen(cases.id(number)).lines().boxed().toArray(Long[]::new);
        for (Object[] row : lines.countOn(chosen, labs.keySet().toArray(Long[]::new))) {
            long many = ((Number) row[1]).longValue();
            throw Refusal.conflict("Of what is selected, " + many + (many == 1 ? " finding has" : " findings have")
                    + " no bytes here: the image is at " + Known.in(labs, ((Number) row[0]).longValue())
                    + ". Read the device here first, or take them out of the selection.");
        }
    }
}
