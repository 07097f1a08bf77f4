package loesscape.core.analysis.proof;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.Reading;
import loesscape.core.evaluation.RowNames;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.Stage;

/** What a solver found, as answers that can be typed. */
final class Examples {

    private static final int MOST_COMPARED = 5;

    private final AnswerVariables variables;

    Examples(AnswerVariables variables) {
        this.variables = variables;
    }

    /** The answers of a model; several where two fields lie between the same edges, for then it matters which is more. */
    List<Example> of(Question.Model model) {
        Map<String, String> answers = new TreeMap<>();
        Map<String, List<String>> compared = new LinkedHashMap<>();
        Map<String, Integer> counts = counts(model);
        counts.forEach((section, count) -> answers.put(section, rows(count)));
        for (AnswerVariables.Typed typed : variables.typed()) {
            if (IntStream.of(typed.variables()).noneMatch(model::reaches)) {
                continue;
            }
            Field field = typed.field();
            if (!field.isTyped() && !field.kind().isGiven()) {
                continue;
            }
            String address = address(typed);
            switch (typed.regions()) {
                case FieldRegions.OneOf(var regions) -> {
                    for (int i = 0; i < regions.size(); i++) {
                        if (model.holds(typed.variables()[i])) {
                            answers.put(address, regions.get(i).typed());
                            if (!regions.get(i).others().isEmpty()) {
                                compared.put(address, regions.get(i).others());
                            }
                        }
                    }
                }
                case FieldRegions.AnyOf(var choices, var ignored, var ignoredToo) ->
                    answers.put(address, chosen(choices, typed.variables(), model));
            }
            String section = variables.rowsAround(field.key());
            if (section != null && typed.row() == 0) {
                further(field.key(), section, counts.getOrDefault(section, 0), answers);
            }
        }
        beside(model, answers);
        Context context = context(model);
        List<Example> examples = new ArrayList<>();
        examples.add(new Example(answers, context));
        if (compared.size() > 1 && compared.size() <= MOST_COMPARED) {
            vary(new ArrayList<>(compared.entrySet()), 0, answers, context, examples);
        }
        return examples;
    }

    /** Two answers that are looked at together are those of the band that was found. */
    private void beside(Question.Model model, Map<String, String> answers) {
        Map<String, BigDecimal> placed = new HashMap<>();
        variables.bands().forEach((together, group) -> {
            int band = held(model, group.variables());
            int mine = region(model, together.one().key());
            int yours = region(model, together.other().key());
            Together.Cell cell = new Together.Cell(mine, yours);
            NavigableMap<Integer, Together.Point> own = together.cells().get(cell);
            if (band < 0 || own == null) {
                return;
            }
            int nearest = Together.nearest(own, band);
            BigDecimal one = placed.get(together.one().key());
            BigDecimal other = placed.get(together.other().key());
            if (one != null && other == null) {
                other = together.otherBeside(one, yours, nearest);
            } else if (one == null && other != null) {
                one = together.oneBeside(other, mine, nearest);
            } else if (one == null) {
                Together.Point plain = together.plain(cell, nearest);
                one = plain.one();
                other = plain.other();
            }
            if (one != null && other != null) {
                placed.put(together.one().key(), one);
                placed.put(together.other().key(), other);
                answers.put(together.one().key(), together.typedOne(one));
                answers.put(together.other().key(), together.typedOther(other));
            }
        });
    }

    private int region(Question.Model model, String field) {
        for (AnswerVariables.Typed typed : variables.typed()) {
            if (typed.field().key().equals(field) && typed.field().isTyped()) {
                return held(model, typed.variables());
            }
        }
        return -1;
    }

    /** Which of some variables holds; below 0 where none is reached. */
    private static int held(Question.Model model, int[] variables) {
        for (int i = 0; i < variables.length; i++) {
            if (model.holds(variables[i])) {
                return i;
            }
        }
        return -1;
    }

    private static void vary(
            List<Map.Entry<String, List<String>>> compared,
            int from,
            Map<String, String> answers,
            Context context,
            List<Example> examples) {
        if (from == compared.size()) {
            examples.add(new Example(answers, context));
            return;
        }
        vary(compared, from + 1, answers, context, examples);
        for (String other : compared.get(from).getValue()) {
            Map<String, String> changed = new TreeMap<>(answers);
            changed.put(compared.get(from).getKey(), other);
            vary(compared, from + 1, changed, context, examples);
        }
    }

    private static String chosen(List<String> choices, int[] variables, Question.Model model) {
        List<String> chosen = new ArrayList<>();
        for (int i = 0; i < choices.size(); i++) {
            if (model.holds(variables[i])) {
                // An answer in own words stands last, where "other" stands too.
                chosen.add(choices.get(i).equals(Choice.OTHER) ? Reading.OTHER + "Something else" : choices.get(i));
            }
        }
        return String.join(",", chosen);
    }

    private static String rows(int count) {
        return RowNames.text(IntStream.range(0, count).mapToObj(Examples::name).toList());
    }

    private Map<String, Integer> counts(Question.Model model) {
        Map<String, Integer> counts = new TreeMap<>();
        variables.rows().forEach((section, group) -> {
            for (int i = 0; i < group.variables().length; i++) {
                if (model.holds(group.variables()[i])) {
                    counts.put(section, variables.rowCounts(section)[i]);
                }
            }
        });
        return counts;
    }

    /** Where there are more rows than are told apart, the others are as the first: nothing more is so of them. */
    private void further(String key, String section, int count, Map<String, String> answers) {
        int apart = variables.witnesses().rows(section);
        String typed = answers.get(RowNames.address(key, name(0)));
        for (int row = apart; apart > 1 && typed != null && row < count; row++) {
            answers.put(RowNames.address(key, name(row)), typed);
        }
    }

    private String address(AnswerVariables.Typed typed) {
        String key = typed.field().key();
        return variables.rowsAround(key) == null ? key : RowNames.address(key, name(typed.row()));
    }

    private static String name(int row) {
        return "r" + (row + 1);
    }

    private Context context(Question.Model model) {
        Stage stage = Stage.FILLING;
        String role = "";
        SharedVariables.Group stages = variables.stages();
        for (int i = 0; stages != null && i < stages.variables().length; i++) {
            stage = model.holds(stages.variables()[i]) ? AnswerVariables.STAGES.get(i) : stage;
        }
        SharedVariables.Group roles = variables.roles();
        for (int i = 1; roles != null && i < roles.variables().length; i++) {
            role = model.holds(roles.variables()[i]) ? variables.roleKeys().get(i - 1) : role;
        }
        return new Context(variables.today(), stage, role);
    }
}
