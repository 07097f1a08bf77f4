package loesscape.core.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Indicator;
import loesscape.core.model.Look;
import loesscape.core.model.Node;
import loesscape.core.model.Numbers;
import loesscape.core.model.Page;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.wording.Part.BlankRule;
import loesscape.core.wording.Part.FieldName;
import loesscape.core.wording.Part.Figure;
import loesscape.core.wording.Part.Strong;
import loesscape.core.wording.Part.Words;

/** Writes the logic of a template as the sentences of its margin. */
public final class Sentences {

    private final Template template;
    private final Map<String, Field> fields = new HashMap<>();

    public Sentences(Template template) {
        this.template = template;
        template.fields().forEach(field -> fields.put(field.key(), field));
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

    /** The sentences of one node: its conditions, its limits, its bands. */
    public List<Sentence> of(Node node) {
        List<Sentence> sentences = new ArrayList<>(conditions(node));
        if (node instanceof Field field) {
            String limits = Limits.words(field.kind());
            if (!limits.isEmpty()) {
                sentences.add(plain(List.of(new Strong("Checked: "), new Figure(limits), new Words("."))));
            }
            turns(field).forEach(parts -> sentences.add(plain(parts)));
        }
        if (node instanceof Indicator indicator) {
            sentences.add(plain(follows(indicator)));
        }
        return sentences;
    }

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
        String words = aspects.stream().map(Sentences::word).collect(Collectors.joining(" and "));
        String strong = subject.isEmpty() ? capital(words) : subject + words;
        return switch (condition) {
            case Condition.Always() ->
                List.of(
                        new Words("Always "),
                        new Strong(subject.toLowerCase(java.util.Locale.ROOT) + words),
                        new Words("."));
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

    private static String word(Aspect aspect) {
        return switch (aspect) {
            case SHOWN -> "shown";
            case REQUIRED -> "required";
            case EDITABLE -> "editable";
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
            case Condition.StageIs(var stages) -> {
                parts.add(new Words("the document is "));
                parts.add(new Figure(stages.stream().map(Sentences::stage).collect(Collectors.joining(" or "))));
            }
            case Clause clause -> clause(clause, parts);
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
            write(inner.get(i), true, parts);
        }
        if (bracketed) {
            parts.add(new Words(")"));
        }
    }

    private void clause(Clause clause, List<Part> parts) {
        Field field = Objects.requireNonNull(fields.get(clause.field()), clause.field());
        FieldKind kind = field.kind();
        parts.add(new FieldName(field.key(), field.name()));
        String verb = " " + Operator.of(clause).words(kind);
        switch (clause) {
            case Clause.Answered ignored -> parts.add(new Words(verb));
            case Clause.IsBlank ignored -> parts.add(new Words(verb));
            case Clause.ChoiceClause it -> choices(kind, it, parts);
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
                parts.add(new Figure(it.bands().stream()
                        .map(id -> field.bands().stream()
                                .filter(band ->
                                        band.id().equals(id) && !band.label().isEmpty())
                                .map(Band::label)
                                .findFirst()
                                .orElse(id))
                        .collect(Collectors.joining(", "))));
            }
            case Clause.Comparison it -> {
                parts.add(new Words(verb + " "));
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
            case Operand.FieldOperand(var key) ->
                new FieldName(key, Objects.requireNonNull(fields.get(key), key).name());
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
        if (clause.metWhenBlank()) {
            parts.add(new BlankRule(", also when blank"));
        } else if (Operator.of(clause).isNegative()) {
            parts.add(new BlankRule(", and answered"));
        }
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

    private static String look(Look look) {
        String shade =
                look.shade() == Look.Shade.PLAIN ? "" : look.shade().name().toLowerCase(java.util.Locale.ROOT);
        String bold = look.bold() ? "bold" : "";
        String both = shade.isEmpty() || bold.isEmpty() ? shade + bold : shade + " and " + bold;
        return both.isEmpty() ? "marked" : both;
    }

    private List<Part> follows(Indicator indicator) {
        Field followed = Objects.requireNonNull(fields.get(indicator.follows()), indicator.follows());
        List<Part> parts = new ArrayList<>();
        parts.add(new Strong("Follows "));
        parts.add(new FieldName(followed.key(), followed.name()));
        parts.add(new Words(": "));
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

    /** The range of a band in words: up to 30; over 30 and below 100; from 100. */
    static void range(List<Band> bands, int index, List<Part> parts) {
        Bound lower = index == 0 ? null : bands.get(index - 1).upTo();
        Bound upper = bands.get(index).upTo();
        if (lower != null) {
            parts.add(new Words(lower.included() ? "over " : "from "));
            parts.add(new Figure(Numbers.plain(lower.at())));
        }
        if (upper != null) {
            String words = upper.included() ? "up to " : "below ";
            parts.add(new Words(lower == null ? words : " " + words));
            parts.add(new Figure(Numbers.plain(upper.at())));
        }
    }
}
