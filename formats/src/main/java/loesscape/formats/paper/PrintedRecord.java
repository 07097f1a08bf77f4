package loesscape.formats.paper;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import loesscape.core.evaluation.Content;
import loesscape.core.evaluation.FilledPage;
import loesscape.formats.export.RecordHeading;
import loesscape.formats.picture.SafePicture;
import org.jspecify.annotations.Nullable;

/**
 * All that a finished document is made of.
 *
 * @param content what it shows
 * @param heading what tells it from others; null while it is only tried out
 * @param theme how the paper looks
 * @param pictures where the pictures in it come from
 * @param answers the answers that count, as an answers file; empty where they are not to go along
 * @param evidence how it came about; null for one that was not signed by several
 */
public record PrintedRecord(
        Content content,
        @Nullable RecordHeading heading,
        Theme theme,
        Pictures pictures,
        String answers,
        @Nullable Evidence evidence) {

    /** A document without anything beside it, on paper of no organisation in particular. */
    public static PrintedRecord of(Content content, RecordHeading heading) {
        return new PrintedRecord(content, heading, Theme.PLAIN, Pictures.NONE, "", null);
    }

    /**
     * The pictures in a document; what is not there any more is passed over.
     *
     * @param ofTemplate those beside the template, by name
     * @param handedIn those that were handed in, by the identity of their files
     * @param sheets the PDF files whose pages it is written on, by name
     */
    public record Pictures(
            Map<String, SafePicture> ofTemplate, Map<String, SafePicture> handedIn, Map<String, byte[]> sheets) {

        /** None at all. */
        public static final Pictures NONE = new Pictures(Map.of(), Map.of(), Map.of());

        public Pictures {
            ofTemplate = Map.copyOf(ofTemplate);
            handedIn = Map.copyOf(handedIn);
            sheets = Map.copyOf(sheets);
        }

        /**
         * Those that a document shows.
         *
         * @param beside the picture of a name beside the template
         * @param given the bytes of a file that was handed in
         * @param sheet the PDF file of a name beside the template
         */
        public static Pictures of(
                Content content,
                Function<String, Optional<SafePicture>> beside,
                Function<String, Optional<byte[]>> given,
                Function<String, Optional<byte[]>> sheet) {
            Map<String, SafePicture> ofTemplate = new HashMap<>();
            Map<String, SafePicture> handedIn = new HashMap<>();
            Map<String, byte[]> sheets = new HashMap<>();
            for (Shown shown : shown(content)) {
                if (!shown.file().isEmpty()) {
                    given.apply(shown.file())
                            .flatMap(SafePicture::reduced)
                            .ifPresent(picture -> handedIn.put(shown.file(), picture));
                } else if (!shown.picture().isEmpty()) {
                    beside.apply(shown.picture()).ifPresent(picture -> ofTemplate.put(shown.picture(), picture));
                }
            }
            for (FilledPage page : content.filled()) {
                String name = page.sheet().file();
                if (!sheets.containsKey(name)) {
                    sheet.apply(name).ifPresent(file -> sheets.put(name, file));
                }
            }
            return new Pictures(ofTemplate, handedIn, sheets);
        }

        /** A picture, by its name beside the template or the identity of its file. */
        private record Shown(String picture, String file) {}

        private static List<Shown> shown(Content content) {
            List<Shown> shown = new ArrayList<>();
            for (Content.Block block : content.sections()) {
                for (Content.Line line : block.lines()) {
                    if (line instanceof Content.Line.HandedIn it) {
                        shown.add(new Shown("", it.file()));
                    } else if (line instanceof Content.Line.Pictured it) {
                        shown.add(new Shown(it.picture(), it.file()));
                    }
                }
            }
            for (FilledPage page : content.filled()) {
                for (FilledPage.Ink ink : page.inks()) {
                    if (ink instanceof FilledPage.Ink.PicturedHere it) {
                        shown.add(new Shown(it.picture(), it.file()));
                    }
                }
            }
            return shown;
        }
    }

    /** The same with other contents. */
    PrintedRecord with(Content other) {
        return new PrintedRecord(other, heading, theme, pictures, answers, evidence);
    }
}
