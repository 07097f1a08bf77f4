package loesscape.server.draft;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import loesscape.core.expression.Formula;
import loesscape.core.expression.FormulaProblem;
import loesscape.core.expression.Names;
import loesscape.core.expression.Type;
import loesscape.core.model.Field;
import loesscape.core.model.LookupList;
import loesscape.core.model.Section;
import loesscape.core.model.SymbolTable;
import loesscape.server.draft.FormulaApi.CheckedFormula;
import loesscape.server.draft.FormulaApi.FormulaTrouble;
import loesscape.server.draft.FormulaApi.NameView;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What formulas of a draft can name, and what is wrong with one that is written. */
@Service
class FormulaHelp {

    private final DraftReading reading;

    FormulaHelp(DraftReading reading) {
        this.reading = reading;
    }

    List<NameView> names(UUID id, String rows) {
        SymbolTable symbols = reading.symbols(id);
        List<NameView> names = new ArrayList<>();
        symbols.types(rows.isEmpty() ? null : rows).forEach((name, type) -> {
            String written = Names.isList(name) ? "list(\"%s\")".formatted(Names.key(name)) : name;
            names.add(new NameView(written, label(symbols, name), type.words()));
            Type element = type instanceof Type.ListOf(var inner) ? inner : type;
            if (element instanceof Type.Context(var entries, var ignored)) {
                new TreeMap<>(entries)
                        .forEach((entry, of) -> names.add(new NameView(
                                written + "." + entry,
                                label(symbols, entry),
                                type instanceof Type.ListOf ? new Type.ListOf(of).words() : of.words())));
            }
        });
        return names;
    }

    private static String label(SymbolTable symbols, String name) {
        String key = Names.key(name);
        LookupList list = Names.isList(name) ? symbols.list(key) : null;
        Field field = symbols.field(key);
        Section section = symbols.repeating(key);
        var shared = symbols.shared(key);
        return list != null
                ? list.name()
                : field != null ? field.name() : section != null ? section.name() : shared != null ? shared.name() : "";
    }

    CheckedFormula check(UUID id, String formula, String rows) {
        SymbolTable symbols = reading.symbols(id);
        Map<String, Type> names = symbols.types(rows.isEmpty() ? null : rows);
        try {
            return new CheckedFormula(Formula.of(formula, names).type().words(), null);
        } catch (FormulaProblem problem) {
            return new CheckedFormula("", trouble(problem));
        }
    }

    private static @Nullable FormulaTrouble trouble(FormulaProblem problem) {
        return new FormulaTrouble(problem.at(), problem.end(), String.valueOf(problem.getMessage()), problem.instead());
    }
}
