package loesscape.core.analysis.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import org.jspecify.annotations.Nullable;

/**
 * What decides a rule that is out of reach: how it is written, and which answers count in all that it looks at. Where two
 * versions of a template have the same for it, it gives the same in both, whatever that is.
 */
final class Basis {

    private final PreparedTemplate prepared;
    private final SymbolTable symbols;
    private final Encoding encoding;
    private final AnswerVariables variables;

    Basis(PreparedTemplate prepared, Encoding encoding, AnswerVariables variables) {
        this.prepared = prepared;
        this.symbols = prepared.symbols();
        this.encoding = encoding;
        this.variables = variables;
    }

    /**
     * @param written the rule, and where it is asked
     * @param sources the keys of the fields and repeating sections that it looks at
     * @param shared the keys of the shared conditions that it uses
     */
    Object of(List<?> written, Collection<String> sources, Collection<String> shared) {
        List<Object> basis = new ArrayList<>(written);
        basis.add(symbols.language());
        for (String each : shared) {
            SharedCondition used = Objects.requireNonNull(symbols.shared(each), each);
            basis.add(each);
            basis.add(encoding.met(used.condition(), symbols.rowsOf(used)));
        }
        for (String source : sources) {
            Field field = symbols.field(source);
            if (field != null) {
                field(field, basis);
                rows(symbols.rowsAround(source), basis);
            } else {
                rows(source, basis);
                prepared.template().fields().stream()
                        .filter(inner -> source.equals(symbols.rowsAround(inner.key())))
                        .forEach(inner -> field(inner, basis));
            }
        }
        return basis;
    }

    private void field(Field field, List<Object> basis) {
        basis.add(field.key());
        basis.add(field.kind());
        if (field.kind() instanceof FieldKind.Lookup lookup) {
            basis.add(Objects.requireNonNullElse(symbols.list(lookup.list()), ""));
        }
        basis.add(Arrays.stream(encoding.counting(field)).boxed().toList());
        basis.add(field.bands());
    }

    private void rows(@Nullable String section, List<Object> basis) {
        Section repeating = section == null ? null : symbols.repeating(section);
        if (repeating != null) {
            basis.add(encoding.shown(repeating.key()));
            basis.add(Arrays.stream(variables.rowsOf(repeating).variables())
                    .boxed()
                    .toList());
        }
    }
}
