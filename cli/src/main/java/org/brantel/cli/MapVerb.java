package org.brantel.cli;

import java.nio.file.Path;
import org.brantel.core.image.MapFile;
import org.brantel.core.image.MapJournal;
import org.brantel.core.imaging.UnreadReport;
import org.brantel.core.json.Json;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "map",
        mixinStandardHelpOptions = true,
        description = "What an image's map says, and taking it elsewhere and back.")
final class MapVerb {

    @Command(
            name = "unread",
            mixinStandardHelpOptions = true,
            description = "Lists every range that the image does not hold, as JSON.")
    int unread(@Parameters(paramLabel = "IMAGE") Path image) throws Exception {
        UnreadReport report = UnreadReport.of(MapJournal.beside(image));
        System.out.println(Json.writePretty(report));
        return report.unreadBytes() == 0 ? EngineCommand.DONE : EngineCommand.DONE_WITH_NOTE;
    }

    @Command(
            name = "export",
            mixinStandardHelpOptions = true,
            description = "Writes the map of an image as one JSON document.")
    int export(@Parameters(paramLabel = "IMAGE") Path image, @Parameters(paramLabel = "FILE.json") Path file)
            throws Exception {
        MapFile.of(MapJournal.beside(image)).write(file);
        return EngineCommand.DONE;
    }

    @Command(
            name = "import",
            mixinStandardHelpOptions = true,
            description = "Makes the map of an image from an exported one; imaging goes on from it.")
    int bringIn(@Parameters(paramLabel = "FILE.json") Path file, @Parameters(paramLabel = "IMAGE") Path image)
            throws Exception {
        MapFile.read(file).writeJournal(MapJournal.beside(image));
        return EngineCommand.DONE;
    }
}
