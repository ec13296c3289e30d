package org.brantel.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import org.brantel.core.Engine;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** {@code ./brantel engine VERB}. */
@Command(
        name = "engine",
        description = "Reads media, finds files, writes them out, proves them.",
        mixinStandardHelpOptions = true,
        versionProvider = EngineCommand.Version.class,
        subcommands = {
            ImageVerb.class,
            MapVerb.class,
            RecheckVerb.class,
            VolumesVerb.class,
            ScanVerb.class,
            KindsVerb.class,
            PackVerb.class,
            UnpackVerb.class,
            ExplainVerb.class,
            ExtractVerb.class,
            BagVerb.class,
            VerifyVerb.class,
            TriageVerb.class,
            FitsVerb.class,
            RehearseVerb.class
        })
public final class EngineCommand {

    static final int DONE = 0;
    static final int DONE_WITH_NOTE = 1;
    static final int BAD_INPUT = 2;

    static final class Version implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {"Brantel engine " + Engine.VERSION};
        }
    }

    public static void main(String[] args) {
        PrintStream utf8 = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        System.setOut(utf8);
        System.exit(run(args));
    }

    /**
     * Runs a verb.
     *
     * @return the exit code
     */
    public static int run(String... args) {
        return new CommandLine(new EngineCommand())
                .setExecutionExceptionHandler((e, line, parsed) -> refuse(line, e))
                .setParameterExceptionHandler((e, unused) -> {
                    String verb = e.getCommandLine().getParent() == null
                            ? ""
                            : e.getCommandLine().getCommandName() + " ";
                    e.getCommandLine()
                            .getErr()
                            .println(String.valueOf(e.getMessage()).strip() + ". See: ./brantel engine " + verb
                                    + "--help");
                    return BAD_INPUT;
                })
                .execute(args);
    }

    /** Bad input is one sentence; anything else is a fault of ours and shows where. */
    private static int refuse(CommandLine line, Exception e) throws Exception {
        if (e instanceof NoSuchFileException missing) {
            line.getErr().println("There is no file or folder at " + missing.getFile() + ".");
        } else if (e instanceof AccessDeniedException denied) {
            line.getErr().println("Not allowed to use " + denied.getFile() + "; check its permissions.");
        } else if (e instanceof FileAlreadyExistsException there) {
            line.getErr().println(there.getFile() + " is there already; choose another name.");
        } else if (e instanceof FileSystemException fs) {
            line.getErr().println(fs.getFile() + ": " + fs.getReason() + ".");
        } else if (e instanceof IOException || e instanceof IllegalArgumentException) {
            line.getErr().println(e.getMessage());
        } else {
            throw e;
        }
        return BAD_INPUT;
    }
}
