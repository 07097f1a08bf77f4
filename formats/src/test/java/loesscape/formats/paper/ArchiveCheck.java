package loesscape.formats.paper;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.TreeSet;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.validation.validators.ValidatorConfigBuilder;

/** Whether documents keep the standards for archives (ISO 19005-3, level A) and for being read aloud (ISO 14289-1), by veraPDF. */
public final class ArchiveCheck {

    static {
        VeraGreenfieldFoundryProvider.initialise();
    }

    private ArchiveCheck() {}

    /** The rules that a document breaks, each with its clause and what is wrong; none where it keeps both standards. */
    public static List<String> broken(byte[] pdf) {
        return broken(pdf, List.of(PDFAFlavour.PDFA_3_A, PDFAFlavour.PDFUA_1));
    }

    /** The rules of being read aloud alone: forms with scripts cannot be archived. */
    public static List<String> brokenWhenRead(byte[] pdf) {
        return broken(pdf, List.of(PDFAFlavour.PDFUA_1));
    }

    private static List<String> broken(byte[] pdf, List<PDFAFlavour> flavours) {
        TreeSet<String> broken = new TreeSet<>();
        for (PDFAFlavour flavour : flavours) {
            try (PDFAParser parser = Foundries.defaultInstance().createParser(new ByteArrayInputStream(pdf), flavour);
                    PDFAValidator validator = Foundries.defaultInstance()
                            .createValidator(ValidatorConfigBuilder.defaultBuilder()
                                    .flavour(flavour)
                                    .recordPasses(false)
                                    .maxFails(-1)
                                    .build())) {
                for (TestAssertion assertion : validator.validate(parser).getTestAssertions()) {
                    if (assertion.getStatus() == TestAssertion.Status.FAILED) {
                        broken.add("%s %s: %s"
                                .formatted(
                                        flavour.getId(), assertion.getRuleId().getClause(), assertion.getMessage()));
                    }
                }
            } catch (Exception e) {
                throw new AssertionError("It could not be checked", e);
            }
        }
        return List.copyOf(broken);
    }
}
