package org.brantel.demo;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import org.brantel.server.mail.MailRoute;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** Takes the demo lab's messages on loopback, where no mail server is set; nothing leaves the machine. */
@Component
class SmtpStandIn implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(SmtpStandIn.class);
    private static final String LOOPBACK = "127.0.0.1";

    private final Settings settings;
    private final MailRoute route;
    private volatile @Nullable GreenMail server;

    SmtpStandIn(Settings settings, MailRoute route) {
        this.settings = settings;
        this.route = route;
    }

    @Override
    public void start() {
        if (!settings.smtp().host().isBlank()) {
            return;
        }
        GreenMail started = new GreenMail(new ServerSetup(0, LOOPBACK, ServerSetup.PROTOCOL_SMTP));
        started.start();
        server = started;
        route.use(new Settings.Smtp(
                LOOPBACK,
                started.getSmtp().getPort(),
                "",
                "",
                false,
                settings.smtp().from()));
        LOG.info(
                "The demo's mail goes to a stand-in on port {}",
                started.getSmtp().getPort());
    }

    @Override
    public void stop() {
        GreenMail running = server;
        if (running != null) {
            running.stop();
            server = null;
        }
    }

    @Override
    public boolean isRunning() {
        return server != null;
    }
}
