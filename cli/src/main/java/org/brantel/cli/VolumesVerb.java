package org.brantel.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.brantel.core.json.Json;
import org.brantel.core.opening.Sources;
import org.brantel.core.source.Source;
import org.brantel.core.volume.Partition;
import org.brantel.core.volume.PartitionTables;
import org.brantel.core.volume.Volume;
import org.brantel.core.volume.VolumeSearch;
import org.brantel.core.volume.Volumes;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "volumes", mixinStandardHelpOptions = true, description = "Lists partition tables and volumes as JSON.")
final class VolumesVerb implements Callable<Integer> {

    private record Listing(List<Partition> partitions, List<Volume> volumes, List<String> problems) {}

    @Parameters(paramLabel = "SOURCE")
    private String source;

    @Mixin
    private ReleaseOptions release;

    @Option(names = "--quick", description = "Do not search every sector of what is free; look at usual places only.")
    private boolean quick;

    @Override
    public Integer call() throws Exception {
        release.check();
        try (Source opened = Sources.open(source)) {
            List<String> problems = new ArrayList<>();
            List<Volume> volumes = VolumeSearch.all(opened, !quick, problems).stream()
                    .map(Volumes.Found::volume)
                    .distinct()
                    .toList();
            boolean wholeMedium = volumes.stream().anyMatch(v -> v.startByte() == 0 && v.state() == Volume.State.LIVE);
            List<Partition> partitions = wholeMedium ? List.of() : PartitionTables.read(opened, new ArrayList<>());
            System.out.println(Json.writePretty(new Listing(partitions, volumes, problems)));
            return problems.isEmpty() ? EngineCommand.DONE : EngineCommand.DONE_WITH_NOTE;
        }
    }
}
