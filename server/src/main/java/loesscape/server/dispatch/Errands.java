package loesscape.server.dispatch;

import java.util.concurrent.TimeUnit;
import loesscape.server.outside.Mail;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** What the server does of itself, every second: seal, deliver, remind, give up on payments. Nothing is lost where it is stopped. */
@Component
class Errands {

    private static final Logger LOG = LoggerFactory.getLogger(Errands.class);

    private final Sealing sealing;
    private final Mail mail;
    private final Webhooks webhooks;
    private final Reminders reminders;
    private final Payments payments;

    Errands(Sealing sealing, Mail mail, Webhooks webhooks, Reminders reminders, Payments payments) {
        this.sealing = sealing;
        this.mail = mail;
        this.webhooks = webhooks;
        this.reminders = reminders;
        this.payments = payments;
    }

    @Scheduled(fixedDelay = 1, timeUnit = TimeUnit.SECONDS)
    void run() {
        run("sealing", sealing::sealWaiting);
        run("reminding", reminders::remind);
        run("late payments", payments::giveUp);
        run("mail", mail::deliver);
        run("webhooks", webhooks::deliver);
    }

    /** One errand that cannot be run does not keep the others from it. */
    private static void run(String name, Runnable errand) {
        try {
            errand.run();
        } catch (RuntimeException e) {
            LOG.warn("The errand “{}” failed; it is tried again", name, e);
        }
    }
}
