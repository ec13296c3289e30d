package org.brantel.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.brantel.core.manifest.BagCheck;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "verify",
        mixinStandardHelpOptions = true,
        description = "Checks a bag, its manifests and its signature.")
final class VerifyVerb implements Callable<Integer> {

    @Parameters(paramLabel = "BAG")
    private Path bag;

    @Override
    public Integer call() throws Exception {
        BagCheck check = BagCheck.of(bag);
        check.problems().forEach(System.out::println);
        System.out.printf(
                "%d files; %s; signature %s, key %s.%n",
                check.files(),
                check.isSound() ? "all as the manifest says" : check.problems().size() + " problems",
                check.signed() ? "right" : "not right",
                check.fingerprint());
        return check.isSound() ? EngineCommand.DONE : EngineCommand.DONE_WITH_NOTE;
    }
}
