package loesscape.core.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.model.Divider;
import loesscape.core.model.Page;
import loesscape.core.model.Picture;
import loesscape.core.model.Template;
import loesscape.core.testing.RandomTemplates;
import org.junit.jupiter.api.Test;

/** A script says of random documents and answers what the evaluation says. */
class ScriptMeaningTest {

    private static final int TEMPLATES = 400;
    private static final int ANSWERS = 6;

    /** Prints how everything stands, in the words of {@link ScriptCase}. */
    private static final String TELLING = """
            function tell(typed, today, keys) {
              var result = loess.evaluate(function (address) { return typed[address]; }, today);
              var lines = [];
              for (var address in result.nodes) {
                var key = address.split("@")[0];
                if (keys.indexOf(key) < 0) continue;
                var node = loess.nodes[key], it = result.nodes[address];
                var look = it.shown && it.look !== null ? looks[key][it.look] : "-";
                if (look === "PLAIN") look = "-";
                if (node.answer)
                  lines.push([address, it.shown, it.editable, it.required, it.missing, it.problem !== "", String(it.band),
                    it.offered === null ? "null" : "[" + it.offered.join(", ") + "]", "[" + it.value + "]", look].join(" "));
                else if (node.follows) lines.push([address, it.shown, String(it.sign)].join(" "));
                else if (kinds[key] === "plain") lines.push(address + " " + it.shown);
                else lines.push([address, it.shown, look].join(" "));
              }
              if (complete) lines.push("unmet [" + result.unmet.join(", ") + "]");
              lines.sort();
              console.log(JSON.stringify(lines));
            }
            """;

    private static RandomGenerator random(long seed) {
        return RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
    }

    @Test
    void itSaysWhatTheEvaluationSays() {
        long seed = Long.getLong("cases.seed", System.nanoTime());
        System.out.printf("scripts: from seed %d%n", seed);
        StringBuilder program = new StringBuilder();
        List<String> expected = new ArrayList<>();
        double shares = 0;
        for (int i = 0; i < TEMPLATES; i++) {
            RandomGenerator random = random(seed + i);
            Template template = RandomTemplates.template(random, 1 + i * 20 / TEMPLATES);
            CompiledTemplate compiled = CompiledTemplate.compile(template);
            DocumentScript script = DocumentScript.of(compiled.prepared(), ScriptCase.rooms(template));
            program.append("(function(){\n")
                    .append(script.text())
                    .append("var looks=%s,kinds=%s,complete=%s;\n"
                            .formatted(
                                    ScriptCase.looks(template),
                                    kinds(template),
                                    script.leftOut().stream()
                                            .noneMatch(each -> each.key().isEmpty())))
                    .append(TELLING);
            for (int k = 0; k < ANSWERS; k++) {
                ScriptCase it = new ScriptCase(compiled, script, RandomTemplates.answers(random, template));
                LocalDate today = random.nextInt(5) == 0
                        ? null
                        : LocalDate.of(2028, 2, 28).plusDays(random.nextInt(4));
                program.append(it.call(today));
                expected.add(i + ": " + written(it.expected(today)));
                shares += it.share();
            }
            program.append("})();\n");
        }
        List<String> told = RunInNode.lines(program.toString());
        assertThat(told).hasSameSizeAs(expected);
        for (int i = 0; i < told.size(); i++) {
            assertThat(i / ANSWERS + ": " + told.get(i))
                    .as("seed %d, template %d", seed, i / ANSWERS)
                    .isEqualTo(expected.get(i));
        }
        assertThat(shares / expected.size()).as("the share that is compared").isGreaterThan(0.5);
    }

    private static String written(List<String> lines) {
        return "["
                + String.join(",", lines.stream().map(ScriptMeaningTest::json).toList()) + "]";
    }

    private static String json(String line) {
        return "\"" + line.replace("\\", "\\\\").replace("\"", "\\\"").replace("\n", "\\n") + "\"";
    }

    private static String kinds(Template template) {
        StringBuilder kinds = new StringBuilder("{");
        template.nodes()
                .forEach(node -> kinds.append(ScriptText.of(node.key()))
                        .append(":\"")
                        .append(
                                switch (node) {
                                    case Page ignored -> "plain";
                                    case Divider ignored -> "plain";
                                    case Picture ignored -> "plain";
                                    default -> "looked";
                                })
                        .append("\","));
        return kinds.append("}").toString();
    }
}
