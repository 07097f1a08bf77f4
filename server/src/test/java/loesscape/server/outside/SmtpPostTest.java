package loesscape.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.internet.MimeMessage;
import java.net.URI;
import java.time.Clock;
import java.util.List;
import loesscape.server.accounts.OrganisationStore;
import loesscape.server.platform.doors.Facing;
import loesscape.server.platform.web.OutsideFailed;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.Sent;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Mail goes out to a real server: GreenMail, which is one, with TLS. */
class SmtpPostTest {

    private static final GreenMail POST = started();

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.facing(new Facing(
                    null,
                    List.of(),
                    0,
                    URI.create("smtps://sender@localhost:" + POST.getSmtps().getPort()),
                    "documents@veldhollow.example",
                    true,
                    true))
            .with("loesscape.smtp.trusted=*", "LOESSCAPE_SMTP_PASSWORD=a secret");

    private static GreenMail started() {
        GreenMail post = new GreenMail(new ServerSetup(0, null, ServerSetup.PROTOCOL_SMTPS));
        post.setUser("sender@localhost", "sender", "a secret");
        post.start();
        return post;
    }

    @AfterAll
    static void stop() {
        POST.stop();
    }

    @Test
    void aSignerGetsALinkWithTheAddressOfThisServerInAMessageOfOurs() throws Exception {
        Sent sent = Sent.agreement(SERVER);
        sent.send("{}", "landowner", "driller", "hydrologist");
        MimeMessage letter = letter(sent.address("landowner"));
        assertThat(letter.getFrom()[0].toString())
                .contains("documents@veldhollow.example")
                .contains("Veldhollow Soil and Water Board");
        assertThat(letter.getSubject()).isEqualTo("Please fill in and sign: Drilling agreement");
        assertThat(letter.getHeader("Auto-Submitted")).containsExactly("auto-generated");
        String text = GreenMailUtil.getBody(letter).replace("=\r\n", "");
        String link = text.replaceFirst("(?s).*http://localhost:0(/sign/[\\w-]+).*", "$1");
        SERVER.visitor().get("/api" + link).ok();
    }

    private static MimeMessage letter(String to) throws Exception {
        for (int i = 0; i < 100; i++) {
            for (MimeMessage each : POST.getReceivedMessages()) {
                if (each.getAllRecipients()[0].toString().contains(to)) {
                    return each;
                }
            }
            Sent.pause();
        }
        throw new AssertionError("Nothing came to " + to);
    }

    @Test
    void whatAMailServerDoesNotTakeIsTriedAgain() {
        SmtpPost post = new SmtpPost(
                URI.create("smtps://localhost:1"),
                "",
                "documents@veldhollow.example",
                "",
                "",
                SERVER.part("organisationStore", OrganisationStore.class));
        Mail.Message message = message("a@x.example");
        assertThatThrownBy(() -> post.deliver(message)).isInstanceOf(OutsideFailed.class);
    }

    @Test
    void nothingGoesOutUnprotected() {
        GreenMail open = new GreenMail(new ServerSetup(0, null, ServerSetup.PROTOCOL_SMTP));
        open.start();
        try {
            SmtpPost post = new SmtpPost(
                    URI.create("smtp://localhost:" + open.getSmtp().getPort()),
                    "",
                    "documents@veldhollow.example",
                    "",
                    "",
                    SERVER.part("organisationStore", OrganisationStore.class));
            assertThatThrownBy(() -> post.deliver(message("a@x.example"))).isInstanceOf(OutsideFailed.class);
            assertThat(open.getReceivedMessages()).isEmpty();
        } finally {
            open.stop();
        }
    }

    /** What nobody knows as an authority is not spoken to. */
    @Test
    void aServerThatIsNotTheOneNamedGetsNothing() {
        SmtpPost post = new SmtpPost(
                URI.create("smtps://localhost:" + POST.getSmtps().getPort()),
                "",
                "documents@veldhollow.example",
                "",
                "",
                SERVER.part("organisationStore", OrganisationStore.class));
        assertThatThrownBy(() -> post.deliver(message("stranger@x.example"))).isInstanceOf(OutsideFailed.class);
        assertThat(POST.getReceivedMessages())
                .noneMatch(it -> GreenMailUtil.getAddressList(addresses(it)).contains("stranger"));
    }

    @Test
    void linksAreThoseOfThePublicAddress() throws Exception {
        SmtpPost post = new SmtpPost(
                URI.create("smtps://sender@localhost:" + POST.getSmtps().getPort()),
                "a secret",
                "documents@veldhollow.example",
                "https://documents.example",
                "*",
                SERVER.part("organisationStore", OrganisationStore.class));
        Mail.Message message = message("b@x.example");
        post.deliver(new Mail.Message(
                2,
                OutsideService.MAIL,
                message.made(),
                "Bé Ö",
                "b@x.example",
                "Löss",
                "Body",
                "/sign/abc",
                "123456",
                0,
                null));
        MimeMessage letter = letter("b@x.example");
        assertThat(letter.getSubject()).isEqualTo("Löss");
        assertThat(String.valueOf(letter.getContent()).lines())
                .containsExactly("Body", "", "123456", "", "https://documents.example/sign/abc");
    }

    private static jakarta.mail.Address[] addresses(MimeMessage message) {
        try {
            return message.getAllRecipients();
        } catch (jakarta.mail.MessagingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Mail.Message message(String to) {
        return new Mail.Message(
                1, OutsideService.MAIL, Clock.systemUTC().instant(), "A", to, "Subject", "Body", "", "", 0, null);
    }

    /** The demo shows its mailbox; this one is that of nobody here. */
    @Test
    void whatWentOutIsListedAsBefore() {
        Visitor author = SERVER.author();
        assertThat(author.get("/api/outside").ok().json().get("mail")).isNotEmpty();
    }
}
