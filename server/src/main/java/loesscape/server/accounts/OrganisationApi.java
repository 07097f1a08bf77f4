package loesscape.server.accounts;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import loesscape.core.editing.Refusal;
import loesscape.core.model.Contrast;
import loesscape.formats.picture.SafePicture;
import loesscape.server.accounts.OrganisationStore.Organisation;
import loesscape.server.accounts.OrganisationStore.Stationery;
import loesscape.server.platform.web.PictureAnswer;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Who hands the documents out, and how well colours of one's own can be read. */
@RestController
@RequestMapping("/api/organisation")
class OrganisationApi {

    private static final String PAPER = "#ffffff";
    private static final int LONGEST_NAME = 200;
    private static final int MOST_LINES = 6;
    private static final int LONGEST_LETTERHEAD = 500;
    private static final int LONGEST_FOOTER = 200;

    private final OrganisationStore organisations;

    OrganisationApi(OrganisationStore organisations) {
        this.organisations = organisations;
    }

    /** What an organisation is called and its colour as {@code #rrggbb}; either may be empty. */
    public record Wanted(String name, String accent) {}

    /** How well a text is read on a fill: the ratio of WCAG 2.2, the least there should be, and the nearest text colour. */
    public record Readable(BigDecimal ratio, BigDecimal least, String nearest) {}

    @GetMapping
    Organisation find() {
        return organisations.find();
    }

    @PutMapping
    Organisation keep(@RequestBody Wanted wanted) {
        String accent = wanted.accent().strip().toLowerCase(Locale.ROOT);
        String name = wanted.name().strip();
        if (name.length() > LONGEST_NAME) {
            throw new Refusal("The name is longer than %d characters.".formatted(LONGEST_NAME));
        }
        if (!accent.isEmpty()) {
            Readable readable = readable(accent, PAPER);
            if (readable.ratio().compareTo(readable.least()) < 0) {
                throw new Refusal(
                        "Text in %s on white has a contrast of %.2f to 1; %.1f is the least (WCAG 2.2, 1.4.3). The nearest colour that can be read is %s."
                                .formatted(accent, readable.ratio(), readable.least(), readable.nearest()));
            }
        }
        organisations.keep(name, accent);
        return organisations.find();
    }

    @GetMapping("/stationery")
    Stationery stationery() {
        return organisations.stationery();
    }

    @PutMapping("/stationery")
    Stationery keep(@RequestBody Stationery wanted) {
        String letterhead = wanted.letterhead().strip();
        if (letterhead.lines().count() > MOST_LINES || letterhead.length() > LONGEST_LETTERHEAD) {
            throw new Refusal("A letterhead has at most %d lines and %d characters; more does not fit beside a logo."
                    .formatted(MOST_LINES, LONGEST_LETTERHEAD));
        }
        if (wanted.footer().strip().length() > LONGEST_FOOTER) {
            throw new Refusal("The footer is longer than %d characters.".formatted(LONGEST_FOOTER));
        }
        organisations.keep(new Stationery(letterhead, wanted.footer().strip(), wanted.typeface(), wanted.paper()));
        return organisations.stationery();
    }

    @PutMapping(value = "/logo", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Organisation keepLogo(@RequestParam String name, @RequestBody byte[] content) {
        organisations.keepLogo(SafePicture.read(name, content));
        return organisations.find();
    }

    @DeleteMapping("/logo")
    Organisation removeLogo() {
        organisations.keepLogo(null);
        return organisations.find();
    }

    @GetMapping("/logo")
    ResponseEntity<byte[]> logo() {
        return PictureAnswer.of(organisations.logo());
    }

    /** How well a text colour is read on a fill. */
    @GetMapping("/contrast")
    Readable readable(@RequestParam String text, @RequestParam String fill) {
        for (String colour : new String[] {text, fill}) {
            if (!Contrast.isColour(colour)) {
                throw new Refusal("“%s” is not a colour like #1f6f8b.".formatted(colour));
            }
        }
        BigDecimal ratio = BigDecimal.valueOf(Contrast.of(text, fill)).setScale(2, RoundingMode.DOWN);
        return new Readable(ratio, BigDecimal.valueOf(Contrast.LEAST), Contrast.nearest(text, fill));
    }
}
