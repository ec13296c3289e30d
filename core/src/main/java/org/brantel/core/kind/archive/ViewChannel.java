package org.brantel.core.kind.archive;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.NonWritableChannelException;
import java.nio.channels.SeekableByteChannel;
import org.brantel.core.bytes.ByteView;

/** A view as a channel that libraries read and seek in. */
final class ViewChannel implements SeekableByteChannel {
    private final ByteView view;
    private long at;

    ViewChannel(ByteView view) {
        this.view = view;
    }

    @Override
    public int read(ByteBuffer to) throws IOException {
        if (at >= view.length()) {
            return -1;
        }
        byte[] bytes = new byte[(int) Math.min(to.remaining(), view.length() - at)];
        view.copy(at, bytes, 0, bytes.length);
        to.put(bytes);
        at += bytes.length;
        return bytes.length;
    }

    @Override
    public long position() {
        return at;
    }

    @Override
    public SeekableByteChannel position(long to) {
        at = to;
        return this;
    }

    @Override
    public long size() {
        return view.length();
    }

    @Override
    public int write(ByteBuffer bytes) {
        throw new NonWritableChannelException();
    }

    @Override
    public SeekableByteChannel truncate(long size) {
        throw new NonWritableChannelException();
    }

    @Override
    public boolean isOpen() {
        return true;
    }

    @Override
    public void close() {}
}
