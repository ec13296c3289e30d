package org.brantel.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/** Goes through what the engine does most, so that the archive of classes that speeds up its start knows them. */
@Command(
        name = "rehearse",
        hidden = true,
        description = "Images a file, scans it and extracts what it finds, into a folder.")
final class RehearseVerb implements Callable<Integer> {

    @Parameters(index = "0", paramLabel = "SOURCE")
    private String source;

    @Parameters(index = "1", paramLabel = "DIR")
    private Path folder;

    @Override
    public Integer call() {
        String image = folder.resolve("image").toString();
        String scan = folder.resolve("scan").toString();
        EngineCommand.run("image", source, image);
        EngineCommand.run("scan", image, "--out", scan, "--hash");
        return EngineCommand.run(
                "extract",
                image,
                folder.resolve("scan/findings.ndjson").toString(),
                folder.resolve("files").toString());
    }
}
