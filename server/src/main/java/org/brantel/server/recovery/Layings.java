package org.brantel.server.recovery;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.brantel.core.finding.Prognosis;
import org.brantel.core.layout.Change;
import org.brantel.core.layout.LaidOut;
import org.brantel.server.catalogue.Catalogues;
import org.brantel.server.platform.Known;
import org.brantel.server.platform.Settings;
import org.springframework.stereotype.Component;

/** Lays a selection out: for the run that writes it, and for those who look at it before. */
@Component
class Layings {

    /** Files of one folder that are listed at once. */
    private static final int LISTED = 500;

    private final Catalogues catalogues;
    private final Settings settings;

    Layings(Catalogues catalogues, Settings settings) {
        this.catalogues = catalogues;
        this.settings = settings;
    }

    /** @return the path of each line, by its number */
    Map<Long, LaidOut.Place> plan(String number, RecoveryViews.Laying laying) {
        return plan(catalogues.toPlace(number), laying);
    }

    private static Map<Long, LaidOut.Place> plan(List<Catalogues.ToPlace> selection, RecoveryViews.Laying laying) {
        return LaidOut.plan(
                selection.stream().map(Catalogues.ToPlace::placeable).toList(), laying.layout(), laying.opensOn());
    }

    private static final class InFolder {
        private long files;
        private long bytes;
        private long changed;
    }

    /** @param folder whose contents are listed, parts joined by '/'; empty for the top */
    RecoveryViews.LaidOutView look(String number, RecoveryViews.Laying laying, String folder) {
        List<Catalogues.ToPlace> selection = catalogues.toPlace(number);
        Map<Long, LaidOut.Place> plan = plan(selection, laying);
        String within = folder.isEmpty() ? "" : folder + "/";
        Map<String, InFolder> inside = new TreeMap<>(String.CASE_INSENSITIVE_ORDER.thenComparing(s -> s));
        List<RecoveryViews.LaidFile> files = new ArrayList<>();
        Set<String> folders = new HashSet<>();
        Map<Change, Long> changes = new EnumMap<>(Change.class);
        long bytes = 0;
        long overwritten = 0;
        for (Catalogues.ToPlace f : selection) {
            LaidOut.Place place = Known.in(plan, f.placeable().id());
            place.changes().forEach(c -> changes.merge(c, 1L, Long::sum));
            bytes += f.size();
            overwritten += f.prognosis() == Prognosis.OVERWRITTEN ? 1 : 0;
            String path = place.path();
            for (int slash = path.lastIndexOf('/');
                    slash > 0 && folders.add(path.substring(0, slash));
                    slash = path.lastIndexOf('/', slash - 1)) {}
            if (path.startsWith(within)) {
                int slash = path.indexOf('/', within.length());
                if (slash < 0) {
                    files.add(new RecoveryViews.LaidFile(
                            f.placeable().id(),
                            path.substring(within.length()),
                            f.from(),
                            f.size(),
                            f.prognosis(),
                            place.changes()));
                } else {
                    InFolder in =
                            inside.computeIfAbsent(path.substring(within.length(), slash), name -> new InFolder());
                    in.files++;
                    in.bytes += f.size();
                    in.changed += place.changes().isEmpty() ? 0 : 1;
                }
            }
        }
        files.sort((a, b) -> String.CASE_INSENSITIVE_ORDER.compare(a.name(), b.name()));
        return new RecoveryViews.LaidOutView(
                laying,
                new RecoveryViews.Sum(selection.size(), bytes, folders.size(), overwritten, room(), changes),
                folder,
                inside.entrySet().stream()
                        .map(e -> new RecoveryViews.LaidFolder(
                                e.getKey(), e.getValue().files, e.getValue().bytes, e.getValue().changed))
                        .toList(),
                files.stream().limit(LISTED).toList(),
                Math.max(0, files.size() - LISTED));
    }

    private long room() {
        try {
            return Files.getFileStore(Files.createDirectories(settings.labStore()))
                    .getUsableSpace();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
