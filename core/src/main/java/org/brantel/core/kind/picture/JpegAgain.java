package org.brantel.core.kind.picture;

import java.io.IOException;
import java.util.Iterator;
import org.brantel.core.bytes.ByteView;
import org.brantel.core.kind.ContentKind.Walk;
import org.brantel.core.kind.Resumable;

/** A sequential picture that broke off within a scan; places before the break were kept. */
final class JpegAgain implements Resumable {

    private static final int HIGH_SHARE = 6;

    private final JpegWalk walk;
    private final Walk broken;

    JpegAgain(JpegWalk walk, Walk broken) {
        this.walk = walk;
        this.broken = broken;
    }

    @Override
    public Walk broken() {
        return broken;
    }

    @Override
    public long earliest() {
        return walk.places().peekFirst().at();
    }

    @Override
    public long latest() {
        return broken.length();
    }

    @Override
    public Walk resume(ByteView other, long same) throws IOException {
        Iterator<JpegScan.Place> latest = walk.places().descendingIterator();
        while (latest.hasNext()) {
            JpegScan.Place place = latest.next();
            if (place.at() <= same) {
                return walk.resumed(other, place);
            }
        }
        return Walk.broken(same, "no place before it was kept");
    }

    /**
     * Coded data: after FF stands 00, a restart, the head of another scan, or the end; and half of all bytes have their
     * highest bit set.
     */
    @Override
    public boolean couldContinue(byte[] block, int at, int length) {
        int high = 0;
        for (int i = at; i < at + length - 1; i++) {
            int c = block[i] & 0xff;
            high += c >> 7;
            if (c == 0xff) {
                int next = block[i + 1] & 0xff;
                if (next == Jpeg.EOI) {
                    return true;
                }
                boolean nextScan = walk.isProgressive() && (next == JpegWalk.DHT || next == JpegWalk.SOS);
                if (next != 0 && !nextScan && (next < 0xd0 || next > 0xd7)) {
                    return false;
                }
            }
        }
        return high > length / HIGH_SHARE;
    }
}
