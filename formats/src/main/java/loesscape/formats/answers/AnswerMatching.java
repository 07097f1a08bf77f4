package loesscape.formats.answers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.RowNames;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import loesscape.core.wording.AnswerWords;
import org.jspecify.annotations.Nullable;

/**
 * Finds out which questions answers belong to: by the key, by the label, by the name the field had in the PDF it came from. A
 * name followed by {@code @} and a row, or by a number in brackets, is one in rows. Whatever belongs nowhere is told.
 */
public final class AnswerMatching {

    private static final Pattern IN_A_ROW = Pattern.compile("(.*?)(?:@r?(\\d{1,4})|\\s*[\\[(](\\d{1,4})[\\])])");
    private static final Pattern DAY = Pattern.compile("(\\d{1,2})\\.\\s?(\\d{1,2})\\.\\s?(\\d{4})");
    private static final Set<String> SET = Set.of("yes", "true", "on", "1", "x", "y");
    private static final Set<String> NOT_SET = Set.of("no", "false", "off", "0", "n");

    private final SymbolTable symbols;
    private final AnswerWords words;
    private final Map<String, Field> byName = new HashMap<>();
    private final Set<String> ambiguous = new LinkedHashSet<>();

    private AnswerMatching(PreparedTemplate template) {
        this.symbols = template.symbols();
        this.words = AnswerWords.in(symbols.language());
        for (Field field : template.template().fields()) {
            byName.put(field.key(), field);
        }
        for (Page page : template.template().pages()) {
            for (Place place : page.places()) {
                Field field = symbols.field(place.item());
                if (field != null && !place.source().isEmpty()) {
                    byName.putIfAbsent(place.source(), field);
                }
            }
        }
        Map<String, Field> labels = new HashMap<>();
        for (Field field : template.template().fields()) {
            Field other = labels.putIfAbsent(folded(field.label()), field);
            if (other != null) {
                ambiguous.add(folded(field.label()));
            }
        }
        labels.forEach((label, field) -> {
            if (!ambiguous.contains(label)) {
                byName.putIfAbsent(label, field);
            }
        });
    }

    /** Matching onto a template. */
    public static AnswerMatching of(PreparedTemplate template) {
        return new AnswerMatching(template);
    }

    /**
     * What was found out.
     *
     * @param answers those that belong to a question, as they would be typed there
     * @param unmatched a sentence for each name that belongs to none
     */
    public record Matched(Answers answers, List<String> unmatched) {

        public Matched {
            unmatched = List.copyOf(unmatched);
        }
    }

    /** Answers as a template takes them. */
    public Matched match(GivenAnswers given) {
        Map<String, String> typed = new LinkedHashMap<>();
        Map<String, TreeMap<Integer, String>> rows = new LinkedHashMap<>();
        List<String> unmatched = new ArrayList<>();
        Map<String, List<String>> marks = new LinkedHashMap<>();
        Map<String, String> own = new LinkedHashMap<>();
        given.values().forEach((name, values) -> {
            if (name.startsWith("words/")) {
                own.put(name.substring("words/".length()), values.getFirst());
                return;
            }
            Found found = found(name);
            if (found == null) {
                if (!isOfTheForm(name)) {
                    unmatched.add(
                            ambiguous.contains(folded(name))
                                    ? "“%s” is the label of several questions; use their keys.".formatted(name)
                                    : "“%s” is no question of this document.".formatted(name));
                }
                return;
            }
            String section = symbols.rowsAround(found.field().key());
            if ((section == null) != (found.row() == 0)) {
                unmatched.add(
                        section == null
                                ? "“%s” does not stand in rows.".formatted(name)
                                : "“%s” stands in rows; say which one, as in %s@1."
                                        .formatted(name, found.field().key()));
                return;
            }
            String address = found.field().key();
            if (section != null) {
                String row = "r" + found.row();
                rows.computeIfAbsent(section, ignored -> new TreeMap<>()).put(found.row(), row);
                address = RowNames.address(address, row);
            }
            if (!found.choice().isEmpty()) {
                marks.computeIfAbsent(address, ignored -> new ArrayList<>()).add(found.choice());
            } else if (found.field().value() instanceof FieldValue.WorkedOut(var ignored, var overtypable)
                    && !overtypable) {
                // It is worked out anew.
                return;
            } else {
                typed.put(address, typed(found.field(), values));
            }
        });
        marks.forEach((address, chosen) -> typed.put(address, String.join(",", chosen)));
        own.forEach((address, text) -> typed.computeIfPresent(
                address,
                (key, chosen) ->
                        chosen.replaceFirst("(^|,)" + Choice.OTHER + "$", "$1=" + Matcher.quoteReplacement(text))));
        rows.forEach((section, all) -> typed.put(section, RowNames.text(List.copyOf(all.values()))));
        return new Matched(new Answers(typed), unmatched);
    }

    /** Fields that a form of ours has beside its questions. */
    private static boolean isOfTheForm(String name) {
        return name.equals("status") || name.startsWith("fold/") || name.startsWith("sign/");
    }

    /**
     * Where an answer belongs.
     *
     * @param row counted from 1; 0 for none
     * @param choice of several, where its mark was set; empty for the whole
     */
    private record Found(Field field, int row, String choice) {}

    private @Nullable Found found(String name) {
        Field whole = field(name);
        if (whole != null) {
            return new Found(whole, 0, "");
        }
        Matcher inRow = IN_A_ROW.matcher(name);
        if (inRow.matches()) {
            Field field = field(inRow.group(1).strip());
            String number = inRow.group(2) == null ? inRow.group(3) : inRow.group(2);
            return field == null || Integer.parseInt(number) == 0
                    ? null
                    : new Found(field, Integer.parseInt(number), "");
        }
        int point = name.lastIndexOf('.');
        Found around = point < 0 ? null : found(name.substring(0, point));
        if (around == null || !around.choice().isEmpty()) {
            return null;
        }
        String choice = name.substring(point + 1);
        return around.field().kind() instanceof FieldKind.SeveralChoices
                        && around.field().hasChoice(choice)
                ? new Found(around.field(), around.row(), choice)
                : null;
    }

    private @Nullable Field field(String name) {
        Field field = byName.get(name);
        return field == null ? byName.get(folded(name)) : field;
    }

    private static String folded(String text) {
        return text.strip().toLowerCase(Locale.ROOT).replaceAll("\\s+", " ").replaceAll("[:*?]+$", "");
    }

    private String typed(Field field, List<String> values) {
        String first = values.getFirst().strip();
        return switch (field.kind()) {
            case FieldKind.YesNo kind -> yesNo(kind, first);
            case FieldKind.SeveralChoices kind -> several(kind, values);
            case FieldKind.OneChoice kind -> one(kind, first);
            case FieldKind.Date ignored -> day(first);
            case FieldKind.Lookup ignored -> first;
            case FieldKind.SelfContained ignored -> values.getFirst();
            case FieldKind.Payment ignored -> "";
        };
    }

    private String yesNo(FieldKind.YesNo kind, String text) {
        String said = text.toLowerCase(Locale.ROOT);
        if (SET.contains(said) || said.equalsIgnoreCase(words.of(kind, new Value.YesNo(true)))) {
            return FieldKind.YesNo.YES;
        }
        return NOT_SET.contains(said) || said.equalsIgnoreCase(words.of(kind, new Value.YesNo(false)))
                ? FieldKind.YesNo.NO
                : text;
    }

    private static String one(FieldKind.Choosing kind, String text) {
        String choice = choice(kind, text);
        return choice != null ? choice : kind.other() && !text.startsWith("=") ? "=" + text : text;
    }

    /** A choice by its identity, its label or what is stored of it. */
    private static @Nullable String choice(FieldKind.Choosing kind, String text) {
        String said = folded(text);
        for (Choice choice : kind.withOther()) {
            if (choice.id().equals(text)
                    || folded(choice.label()).equals(said)
                    || folded(choice.value()).equals(said)) {
                return choice.id();
            }
        }
        return null;
    }

    private static String several(FieldKind.SeveralChoices kind, List<String> values) {
        List<String> chosen = new ArrayList<>();
        String other = "";
        for (String value : values) {
            String whole = choice(kind, value.strip());
            for (String part :
                    whole != null || value.startsWith("=") ? List.of(value) : List.of(value.split("[,;\n]", -1))) {
                String text = part.strip();
                String choice = choice(kind, text);
                if (choice != null) {
                    chosen.add(choice);
                } else if (text.startsWith("=")) {
                    other = text;
                } else if (!text.isEmpty() && kind.other()) {
                    other = other.isEmpty() ? "=" + text : other + ", " + text;
                } else if (!text.isEmpty()) {
                    chosen.add(text);
                }
            }
        }
        if (!other.isEmpty()) {
            chosen.add(other);
        }
        return String.join(",", chosen);
    }

    /** Days are written with points in one order only; any other way of writing one is said to be none. */
    private static String day(String text) {
        Matcher day = DAY.matcher(text);
        return day.matches()
                ? "%s-%02d-%02d".formatted(day.group(3), Integer.parseInt(day.group(2)), Integer.parseInt(day.group(1)))
                : text;
    }
}
