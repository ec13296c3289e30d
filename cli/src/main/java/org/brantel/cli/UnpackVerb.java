package org.brantel.cli;

import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.ScanReport;
import org.brantel.core.scan.SessionFile;
import org.brantel.core.source.Source;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "unpack",
        mixinStandardHelpOptions = true,
        description = "Unpacks a session file of the same medium; every hash in it is checked against SOURCE.")
final class UnpackVerb implements Callable<Integer> {

    @Parameters(index = "0", paramLabel = "FILE", description = "What 'pack' wrote.")
    private Path file;

    @Parameters(index = "1", paramLabel = "SOURCE")
    private String source;

    @Parameters(index = "2", paramLabel = "DIR", description = "Folder for the results.")
    private Path folder;

    @Override
    public Integer call() throws Exception {
        try (Source medium = Sources.open(source);
                InputStream in = Files.newInputStream(file)) {
            ScanReport report = SessionFile.unpack(in, file.toString(), folder, medium);
            System.out.printf("%d findings of a session of %s.%n", report.findings(), report.started());
            return EngineCommand.DONE;
        }
    }
}
