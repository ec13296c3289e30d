package org.brantel.server.traffic;

import java.time.Duration;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.apache.coyote.Processor;
import org.apache.coyote.Request;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioChannel;
import org.apache.tomcat.util.net.SocketWrapperBase;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The server's lines. Its own time-out begins anew with each byte: a head that is trickled would keep its line for days, and
 * a slow customer, whose line takes the next bytes when most of the last have gone, would lose theirs.
 */
public final class Lines extends Http11NioProtocol {

    /** For all of a head. */
    private static final Duration HEAD = Duration.ofSeconds(20);
    /** For a line that takes nothing of what is sent to it. */
    private static final Duration TAKES_NOTHING = Duration.ofMinutes(10);

    private Predicate<String> isSent = id -> false;
    private @Nullable ScheduledFuture<?> looks;

    @Configuration(proxyBeanMethods = false)
    static class Ours {

        @Bean
        WebServerFactoryCustomizer<TomcatServletWebServerFactory> lines(Sending sending) {
            return factory -> {
                factory.setProtocol(Lines.class.getName());
                factory.addConnectorCustomizers(connector -> {
                    if (connector.getProtocolHandler() instanceof Lines lines) {
                        lines.isSent = sending::isUnderway;
                        sending.hangsUp(lines::hangUp);
                    }
                });
            };
        }
    }

    /** Ends a line in the midst of an answer, so that nobody takes a part of it for all of it. */
    private void hangUp(String requestId) {
        for (SocketWrapperBase<NioChannel> line : getEndpoint().getConnections()) {
            if (line.getCurrentProcessor() instanceof Processor processor
                    && processor.getRequest().getRequestId().equals(requestId)) {
                line.close();
            }
        }
    }

    @Override
    public void start() throws Exception {
        super.start();
        looks = getUtilityExecutor().scheduleWithFixedDelay(this::look, 1, 1, TimeUnit.SECONDS);
    }

    @Override
    public void stop() throws Exception {
        if (looks != null) {
            looks.cancel(false);
        }
        super.stop();
    }

    private void look() {
        long now = System.nanoTime();
        for (SocketWrapperBase<NioChannel> line : getEndpoint().getConnections()) {
            if (line.getCurrentProcessor() instanceof Processor processor) {
                look(line, processor, now);
            }
        }
    }

    /** @param waiting what answers the line's request, whose thread has gone: for its next bytes, or for somebody else */
    private void look(SocketWrapperBase<NioChannel> line, Processor waiting, long now) {
        Request request = waiting.getRequest();
        if (waiting.isAsync()) {
            if (isSent.test(request.getRequestId())) {
                line.setWriteTimeout(TAKES_NOTHING.toMillis());
            }
        } else if (request.getStartTimeNanos() > 0 && now - request.getStartTimeNanos() > HEAD.toNanos()) {
            // What waits for its next byte has waited long enough; it is ended by who waits.
            line.setReadTimeout(1);
        }
    }
}
