package loesscape.server.accounts.passkeys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.List;
import java.util.function.UnaryOperator;
import loesscape.core.model.Refused;
import loesscape.formats.json.Json;
import loesscape.server.accounts.AccountStore;
import loesscape.server.accounts.Author;
import loesscape.server.platform.doors.Facing;
import loesscape.server.testing.RunningServer;
import loesscape.server.testing.TestDevice;
import loesscape.server.testing.Visitor;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Passkeys are made and used as they were asked for, and in no other way (W3C, Web Authentication Level 3, 7.1 and 7.2). */
class PasskeysTest {

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.demo();

    @RegisterExtension
    static final RunningServer PUBLIC = RunningServer.facing(
            new Facing(URI.create("https://documents.example"), List.of(), 0, null, "", true, true));

    private static final String PASSWORD = "long enough words";
    private static int count;

    private final String name = "Holder " + count++;
    private final Visitor holder = account(name);
    private final TestDevice device = device();

    private static Visitor account(String name) {
        SERVER.author()
                .post(
                        "/api/accounts",
                        "{\"name\":\"%s\",\"password\":\"%s\",\"role\":\"sender\"}".formatted(name, PASSWORD))
                .ok();
        Visitor visitor = SERVER.visitor();
        visitor.post("/api/session", "{\"name\":\"%s\",\"password\":\"%s\"}".formatted(name, PASSWORD))
                .ok();
        return visitor;
    }

    private static TestDevice device() {
        TestDevice device = new TestDevice(SERVER.address());
        device.credential = ("credential of a device, number " + count++).getBytes(StandardCharsets.US_ASCII);
        return device;
    }

    private static String options(Visitor.Answer answer) {
        return answer.ok().json().get("options").stringValue();
    }

    private static String askedToMake(Visitor of) {
        return options(of.post("/api/session/passkeys/asked", "{\"password\":\"%s\"}".formatted(PASSWORD)));
    }

    private static String askedToSignIn(Visitor of) {
        return options(of.post("/api/session/passkey/asked", null));
    }

    private static String quoted(String text) {
        return Json.compact(JsonNodeFactory.instance.stringNode(text));
    }

    private static Visitor.Answer keep(Visitor of, String label, String made) {
        return of.post(
                "/api/session/passkeys", "{\"label\":%s,\"credential\":%s}".formatted(quoted(label), quoted(made)));
    }

    private static Visitor.Answer signIn(Visitor visitor, String signed) {
        return visitor.post("/api/session/passkey", "{\"credential\":%s}".formatted(quoted(signed)));
    }

    private JsonNode made() {
        return keep(holder, "Work laptop", device.make(askedToMake(holder)))
                .ok()
                .json()
                .get("passkeys");
    }

    @Test
    void whatADeviceMadeOpensTheAccountAndIsSeenByItsOwner() {
        JsonNode list = made();
        assertThat(list).hasSize(1);
        assertThat(list.get(0).get("label").stringValue()).isEqualTo("Work laptop");
        assertThat(list.get(0).get("used").isNull()).isTrue();
        Visitor visitor = SERVER.visitor();
        device.signatures = 1;
        signIn(visitor, device.sign(askedToSignIn(visitor))).ok();
        assertThat(visitor.get("/api/session").ok().json().get("author").stringValue())
                .isEqualTo(name);
        assertThat(visitor.get("/api/session/passkeys")
                        .ok()
                        .json()
                        .get("passkeys")
                        .get(0)
                        .get("used")
                        .isString())
                .isTrue();
    }

    @Test
    void whatIsAskedForNeedsAnUnlockedDeviceAndTellsNothingOfTheAccount() {
        JsonNode asked = Json.parse(askedToMake(holder).getBytes(StandardCharsets.UTF_8));
        assertThat(asked.get("rp").get("id").stringValue()).isEqualTo("localhost");
        assertThat(asked.get("authenticatorSelection").get("userVerification").stringValue())
                .isEqualTo("required");
        assertThat(asked.get("authenticatorSelection").get("residentKey").stringValue())
                .isEqualTo("required");
        assertThat(asked.get("attestation").stringValue()).isEqualTo("none");
        byte[] handle =
                Base64.getUrlDecoder().decode(asked.get("user").get("id").stringValue());
        assertThat(handle).hasSize(32);
        JsonNode again = Json.parse(askedToMake(holder).getBytes(StandardCharsets.UTF_8));
        assertThat(again.get("user").get("id")).isEqualTo(asked.get("user").get("id"));
        assertThat(again.get("challenge")).isNotEqualTo(asked.get("challenge"));
        JsonNode toSignIn = Json.parse(askedToSignIn(SERVER.visitor()).getBytes(StandardCharsets.UTF_8));
        assertThat(toSignIn.get("allowCredentials")).isEmpty();
        assertThat(toSignIn.get("userVerification").stringValue()).isEqualTo("required");
    }

    @Test
    void underAPublicAddressPasskeysAreForItAlone() {
        Passkeys passkeys = PUBLIC.part("passkeys", Passkeys.class);
        JsonNode asked = Json.parse(passkeys.askToSignIn("localhost:1").getBytes(StandardCharsets.UTF_8));
        assertThat(asked.get("rpId").stringValue()).isEqualTo("documents.example");
        Author demo = PUBLIC.part("accountStore", AccountStore.class).list().getFirst();
        device.origin = "https://documents.example";
        device.party = "documents.example";
        passkeys.make(demo, "documents.example", "Phone", device.make(passkeys.askToMake(demo, "documents.example")));
        device.signatures = 1;
        assertThat(passkeys.signIn("documents.example", device.sign(passkeys.askToSignIn("documents.example"))))
                .contains(demo);
        device.signatures = 2;
        device.origin = "http://documents.example";
        assertThat(passkeys.signIn("documents.example", device.sign(passkeys.askToSignIn("documents.example"))))
                .isEmpty();
    }

    @Test
    void anAddressInNumbersHasNone() {
        Passkeys passkeys = SERVER.part("passkeys", Passkeys.class);
        assertThatThrownBy(() -> passkeys.askToSignIn("127.0.0.1:8080"))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("localhost");
    }

    @Test
    void whoOnlySitsAtADeskGetsNone() {
        holder.post("/api/session/passkeys/asked", "{\"password\":\"not theirs at all\"}")
                .problem(422);
        SERVER.visitor()
                .post("/api/session/passkeys/asked", "{\"password\":\"%s\"}".formatted(PASSWORD))
                .problem(401);
        keep(SERVER.visitor(), "Mine", device.make(askedToMake(holder))).problem(401);
        SERVER.visitor().get("/api/session/passkeys").problem(401);
        assertThat(holder.get("/api/session/passkeys").ok().json().get("passkeys"))
                .isEmpty();
    }

    /** What is wrong with a device that makes a passkey. */
    enum Fault {
        NONE,
        ELSEWHERE,
        ANOTHER_PARTY,
        NOT_UNLOCKED,
        ASKED_OF_ANOTHER,
        ASKED_TO_SIGN_IN,
        TOO_LATE,
        UNREADABLE,
        TOO_LONG
    }

    @ParameterizedTest
    @CsvSource(textBlock = """
            NONE, 200
            ELSEWHERE, 422
            ANOTHER_PARTY, 422
            NOT_UNLOCKED, 422
            ASKED_OF_ANOTHER, 422
            ASKED_TO_SIGN_IN, 422
            TOO_LATE, 422
            UNREADABLE, 422
            TOO_LONG, 422
            """)
    void onlyWhatWasAskedForIsKept(Fault fault, int status) {
        String asked = askedToMake(holder);
        switch (fault) {
            case NONE, TOO_LATE, UNREADABLE, TOO_LONG -> {}
            case ELSEWHERE -> device.origin = "https://elsewhere.example";
            case ANOTHER_PARTY -> device.party = "elsewhere.example";
            case NOT_UNLOCKED -> device.isUnlocked = false;
            case ASKED_OF_ANOTHER -> asked = askedToMake(account("Another " + count++));
            case ASKED_TO_SIGN_IN -> asked = asked.replace(challenge(asked), challenge(askedToSignIn(holder)));
        }
        String made = device.make(asked);
        if (fault == Fault.TOO_LATE) {
            SERVER.forward(Challenges.WITHIN);
        }
        made = switch (fault) {
            case UNREADABLE -> made.substring(1);
            case TOO_LONG -> made + " ".repeat(60_000);
            default -> made;
        };
        assertThat(keep(holder, "Phone", made).status()).isEqualTo(status);
        assertThat(holder.get("/api/session/passkeys").ok().json().get("passkeys"))
                .hasSize(status == 200 ? 1 : 0);
    }

    private static String challenge(String options) {
        return Json.parse(options.getBytes(StandardCharsets.UTF_8))
                .get("challenge")
                .stringValue();
    }

    @Test
    void onlyWhatWasSignedAsAskedSignsIn() {
        made();
        assertThat(status(it -> it)).isEqualTo(204);
        device.origin = "https://elsewhere.example";
        assertThat(status(it -> it)).as("another page asked").isEqualTo(401);
        device.origin = SERVER.address();
        device.party = "elsewhere.example";
        assertThat(status(it -> it)).as("for another party").isEqualTo(401);
        device.party = "localhost";
        device.isUnlocked = false;
        assertThat(status(it -> it)).as("not unlocked").isEqualTo(401);
        device.isUnlocked = true;
        assertThat(status(it -> it.replaceFirst("\"signature\":\"..", "\"signature\":\"AA")))
                .as("another signature")
                .isEqualTo(401);
        assertThat(status(it -> it.replaceFirst("\"userHandle\":\"....", "\"userHandle\":\"AAAA")))
                .as("another owner")
                .isEqualTo(401);
        assertThat(status(it -> it.replaceAll(",\\s*\"userHandle\":\"[^\"]*\"", "")))
                .as("no owner")
                .isEqualTo(401);
        byte[] mine = device.credential;
        device.credential = "a credential that nobody has".getBytes(StandardCharsets.US_ASCII);
        assertThat(status(it -> it)).as("unknown").isEqualTo(401);
        device.credential = mine;
        assertThat(status(it -> "{}")).as("empty").isEqualTo(401);
        assertThat(status(it -> "null")).as("nothing").isEqualTo(401);
        assertThat(status(it -> it)).isEqualTo(204);
    }

    private int status(UnaryOperator<String> changed) {
        Visitor visitor = SERVER.visitor();
        return signIn(visitor, changed.apply(device.sign(askedToSignIn(visitor))))
                .status();
    }

    @Test
    void anAnswerIsTakenOnceAndForAShortTime() {
        made();
        Visitor visitor = SERVER.visitor();
        String signed = device.sign(askedToSignIn(visitor));
        signIn(visitor, signed).ok();
        signIn(SERVER.visitor(), signed).problem(401);
        String late = device.sign(askedToSignIn(visitor));
        SERVER.forward(Challenges.WITHIN.plus(Duration.ofSeconds(1)));
        signIn(SERVER.visitor(), late).problem(401);
    }

    @Test
    void aDeviceThatWasCopiedIsFoundOutByItsCount() {
        made();
        device.signatures = 7;
        assertThat(status(it -> it)).isEqualTo(204);
        device.signatures = 7;
        assertThat(status(it -> it)).isEqualTo(401);
        device.signatures = 3;
        assertThat(status(it -> it)).isEqualTo(401);
        device.signatures = 8;
        assertThat(status(it -> it)).isEqualTo(204);
    }

    @Test
    void aPasskeyEndsWithItsRemovalAndWithTheAccount() {
        int id = made().get(0).get("id").intValue();
        Visitor other = account("Other " + count++);
        other.send("DELETE", "/api/session/passkeys/" + id, null).problem(404);
        assertThat(status(it -> it)).isEqualTo(204);
        holder.send("DELETE", "/api/session/passkeys/" + id, null).ok();
        assertThat(status(it -> it)).isEqualTo(401);
        keep(holder, "Again", device.make(askedToMake(holder))).ok();
        assertThat(status(it -> it)).isEqualTo(204);
        SERVER.author().send("DELETE", "/api/accounts/" + accountId(), null).ok();
        assertThat(status(it -> it)).isEqualTo(401);
        account(name);
        assertThat(status(it -> it)).as("of another account of the same name").isEqualTo(401);
    }

    @Test
    void whoeverSetsANewPasswordByALinkStartsWithoutPasskeys() {
        made();
        String link = SERVER.author()
                .post("/api/accounts/" + accountId() + "/reset", null)
                .ok()
                .json()
                .get("path")
                .stringValue()
                .substring("/reset/".length());
        assertThat(status(it -> it)).isEqualTo(204);
        SERVER.visitor()
                .put("/api/session/reset", "{\"link\":\"%s\",\"password\":\"other long words\"}".formatted(link))
                .ok();
        assertThat(status(it -> it)).isEqualTo(401);
    }

    private int accountId() {
        for (JsonNode account : SERVER.author().get("/api/accounts").ok().json().get("accounts")) {
            if (account.get("name").stringValue().equals(name)) {
                return account.get("id").intValue();
            }
        }
        throw new AssertionError(name);
    }

    @Test
    void thereIsALimitAndTheSameIsNotKeptTwice() {
        made();
        keep(holder, "Work laptop", device.make(askedToMake(holder))).problem(422);
        keep(holder, " ", device().make(askedToMake(holder))).problem(422);
        keep(holder, "two\nlines", device().make(askedToMake(holder))).problem(422);
        for (int i = 1; i < Passkeys.MOST; i++) {
            keep(holder, "Device " + i, device().make(askedToMake(holder))).ok();
        }
        holder.post("/api/session/passkeys/asked", "{\"password\":\"%s\"}".formatted(PASSWORD))
                .problem(422);
    }
}
