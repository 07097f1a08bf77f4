package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Check;
import loesscape.core.model.Condition;
import loesscape.core.model.Field.Width;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Folding;
import loesscape.core.model.Indicator;
import loesscape.core.model.KindFacts;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Medium;
import loesscape.core.model.Offer;
import loesscape.core.model.Origin;
import loesscape.core.model.Overlay;
import loesscape.core.model.PageSettings;
import loesscape.core.model.Phrase;
import loesscape.core.model.Place;
import loesscape.core.model.PromiseRule;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.Template;
import loesscape.core.model.Trial;
import org.jspecify.annotations.Nullable;

/** One change to a template, as its author makes it. Keys name the nodes it is about. */
public sealed interface Edit {

    /** Names the document. */
    record Retitle(String title, String subtitle) implements Edit {}

    /**
     * Adds something new.
     *
     * @param what what is added
     * @param label its label or title, or the text of a notice; may be empty for a default. Behind a number it may name the
     *     unit (“Depth, m”), behind a question its choices (“Which machine? Pump / Auger”)
     * @param holder the section that gets an item, the page or section that gets a section, empty for a page
     * @param after the sibling it comes after; null for the first place
     * @param shown when it is shown; null for always
     */
    record Add(
            Novelty what,
            String label,
            String holder,
            @Nullable String after,
            @Nullable Condition shown) implements Edit {

        /** Something that is always shown. */
        public Add(Novelty what, String label, String holder, @Nullable String after) {
            this(what, label, holder, after, null);
        }
    }

    /**
     * Adds a lookup for each column of a list, each offering what fits the answers to those before it.
     *
     * @param list the key of the list
     * @param holder the section that gets them
     * @param after the sibling they come after; null for the first place
     */
    record AddLookups(String list, String holder, @Nullable String after) implements Edit {}

    /** Changes a label or title, or the text of a notice. */
    record Relabel(String key, String label) implements Edit {}

    /** Changes the help of a field or section. */
    record SetHelp(String key, String help) implements Edit {}

    /** Changes a key, everywhere it is used. */
    record RenameKey(String key, String to) implements Edit {}

    /** Changes how much of the row a field takes. */
    record SetWidth(String key, Width width) implements Edit {}

    /**
     * Changes what kind of answer a field takes, or the limits of that kind. Choices stay as they are; they have edits
     * of their own.
     */
    record SetKind(String key, FieldKind kind) implements Edit {}

    /** Adds a choice after another; null for the first place. */
    record AddChoice(String key, String label, @Nullable String after) implements Edit {}

    /** Changes the label of a choice; its identity and all that follows it stay. */
    record RelabelChoice(String key, String choice, String label) implements Edit {}

    /** Changes what is stored of a choice; empty for its label. */
    record StoreChoice(String key, String choice, String stored) implements Edit {}

    /** Moves a choice behind another; null for the first place. */
    record MoveChoice(String key, String choice, @Nullable String after) implements Edit {}

    /**
     * Takes a choice away.
     *
     * @param dropFollowers whether conditions that name it lose it; otherwise such conditions are a reason to refuse
     */
    record RemoveChoice(String key, String choice, boolean dropFollowers) implements Edit {}

    /**
     * Sets when some aspects of some nodes are so; null for the plain default. Where that is more than one place, the
     * condition becomes a shared one, and stays the same for all.
     */
    record SetCondition(
            List<String> keys,
            List<Aspect> aspects,
            @Nullable Condition condition) implements Edit {

        public SetCondition {
            keys = List.copyOf(keys);
            aspects = List.copyOf(aspects);
        }
    }

    /** Gives some nodes the conditions and looks of another, as far as they have such aspects; shared where they are met. */
    record CopyLogic(String from, List<String> to) implements Edit {

        public CopyLogic {
            to = List.copyOf(to);
        }
    }

    /** Sets where the value of a field comes from before anybody answers; null for blank. */
    record SetValue(String key, @Nullable FieldValue value) implements Edit {}

    /** Sets the looks of some nodes, the first whose condition holds counts. */
    record SetLooks(List<String> keys, List<LookRule> looks) implements Edit {

        public SetLooks {
            keys = List.copyOf(keys);
            looks = List.copyOf(looks);
        }
    }

    /** Sets the author's own checks of a field. */
    record SetChecks(String key, List<Check> checks) implements Edit {

        public SetChecks {
            checks = List.copyOf(checks);
        }
    }

    /** Lets a role answer some fields; empty for whoever fills in. */
    record SetRole(List<String> keys, String role) implements Edit {

        public SetRole {
            keys = List.copyOf(keys);
        }
    }

    /** Sets how some nodes fold. */
    record SetFolding(List<String> keys, Folding folding) implements Edit {

        public SetFolding {
            keys = List.copyOf(keys);
        }
    }

    /** Rewrites a notice, with the phrases that stand in it sometimes. */
    record SetText(String key, String text, List<Phrase> phrases) implements Edit {

        public SetText {
            phrases = List.copyOf(phrases);
        }
    }

    /**
     * Makes clauses of notices.
     *
     * @param clause how deep they are counted; 0 for no number
     */
    record SetClause(List<String> keys, int clause) implements Edit {

        public SetClause {
            keys = List.copyOf(keys);
        }
    }

    /** Sets whether sections, notices and fields are there while filling, in the document, or both. */
    record SetMedium(List<String> keys, Medium medium) implements Edit {

        public SetMedium {
            keys = List.copyOf(keys);
        }
    }

    /** Lets a section repeat, or, for null, not any more. */
    record SetRows(String key, Section.@Nullable Rows rows) implements Edit {}

    /** Lets the choices of a field follow another; null for offering all of them always. */
    record SetOffer(String key, @Nullable Offer offer) implements Edit {}

    /** Sets what an indicator shows for choices, or of the presence of an answer, in place of what it showed. */
    record SetSigns(String key, List<Indicator.ChoiceSign> choices, Indicator.@Nullable Presence presence)
            implements Edit {

        public SetSigns {
            choices = List.copyOf(choices);
        }
    }

    /** Sets the file of a picture and the field whose answer it shows; empty for none. */
    record SetPicture(String key, String file, String follows) implements Edit {}

    /**
     * Sets what stands where on a page of a PDF, in place of what stood there.
     *
     * @param page the key of the page
     */
    record SetPlaces(String page, List<Place> places) implements Edit {

        public SetPlaces {
            places = List.copyOf(places);
        }
    }

    /**
     * Adds something new with its place on a page of a PDF, behind all that the page holds.
     *
     * @param what an item
     * @param label see {@link Add}
     * @param place where it stands; its item and choice are not looked at. The choices of a choice get a place each, beside
     *     each other
     */
    record AddAt(Novelty what, String label, String page, Place place) implements Edit {}

    /**
     * Adds what a printed page asks, each with its place, where it belongs in reading order.
     *
     * @param page the key of a page of a PDF
     */
    record AddPrinted(String page, List<PrintedQuestion> questions) implements Edit {

        public AddPrinted {
            questions = List.copyOf(questions);
        }
    }

    /**
     * Something that a printed page asks.
     *
     * @param what an item
     * @param label see {@link Add}
     * @param heading the title of the section it belongs into, which is made where there is none; empty for the last one
     * @param place where the answer is written, where it has no marks; its item and choice are not looked at
     * @param marks what is marked instead: of yes and no one or both, of a choice its choices; otherwise none
     */
    record PrintedQuestion(Novelty what, String label, String heading, Place place, List<PrintedMark> marks) {

        public PrintedQuestion {
            marks = List.copyOf(marks);
        }
    }

    /** One of the marks of a printed question, with what is printed beside it. */
    record PrintedMark(String label, Place place) {}

    /** Sets what is drawn over the printed words of a page. */
    record SetOverlay(String key, Overlay.OverlayShape shape, String words) implements Edit {}

    /** Makes a shared condition. */
    record NewShared(String name, Condition condition) implements Edit {}

    /** Changes a shared condition wherever it is used. */
    record SetShared(String key, String name, Condition condition) implements Edit {}

    /**
     * Makes the condition of an aspect a shared one and uses it wherever the same condition stands.
     *
     * @param name what it is called; not blank
     */
    record Extract(String key, Aspect aspect, String name) implements Edit {}

    /** Writes a shared condition out wherever it is used, and takes it away. */
    record Inline(String condition) implements Edit {}

    /**
     * Takes a shared condition away.
     *
     * @param dropFollowers whether clauses that use it are dropped; otherwise they are a reason to refuse
     */
    record RemoveShared(String key, boolean dropFollowers) implements Edit {}

    /** Adds a role, or puts it in the place of the one with its key; without a key it is a new one, with a key of its name. */
    record PutRole(Role role) implements Edit {}

    /**
     * Takes a role away; its fields are then answered by whoever fills in.
     *
     * @param dropFollowers whether that is wanted; otherwise they are a reason to refuse
     */
    record RemoveRole(String key, boolean dropFollowers) implements Edit {}

    /**
     * Adds a lookup list, or puts it in the place of the one with its key; a list or column without a key is a new one, with
     * a key of its name or title.
     */
    record PutList(LookupList list) implements Edit {}

    /**
     * Adds a lookup list, or puts it in the place of the one with its key, from the lines of a table ({@link Tables#list}).
     *
     * @param name blank for that of the first column
     */
    record PutTable(String key, String name, List<List<String>> table) implements Edit {

        public PutTable {
            table = table.stream().map(List::copyOf).toList();
        }
    }

    /** Takes a lookup list away that no field uses. */
    record RemoveList(String key) implements Edit {}

    /** Sets the conditions for finishing. */
    record SetFinish(List<FinishRule> finish) implements Edit {

        public SetFinish {
            finish = List.copyOf(finish);
        }
    }

    /** Sets how the document lies on its pages. */
    record SetPageSettings(PageSettings pageSettings) implements Edit {}

    /** Sets what is promised of every set of answers. */
    record SetPromises(List<PromiseRule> promises) implements Edit {

        public SetPromises {
            promises = List.copyOf(promises);
        }
    }

    /**
     * Accepts something that was found, so that it is not told again until what it is about changes.
     *
     * @param key the node it is about; empty where it is the document as a whole
     * @param message what was found, as it was told
     * @param reason why it is meant; blank where it is not accepted any more
     */
    record AcceptFinding(String key, String message, String reason) implements Edit {}

    /** Keeps sets of answers to try the document with, each in place of the one of its name. */
    record PutTrials(List<Trial> trials) implements Edit {
        public PutTrials {
            trials = List.copyOf(trials);
        }
    }

    /**
     * Several edits that are one: made in their order or not at all, and taken back together.
     *
     * @param edits at least one, none of them of this kind
     */
    record Together(List<Edit> edits) implements Edit {

        /** So many edits are one at most. */
        public static final int MOST = 500;

        public Together {
            edits = List.copyOf(edits);
        }
    }

    /** Takes a set of answers to try the document with away. */
    record RemoveTrial(String name) implements Edit {}

    /** Sets the bands of a field or an indicator. */
    record SetBands(String key, List<Band> bands) implements Edit {

        public SetBands {
            bands = List.copyOf(bands);
        }
    }

    /** Lets an indicator follow another field. */
    record Follow(String key, String field) implements Edit {}

    /**
     * Moves a node.
     *
     * @param holder the page or section it moves to
     * @param after the sibling it comes after; null for the first place
     */
    record Move(String key, String holder, @Nullable String after) implements Edit {}

    /**
     * Copies nodes with all that they hold; logic inside the copies refers to the copies.
     *
     * @param holder the page or section the copies come to; null for right behind the last of the originals
     * @param after the sibling they come after; null for the first place
     */
    record Duplicate(
            List<String> keys,
            @Nullable String holder,
            @Nullable String after) implements Edit {

        public Duplicate {
            keys = List.copyOf(keys);
        }
    }

    /**
     * Deletes nodes with all that they hold.
     *
     * @param dropFollowers whether conditions of others that look at them are dropped; otherwise such conditions are a
     *     reason to refuse
     */
    record Delete(List<String> keys, boolean dropFollowers) implements Edit {

        public Delete {
            keys = List.copyOf(keys);
        }
    }

    /**
     * Puts a section there that is made from a block; logic that looked at fields outside of the block goes on looking at
     * those of the same key, and is dropped where there are none.
     *
     * @param block as it was cut out
     * @param id which block it is
     * @param version which version of it
     */
    record UseBlock(
            Template block,
            String id,
            int version,
            String holder,
            @Nullable String after) implements Edit {}

    /** Remembers which block a section goes back to, once it was kept as one. */
    record SetOrigin(String key, @Nullable Origin origin) implements Edit {}

    /**
     * Takes over what is new in a later version of the block that a section was made from.
     *
     * @param key the section
     * @param block the later version
     * @param version its number
     * @param items what is taken over, by keys of the block
     */
    record TakeOver(String key, Template block, int version, List<String> items) implements Edit {

        public TakeOver {
            items = List.copyOf(items);
        }
    }

    /** What can be added. */
    enum Novelty {
        PAGE(null),
        SECTION(null),
        REPEATING_SECTION(null),
        TEXT(KindFacts.TEXT),
        LONG_TEXT(KindFacts.LONG_TEXT),
        EMAIL(KindFacts.EMAIL),
        PHONE(KindFacts.PHONE),
        WEB_ADDRESS(KindFacts.WEB_ADDRESS),
        NUMBER(KindFacts.NUMBER),
        MONEY(KindFacts.MONEY),
        RATING(KindFacts.RATING),
        YES_NO(KindFacts.YES_NO),
        ONE_CHOICE(KindFacts.ONE_CHOICE),
        SEVERAL_CHOICES(KindFacts.SEVERAL_CHOICES),
        LOOKUP(KindFacts.LOOKUP),
        DATE(KindFacts.DATE),
        TIME(KindFacts.TIME),
        SIGNATURE(KindFacts.SIGNATURE),
        INITIALS(KindFacts.INITIALS),
        DATE_SIGNED(KindFacts.DATE_SIGNED),
        ATTACHMENT(KindFacts.ATTACHMENT),
        PICTURE_FIELD(KindFacts.PICTURE),
        PAYMENT(KindFacts.PAYMENT),
        WORKED_OUT(null),
        NOTICE(null),
        INDICATOR(null),
        PICTURE(null),
        DIVIDER(null),
        STROKE(null),
        RING(null),
        COVER(null);

        private final @Nullable KindFacts kind;

        Novelty(@Nullable KindFacts kind) {
            this.kind = kind;
        }

        /** The kind of field that this is; null for what is none, or a field that is special in another way. */
        public @Nullable KindFacts kind() {
            return kind;
        }
    }
}
