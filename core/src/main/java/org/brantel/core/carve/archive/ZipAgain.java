package org.brantel.core.carve.archive;

import java.io.IOException;
import org.brantel.core.carve.kind.ContentKind.Walk;
import org.brantel.core.carve.kind.Resumable;
import org.brantel.core.source.ByteView;

/** A ZIP that broke off within a file, whose head is in order. */
final class ZipAgain implements Resumable {

    private static final long MOST_JOINED = 16 << 20;

    private final Zip zip;
    private final ZipFiles files;
    private final Walk broken;
    private final long latest;

    ZipAgain(Zip zip, ByteView content, ZipFiles files, Walk broken) throws IOException {
        this.zip = zip;
        this.files = files;
        this.broken = broken;
        latest = broken.length() + Math.min(MOST_JOINED, files.latest(broken.length()) - broken.length());
    }

    @Override
    public Walk broken() {
        return broken;
    }

    @Override
    public long earliest() {
        return broken.length();
    }

    @Override
    public long latest() {
        return latest;
    }

    @Override
    public Walk resume(ByteView other, long same) throws IOException {
        return zip.walk(other, new ZipFiles(files, other), broken.length());
    }

    /** Packed data: hardly any byte stands out, and half have their highest bit set; what is stored plainly may look like anything but zeros. */
    @Override
    public boolean couldContinue(byte[] block, int at, int length) {
        int zeros = 0;
        for (int i = at; i < at + length; i++) {
            zeros += block[i] == 0 ? 1 : 0;
        }
        return zeros < length - 16;
    }
}
