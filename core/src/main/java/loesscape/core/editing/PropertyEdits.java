package loesscape.core.editing;

import java.util.List;
import loesscape.core.model.Field;
import loesscape.core.model.Indicator;
import loesscape.core.model.Node;
import loesscape.core.model.Notice;
import loesscape.core.model.Overlay;
import loesscape.core.model.Picture;
import loesscape.core.model.Section;

/** Sets what nodes have besides labels and conditions; each refused where a node has no such thing. */
final class PropertyEdits {

    private PropertyEdits() {}

    static TemplateIndex looks(TemplateIndex parts, Edit.SetLooks edit) {
        TemplateIndex changed = parts;
        for (String key : edit.keys()) {
            changed = changed.with(
                    switch (parts.node(key)) {
                        case Field it -> it.withLooks(edit.looks());
                        case Section it -> it.withLooks(edit.looks());
                        case Notice it -> it.withLooks(edit.looks());
                        case Node other -> throw new Refusal("“%s” has no looks.".formatted(other.name()));
                    });
        }
        return changed;
    }

    static TemplateIndex role(TemplateIndex parts, Edit.SetRole edit) {
        TemplateIndex changed = parts;
        for (String key : edit.keys()) {
            changed = changed.with(parts.field(key).withRole(edit.role()));
        }
        return changed;
    }

    static TemplateIndex folding(TemplateIndex parts, Edit.SetFolding edit) {
        TemplateIndex changed = parts;
        for (String key : edit.keys()) {
            changed = changed.with(
                    switch (parts.node(key)) {
                        case Field it -> it.withFolding(edit.folding());
                        case Section it -> it.withFolding(edit.folding());
                        case Notice it -> it.withFolding(edit.folding());
                        case Indicator it -> it.withFolding(edit.folding());
                        case Picture it ->
                            new Picture(it.key(), it.label(), it.file(), it.follows(), it.shown(), edit.folding());
                        case Node other -> throw new Refusal("How “%s” folds cannot be set.".formatted(other.name()));
                    });
        }
        return changed;
    }

    static Notice notice(TemplateIndex parts, String key) {
        if (parts.node(key) instanceof Notice notice) {
            return notice;
        }
        throw new Refusal("“%s” is not a text.".formatted(parts.node(key).name()));
    }

    static TemplateIndex clause(TemplateIndex parts, Edit.SetClause edit) {
        TemplateIndex changed = parts;
        for (String key : edit.keys()) {
            changed = changed.with(notice(parts, key).withClause(edit.clause()));
        }
        return changed;
    }

    static TemplateIndex medium(TemplateIndex parts, Edit.SetMedium edit) {
        TemplateIndex changed = parts;
        for (String key : edit.keys()) {
            changed = changed.with(
                    switch (parts.node(key)) {
                        case Field it -> it.withMedium(edit.medium());
                        case Section it -> it.withMedium(edit.medium());
                        case Notice it -> it.withMedium(edit.medium());
                        case Node other ->
                            throw new Refusal("Where “%s” stands is said by its section.".formatted(other.name()));
                    });
        }
        return changed;
    }

    static TemplateIndex rows(TemplateIndex parts, Edit.SetRows edit) {
        if (parts.node(edit.key()) instanceof Section section) {
            return parts.with(section.withRows(edit.rows()));
        }
        throw new Refusal("Only a section can repeat.");
    }

    static TemplateIndex signs(TemplateIndex parts, Edit.SetSigns edit) {
        if (parts.node(edit.key()) instanceof Indicator it) {
            return parts.with(
                    it.withBands(List.of()).withChoices(edit.choices()).withPresence(edit.presence()));
        }
        throw new Refusal(
                "“%s” is not an indicator.".formatted(parts.node(edit.key()).name()));
    }

    static TemplateIndex overlay(TemplateIndex parts, Edit.SetOverlay edit) {
        if (parts.node(edit.key()) instanceof Overlay it) {
            return parts.with(
                    new Overlay(it.key(), it.label(), edit.shape(), edit.words().strip(), it.shown()));
        }
        throw new Refusal("“%s” is not drawn over a page."
                .formatted(parts.node(edit.key()).name()));
    }

    static TemplateIndex picture(TemplateIndex parts, Edit.SetPicture edit) {
        if (parts.node(edit.key()) instanceof Picture it) {
            return parts.with(new Picture(it.key(), it.label(), edit.file(), edit.follows(), it.shown(), it.folding()));
        }
        throw new Refusal(
                "“%s” is not a picture.".formatted(parts.node(edit.key()).name()));
    }
}
