package loesscape.server.outside;

import java.time.Instant;
import java.util.List;
import loesscape.server.platform.database.Backoff;
import loesscape.server.platform.database.DatabaseFull;
import loesscape.server.platform.web.OutsideFailed;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Messages to people: first kept with what they are about, then delivered, into a mailbox that can be looked into. */
@Component
public class Mail {

    private static final Logger LOG = LoggerFactory.getLogger(Mail.class);

    /** Whether links and codes are kept once their message is delivered, as the mailbox of the demo is this one. */
    private final boolean keepsSecrets;

    private final MailStore store;
    private final OutsideLog log;
    private final Post post;

    Mail(MailStore store, OutsideLog log, Post post, @Value("${loesscape.demo:false}") boolean demo) {
        this.keepsSecrets = demo;
        this.post = post;
        this.store = store;
        this.log = log;
    }

    /**
     * A message.
     *
     * @param service that takes it: mail or text messages
     * @param address an e-mail address or a telephone number
     * @param path where the link in it leads, on this server; empty where it has none
     * @param code the code in it; empty where it has none
     * @param delivered when it was delivered; null while it waits
     */
    public record Message(
            long id,
            OutsideService service,
            Instant made,
            String name,
            String address,
            String subject,
            String body,
            String path,
            String code,
            int tries,
            @Nullable Instant delivered) {}

    /** Keeps a message to be delivered, in the transaction of what it is about. */
    public void send(String name, String address, String subject, String body, String path) {
        add(OutsideService.MAIL, name, address, subject, body, path, "");
    }

    /** Keeps a message with a code in it. */
    public void sendCode(OutsideService service, String name, String to, String subject, String body, String code) {
        add(service, name, to, subject, body, "", code);
    }

    private void add(
            OutsideService service, String name, String to, String subject, String body, String path, String code) {
        store.add(service, name, to, subject, body, path, code);
    }

    /** Delivers what waits. */
    public void deliver() {
        for (Message message : store.waiting()) {
            String what = "“%s” to %s".formatted(message.subject(), message.address());
            try {
                log.ask(message.service(), what);
                if (message.service() == OutsideService.MAIL) {
                    deliver(message, what);
                }
                store.delivered(message.id(), shown(message.path()), shown(message.code()));
                log.passed(message.service(), what, false);
            } catch (RuntimeException failed) {
                DatabaseFull.passOn(failed);
                if (!(failed instanceof OutsideFailed)) {
                    LOG.error("The message {} was not delivered; it is tried again", message.id(), failed);
                }
                store.later(message.id(), Backoff.after(message.tries()));
            }
        }
    }

    private void deliver(Message message, String what) {
        try {
            post.deliver(message);
        } catch (OutsideFailed failed) {
            log.passed(message.service(), what + ": " + failed.getMessage(), true);
            throw failed;
        }
    }

    /** The last messages, the newest first, with their links and codes in the demo only. */
    public List<Message> list(int most) {
        return store.last(most).stream()
                .map(it -> new Message(
                        it.id(),
                        it.service(),
                        it.made(),
                        it.name(),
                        it.address(),
                        it.subject(),
                        it.body(),
                        shown(it.path()),
                        shown(it.code()),
                        it.tries(),
                        it.delivered()))
                .toList();
    }

    private String shown(String secret) {
        return keepsSecrets ? secret : "";
    }
}
