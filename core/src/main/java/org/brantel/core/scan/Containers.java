package org.brantel.core.scan;

import java.util.ArrayDeque;
import java.util.Deque;
import org.brantel.core.finding.Finding;
import org.brantel.core.finding.Prognosis;

/** Says of carved finds, which come in the order of their places, which one lies in which. */
final class Containers {

    private record Open(long id, long end) {}

    private final Deque<Open> open = new ArrayDeque<>();

    /**
     * @param id that it will have.
     * @return the finding, with its container when it lies in one
     */
    Finding within(Finding finding, long id) {
        long start = finding.firstByte();
        long end = start + finding.extents().get(0).length();
        while (!open.isEmpty() && open.peek().end() <= start) {
            open.pop();
        }
        Finding said = !open.isEmpty() && end <= open.peek().end()
                ? finding.withContainer(open.peek().id())
                : finding;
        if (finding.prognosis() == Prognosis.WHOLE) {
            open.push(new Open(id, end));
        }
        return said;
    }
}
