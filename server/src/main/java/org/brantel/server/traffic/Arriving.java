package org.brantel.server.traffic;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.brantel.server.platform.Problems;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;

/** Takes in a body as its bytes come, and hands the request on when all are there. */
final class Arriving implements ReadListener, AsyncListener {

    private static final Logger LOG = LoggerFactory.getLogger(Arriving.class);
    private static final int PORTION = 8 << 10;

    private final AsyncContext context;
    private final ServletInputStream in;
    private final Body body;
    private final Problems problems;
    /** Guarded by this: it ends once, by its last byte, its time or its line. */
    private boolean ended;

    Arriving(AsyncContext context, ServletInputStream in, Body body, Problems problems) {
        this.context = context;
        this.in = in;
        this.body = body;
        this.problems = problems;
    }

    @Override
    public void onDataAvailable() throws IOException {
        byte[] portion = new byte[PORTION];
        while (in.isReady() && !in.isFinished()) {
            int count = in.read(portion);
            if (count > 0) {
                body.take(portion, count);
            }
            if (body.isEndless()) {
                refuse(HttpStatus.CONTENT_TOO_LARGE, "What was sent is far too large; nothing of it was kept.");
                return;
            }
        }
    }

    @Override
    public void onAllDataRead() {
        if (ends()) {
            context.dispatch();
        }
    }

    @Override
    public void onError(Throwable broken) {
        // Whoever sent it has hung up, or fell silent; there is nobody to say anything to.
        LOG.debug("A body broke off", broken);
        if (ends()) {
            close();
            context.complete();
        }
    }

    @Override
    public void onTimeout(AsyncEvent event) throws IOException {
        refuse(
                HttpStatus.REQUEST_TIMEOUT,
                "What was sent took too long to come in, so nothing of it was taken; try again on a better line.");
    }

    private void refuse(HttpStatus status, String sentence) throws IOException {
        if (ends()) {
            close();
            HttpServletResponse response = (HttpServletResponse) context.getResponse();
            response.setHeader(HttpHeaders.CONNECTION, "close");
            problems.answer(response, status, sentence);
            context.complete();
        }
    }

    private synchronized boolean ends() {
        boolean first = !ended;
        ended = true;
        return first;
    }

    private void close() {
        try {
            body.close();
        } catch (IOException e) {
            LOG.warn("What came in of a body could not be let go", e);
        }
    }

    @Override
    public void onComplete(AsyncEvent event) {
        // What is to be done was done by whatever completed it.
    }

    @Override
    public void onError(AsyncEvent event) {
        onError(event.getThrowable());
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
        // Another round is the application's own.
    }
}
