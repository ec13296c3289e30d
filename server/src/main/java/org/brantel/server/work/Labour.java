package org.brantel.server.work;

import java.io.IOException;
import org.brantel.server.platform.Topic;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;

/** A kind of long work. */
public interface Labour<R extends WorkRecord> {

    /** How it is called on record and in the log: "imaging failed". Its job is named by its first word. */
    String name();

    /** What is shown of it. */
    Topic topic();

    JpaRepository<R, Long> records();

    /** What stands when it breaks off and what to do then, for the log: "it can be resumed". */
    String consequence();

    /**
     * Does the work.
     *
     * @return how it ends; null when there is nothing to say
     * @throws org.brantel.server.platform.Ticker.ServerStops when the next server is to go on
     */
    @Nullable
    Step<R> work(WorkRun<R> run) throws IOException;
}
