package org.brantel.core.inside;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.archive.SevenZipHead;

/** The names in a 7z archive. */
final class SevenZipNames {

    private SevenZipNames() {}

    static Inside.Table of(ByteView content) throws IOException {
        List<SevenZipHead.Member> members = SevenZipHead.of(content).orElseThrow(Inside.Locked::new);
        List<List<String>> cells = members.stream()
                .limit(Inside.SHOWN)
                .map(m -> {
                    Instant changed = m.changed();
                    return List.of(
                            Letters.shown(m.name()),
                            m.folder() ? "folder" : Letters.count(m.size()),
                            changed == null ? "not kept" : Letters.time(changed));
                })
                .toList();
        return new Inside.Table("Files", members.size(), Inside.FILES, cells);
    }
}
