package org.brantel.server.traffic;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/**
 * A request whose body is there. It looks as one that has just come: what must hold of every request, like who sent it
 * and whether a foreign page did, is looked at by filters that pass over requests which are taken up again.
 */
final class WithBody extends HttpServletRequestWrapper {

    private final Content content;

    WithBody(HttpServletRequest request, Body body) throws IOException {
        super(request);
        content = new Content(body.content(), body.length());
    }

    @Override
    public DispatcherType getDispatcherType() {
        DispatcherType type = super.getDispatcherType();
        return type == DispatcherType.ASYNC ? DispatcherType.REQUEST : type;
    }

    @Override
    public ServletInputStream getInputStream() {
        return content;
    }

    @Override
    public BufferedReader getReader() {
        String named = getCharacterEncoding();
        return new BufferedReader(
                new InputStreamReader(content, named == null ? StandardCharsets.UTF_8 : Charset.forName(named)));
    }

    @Override
    public long getContentLengthLong() {
        return content.length;
    }

    @Override
    public int getContentLength() {
        return content.length > Integer.MAX_VALUE ? -1 : (int) content.length;
    }

    private static final class Content extends ServletInputStream {

        private final InputStream in;
        private final long length;
        private long at;

        Content(InputStream in, long length) {
            this.in = in;
            this.length = length;
        }

        @Override
        public int read() throws IOException {
            int one = in.read();
            at += one < 0 ? 0 : 1;
            return one;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int count = in.read(into, from, most);
            at += Math.max(0, count);
            return count;
        }

        @Override
        public boolean isFinished() {
            return at >= length;
        }

        @Override
        public boolean isReady() {
            return true;
        }

        @Override
        public void setReadListener(ReadListener listener) {
            throw new IllegalStateException("All of the body is there; read it.");
        }
    }
}
