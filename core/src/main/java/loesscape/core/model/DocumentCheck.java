package loesscape.core.model;

import java.util.HashSet;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.regex.Pattern;

/** Checks what belongs to a document as a whole: lists, roles, conditions for finishing, page settings, trials, accepted findings. */
final class DocumentCheck {

    private static final int MOST_OTHERS = 100;
    private static final int MOST_ANSWERS = 100_000;
    private static final Pattern LANGUAGE = Pattern.compile("[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8}){0,4}");

    private static final Pattern FINGERPRINT = Pattern.compile("[0-9a-f]{64}");

    private final Template template;
    private final CommonCheck common;
    private final TextBounds texts;
    private final BiConsumer<String, String> report;

    DocumentCheck(Template template, CommonCheck common, TextBounds texts, BiConsumer<String, String> report) {
        this.template = template;
        this.common = common;
        this.texts = texts;
        this.report = report;
    }

    void check() {
        lists();
        roles();
        finish();
        pageSettings();
        trials();
        accepted();
    }

    private void lists() {
        common.atMost("/lists", template.lists().size(), MOST_OTHERS, "lookup lists");
        Set<String> keys = new HashSet<>();
        for (int i = 0; i < template.lists().size(); i++) {
            LookupListCheck.check("/lists/" + i, template.lists().get(i), keys, texts, report);
        }
    }

    private void roles() {
        common.atMost("/roles", template.roles().size(), MOST_OTHERS, "roles");
        Set<String> keys = new HashSet<>();
        for (int i = 0; i < template.roles().size(); i++) {
            Role role = template.roles().get(i);
            String path = "/roles/" + i;
            if (!Keys.isKey(role.key()) || !keys.add(role.key())) {
                report.accept(
                        path + "/key",
                        "“%s” cannot be the key of a role, or is used twice."
                                .formatted(TextBounds.shortened(role.key())));
            }
            texts.line(path + "/name", role.name());
            if (role.name().length() > Role.LONGEST_NAME) {
                report.accept(
                        path + "/name", "The name of a role has at most %d characters.".formatted(Role.LONGEST_NAME));
            }
            if (role.name().isBlank()) {
                report.accept(path + "/name", "The role has no name; give it one.");
            }
            Condition takesPart = role.takesPart();
            if (takesPart != null) {
                common.condition(path + "/takesPart", takesPart, null);
            }
        }
    }

    private void finish() {
        common.atMost("/finish", template.finish().size(), CommonCheck.MOST_RULES, "conditions for finishing");
        for (int i = 0; i < template.finish().size(); i++) {
            FinishRule rule = template.finish().get(i);
            common.condition("/finish/" + i + "/when", rule.when(), null);
            common.message("/finish/" + i + "/message", rule.message());
        }
    }

    private void pageSettings() {
        String language = template.pageSettings().language();
        if (!language.isEmpty() && !LANGUAGE.matcher(language).matches()) {
            report.accept(
                    "/pageSettings/language",
                    "“%s” is not a language tag like de or ar-EG (BCP 47).".formatted(TextBounds.shortened(language)));
        }
    }

    private void accepted() {
        common.atMost("/accepted", template.accepted().size(), AcceptedFinding.MOST, "accepted findings");
        Set<String> keys = new HashSet<>();
        template.nodes().forEach(node -> keys.add(node.key()));
        for (int i = 0; i < template.accepted().size(); i++) {
            AcceptedFinding each = template.accepted().get(i);
            String path = "/accepted/" + i;
            if (!each.key().isEmpty() && !keys.contains(each.key())) {
                report.accept(
                        path + "/key",
                        "“%s” is no item that something could have been found about."
                                .formatted(TextBounds.shortened(each.key())));
            }
            texts.paragraph(path + "/message", each.message());
            texts.line(path + "/reason", each.reason());
            if (each.message().isBlank()) {
                report.accept(path + "/message", "Say what was found.");
            }
            if (each.reason().isBlank()) {
                report.accept(path + "/reason", "Say why this finding is accepted.");
            }
            if (!FINGERPRINT.matcher(each.about()).matches()) {
                report.accept(path + "/about", "A fingerprint has 64 hexadecimal digits.");
            }
        }
    }

    private void trials() {
        common.atMost("/trials", template.trials().size(), Trial.MOST, "trials");
        Set<String> names = new HashSet<>();
        for (int i = 0; i < template.trials().size(); i++) {
            Trial trial = template.trials().get(i);
            String path = "/trials/" + i;
            texts.line(path + "/name", trial.name());
            if (trial.name().isBlank() || !names.add(trial.name())) {
                report.accept(path + "/name", "A trial has a name of its own; give it one.");
            }
            common.atMost(path + "/answers", trial.answers().size(), MOST_ANSWERS, "answers");
            common.atMost(path + "/expected", trial.expected().size(), MOST_ANSWERS, "expectations");
        }
    }
}
