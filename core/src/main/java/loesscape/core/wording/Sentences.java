package loesscape.core.wording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Logic;
import loesscape.core.model.Look;
import loesscape.core.model.LookRule;
import loesscape.core.model.LookupList;
import loesscape.core.model.Medium;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Numbers;
import loesscape.core.model.Offer;
import loesscape.core.model.Overlay;
import loesscape.core.model.Page;
import loesscape.core.model.Phrase;
import loesscape.core.model.Picture;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.Sign;
import loesscape.core.model.Stage;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import loesscape.core.prose.Prose;
import loesscape.core.wording.Part.BlankRule;
import loesscape.core.wording.Part.FieldName;
import loesscape.core.wording.Part.Figure;
import loesscape.core.wording.Part.Strong;
import loesscape.core.wording.Part.Words;

/** Writes the logic of a template as the sentences of its margin. Not for several threads at once. */
public final class Sentences {

    /** How deep shared conditions without a name are written out in each other, so that no sentence is without end. */
    private static final int MOST_WRITTEN_OUT = 3;

    private final Template template;
    private final SymbolTable symbols;
    private int writtenOut;

    public Sentences(PreparedTemplate prepared) {
        this.template = prepared.template();
        this.symbols = prepared.symbols();
    }

    /** The sentences of every node that has any, by key, in document order. */
    public Map<String, List<Sentence>> all() {
        Map<String, List<Sentence>> all = new LinkedHashMap<>();
        for (Node node : template.nodes()) {
            List<Sentence> sentences = of(node);
            if (!sentences.isEmpty()) {
                all.put(node.key(), sentences);
            }
        }
        return all;
    }

    /** The sentences of one node: its conditions, its value, its limits and checks, its looks. */
    public List<Sentence> of(Node node) {
        List<Sentence> sentences = new ArrayList<>(conditions(node));
        switch (node) {
            case Field field -> field(field, sentences);
            case Indicator indicator -> sentences.add(plain(follows(indicator)));
            case Picture picture
            when !picture.follows().isEmpty() ->
                sentences.add(plain(List.of(
                        new Strong("Shows "),
                        name(picture.follows()),
                        new Words(picture.file().isEmpty() ? "." : ", a stand-in while there is none."))));
            case Section section when section.rows() != null -> sentences.add(plain(rows(section.rows())));
            default -> {}
        }
        if (node instanceof Notice notice) {
            phrases(notice, sentences);
        }
        Medium medium = Medium.of(node);
        if (medium != Medium.BOTH && !(node instanceof Overlay)) {
            sentences.add(plain(List.of(
                    new Strong(medium == Medium.DOCUMENT ? "In the document" : "While filling"), new Words(" only."))));
        }
        Logic.looks(node).forEach(rule -> sentences.add(plain(look(rule))));
        if (node instanceof Field field) {
            turns(field).forEach(parts -> sentences.add(plain(parts)));
        }
        return sentences;
    }

    /** A sentence for each phrase, which tells it by the words that stand there. */
    private void phrases(Notice notice, List<Sentence> sentences) {
        Map<String, String> words = new LinkedHashMap<>();
        Prose.of(notice.text())
                .bracketed()
                .forEach(it ->
                        words.putIfAbsent(it.name(), Prose.plain(it.pieces()).strip()));
        for (Phrase phrase : notice.phrases()) {
            String told = words.getOrDefault(phrase.name(), "");
            List<Part> parts = new ArrayList<>();
            parts.add(new Strong("“" + (told.isEmpty() ? phrase.name() : shortened(told)) + "”"));
            switch (phrase.when()) {
                case Condition.Always() -> parts.add(new Words(" is always there."));
                case Condition.Never() -> parts.add(new Words(" is never there."));
                default -> {
                    parts.add(new Words(" is there when "));
                    parts.addAll(of(phrase.when()));
                    parts.add(new Words("."));
                }
            }
            sentences.add(plain(parts));
        }
    }

    /** The most letters of a phrase that are repeated in the margin. */
    private static final int MOST_REPEATED = 48;

    private static String shortened(String words) {
        return words.length() <= MOST_REPEATED ? words : words.substring(0, MOST_REPEATED - 1) + "…";
    }

    private void field(Field field, List<Sentence> sentences) {
        Role role = symbols.role(field.role());
        if (role != null) {
            sentences.add(plain(List.of(new Strong("Answered by "), new Figure(role.name()), new Words("."))));
        }
        switch (field.value()) {
            case null -> {}
            case FieldValue.Starting(var answer) ->
                sentences.add(plain(
                        List.of(new Strong("Begins as "), new Figure(started(field.kind(), answer)), new Words("."))));
            case FieldValue.WorkedOut(var formula, var overtypable) ->
                sentences.add(plain(List.of(
                        new Strong("Worked out: "),
                        new Figure(formula),
                        new Words(overtypable ? "; it can be typed over." : "."))));
        }
        offered(field, sentences);
        String limits = Limits.words(field.kind());
        if (!limits.isEmpty()) {
            sentences.add(plain(List.of(new Strong("Checked: "), new Figure(limits), new Words("."))));
        }
        for (Check check : field.checks()) {
            List<Part> parts = new ArrayList<>();
            parts.add(new Strong("Refused"));
            parts.add(new Words(" when "));
            parts.addAll(of(check.refusedWhen()));
            parts.add(new Words(": “" + check.message() + "”"));
            sentences.add(plain(parts));
        }
    }

    private static String started(FieldKind kind, String answer) {
        return kind.offered().stream().anyMatch(choice -> choice.id().equals(answer))
                ? Display.choice(kind, answer)
                : answer;
    }

    private void offered(Field field, List<Sentence> sentences) {
        switch (field.kind()) {
            case FieldKind.Choosing it -> {
                Offer offer = it.offer();
                if (offer != null) {
                    sentences.add(plain(List.of(
                            new Strong("Choices"), new Words(" follow "), name(offer.parent()), new Words("."))));
                }
            }
            case FieldKind.Lookup it -> {
                LookupList list = symbols.list(it.list());
                List<Part> parts = new ArrayList<>();
                parts.add(new Strong("Choices"));
                parts.add(new Words(" from "));
                parts.add(new Figure(list == null ? it.list() : list.name()));
                String joint = " that fit ";
                for (String parent : it.filters().values()) {
                    parts.add(new Words(joint));
                    parts.add(name(parent));
                    joint = " and ";
                }
                parts.add(new Words("."));
                sentences.add(plain(parts));
            }
            case FieldKind.Payment it ->
                sentences.add(plain(List.of(new Strong("To be paid: "), new Figure(it.amount()), new Words("."))));
            case FieldKind.SelfContained ignored -> {}
        }
    }

    private static List<Part> rows(Section.Rows rows) {
        String least = rows.least() == 0 ? "up to " : rows.least() + " to ";
        return List.of(
                new Strong("Repeats: "),
                new Figure(least + rows.most() + (rows.most() == 1 ? " row" : " rows")),
                new Words("."));
    }

    private List<Part> look(LookRule rule) {
        List<Part> parts = new ArrayList<>();
        boolean row = rule.extent() == LookRule.Extent.ROW;
        parts.add(new Strong((row ? "Its row turns " : "Turns ") + look(rule.look())));
        parts.add(new Words(" when "));
        parts.addAll(of(rule.when()));
        parts.add(new Words("."));
        return parts;
    }

    /** When a role takes part, as a sentence. */
    public Sentence takesPart(Role role) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Strong(role.name() + " takes part"));
        Condition condition = role.takesPart();
        if (condition != null) {
            parts.add(new Words(" when "));
            parts.addAll(of(condition));
        }
        parts.add(new Words("."));
        return plain(parts);
    }

    /** A condition for finishing, as a sentence. */
    public Sentence finishing(FinishRule rule) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Strong("Can be finished"));
        parts.add(new Words(" when "));
        parts.addAll(of(rule.when()));
        parts.add(new Words(": otherwise “" + rule.message() + "”"));
        return plain(parts);
    }

    private Field field(String key) {
        return Objects.requireNonNull(symbols.field(key), key);
    }

    private FieldName name(String key) {
        return new FieldName(key, field(key).name());
    }

    private FieldName sectionName(String key) {
        return new FieldName(
                key, Objects.requireNonNull(symbols.repeating(key), key).name());
    }

    /** Stands for whatever is counted, for the words of its comparison. */
    private static final FieldKind COUNTED = new FieldKind.Number(0, "", null, null);

    private static Sentence plain(List<Part> parts) {
        return new Sentence(List.of(), parts);
    }

    /** One sentence for each condition; aspects driven by the same condition share a sentence. */
    private List<Sentence> conditions(Node node) {
        List<Sentence> sentences = new ArrayList<>();
        List<Aspect> told = new ArrayList<>();
        for (Aspect aspect : Aspect.values()) {
            Condition condition = aspect.of(node);
            if (condition == null || told.contains(aspect)) {
                continue;
            }
            List<Aspect> together = new ArrayList<>();
            for (Aspect other : Aspect.values()) {
                if (!told.contains(other) && condition.equals(other.of(node))) {
                    together.add(other);
                }
            }
            told.addAll(together);
            sentences.add(new Sentence(together, condition(subject(node), together, condition)));
        }
        return sentences;
    }

    private static String subject(Node node) {
        return switch (node) {
            case Page ignored -> "Page ";
            case Section ignored -> "Section ";
            default -> "";
        };
    }

    private List<Part> condition(String subject, List<Aspect> aspects, Condition condition) {
        String words = aspects.stream().map(Aspect::words).collect(Collectors.joining(" and "));
        String strong = subject.isEmpty() ? capital(words) : subject + words;
        return switch (condition) {
            case Condition.Always() ->
                List.of(new Words("Always "), new Strong(subject.toLowerCase(Locale.ROOT) + words), new Words("."));
            case Condition.Never() -> List.of(new Words("Never "), new Strong(words), new Words("."));
            default -> {
                List<Part> parts = new ArrayList<>();
                parts.add(new Strong(strong));
                parts.add(new Words(" when "));
                parts.addAll(of(condition));
                parts.add(new Words("."));
                yield parts;
            }
        };
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** A condition in words, to stand after "when". */
    public List<Part> of(Condition condition) {
        List<Part> parts = new ArrayList<>();
        write(condition, false, parts);
        return parts;
    }

    private void write(Condition condition, boolean inGroup, List<Part> parts) {
        switch (condition) {
            case Condition.Always() -> parts.add(new Words("always"));
            case Condition.Never() -> parts.add(new Words("never"));
            case Condition.All(var inner) -> group("", inner, " and ", inGroup, parts);
            case Condition.Any(var inner) -> group("", inner, " or ", inGroup, parts);
            case Condition.None(var inner) -> group("none of ", inner, ", ", true, parts);
            case Condition.AtLeast(var count, var inner) ->
                group("at least " + count + " of ", inner, ", ", true, parts);
            case Condition.Written(var formula) -> parts.add(new Figure(formula));
            case Condition.RoleIs(var roles) -> {
                parts.add(new Words("the acting role is "));
                parts.add(new Figure(roles.stream()
                        .map(key -> {
                            Role role = symbols.role(key);
                            return role == null ? key : role.name();
                        })
                        .collect(Collectors.joining(" or "))));
            }
            case Condition.Shared(var key) -> shared(key, inGroup, parts);
            case Condition.OfRows it -> ofRows(it, parts);
            case Condition.RowCount it -> {
                parts.add(new Words("the number of rows of "));
                parts.add(sectionName(it.section()));
                parts.add(new Words(" " + Operator.of(it.test()).words(COUNTED) + " "));
                parts.add(new Figure(Integer.toString(it.count())));
            }
            case Condition.Total it -> {
                FieldKind kind = field(it.field()).kind();
                parts.add(new Words("the total of "));
                parts.add(name(it.field()));
                parts.add(new Words(" " + Operator.of(it.test()).words(kind) + " "));
                parts.add(operand(kind, it.to()));
                blankRule(it.metWhenBlank(), Operator.of(it.test()).isNegative(), parts);
            }
            case Condition.StageIs(var stages) -> {
                parts.add(new Words("the document is "));
                parts.add(new Figure(stages.stream().map(Sentences::stage).collect(Collectors.joining(" or "))));
            }
            case Clause clause -> clause(clause, parts);
        }
    }

    /** A shared condition by its name; one without a name is written out. */
    private void shared(String key, boolean inGroup, List<Part> parts) {
        SharedCondition shared = Objects.requireNonNull(symbols.shared(key), key);
        if (!shared.name().isEmpty()) {
            parts.add(new Part.SharedName(key, shared.name()));
        } else if (writtenOut < MOST_WRITTEN_OUT) {
            writtenOut++;
            write(shared.condition(), inGroup, parts);
            writtenOut--;
        } else {
            parts.add(new Part.SharedName(key, key));
        }
    }

    private void ofRows(Condition.OfRows it, List<Part> parts) {
        parts.add(new Words(
                switch (it.quantity()) {
                    case ANY -> "any row of ";
                    case EVERY -> "every row of ";
                    case NO -> "no row of ";
                }));
        parts.add(sectionName(it.section()));
        parts.add(new Words(" has "));
        write(it.condition(), true, parts);
        boolean usual = it.quantity() == Condition.OfRows.Quantity.NO;
        if (it.metWhenBlank()) {
            parts.add(new BlankRule(", also without any row"));
        } else if (usual) {
            parts.add(new BlankRule(", and there is a row"));
        }
    }

    private static String stage(Stage stage) {
        return switch (stage) {
            case FILLING -> "being filled in";
            case REVIEWING -> "being looked through";
            case FINISHED -> "finished";
            case PRINT -> "printed";
        };
    }

    private void group(String before, List<Condition> inner, String joint, boolean inGroup, List<Part> parts) {
        boolean bracketed = (inGroup && inner.size() > 1) || !before.isEmpty();
        if (!before.isEmpty()) {
            parts.add(new Words(before));
        }
        if (bracketed) {
            parts.add(new Words("("));
        }
        for (int i = 0; i < inner.size(); i++) {
            if (i > 0) {
                parts.add(new Words(joint));
            }
            write(inner.get(i), inner.size() > 1, parts);
        }
        if (bracketed) {
            parts.add(new Words(")"));
        }
    }

    private void clause(Clause clause, List<Part> parts) {
        Field field = field(clause.field());
        FieldKind kind = field.kind();
        parts.add(new FieldName(field.key(), field.name()));
        String verb = " " + Operator.of(clause).words(kind);
        switch (clause) {
            case Clause.Answered ignored -> parts.add(new Words(verb));
            case Clause.IsBlank ignored -> parts.add(new Words(verb));
            case Clause.ChoiceClause it -> choices(kind, it, parts);
            case Clause.SetClause it -> {
                parts.add(new Words(sets(it) + " "));
                parts.add(new Figure(it.choices().stream()
                        .map(choice -> Display.choice(kind, choice))
                        .collect(Collectors.joining(", "))));
            }
            case Clause.CountClause it -> {
                parts.add(new Words(verb + " " + Operator.of(it.test()).words(COUNTED) + " "));
                parts.add(new Figure(Integer.toString(it.count())));
            }
            case Clause.TextClause it -> {
                parts.add(new Words(verb + " "));
                parts.add(new Figure("“" + it.text() + "”"));
                if (it.matchCase()) {
                    parts.add(new Words(" in this case"));
                }
            }
            case Clause.LengthClause it -> {
                parts.add(new Words(verb + " " + Operator.of(it.test()).words(kind) + " "));
                parts.add(new Figure(it.length() + (it.length() == 1 ? " character" : " characters")));
            }
            case Clause.BandClause it -> {
                parts.add(new Words(verb + " "));
                parts.add(new Figure(
                        it.bands().stream().map(id -> band(field.bands(), id)).collect(Collectors.joining(", "))));
            }
            case Clause.Comparison it -> {
                parts.add(new Words(onDay(it, verb) + " "));
                parts.add(operand(kind, it.to()));
            }
            case Clause.Between it -> {
                parts.add(new Words(verb + " "));
                parts.add(operand(kind, it.from()));
                parts.add(new Words(it.fromIncluded() ? " (in) and " : " (out) and "));
                parts.add(operand(kind, it.to()));
                parts.add(new Words(it.toIncluded() ? " (in)" : " (out)"));
            }
        }
        blankRule(clause, parts);
    }

    /** A band by its words; one without by where it stands among the others, counted from the lowest. */
    private static String band(List<Band> bands, String id) {
        for (int i = 0; i < bands.size(); i++) {
            if (bands.get(i).id().equals(id)) {
                return bands.get(i).label().isEmpty()
                        ? Integer.toString(i + 1)
                        : bands.get(i).label();
            }
        }
        return id;
    }

    /** A day is today, or three days after it, not on that. */
    private static String onDay(Clause.Comparison it, String verb) {
        return it.to() instanceof Operand.TodayOperand
                ? switch (it.test()) {
                    case EQUAL -> " is";
                    case NOT_EQUAL -> " is not";
                    case LESS, AT_MOST, MORE, AT_LEAST -> verb;
                }
                : verb;
    }

    private static void choices(FieldKind kind, Clause.ChoiceClause clause, List<Part> parts) {
        boolean is = clause.test() == Clause.ChoiceClause.ChoiceTest.IS;
        boolean several = clause.choices().size() > 1;
        parts.add(new Words(several ? (is ? " is one of " : " is none of ") : (is ? " is " : " is not ")));
        for (int i = 0; i < clause.choices().size(); i++) {
            if (i > 0) {
                parts.add(new Words(", "));
            }
            parts.add(new Figure(Display.choice(kind, clause.choices().get(i))));
        }
    }

    private Part operand(FieldKind kind, Operand operand) {
        return switch (operand) {
            case Operand.NumberOperand(var number) -> new Figure(Display.number(kind, number));
            case Operand.DateOperand(var date) -> new Figure(Display.day(date));
            case Operand.TimeOperand(var time) -> new Figure(Display.time(time));
            case Operand.FormulaOperand(var formula) -> new Figure(formula);
            case Operand.FieldOperand(var key) -> name(key);
            case Operand.TodayOperand(var days) -> new Figure(today(days));
        };
    }

    private static String today(int days) {
        String many = Math.abs(days) == 1 ? " day" : " days";
        return days == 0 ? "today" : Math.abs((long) days) + many + (days > 0 ? " after today" : " before today");
    }

    /** A blank does not meet a plain comparison, as one would think; whatever is otherwise, or a negation, is said. */
    private static void blankRule(Clause clause, List<Part> parts) {
        if (clause instanceof Clause.Answered || clause instanceof Clause.IsBlank) {
            return;
        }
        blankRule(clause.metWhenBlank(), clause.usuallyMetWhenBlank(), parts);
    }

    private static void blankRule(boolean met, boolean negative, List<Part> parts) {
        if (met) {
            parts.add(new BlankRule(", also when blank"));
        } else if (negative) {
            parts.add(new BlankRule(", and answered"));
        }
    }

    private static String sets(Clause.SetClause clause) {
        boolean several = clause.choices().size() > 1;
        return switch (clause.test()) {
            case INCLUDES -> several ? " includes any of" : " includes";
            case DOES_NOT_INCLUDE -> several ? " includes none of" : " does not include";
            case INCLUDES_ALL -> several ? " includes all of" : " includes";
            case IS_EXACTLY -> " is exactly";
        };
    }

    private static List<List<Part>> turns(Field field) {
        List<List<Part>> all = new ArrayList<>();
        for (int i = 0; i < field.bands().size(); i++) {
            Band band = field.bands().get(i);
            if (band.look().equals(Look.PLAIN)) {
                continue;
            }
            List<Part> parts = new ArrayList<>();
            parts.add(new Strong("Turns " + look(band.look())));
            if (field.bands().size() > 1) {
                parts.add(new Words(" when "));
                range(field.bands(), i, parts);
            } else {
                parts.add(new Words(" when answered"));
            }
            parts.add(new Words("."));
            all.add(parts);
        }
        return all;
    }

    /** A look in words: clay and bold. */
    public static String look(Look look) {
        if (look.equals(Look.PLAIN)) {
            return "plain";
        }
        String shade =
                look.shade() == Look.Shade.PLAIN ? "" : look.shade().name().toLowerCase(Locale.ROOT);
        String bold = look.bold() ? "bold" : "";
        String italic = look.italic() ? "italic" : "";
        String colours = look.colours() == null ? shade : "coloured";
        String both =
                Stream.of(colours, bold, italic).filter(word -> !word.isEmpty()).collect(Collectors.joining(" and "));
        return both.isEmpty() ? "marked" : both;
    }

    private List<Part> follows(Indicator indicator) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Strong("Follows "));
        parts.add(name(indicator.follows()));
        parts.add(new Words(": "));
        Indicator.Presence presence = indicator.presence();
        if (presence != null) {
            parts.add(new Words(
                    said(presence.answered()) + " when answered, " + said(presence.blank()) + " when blank."));
            return parts;
        }
        for (int i = 0; i < indicator.choices().size(); i++) {
            Indicator.ChoiceSign each = indicator.choices().get(i);
            parts.add(new Words((i > 0 ? ", " : "") + said(each.sign()) + " for "));
            parts.add(new Figure(Display.choice(field(indicator.follows()).kind(), each.choice())));
        }
        for (int i = 0; i < indicator.bands().size(); i++) {
            if (i > 0) {
                parts.add(new Words(", "));
            }
            String label = indicator.bands().get(i).label();
            parts.add(new Words(label.isEmpty() ? "nothing" : label));
            if (indicator.bands().size() > 1) {
                parts.add(new Words(" "));
                range(indicator.bands(), i, parts);
            }
        }
        parts.add(new Words(". "));
        parts.add(new BlankRule("Blank shows nothing."));
        return parts;
    }

    private static String said(Sign sign) {
        return sign.label().isEmpty() ? "nothing" : sign.label();
    }

    private static String edge(Bound bound) {
        return bound.day() == null ? Numbers.plain(bound.at()) : Display.day(bound.day());
    }

    /** The range of a band in words: up to 30; over 30 below 100; from 100. */
    static void range(List<Band> bands, int index, List<Part> parts) {
        Bound lower = index == 0 ? null : bands.get(index - 1).upTo();
        Bound upper = bands.get(index).upTo();
        if (lower != null) {
            parts.add(new Words(lower.included() ? "over " : "from "));
            parts.add(new Figure(edge(lower)));
        }
        if (upper != null) {
            String words = upper.included() ? "up to " : "below ";
            parts.add(new Words(lower == null ? words : " " + words));
            parts.add(new Figure(edge(upper)));
        }
    }
}
