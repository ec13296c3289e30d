package org.brantel.cli;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.concurrent.Callable;
import org.brantel.core.manifest.Bag;
import org.brantel.core.manifest.BagInfo;
import org.brantel.core.manifest.LabKey;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "bag",
        mixinStandardHelpOptions = true,
        description = "Packs a folder as a signed bag (RFC 8493) with SHA-256 and SHA-512 manifests.")
final class BagVerb implements Callable<Integer> {

    @Parameters(paramLabel = "DIR")
    private Path folder;

    @Parameters(paramLabel = "BAG")
    private Path bag;

    @Option(
            names = "--key",
            paramLabel = "FILE",
            defaultValue = ".brantel/lab-key.pem",
            description = "The lab's key; made when missing (${DEFAULT-VALUE}).")
    private Path key;

    @Option(names = "--identifier", defaultValue = "", description = "For bag-info.txt: the case's number.")
    private String identifier;

    @Override
    public Integer call() throws Exception {
        Bag.Sealed sealed = Bag.seal(
                folder,
                bag,
                new BagInfo("Brantel", identifier, "Recovered files", LocalDate.now(ZoneOffset.UTC)),
                null,
                LabKey.at(key));
        System.out.printf("%d files, %d bytes, signed by %s.%n", sealed.files(), sealed.bytes(), sealed.fingerprint());
        return EngineCommand.DONE;
    }
}
