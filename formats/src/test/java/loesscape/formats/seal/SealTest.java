package loesscape.formats.seal;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import loesscape.core.evaluation.Content;
import loesscape.core.model.Field;
import loesscape.core.model.Look;
import loesscape.core.model.PageSettings;
import loesscape.core.signing.Event;
import loesscape.core.signing.IdentityCheck;
import loesscape.core.signing.Person;
import loesscape.formats.evidence.Trail;
import loesscape.formats.evidence.TrailEntry;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.paper.ArchiveCheck;
import loesscape.formats.paper.Evidence;
import loesscape.formats.paper.EvidenceFile;
import loesscape.formats.paper.FinishedPdf;
import loesscape.formats.paper.PrintedRecord;
import loesscape.formats.paper.Theme;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Sealed documents, checked by our own check and by independent tools: pdfsig of Poppler (NSS), OpenSSL over the signature
 * taken out, qpdf for the structure of the file (ISO 32000-2; PAdES baseline as in ETSI EN 319 142-1).
 */
class SealTest {

    private static final Instant NOW = Instant.parse("2026-11-25T15:00:00Z");
    private static final Authority AUTHORITY = Authority.make("Veldhollow Soil and Water Board", NOW);
    private static final String PEN = "M10 80L40 20L70 80M90 50";

    @TempDir
    Path folder;

    private static final byte[] TURN = "{\"formatVersion\":1}".getBytes(StandardCharsets.UTF_8);

    private static Trail trail() {
        Person person = new Person("Femke Oosterlaan", "femke@veldhollow.example");
        return Trail.EMPTY
                .with(
                        NOW,
                        "Ilse Maarwick",
                        "127.0.0.1",
                        new Event.Sent(
                                "Well",
                                1,
                                List.of(new Event.Named("owner", "Owner", 1, person, IdentityCheck.LINK)),
                                null,
                                false,
                                0,
                                "",
                                false,
                                Map.of()))
                .with(NOW, "server", "", new Event.Asked("owner"))
                .with(
                        NOW,
                        "Femke Oosterlaan",
                        "10.0.0.1",
                        new Event.Signed("owner", 2, List.of("Signature"), Trail.digest(TURN)));
    }

    private static byte[] document() {
        return document(List.of(new EvidenceFile("turn-owner.json", "", "application/json", TURN)));
    }

    private static byte[] document(List<EvidenceFile> files) {
        Content content = new Content(
                "Well",
                "Form W3",
                List.of(new Content.Block.Lines(
                        "Signatures",
                        1,
                        "",
                        List.of(
                                Content.Line.Answer.of("depth", "Depth", "24 m", Look.PLAIN),
                                new Content.Line.Signature(
                                        "signature", "Signature", PEN, "owner", "Owner", Field.Width.HALF),
                                new Content.Line.Signature(
                                        "initials", "Initials", "F. O.", "owner", "Owner", Field.Width.HALF)))),
                PageSettings.PLAIN);
        return FinishedPdf.write(new PrintedRecord(
                content,
                new RecordHeading(1, 1, NOW),
                Theme.PLAIN,
                PrintedRecord.Pictures.NONE,
                "",
                new Evidence("d-1", "Veldhollow Soil and Water Board", trail(), files, List.of())));
    }

    private static byte[] sealed() {
        return Seal.seal(document(), AUTHORITY, "All have signed", NOW);
    }

    @Test
    void aSealedDocumentIsIntactAndCarriesItsTrail() {
        byte[] before = document();
        byte[] sealed = Seal.seal(before, AUTHORITY, "All have signed", NOW);
        assertThat(Arrays.copyOf(sealed, before.length))
                .as("what was sealed stays as it was")
                .isEqualTo(before);
        assertThat(ArchiveCheck.broken(sealed)).isEmpty();
        SealCheck check = SealCheck.of(sealed, AUTHORITY.root());
        assertThat(check.verdict()).as(check.message()).isEqualTo(SealCheck.Verdict.SEALED_HERE);
        assertThat(check.by()).isEqualTo("Veldhollow Soil and Water Board · Seal");
        assertThat(check.at()).isEqualTo(NOW);
        assertThat(check.trail()).isEqualTo(trail());
        assertThat(SealCheck.of(sealed, Authority.make("Others", NOW).root()).verdict())
                .isEqualTo(SealCheck.Verdict.SEALED_BY_OTHERS);
        assertThat(SealCheck.of(before, AUTHORITY.root()).verdict()).isEqualTo(SealCheck.Verdict.NOT_SEALED);
        assertThat(SealCheck.of(new byte[] {1, 2}, AUTHORITY.root()).verdict()).isEqualTo(SealCheck.Verdict.UNREADABLE);
    }

    /**
     * Every 97th byte and some around the signature. Of the signature itself, what is not signed (certificates that are not
     * needed, versions) may differ without any harm to the document; the server knows the digest of the whole besides.
     */
    @Test
    void oneFlippedBitAnywhereIsDetected() {
        byte[] sealed = sealed();
        int begin = new String(sealed, StandardCharsets.ISO_8859_1).indexOf("/Contents <") + "/Contents <".length();
        int end = new String(sealed, StandardCharsets.ISO_8859_1).indexOf('>', begin);
        Set<Integer> places = new TreeSet<>(List.of(begin - 1, begin, begin + 40, begin + 900, sealed.length - 2));
        for (int at = 0; at < sealed.length; at += 97) {
            places.add(at);
        }
        for (int at : places) {
            byte[] changed = sealed.clone();
            changed[at] ^= 1;
            SealCheck check = SealCheck.of(changed, AUTHORITY.root());
            if (at < begin || at >= end || at > begin + 2 * 6_000) {
                assertThat(check.verdict())
                        .as("byte %d of %d", at, sealed.length)
                        .isNotEqualTo(SealCheck.Verdict.SEALED_HERE);
            }
        }
        byte[] longer = Arrays.copyOf(sealed, sealed.length + 1);
        assertThat(SealCheck.of(longer, AUTHORITY.root()).verdict()).isNotEqualTo(SealCheck.Verdict.SEALED_HERE);
    }

    @Test
    void keysAreKeptUnderAPassphrase() throws Exception {
        byte[] kept = AUTHORITY.bytes("of this installation");
        Authority read = Authority.read(kept, "of this installation").orElseThrow();
        assertThat(read.root()).isEqualTo(AUTHORITY.root());
        assertThat(SealCheck.of(Seal.seal(document(), read, "x", NOW), AUTHORITY.root())
                        .verdict())
                .isEqualTo(SealCheck.Verdict.SEALED_HERE);
        assertThat(Authority.read(kept, "")).isEmpty();
        assertThat(Authority.read(kept, "guessed")).isEmpty();
        assertThat(Authority.read(AUTHORITY.bytes(""), ""))
                .as("as it was kept before")
                .isPresent();
    }

    @Test
    void aClockThatWasAheadWhenTheAuthorityWasMadeDoesNotMakeSealsForgeries() {
        Authority ahead = Authority.make("Ahead", NOW.plusSeconds(3_600));
        SealCheck check = SealCheck.of(Seal.seal(document(), ahead, "x", NOW), ahead.root());
        assertThat(check.verdict()).isEqualTo(SealCheck.Verdict.SEALED_HERE);
        assertThat(check.at()).isEqualTo(NOW);
        Authority farAhead = Authority.make("Far ahead", NOW.plusSeconds(30 * 86_400));
        SealCheck unproved = SealCheck.of(Seal.seal(document(), farAhead, "x", NOW), farAhead.root());
        assertThat(unproved.verdict()).isEqualTo(SealCheck.Verdict.SEALED_HERE);
        assertThat(unproved.at()).isNull();
        assertThat(unproved.message()).contains("does not prove when");
    }

    @Test
    void aCertificateThatWasCalledBackSealsNoMoreButWhatItSealedBeforeStays() {
        Authority renewed = AUTHORITY.renewed(NOW.plusSeconds(60));
        byte[] list = renewed.revocationList(NOW.plusSeconds(120));
        byte[] before = sealed();
        assertThat(SealCheck.of(before, AUTHORITY.root(), list).verdict()).isEqualTo(SealCheck.Verdict.SEALED_HERE);
        byte[] stolen = Seal.seal(document(), AUTHORITY, "x", NOW.plusSeconds(61));
        SealCheck check = SealCheck.of(stolen, AUTHORITY.root(), list);
        assertThat(check.verdict()).isEqualTo(SealCheck.Verdict.SEALED_BY_OTHERS);
        assertThat(check.message()).contains("had been called back by then");
        byte[] honest = Seal.seal(document(), renewed, "x", NOW.plusSeconds(61));
        assertThat(SealCheck.of(honest, AUTHORITY.root(), list).verdict()).isEqualTo(SealCheck.Verdict.SEALED_HERE);
        byte[] told = Seal.seal(document(), AUTHORITY.withRevoked(renewed.revoked()), "x", NOW.plusSeconds(61));
        assertThat(SealCheck.of(told, AUTHORITY.root()).verdict())
                .as("the list in the seal itself says it")
                .isEqualTo(SealCheck.Verdict.SEALED_BY_OTHERS);
        byte[] others =
                Authority.make("Others", NOW).withRevoked(renewed.revoked()).revocationList(NOW);
        assertThat(SealCheck.of(before, AUTHORITY.root(), others).verdict())
                .as("a list of somebody else says nothing")
                .isEqualTo(SealCheck.Verdict.SEALED_HERE);
    }

    @Test
    void whatTheTrailNamesIsAttachedAsItWas() {
        for (List<EvidenceFile> files : List.of(
                List.<EvidenceFile>of(),
                List.of(new EvidenceFile("turn-owner.json", "", "application/json", new byte[] {'{', '}'})))) {
            SealCheck check = SealCheck.of(Seal.seal(document(files), AUTHORITY, "x", NOW), AUTHORITY.root());
            assertThat(check.verdict()).isEqualTo(SealCheck.Verdict.CHANGED);
            assertThat(check.message()).isEqualTo("“turn-owner.json” in it is not what entry 3 of its trail names.");
        }
    }

    @Test
    void aTrailThatWasChangedIsBroken() {
        List<TrailEntry> entries = new ArrayList<>(trail().entries());
        assertThat(trail().firstBroken()).isZero();
        TrailEntry second = entries.get(1);
        entries.set(1, TrailEntry.read(second.text().replace("server", "somebody"), second.hash()));
        assertThat(new Trail(entries).firstBroken()).isEqualTo(2);
        entries.set(1, TrailEntry.read("{", second.hash()));
        assertThat(new Trail(entries).firstBroken())
                .as("what cannot be read is broken, and nothing worse")
                .isEqualTo(2);
        assertThat(new Trail(trail().entries().subList(1, 3)).firstBroken()).isEqualTo(1);
        assertThat(Trail.read(trail().json().getBytes(StandardCharsets.UTF_8))).isEqualTo(trail());
    }

    @Test
    void independentToolsFindTheSealInOrder() throws Exception {
        Path file = Files.write(folder.resolve("sealed.pdf"), sealed());
        assertThat(run("qpdf", "--check", file.toString())).contains("No syntax or stream encoding errors found");
        assertThat(run("pdfsig", "-nocert", file.toString()))
                .contains("Signature is Valid.")
                .contains("ETSI.CAdES.detached")
                .contains("Total document signed");

        byte[] changed = sealed();
        int at = new String(changed, StandardCharsets.ISO_8859_1).indexOf("stream") + 12;
        changed[at] ^= 1;
        Path broken = Files.write(folder.resolve("broken.pdf"), changed);
        assertThat(run("pdfsig", "-nocert", broken.toString())).doesNotContain("Signature is Valid.");

        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            byte[] bytes = Files.readAllBytes(file);
            PDSignature signature = document.getLastSignatureDictionary();
            Path cms = Files.write(folder.resolve("seal.der"), signature.getContents(bytes));
            Path content = Files.write(folder.resolve("content"), signature.getSignedContent(bytes));
            Path root = Files.writeString(
                    folder.resolve("root.pem"),
                    "-----BEGIN CERTIFICATE-----\n%s\n-----END CERTIFICATE-----\n"
                            .formatted(Base64.getMimeEncoder()
                                    .encodeToString(AUTHORITY.root().getEncoded())));
            assertThat(run(
                            "openssl",
                            "cms",
                            "-verify",
                            "-binary",
                            "-inform",
                            "DER",
                            "-in",
                            cms.toString(),
                            "-content",
                            content.toString(),
                            "-CAfile",
                            root.toString(),
                            "-purpose",
                            "any",
                            "-no_check_time",
                            "-out",
                            "/dev/null"))
                    .containsIgnoringCase("Verification successful");
        }
        assertThat(run("pdftotext", file.toString(), "-"))
                .contains("Certificate of completion")
                .contains("Femke Oosterlaan");
    }

    private static String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return said;
    }
}
