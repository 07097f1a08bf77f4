package loesscape.server.filling;

import java.util.Base64;
import java.util.regex.Pattern;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Refused;
import loesscape.core.model.Value;
import loesscape.formats.picture.SafePicture;
import loesscape.formats.picture.UnsafePicture;
import loesscape.server.files.FileLimits;
import loesscape.server.files.FileStore;
import loesscape.server.platform.web.Problems;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What is taken as an answer, and what is not: the same for whoever fills in a document and whoever signs one. */
@Component
public class AnswerRules {

    public static final int LONGEST_ANSWER = 200_000;
    private static final int LONGEST_ROWS = 20_000;
    private static final int LONGEST_NAME = 200;
    private static final int MOST_PIXELS = 2_000;

    /** What a signature is drawn with at the most; on paper it is a few centimetres wide. */
    private static final int SIGNED_PIXELS = 1_000_000;

    private static final long MEGABYTE = 1_000_000;
    private static final int MOST_DRAWN = 200;
    private static final String DRAWN = "data:image/png;base64,";
    private static final Pattern PEN = Pattern.compile("(?:[ML]\\d{1,5} \\d{1,5})+");

    private final FileStore files;
    private final FillingStore fillings;
    private final FileLimits limits;

    AnswerRules(FileStore files, FillingStore fillings, FileLimits limits) {
        this.files = files;
        this.fillings = fillings;
        this.limits = limits;
    }

    /**
     * Refuses what cannot be typed at an address as the document stands.
     *
     * @return what is to be kept: as it was typed, but for pictures of signatures, which are drawn anew
     */
    public String check(CompiledTemplate release, State state, long filling, String address, String typed) {
        if (typed.length() > LONGEST_ANSWER) {
            throw new Refused(Refused.Cause.NOT_VALID, "At most %d characters are kept.".formatted(LONGEST_ANSWER));
        }
        checkTaken(state.nodes().get(address), address, typed);
        return checkGiven(release, filling, address, typed);
    }

    /** Refuses what cannot be typed there: into what is not there, what is locked, and rows beyond the most. */
    private static void checkTaken(@Nullable NodeState state, String key, String typed) {
        switch (state) {
            case NodeState.FieldState field -> {
                if (field.shown() && !field.editable()) {
                    throw new Refused(Refused.Cause.LOCKED, "This field is locked.");
                }
            }
            case NodeState.SectionState section
            when section.rows() != null -> {
                if (typed.length() > LONGEST_ROWS) {
                    throw new Refused(Refused.Cause.NOT_VALID, "There are too many rows.");
                }
            }
            case null, default -> throw new Problems.Missing("The document has no field “%s”.".formatted(key));
        }
    }

    /**
     * Refuses what only the server gives (the day of signing, a payment) even where it is folded now, and files that this
     * filling did not hand in as they are named.
     */
    private String checkGiven(CompiledTemplate release, long filling, String address, String typed) {
        Field field = release.symbols().field(RowNames.key(address));
        if (field == null) {
            return typed;
        }
        if (field.kind().isGiven()) {
            throw new Refused(Refused.Cause.LOCKED, "This is filled in by the server.");
        }
        boolean takesFiles = field.kind() instanceof FieldKind.Attachment || field.kind() instanceof FieldKind.Picture;
        if (takesFiles
                && Reading.of(field.kind(), typed) instanceof Reading.Read(Value.Files(var handedIn))
                && !handedIn.stream().allMatch(file -> files.isKept(filling, file.id(), file.bytes(), file.name()))) {
            throw new Refused(Refused.Cause.NOT_VALID, "This file was not handed in here; choose it again.");
        }
        if (field.kind().isSigned()) {
            if (typed.startsWith(DRAWN) && fillings.drawn(filling, DRAWN) >= MOST_DRAWN) {
                throw new Refused(
                        Refused.Cause.NOT_VALID,
                        "A document takes at most %d pictures of signatures; draw the others.".formatted(MOST_DRAWN));
            }
            return signature(typed);
        }
        return typed;
    }

    /** A signature is the path of a pen, a small picture, which is kept as a PNG of our own making, or a name. */
    private static String signature(String typed) {
        if (typed.startsWith(DRAWN)) {
            try {
                byte[] png = SafePicture.redrawn(
                        Base64.getDecoder().decode(typed.substring(DRAWN.length())), MOST_PIXELS, SIGNED_PIXELS);
                return DRAWN + Base64.getEncoder().encodeToString(png);
            } catch (IllegalArgumentException | UnsafePicture e) {
                throw new Refused(
                        Refused.Cause.NOT_VALID, "The picture of the signature cannot be read; choose another.");
            }
        } else if (!PEN.matcher(typed).matches() && typed.length() > LONGEST_NAME) {
            throw new Refused(
                    Refused.Cause.NOT_VALID, "A written signature has at most %d characters.".formatted(LONGEST_NAME));
        }
        return typed;
    }

    /** Keeps a file of a filling and tells its identity. */
    public String handIn(long filling, FileStore.Incoming file) {
        long more = file.passing().bytes();
        if (files.size(filling) + more > limits.filling()) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "All files together have at most %d MB.".formatted(limits.filling() / MEGABYTE));
        }
        if (files.sizeOfLink(filling) + more > limits.link()) {
            throw new Refused(
                    Refused.Cause.NOT_NOW, "Through this link no more files are taken; tell whoever sent it to you.");
        }
        limits.checkRoom(files, more);
        return files.keep(filling, file);
    }
}
