package loesscape.server.templates;

import java.util.UUID;
import loesscape.formats.paper.PageImages;
import loesscape.server.platform.web.HeavyWork;
import loesscape.server.platform.web.Problems;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;

/** The pages of PDF files as pictures, made once and kept. */
@Service
public class SheetPictures {

    /** Sharp on a screen of twice the usual number of dots. */
    private static final int DOTS_PER_INCH = 192;

    private final SheetStore sheets;
    private final HeavyWork heavy;

    SheetPictures(SheetStore sheets, HeavyWork heavy) {
        this.sheets = sheets;
        this.heavy = heavy;
    }

    /**
     * An answer that is a page.
     *
     * @param page counted from 0
     */
    public ResponseEntity<byte[]> answer(UUID template, String name, int page) {
        byte[] picture = sheets.picture(template, name, page).orElseGet(() -> drawn(template, name, page));
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .header(HttpHeaders.CACHE_CONTROL, "private, max-age=86400, immutable")
                .header("X-Content-Type-Options", "nosniff")
                .body(picture);
    }

    private byte[] drawn(UUID template, String name, int page) {
        byte[] pdf = sheets.find(template, name).orElseThrow(SheetPictures::missing);
        byte[] picture = heavy.run(() -> {
            if (page < 0 || page >= PageImages.count(pdf)) {
                throw missing();
            }
            return PageImages.png(pdf, page + 1, DOTS_PER_INCH);
        });
        sheets.keepPicture(template, name, page, picture);
        return picture;
    }

    private static Problems.Missing missing() {
        return new Problems.Missing("There is no such page.");
    }
}
