package org.brantel.server.mail;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.nio.charset.StandardCharsets;
import java.util.Properties;
import org.brantel.server.platform.Settings;
import org.jspecify.annotations.Nullable;
import org.springframework.mail.MailException;
import org.springframework.mail.MailPreparationException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;

/** The way to the mail server. */
@Component
public class MailRoute {

    private static final String TIMEOUT_MILLIS = "10000";

    private final Settings settings;
    private volatile @Nullable JavaMailSenderImpl sender;

    MailRoute(Settings settings) {
        this.settings = settings;
        if (settings.smtp().host() != null && !settings.smtp().host().isBlank()) {
            use(settings.smtp());
        }
    }

    /** Sends by this server from now on; the demo's stand-in comes this way. */
    public final void use(Settings.Smtp smtp) {
        JavaMailSenderImpl by = new JavaMailSenderImpl();
        by.setHost(smtp.host());
        by.setPort(smtp.port());
        by.setDefaultEncoding(StandardCharsets.UTF_8.name());
        if (smtp.user() != null && !smtp.user().isBlank()) {
            by.setUsername(smtp.user());
            by.setPassword(smtp.password());
        }
        Properties p = by.getJavaMailProperties();
        p.setProperty(
                "mail.smtp.auth",
                String.valueOf(smtp.user() != null && !smtp.user().isBlank()));
        p.setProperty("mail.smtp.starttls.enable", String.valueOf(smtp.startTls()));
        p.setProperty("mail.smtp.starttls.required", String.valueOf(smtp.startTls()));
        p.setProperty("mail.smtp.ssl.checkserveridentity", "true");
        p.setProperty("mail.smtp.connectiontimeout", TIMEOUT_MILLIS);
        p.setProperty("mail.smtp.timeout", TIMEOUT_MILLIS);
        p.setProperty("mail.smtp.writetimeout", TIMEOUT_MILLIS);
        sender = by;
    }

    boolean isOpen() {
        return sender != null;
    }

    /** @throws MailException in whose message it stands why it did not go through */
    void send(String to, String subject, String body) {
        JavaMailSenderImpl by = sender;
        if (by == null) {
            throw new MailPreparationException("no mail server is set (BRANTEL_SMTP_HOST)");
        }
        try {
            MimeMessage message = by.createMimeMessage();
            MimeMessageHelper helper = new MimeMessageHelper(message, false, StandardCharsets.UTF_8.name());
            helper.setFrom(settings.smtp().from());
            helper.setTo(to);
            helper.setSubject(subject);
            helper.setText(body, false);
            by.send(message);
        } catch (MessagingException e) {
            throw new MailPreparationException(String.valueOf(e.getMessage()), e);
        }
    }
}
