package loesscape.server.platform.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import loesscape.core.model.AnswerFormat;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Aspect;
import loesscape.core.model.FieldKind;
import loesscape.core.model.KindFacts;
import loesscape.core.model.LikelyKind;
import loesscape.core.model.Look;
import loesscape.core.model.Node;
import loesscape.formats.json.Json;
import loesscape.formats.json.JsonWriter;
import loesscape.formats.json.TypeScript;
import loesscape.formats.template.TemplateFile;
import loesscape.server.accounts.AccountTypes;
import loesscape.server.accounts.passkeys.PasskeyTypes;
import loesscape.server.draft.DraftTypes;
import loesscape.server.filling.FillingTypes;
import loesscape.server.forms.FormTypes;
import loesscape.server.lookups.LookupTypes;
import loesscape.server.merging.MergeTypes;
import loesscape.server.records.RecordTypes;
import loesscape.server.retention.RetentionTypes;
import loesscape.server.signing.SigningTypes;
import loesscape.server.templates.TemplateTypes;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.JsonNodeFactory;

/** Files that are made from the Java types and kept in the repository; {@code ./loesscape types} makes them anew. */
class GeneratedFilesTest {

    private static final List<Class<?>> SHARED = Stream.of(
                    AccountTypes.SHARED,
                    PasskeyTypes.SHARED,
                    TemplateTypes.SHARED,
                    DraftTypes.SHARED,
                    FillingTypes.SHARED,
                    SigningTypes.SHARED,
                    RecordTypes.SHARED,
                    FormTypes.SHARED,
                    MergeTypes.SHARED,
                    LookupTypes.SHARED,
                    RetentionTypes.SHARED)
            .<Class<?>>flatMap(List::stream)
            .toList();

    private static final boolean MAKE_ANEW = Boolean.getBoolean("loesscape.make");

    @Test
    void typesOfTheWebPagesAreThoseOfTheServer() throws IOException {
        isUpToDate(
                Path.of("../web/src/api/types.ts"),
                "// Made from the Java types by ./loesscape types; do not edit.\n\n" + TypeScript.of(SHARED));
    }

    /** What the pages know of each kind of field. */
    private static String kinds() {
        StringBuilder text = new StringBuilder("""
                // Made from the Java types by ./loesscape types; do not edit.

                import type { FieldKind } from "./types";

                /** What the answers to a field are, whatever kind of field it is. */
                export type AnswerType = %s;

                /**
                 * What there is to know of a kind of field: whether its answers come from the server, whether a field of it can
                 * begin with an answer or be worked out, and what a new one is like.
                 */
                export type KindFacts = {
                  label: string;
                  hint: string;
                  answer: AnswerType;
                  given: boolean;
                  canBegin: boolean;
                  canBeWorkedOut: boolean;
                  formats: string[];
                  start: FieldKind;
                };

                /** By the names of kinds, in the order in which they are offered. */
                export const KINDS: Record<FieldKind["type"], KindFacts> = {
                """.formatted(Arrays.stream(AnswerType.values())
                .map(it -> '"' + camel(it.name()) + '"')
                .collect(Collectors.joining(" | "))));
        for (KindFacts facts : KindFacts.values()) {
            text.append("  ").append(facts.key()).append(": {\n");
            text.append("    label: ").append(quoted(facts.label())).append(",\n");
            text.append("    hint: ").append(quoted(facts.hint())).append(",\n");
            text.append("    answer: ")
                    .append(quoted(camel(facts.answer().name())))
                    .append(",\n");
            text.append("    given: ").append(facts.isGiven()).append(",\n");
            text.append("    canBegin: ").append(facts.canBegin()).append(",\n");
            text.append("    canBeWorkedOut: ").append(facts.canBeWorkedOut()).append(",\n");
            text.append("    formats: [")
                    .append(Arrays.stream(AnswerFormat.values())
                            .filter(format -> format.fits(facts.starting()))
                            .map(format -> quoted(format.key()))
                            .collect(Collectors.joining(", ")))
                    .append("],\n");
            text.append("    start: ")
                    .append(Json.compact(JsonWriter.typed(facts.starting(), FieldKind.class)))
                    .append(",\n  },\n");
        }
        text.append("""
                        };

                        /** How an answer can be written in a text where not in the usual way: what it makes of it, by its name. */
                        export const FORMATS: Record<string, string> = {
                        """);
        for (AnswerFormat format : AnswerFormat.values()) {
            text.append("  %s: %s,\n".formatted(format.key(), quoted(format.words())));
        }
        return text.append("""
                        };

                        /** What tells the kind that a label most likely asks for; the first that is found counts. */
                        export const HINTS: [FieldKind["type"], RegExp][] = [
                        %s];

                        /** The kinds whose answers are written on a line, rather than marked, chosen or handed in. */
                        export const WRITTEN: ReadonlySet<string> = new Set([%s]);

                        /** What the answers to a field of a kind are. */
                        export function answerType(kind: FieldKind): AnswerType {
                          return KINDS[kind.type].answer;
                        }
                        """.formatted(hints(), written())).toString();
    }

    private static String hints() {
        return LikelyKind.HINTS.stream()
                .map(hint -> "  [%s, new RegExp(%s, \"i\")],\n"
                        .formatted(quoted(hint.kind().key()), quoted(hint.pattern())))
                .collect(Collectors.joining());
    }

    private static String written() {
        return LikelyKind.WRITTEN.stream().map(kind -> quoted(kind.key())).collect(Collectors.joining(", "));
    }

    private static String quoted(String text) {
        return Json.compact(JsonNodeFactory.instance.stringNode(text));
    }

    private static String camel(String name) {
        String[] words = name.toLowerCase(Locale.ROOT).split("_", -1);
        return words[0]
                + Arrays.stream(words)
                        .skip(1)
                        .map(word -> word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1))
                        .collect(Collectors.joining());
    }

    @Test
    void factsOfKindsAreThoseOfTheModel() throws IOException {
        isUpToDate(Path.of("../web/src/api/kinds.ts"), kinds());
    }

    private static String aspects() {
        StringBuilder text = new StringBuilder("""
                // Made from the Java types by ./loesscape types; do not edit.

                import type { Aspect, Node } from "./types";

                /**
                 * What there is to know of an aspect: how it is called, what a node is otherwise, what is said to have it so, whether
                 * it is so where no condition drives it, and what has it.
                 */
                export type AspectFacts = {
                  title: string;
                  otherwise: string;
                  wish: string;
                  plainDefault: boolean;
                  nodes: Node["type"][];
                };

                export const ASPECTS: Record<Aspect, AspectFacts> = {
                """);
        for (Aspect aspect : Aspect.values()) {
            String words = aspect.words();
            text.append(
                    "  %s: {\n    title: %s,\n    otherwise: %s,\n    wish: %s,\n    plainDefault: %s,\n    nodes: [%s],\n  },\n"
                            .formatted(
                                    aspect.key(),
                                    quoted(Character.toUpperCase(words.charAt(0)) + words.substring(1)),
                                    quoted(aspect.otherwise()),
                                    quoted(aspect.wish()),
                                    aspect.plainDefault(),
                                    nodes(Node.class)
                                            .filter(aspect::fits)
                                            .map(type ->
                                                    quoted(type.getSimpleName().toLowerCase(Locale.ROOT)))
                                            .collect(Collectors.joining(", "))));
        }
        return text.append("""
                };

                /** The aspects that a node has, in the order in which they are spoken of. */
                export function aspectsOf(node: Node): Aspect[] {
                  return (Object.keys(ASPECTS) as Aspect[]).filter((aspect) => ASPECTS[aspect].nodes.includes(node.type));
                }
                """).toString();
    }

    private static Stream<Class<? extends Node>> nodes(Class<? extends Node> type) {
        return type.isSealed()
                ? Arrays.stream(type.getPermittedSubclasses()).flatMap(each -> nodes(each.asSubclass(Node.class)))
                : Stream.of(type);
    }

    @Test
    void aspectsAreThoseOfTheModel() throws IOException {
        isUpToDate(Path.of("../web/src/api/aspects.ts"), aspects());
    }

    private static String shades() {
        StringBuilder text =
                new StringBuilder("/* Made from core's Look.Shade by ./loesscape types; do not edit. */\n");
        for (Look.Shade shade : Look.Shade.values()) {
            Look.Colours colours = shade.colours();
            if (colours != null) {
                text.append("""
                        .shade-%s {
                          color: %s;
                          background-color: %s;
                          border-color: %s;
                        }
                        """.formatted(camel(shade.name()), colours.text(), colours.fill(), colours.border()));
            }
        }
        return text.toString();
    }

    @Test
    void shadesAreThoseOfTheModel() throws IOException {
        isUpToDate(Path.of("../web/src/look/shades.css"), shades());
    }

    @Test
    void schemaOfTheTemplateFileIsThatOfTheModel() throws IOException {
        isUpToDate(Path.of("../docs/template-file.schema.json"), TemplateFile.schema());
    }

    private static void isUpToDate(Path file, String text) throws IOException {
        if (MAKE_ANEW) {
            Files.createDirectories(file.toAbsolutePath().getParent());
            Files.writeString(file, text);
        }
        assertThat(file)
                .content()
                .as("run ./loesscape types and commit %s", file)
                .isEqualTo(text);
    }
}
