package loesscape.formats.paper;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import loesscape.core.evaluation.Content;
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
     */
    public record Pictures(Map<String, SafePicture> ofTemplate, Map<String, SafePicture> handedIn) {

        /** None at all. */
        public static final Pictures NONE = new Pictures(Map.of(), Map.of());

        public Pictures {
            ofTemplate = Map.copyOf(ofTemplate);
            handedIn = Map.copyOf(handedIn);
        }

        /**
         * Those that a document shows.
         *
         * @param beside the picture of a name beside the template
         * @param given the bytes of a file that was handed in
         */
        public static Pictures of(
                Content content,
                Function<String, Optional<SafePicture>> beside,
                Function<String, Optional<byte[]>> given) {
            Map<String, SafePicture> ofTemplate = new HashMap<>();
            Map<String, SafePicture> handedIn = new HashMap<>();
            for (Content.Block block : content.sections()) {
                for (Content.Line line : block.lines()) {
                    String file = switch (line) {
                        case Content.Line.HandedIn it -> it.file();
                        case Content.Line.Pictured it -> it.file();
                        default -> "";
                    };
                    if (!file.isEmpty()) {
                        given.apply(file)
                                .flatMap(SafePicture::reduced)
                                .ifPresent(picture -> handedIn.put(file, picture));
                    } else if (line instanceof Content.Line.Pictured it) {
                        beside.apply(it.picture()).ifPresent(picture -> ofTemplate.put(it.picture(), picture));
                    }
                }
            }
            return new Pictures(ofTemplate, handedIn);
        }
    }
}
