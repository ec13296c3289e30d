package org.brantel.server.intake;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.brantel.core.casefile.CaseFile;

/**
 * Something of a case that goes along when the case goes to another lab, and comes in with one that comes from there. A
 * new one is a bean; what others build upon has the lower order.
 */
public interface GoesAlong {

    /**
     * A case that is being packed.
     *
     * @param lab   this one
     * @param marks of what goes along
     * @param data  the folder of the files that go along
     * @param parts what was packed so far
     */
    record Leaving(String number, Lab lab, TravelMarks marks, Path data, Parts parts) {

        /** A person as another lab is told of them; of whom another lab told us says so already. */
        public String person(String who) {
            return who.endsWith(")") && !lab.people().contains(who) ? who : who + " (" + lab.name() + ")";
        }

        /** The bag's folder of some files. */
        public Path folder(String name) throws IOException {
            return Files.createDirectories(data.resolve(name));
        }
    }

    /**
     * The lab that packs.
     *
     * @param people names of its own
     */
    record Lab(String name, Set<String> people) {}

    /** The lists of a case file. */
    record Parts(
            List<CaseFile.Device> devices,
            List<CaseFile.Fact> facts,
            List<CaseFile.Note> notes,
            List<CaseFile.Imaging> imaging,
            List<CaseFile.Scan> scans) {}

    /**
     * A case that came.
     *
     * @param number that it has here
     * @param caseId its own key
     * @param data   the folder of the files that it names
     * @param isNew  it was logged just now
     * @param who    brings it in
     */
    record Coming(String number, long caseId, boolean isNew, CaseFile file, Path data, TravelMarks marks, String who) {}

    void pack(Leaving leaving) throws IOException;

    /** Takes what is not here yet; what is, stays as it is. */
    void takeIn(Coming coming) throws IOException;
}
