package org.brantel.cli;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
@Command(name = "extract")
final class ExtractVerb implements Callable<Integer> { public Integer call() { return 2; } }
