package loesscape.server.outside;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Properties;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.platform.web.OutsideFailed;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;

/** Messages to people by mail (RFC 5321), to a server over TLS or STARTTLS and no other way. */
final class SmtpPost implements Post {

    private static final String PATIENCE = "10000";
    private static final int SMTPS = 465;
    private static final int SUBMISSION = 587;

    private final JavaMailSenderImpl sender = new JavaMailSenderImpl();
    private final OrganisationStore organisations;
    private final String from;
    private final String base;

    /**
     * Post through a server.
     *
     * @param server as {@code smtps://name@host:465} or {@code smtp://name@host:587}
     * @param from the address it comes from
     * @param base where people reach this server, for the links in it
     * @param trusted a server whose certificate is taken without an authority that is known; empty for none
     */
    SmtpPost(URI server, String password, String from, String base, String trusted, OrganisationStore organisations) {
        this.organisations = organisations;
        this.from = from;
        this.base = base;
        String protocol = server.getScheme();
        boolean isTls = protocol.equals("smtps");
        sender.setProtocol(protocol);
        sender.setHost(server.getHost());
        sender.setPort(server.getPort() > 0 ? server.getPort() : isTls ? SMTPS : SUBMISSION);
        sender.setDefaultEncoding(StandardCharsets.UTF_8.name());
        Properties settings = sender.getJavaMailProperties();
        if (server.getUserInfo() != null) {
            sender.setUsername(server.getUserInfo());
            sender.setPassword(password);
            settings.setProperty("mail.%s.auth".formatted(protocol), "true");
        }
        settings.setProperty("mail.%s.starttls.enable".formatted(protocol), Boolean.toString(!isTls));
        settings.setProperty("mail.%s.starttls.required".formatted(protocol), Boolean.toString(!isTls));
        settings.setProperty("mail.%s.ssl.checkserveridentity".formatted(protocol), "true");
        if (!trusted.isEmpty()) {
            settings.setProperty("mail.%s.ssl.trust".formatted(protocol), trusted);
            settings.setProperty("mail.%s.ssl.checkserveridentity".formatted(protocol), "false");
        }
        for (String wait : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
            settings.setProperty("mail.%s.%s".formatted(protocol, wait), PATIENCE);
        }
    }

    @Override
    public void deliver(Mail.Message message) {
        try {
            MimeMessage mail = sender.createMimeMessage();
            MimeMessageHelper parts = new MimeMessageHelper(mail, false, StandardCharsets.UTF_8.name());
            String organisation = organisations.find().name();
            parts.setFrom(new InternetAddress(from, organisation, StandardCharsets.UTF_8.name()));
            parts.setTo(new InternetAddress(message.address(), message.name(), StandardCharsets.UTF_8.name()));
            parts.setSubject(message.subject());
            parts.setText(text(message));
            // So that nobody's machine answers it (RFC 3834).
            mail.setHeader("Auto-Submitted", "auto-generated");
            sender.send(mail);
        } catch (MessagingException | UnsupportedEncodingException | MailException e) {
            throw new OutsideFailed("The mail server did not take it: " + e.getMessage());
        }
    }

    private String text(Mail.Message message) {
        StringBuilder text = new StringBuilder(message.body());
        if (!message.code().isEmpty()) {
            text.append("\n\n").append(message.code());
        }
        if (!message.path().isEmpty()) {
            text.append("\n\n").append(base).append(message.path());
        }
        return text.append('\n').toString();
    }
}
