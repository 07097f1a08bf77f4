package loesscape.server.signing;

import loesscape.server.outside.Mail;
import loesscape.server.platform.database.DatabaseFull;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * What the server does of itself, every second: seal, deliver, remind, give up on payments. None of it waits for another,
 * and nothing is lost where the server is stopped in the middle.
 */
@Component
class ScheduledJobs {

    private static final Logger LOG = LoggerFactory.getLogger(ScheduledJobs.class);

    private final Receipts receipts;
    private final Sealing sealing;
    private final Mail mail;
    private final Webhooks webhooks;
    private final Reminders reminders;
    private final Payments payments;

    ScheduledJobs(
            Receipts receipts, Sealing sealing, Mail mail, Webhooks webhooks, Reminders reminders, Payments payments) {
        this.receipts = receipts;
        this.sealing = sealing;
        this.mail = mail;
        this.webhooks = webhooks;
        this.reminders = reminders;
        this.payments = payments;
    }

    @Scheduled(fixedDelayString = "${loesscape.jobs.pause}")
    void seal() {
        run("sealing", sealing::sealWaiting);
    }

    @Scheduled(fixedDelayString = "${loesscape.jobs.pause}")
    void stamp() {
        run("receipts", receipts::stampWaiting);
    }

    @Scheduled(fixedDelayString = "${loesscape.jobs.pause}")
    void deliverMail() {
        run("mail", mail::deliver);
    }

    @Scheduled(fixedDelayString = "${loesscape.jobs.pause}")
    void deliverWebhooks() {
        run("webhooks", webhooks::deliver);
    }

    @Scheduled(fixedDelayString = "${loesscape.jobs.pause}")
    void lookAtTime() {
        run("reminding", reminders::remind);
        run("late payments", payments::giveUp);
    }

    /** What cannot be done now is done later. */
    private static void run(String name, Runnable job) {
        try {
            job.run();
        } catch (RuntimeException e) {
            if (!DatabaseFull.isBehind(e)) { // That is said once a minute, and not by each.
                LOG.warn("The job “{}” failed; it is tried again", name, e);
            }
        }
    }
}
