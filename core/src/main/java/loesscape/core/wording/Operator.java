package loesscape.core.wording;

import java.util.List;
import loesscape.core.model.Clause;
import loesscape.core.model.FieldKind;

/** The verbs of clauses. */
public enum Operator {
    IS("is"),
    IS_NOT("is not"),
    EQUAL("equals"),
    NOT_EQUAL("does not equal"),
    LESS("is less than"),
    AT_MOST("is at most"),
    MORE("is more than"),
    AT_LEAST("is at least"),
    BETWEEN("is between"),
    CONTAINS("contains"),
    DOES_NOT_CONTAIN("does not contain"),
    STARTS_WITH("starts with"),
    ENDS_WITH("ends with"),
    MATCHES("matches"),
    OUTSIDE("is outside"),
    IN_BAND("is in the band"),
    LENGTH("has a length that"),
    INCLUDES("includes"),
    DOES_NOT_INCLUDE("does not include"),
    INCLUDES_ALL("includes all of"),
    IS_EXACTLY("is exactly"),
    CHOSEN("has a number chosen that"),
    ANSWERED("is answered"),
    BLANK("is blank");

    private static final List<Operator> CHOICES = List.of(IS, IS_NOT, ANSWERED, BLANK);
    private static final List<Operator> TEXTS =
            List.of(IS, IS_NOT, CONTAINS, DOES_NOT_CONTAIN, STARTS_WITH, ENDS_WITH, MATCHES, LENGTH, ANSWERED, BLANK);
    private static final List<Operator> ORDERED =
            List.of(AT_LEAST, MORE, AT_MOST, LESS, EQUAL, NOT_EQUAL, BETWEEN, OUTSIDE, IN_BAND, ANSWERED, BLANK);

    private static final List<Operator> SETS =
            List.of(INCLUDES, DOES_NOT_INCLUDE, INCLUDES_ALL, IS_EXACTLY, CHOSEN, ANSWERED, BLANK);
    private static final List<Operator> PRESENCE = List.of(ANSWERED, BLANK);

    private final String words;

    Operator(String words) {
        this.words = words;
    }

    /** The verb as it stands in a sentence about a field of the given kind. */
    public String words(FieldKind kind) {
        return switch (kind.answer()) {
            case SIGNATURE, FILES -> this == ANSWERED ? "is present" : this == BLANK ? "is absent" : words;
            case DAY -> inTime("on");
            case TIME -> inTime("at");
            case TEXT, NUMBER, YES_NO, CHOICE, CHOICES, PAYMENT -> words;
        };
    }

    private String inTime(String on) {
        return switch (this) {
            case EQUAL -> "is " + on;
            case NOT_EQUAL -> "is not " + on;
            case LESS -> "is before";
            case AT_MOST -> "is " + on + " or before";
            case MORE -> "is after";
            case AT_LEAST -> "is " + on + " or after";
            default -> words;
        };
    }

    /** Whether a blank meets clauses with this verb where their author has not said otherwise. */
    public boolean metWhenBlank() {
        return isNegative() || this == BLANK;
    }

    /** Whether the verb says what is not so; a blank meets it, unless its author says otherwise. */
    boolean isNegative() {
        return this == IS_NOT || this == NOT_EQUAL || this == DOES_NOT_CONTAIN || this == DOES_NOT_INCLUDE;
    }

    /** The verbs that clauses about a field of the given kind can have, the likeliest first. */
    public static List<Operator> of(FieldKind kind) {
        return switch (kind.answer()) {
            case YES_NO, CHOICE -> CHOICES;
            case CHOICES -> SETS;
            case TEXT -> TEXTS;
            case NUMBER, DAY, TIME -> ORDERED;
            case SIGNATURE, FILES, PAYMENT -> PRESENCE;
        };
    }

    /** The verb of a comparison. */
    static Operator of(Clause.Comparison.OrderTest test) {
        return switch (test) {
            case EQUAL -> EQUAL;
            case NOT_EQUAL -> NOT_EQUAL;
            case LESS -> LESS;
            case AT_MOST -> AT_MOST;
            case MORE -> MORE;
            case AT_LEAST -> AT_LEAST;
        };
    }

    /** The verb of a clause. */
    public static Operator of(Clause clause) {
        return switch (clause) {
            case Clause.Answered ignored -> ANSWERED;
            case Clause.IsBlank ignored -> BLANK;
            case Clause.ChoiceClause it -> it.test() == Clause.ChoiceClause.ChoiceTest.IS ? IS : IS_NOT;
            case Clause.TextClause it ->
                switch (it.test()) {
                    case IS -> IS;
                    case IS_NOT -> IS_NOT;
                    case CONTAINS -> CONTAINS;
                    case DOES_NOT_CONTAIN -> DOES_NOT_CONTAIN;
                    case STARTS_WITH -> STARTS_WITH;
                    case ENDS_WITH -> ENDS_WITH;
                    case MATCHES -> MATCHES;
                };
            case Clause.LengthClause ignored -> LENGTH;
            case Clause.CountClause ignored -> CHOSEN;
            case Clause.SetClause it ->
                switch (it.test()) {
                    case INCLUDES -> INCLUDES;
                    case DOES_NOT_INCLUDE -> DOES_NOT_INCLUDE;
                    case INCLUDES_ALL -> INCLUDES_ALL;
                    case IS_EXACTLY -> IS_EXACTLY;
                };
            case Clause.BandClause ignored -> IN_BAND;
            case Clause.Comparison it -> of(it.test());
            case Clause.Between it -> it.outside() ? OUTSIDE : BETWEEN;
        };
    }
}
