package org.brantel.cli;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
@Command(name = "triage")
final class TriageVerb implements Callable<Integer> { public Integer call() { return 2; } }
