package loesscape.server.forms;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.stream.Stream;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import loesscape.core.evaluation.RowNames;
import loesscape.core.evaluation.State;
import loesscape.core.form.FillableForm;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Node;
import loesscape.core.model.Section;
import loesscape.core.model.Stage;
import loesscape.core.model.Template;
import loesscape.core.script.DocumentScript;
import loesscape.core.testing.RandomTemplates;
import loesscape.formats.fillable.FillablePdf;
import loesscape.formats.json.Json;
import loesscape.formats.paper.Theme;
import loesscape.formats.template.TemplateFile;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * PDF forms in a reader of others, pdf.js, whose sandbox runs their scripts (ISO 21757-1): for random documents and random
 * answers, one after the other in the same form, every field stands as the evaluation says.
 */
class FormsInReadersTest {

    private static final int FORMS = 100;
    private static final int ANSWERS = 20;
    private static final Path READER = Path.of("src/test/node/filled-forms.mjs");

    private record Form(CompiledTemplate compiled, FillableForm form, Set<String> told, Set<String> undecided) {}

    private final long seed = Long.getLong("cases.seed", System.nanoTime());

    @Test
    void everyFieldStandsAsTheEvaluationSays() throws IOException, InterruptedException {
        System.out.printf("forms in readers: from seed %d%n", seed);
        Path folder = Files.createTempDirectory("forms");
        try {
            List<Form> forms = new ArrayList<>();
            List<String> lines = new ArrayList<>();
            for (int i = 0; i < FORMS; i++) {
                RandomGenerator random =
                        RandomGeneratorFactory.of("L64X128MixRandom").create(seed + i);
                Template template = RandomTemplates.template(random, 1 + i * 18 / FORMS);
                CompiledTemplate compiled = CompiledTemplate.compile(template);
                FillableForm form = FillableForm.of(compiled.prepared(), Answers.NONE);
                FillablePdf pdf =
                        FillablePdf.of(form, Theme.PLAIN, name -> Optional.empty(), name -> Optional.of(blankPage()));
                Path file = folder.resolve(i + ".pdf");
                Files.write(file, pdf.file());
                Set<String> told = new HashSet<>();
                pdf.leftOut().forEach(each -> told.add(each.key()));
                forms.add(new Form(
                        compiled,
                        form,
                        told,
                        DocumentScript.of(compiled.prepared(), form.rooms()).undecided()));
                lines.add(Json.ascii(Map.of("pdf", file.toString(), "cases", cases(template, form, random))));
            }
            Path in = folder.resolve("forms.jsonl");
            Files.write(in, lines);
            List<String> out = read(in, folder.resolve("out.jsonl"));
            assertThat(out).hasSize(FORMS * ANSWERS);
            int compared = 0;
            for (int i = 0; i < out.size(); i++) {
                JsonNode told = Json.parse(out.get(i));
                assertThat(told.get("errors").toString())
                        .as("seed %d, form %d", seed, i / ANSWERS)
                        .isEqualTo("[]");
                compared += compare(forms.get(i / ANSWERS), told.get("fields"), i / ANSWERS);
            }
            System.out.printf("forms in readers: %,d fields compared%n", compared);
            assertThat(compared).isGreaterThan(FORMS * ANSWERS);
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                    Files.delete(each);
                }
            }
        }
    }

    private static byte[] blankPage() {
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<String> read(Path in, Path out) throws IOException, InterruptedException {
        Process node = new ProcessBuilder("node", READER.toString(), in.toString())
                .redirectOutput(out.toFile())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
        if (!node.waitFor(300, TimeUnit.SECONDS)) {
            node.destroyForcibly();
        }
        assertThat(node.exitValue()).isZero();
        return Files.readAllLines(out, StandardCharsets.UTF_8);
    }

    /** What is written and marked, case by case, in the order of the fields. */
    private static List<List<List<Object>>> cases(Template template, FillableForm form, RandomGenerator random) {
        List<List<List<Object>>> cases = new ArrayList<>();
        for (int i = 0; i < ANSWERS; i++) {
            List<List<Object>> acts = new ArrayList<>();
            Map<String, String> answers =
                    RandomTemplates.answers(random, template).typed();
            for (Field field : template.fields()) {
                for (String address : addresses(form, field)) {
                    // Not everything is touched every time.
                    if (random.nextInt(3) > 0) {
                        acts(field, address, answers.getOrDefault(address, ""), acts);
                    }
                }
            }
            cases.add(acts);
        }
        return cases;
    }

    private static List<String> addresses(FillableForm form, Field field) {
        String section = form.template().symbols().rowsAround(field.key());
        if (section == null) {
            return List.of(field.key());
        }
        List<String> all = new ArrayList<>();
        for (int i = 1; i <= form.rooms().getOrDefault(section, 0); i++) {
            all.add(RowNames.address(field.key(), "r" + i));
        }
        return all;
    }

    private static boolean isFilledIn(Field field) {
        return field.isTyped()
                && !(field.value() instanceof FieldValue.WorkedOut)
                && switch (field.kind().answer()) {
                    case SIGNATURE, FILES, PAYMENT -> false;
                    case TEXT, NUMBER, YES_NO, CHOICE, CHOICES, DAY, TIME -> true;
                };
    }

    private static void acts(Field field, String address, String typed, List<List<Object>> acts) {
        if (!isFilledIn(field)) {
            return;
        }
        switch (field.kind()) {
            case FieldKind.SeveralChoices it -> {
                for (Choice choice : it.withOther()) {
                    boolean isOther = choice.id().equals(Choice.OTHER);
                    boolean isSet = isOther
                            ? typed.contains("=")
                            : List.of(typed.split(",", -1)).contains(choice.id());
                    acts.add(List.of(address + "." + choice.id(), "mark", isSet));
                    if (isOther) {
                        acts.add(List.of(
                                "words/" + address, "text", isSet ? typed.substring(typed.indexOf('=') + 1) : ""));
                    }
                }
            }
            case FieldKind.YesNo() -> {
                if (typed.equals("yes") || typed.equals("no")) {
                    acts.add(List.of(address, "one", typed));
                }
            }
            case FieldKind.OneChoice it -> {
                if (it.choices().stream().anyMatch(choice -> choice.id().equals(typed))) {
                    acts.add(List.of(address, it.offer() == null ? "one" : "list", typed));
                }
            }
            case FieldKind.Lookup ignored -> acts.add(List.of(address, "list", typed.isEmpty() ? " " : typed));
            case FieldKind.Rating ignored -> acts.add(List.of(address, "list", typed.isEmpty() ? " " : typed));
            default -> acts.add(List.of(address, "text", typed));
        }
    }

    /** The answers that stand in the fields. */
    private static Answers answers(Form form, JsonNode fields) {
        Map<String, String> typed = new LinkedHashMap<>();
        Template template = form.compiled().template();
        for (Field field : template.fields()) {
            for (String address : addresses(form.form(), field)) {
                typed.put(address, isFilledIn(field) ? typed(field, address, fields) : "");
            }
        }
        for (Node node : template.nodes()) {
            if (node instanceof Section section && section.rows() != null) {
                int last = section.rows().least();
                for (int row = last + 1; row <= form.form().rooms().getOrDefault(section.key(), 0); row++) {
                    for (String key : form.compiled().symbols().fieldsOfRows(section.key())) {
                        if (!typed.getOrDefault(RowNames.address(key, "r" + row), "")
                                .isBlank()) {
                            last = row;
                        }
                    }
                }
                List<String> names = new ArrayList<>();
                for (int row = 1; row <= last; row++) {
                    names.add("r" + row);
                }
                typed.put(section.key(), RowNames.text(names));
            }
        }
        return new Answers(typed);
    }

    private static String value(JsonNode fields, String name) {
        JsonNode field = fields.get(name);
        String value = field == null ? "" : field.get(3).asString("");
        return value.equals("Off") || value.equals(" ") || value.equals("false") ? "" : value;
    }

    private static String typed(Field field, String address, JsonNode fields) {
        if (!(field.kind() instanceof FieldKind.SeveralChoices several)) {
            return value(fields, address);
        }
        List<String> chosen = new ArrayList<>();
        for (Choice choice : several.withOther()) {
            if (!value(fields, address + "." + choice.id()).isEmpty()) {
                String own = value(fields, "words/" + address);
                chosen.add(choice.id().equals(Choice.OTHER) && !own.isEmpty() ? "=" + own : choice.id());
            }
        }
        return String.join(",", chosen);
    }

    /** What stands in a section that does not fold is open with it. */
    private static boolean isTold(Form form, String key) {
        for (String at = key; !at.isEmpty(); at = form.compiled().holder(at)) {
            if (form.told().contains(at) || form.undecided().contains(at)) {
                return true;
            }
        }
        return false;
    }

    private int compare(Form form, JsonNode fields, int number) {
        Answers answers = answers(form, fields);
        State state = form.compiled()
                .evaluate(answers, new Context(LocalDate.now(ZoneId.systemDefault()), Stage.FILLING, ""));
        int compared = 0;
        for (Field field : form.compiled().template().fields()) {
            if (isTold(form, field.key()) || field.kind().isGiven()) {
                continue;
            }
            for (String address : addresses(form.form(), field)) {
                String name = field.kind() instanceof FieldKind.SeveralChoices && isFilledIn(field)
                        ? address + ".c0"
                        : address;
                JsonNode stands = fields.get(name);
                if (stands == null || !(state.nodes().get(address) instanceof NodeState.FieldState expected)) {
                    continue;
                }
                boolean isSeveral = field.kind() instanceof FieldKind.SeveralChoices;
                boolean isOffered = !isSeveral
                        || expected.offered() == null
                        || expected.offered().contains("c0");
                String what = "seed %d, form %d: %s with %s %s"
                        .formatted(
                                seed,
                                number,
                                address,
                                answers.typed(),
                                TemplateFile.compact(form.compiled().template()));
                assertThat(stands.get(0).asBoolean()).as("shown, " + what).isEqualTo(expected.shown() && isOffered);
                assertThat(stands.get(1).asBoolean()).as("locked, " + what).isEqualTo(!expected.editable());
                if (!isSeveral) {
                    assertThat(stands.get(2).asBoolean())
                            .as("required, " + what)
                            .isEqualTo(expected.required());
                }
                compared++;
            }
        }
        boolean isWhole = form.told().isEmpty();
        if (isWhole) {
            boolean isComplete = state.obstacles().isEmpty();
            assertThat(value(fields, "status").equals("Nothing is missing."))
                    .as(
                            "seed %d, form %d: %s, %s, obstacles %s, %s",
                            seed,
                            number,
                            answers.typed(),
                            fields,
                            state.obstacles(),
                            TemplateFile.compact(form.compiled().template()))
                    .isEqualTo(isComplete);
        }
        return compared;
    }
}
