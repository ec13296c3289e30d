package org.brantel.cli;

import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import org.brantel.core.json.Json;
import org.brantel.core.kinds.Kinds;
import picocli.CommandLine.Command;

@Command(
        name = "kinds",
        mixinStandardHelpOptions = true,
        description = "Lists what content can be found without a record, and how it begins, as JSON.")
final class KindsVerb implements Callable<Integer> {

    /**
     * @param bytes in hexadecimal.
     * @param offset of them from the content's first byte
     */
    private record Beginning(int offset, String bytes) {}

    /** @param everyByte whether it is looked for at every byte when that is asked for */
    private record Kind(Set<String> codes, boolean everyByte, List<Beginning> starts) {}

    @Override
    public Integer call() {
        List<Kind> kinds = Kinds.carvable().stream()
                .map(k -> new Kind(
                        new TreeSet<>(k.codes()),
                        k.isDistinct(),
                        k.starts().stream()
                                .map(s ->
                                        new Beginning(s.offset(), HexFormat.of().formatHex(s.bytes())))
                                .toList()))
                .toList();
        System.out.println(Json.writePretty(kinds));
        return EngineCommand.DONE;
    }
}
