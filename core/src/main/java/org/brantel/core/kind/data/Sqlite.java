package org.brantel.core.kind.data;

import java.io.IOException;
import java.util.List;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.About;
import org.brantel.core.kind.ContentKind;
import org.brantel.core.kind.Start;

/**
 * SQLite 3 (Database File Format, section 1), big-endian:
 *
 * <pre>
 * offset size field
 *      0   16  "SQLite format 3" and a zero
 *     16    2  page size, 1 for 65,536; 18 1 and 19 1 versions: 2 with a write-ahead log; 20 1 reserved bytes of a page
 *     24    4  change counter; 28 4 number of pages, right when 92 4 equals the counter
 *     36    4  number of free pages
 *    100       the head of the schema's page: 5 or 13
 * </pre>
 *
 * Every page must be one of a tree, a free one, or one that continues another; tree pages are checked by their heads.
 */
final class Sqlite implements ContentKind {

    @Override
    public String code() {
        return "sqlite";
    }

    @Override
    public List<Start> starts() {
        return List.of(Start.of("SQLite format 3\0"));
    }

    @Override
    public long longest() {
        return 64L << 30;
    }

    @Override
    public Walk walk(ByteView content) throws IOException {
        int stated = content.u16be(16);
        int page = stated == 1 ? 65_536 : stated;
        long pages = content.u32be(28);
        boolean counted = pages > 0 && content.u32be(24) == content.u32be(92);
        if (page < 512
                || Integer.bitCount(page) != 1
                || content.u8(21) != 64
                || content.u8(22) != 32
                || content.u8(23) != 32) {
            return Walk.broken(16, "the header is malformed");
        }
        if (content.u8(100) != 13 && content.u8(100) != 5 || content.u32be(36) > pages) {
            return Walk.broken(100, "the schema's page is malformed");
        }
        if (!counted) {
            return Walk.broken(28, "the number of pages in its header is not the last that was written");
        }
        long end = pages * page;
        if (end > content.length()) {
            return Walk.broken(content.length(), "it states " + pages + " pages, there are " + content.length() / page);
        }
        SqlitePages tree = new SqlitePages(content, page, page - content.u8(20), pages);
        long bad = tree.firstBroken();
        if (bad >= 0) {
            return Walk.broken(bad, "a page of its trees is malformed");
        }
        boolean log = content.u8(19) == 2;
        return Walk.whole(
                        end,
                        "All " + pages + " pages are there, and the " + tree.count() + " of its trees hold together."
                                + (log ? " It keeps a write-ahead log, which is another file." : ""))
                .about(About.NONE.with(About.PAGES, pages))
                .proving((long) tree.count() * page);
    }
}
