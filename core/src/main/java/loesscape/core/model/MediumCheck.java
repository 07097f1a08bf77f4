package loesscape.core.model;

import java.util.List;
import java.util.function.BiConsumer;

/** Checks that whatever has to be answered can be, and that whatever is signed stands on the paper that is signed. */
final class MediumCheck {

    private final BiConsumer<String, String> report;

    MediumCheck(BiConsumer<String, String> report) {
        this.report = report;
    }

    void check(Template template) {
        for (int p = 0; p < template.pages().size(); p++) {
            List<Section> sections = template.pages().get(p).sections();
            for (int s = 0; s < sections.size(); s++) {
                Section section = sections.get(s);
                items(
                        "/pages/%d/sections/%d".formatted(p, s),
                        section,
                        section.medium().isOnScreen(),
                        section.medium().isOnPaper());
            }
        }
    }

    private void items(String path, Section section, boolean isOnScreen, boolean isOnPaper) {
        for (int i = 0; i < section.items().size(); i++) {
            Item item = section.items().get(i);
            String at = path + "/items/" + i;
            boolean onScreen = isOnScreen && Medium.of(item).isOnScreen();
            boolean onPaper = isOnPaper && Medium.of(item).isOnPaper();
            if (item instanceof Section inner) {
                items(at, inner, onScreen, onPaper);
            } else if (item instanceof Field field && field.isTyped() && !onScreen) {
                report.accept(
                        at + "/medium",
                        "“%s” stands in the document only, so nobody could answer it; let it be asked while filling too."
                                .formatted(field.name()));
            } else if (item instanceof Field field && field.kind().isSigned() && !onPaper) {
                report.accept(
                        at + "/medium",
                        "“%s” is asked while filling only; what is signed has to stand in the document."
                                .formatted(field.name()));
            }
        }
    }
}
