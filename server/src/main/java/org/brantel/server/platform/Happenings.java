package org.brantel.server.platform;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Where features tell what they did. Custody writes it down and live updates go out; features know neither. */
@Component
public class Happenings {

    /** Who did what no person did. */
    public static final String MACHINE = "Brantel";

    /** Writes down what was done. It must be there before anything is done, however early after a start that is. */
    public interface Recorder {
        void write(Happened did);
    }

    private final ObjectProvider<Recorder> recorder;
    private final ApplicationEventPublisher publisher;

    Happenings(ObjectProvider<Recorder> recorder, ApplicationEventPublisher publisher) {
        this.recorder = recorder;
        this.publisher = publisher;
    }

    /**
     * Something was done: an entry in custody, and whatever shows these topics looks again. Only within the transaction
     * that does it.
     *
     * @param who    a person, or {@link #MACHINE}
     * @param what   what was done, in words
     * @param detail the facts behind it; may be empty
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void tell(String caseNumber, String who, String what, String detail, Topic... changed) {
        recorder.getObject().write(new Happened(caseNumber, who, what, detail));
        changed(caseNumber, changed);
    }

    /** Something moved that is no entry in custody, like progress. */
    public void changed(String caseNumber, Topic... changed) {
        for (Topic topic : changed) {
            publisher.publishEvent(new Changed(caseNumber, topic));
        }
    }
}
