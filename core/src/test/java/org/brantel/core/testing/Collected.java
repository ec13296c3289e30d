package org.brantel.core.testing;

import java.util.ArrayList;
import java.util.List;
import org.brantel.core.filesystem.FindingSink;
import org.brantel.core.filesystem.Walk;
import org.brantel.core.finding.Finding;

/** What a walk told. */
public final class Collected implements FindingSink {

    private final List<Finding> findings = new ArrayList<>();
    private final List<String> problems;

    public Collected() {
        this(new ArrayList<>());
    }

    /** @param problems where to add what is malformed */
    public Collected(List<String> problems) {
        this.problems = problems;
    }

    /** A walk that tells this, reads live files to their end and is never stopped. */
    public Walk walk(int volume) {
        return new Walk(volume, true, this, () -> false);
    }

    @Override
    public void found(Finding finding) {
        findings.add(finding);
    }

    @Override
    public void problem(String what) {
        if (what.isBlank()) {
            throw new AssertionError("a problem without words");
        }
        problems.add(what);
    }

    public List<Finding> findings() {
        return findings;
    }

    public List<String> problems() {
        return problems;
    }
}
