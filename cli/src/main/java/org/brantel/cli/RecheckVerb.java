package org.brantel.cli;

import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.brantel.core.imaging.ImageCheck;
import org.brantel.core.json.Json;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "recheck",
        mixinStandardHelpOptions = true,
        description = "Hashes an image again and names every chunk that is not what it was.")
final class RecheckVerb implements Callable<Integer> {

    @Parameters(paramLabel = "IMAGE")
    private Path image;

    @Option(names = "--progress", description = "Show progress even when standard error is not a terminal.")
    private boolean progress;

    @Override
    public Integer call() throws Exception {
        ProgressLine line = new ProgressLine(progress);
        ImageCheck check = Objects.requireNonNull(
                ImageCheck.of(image, (done, all) -> line.show("hashing", done, all), () -> false),
                "a check that nobody stops");
        line.done();
        System.out.println(Json.write(check));
        return check.isSound() ? EngineCommand.DONE : EngineCommand.DONE_WITH_NOTE;
    }
}
