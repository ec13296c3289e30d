package org.brantel.cli;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
@Command(name = "bag")
final class BagVerb implements Callable<Integer> { public Integer call() { return 2; } }
