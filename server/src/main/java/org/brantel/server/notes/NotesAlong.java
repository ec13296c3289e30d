package org.brantel.server.notes;

import java.util.Comparator;
import java.util.Set;
import org.brantel.core.casefile.CaseFile;
import org.brantel.server.intake.Cases;
import org.brantel.server.intake.GoesAlong;
import org.brantel.server.intake.Travelled;
import org.brantel.server.platform.Happenings;
import org.brantel.server.platform.Topic;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Notes and calls go along as they were written; whoever they name is of the lab that wrote them. */
@Component
@Order(3)
class NotesAlong implements GoesAlong {

    private final NoteRecords notes;
    private final Cases cases;
    private final Happenings happenings;

    NotesAlong(NoteRecords notes, Cases cases, Happenings happenings) {
        this.notes = notes;
        this.cases = cases;
        this.happenings = happenings;
    }

    @Override
    public void pack(Leaving leaving) {
        notes.findByCaseIdOrderByIdDesc(cases.id(leaving.number())).stream()
                .map(Note::view)
                .sorted(Comparator.comparing(Notes.View::id))
                .map(n -> new CaseFile.Note(
                        leaving.marks().of(Travelled.NOTE, n.id()),
                        n.kind(),
                        n.words(),
                        leaving.person(n.who()),
                        n.at()))
                .forEach(leaving.parts().notes()::add);
    }

    @Override
    public void takeIn(Coming coming) {
        for (CaseFile.Note n : coming.file().notes()) {
            if (coming.marks().here(Travelled.NOTE, n.mark()).isEmpty()) {
                String kind = Set.of("note", "call").contains(n.kind()) ? n.kind() : "note";
                Note note = notes.save(new Note(coming.caseId(), kind, n.words(), n.who(), n.at()));
                coming.marks().came(Travelled.NOTE, n.mark(), note.id());
            }
        }
        happenings.changed(coming.number(), Topic.NOTE);
    }
}
