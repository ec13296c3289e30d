package org.brantel.cli;

import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.Callable;
import org.brantel.core.opening.Sources;
import org.brantel.core.scan.SessionFile;
import org.brantel.core.source.Source;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "pack",
        mixinStandardHelpOptions = true,
        description = "Packs a scan session's folder into one file, to be taken to another machine.")
final class PackVerb implements Callable<Integer> {

    @Parameters(index = "0", paramLabel = "DIR", description = "What 'scan' wrote.")
    private Path folder;

    @Parameters(index = "1", paramLabel = "FILE", description = "A new file, like session.gz.")
    private Path file;

    @Parameters(
            index = "2",
            paramLabel = "SOURCE",
            arity = "0..1",
            description =
                    "What was scanned: some findings are hashed, so that 'unpack' can tell it from another medium.")
    private @Nullable String source;

    @Override
    public Integer call() throws Exception {
        try (Source medium = source == null ? null : Sources.open(source);
                OutputStream out = Files.newOutputStream(file, StandardOpenOption.CREATE_NEW)) {
            SessionFile.pack(folder, medium, out);
        }
        return EngineCommand.DONE;
    }
}
