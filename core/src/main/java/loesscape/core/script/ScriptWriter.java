package loesscape.core.script;

import java.text.DecimalFormatSymbols;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import loesscape.core.model.AnswerType;
import loesscape.core.model.Aspect;
import loesscape.core.model.Band;
import loesscape.core.model.Bound;
import loesscape.core.model.Check;
import loesscape.core.model.Choice;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.FinishRule;
import loesscape.core.model.Indicator;
import loesscape.core.model.Item;
import loesscape.core.model.Logic;
import loesscape.core.model.LookRule;
import loesscape.core.model.Node;
import loesscape.core.model.Offer;
import loesscape.core.model.Page;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Section;
import loesscape.core.model.SharedCondition;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Template;
import org.jspecify.annotations.Nullable;

/** Writes what is decided of each node, in the order of dependencies, and remembers what it could not write. */
final class ScriptWriter {

    private final PreparedTemplate prepared;
    private final Template template;
    private final SymbolTable symbols;
    private final Map<String, Integer> rooms;
    private final ScriptConditions conditions;
    private final Map<String, String> holders = new HashMap<>();
    private final Set<String> undecided = new LinkedHashSet<>();
    private final Set<String> unwritten = new HashSet<>();
    private final Set<String> alwaysTaking = new HashSet<>();
    private final List<LeftOut> leftOut = new ArrayList<>();

    ScriptWriter(PreparedTemplate prepared, Map<String, Integer> rooms) {
        this.prepared = prepared;
        this.template = prepared.template();
        this.symbols = prepared.symbols();
        this.rooms = rooms;
        this.conditions = new ScriptConditions(symbols, new LookupTables(symbols, template.lists()));
        for (Page page : template.pages()) {
            holders.put(page.key(), "");
            page.sections().forEach(section -> hold(section, page.key()));
        }
    }

    private void hold(Section section, String holder) {
        holders.put(section.key(), holder);
        for (Item item : section.items()) {
            if (item instanceof Section inner) {
                hold(inner, section.key());
            } else {
                holders.put(item.key(), section.key());
            }
        }
    }

    List<LeftOut> leftOut() {
        List<String> order = template.nodes().stream().map(Node::key).toList();
        return leftOut.stream()
                .sorted(Comparator.comparingInt(each -> order.indexOf(each.key())))
                .distinct()
                .toList();
    }

    Set<String> undecided() {
        return undecided;
    }

    String write() {
        Map<String, Node> nodes =
                template.nodes().stream().collect(Collectors.toMap(Node::key, node -> node, (a, b) -> a));
        // What a condition cannot be asked of is found out first, in the order in which things are decided.
        List<String> written = prepared.dependencies().order().stream()
                .map(nodes::get)
                .filter(Objects::nonNull)
                .map(this::decided)
                .toList();
        String shared = template.conditions().stream()
                .map(this::shared)
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(","));
        String takes = template.roles().stream()
                .map(this::takes)
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(","));
        String rest = prepared.dependencies().order().stream()
                .map(nodes::get)
                .filter(Objects::nonNull)
                .map(this::stands)
                .collect(Collectors.joining());
        String finish = template.finish().stream()
                .map(this::finishes)
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(","));
        String columns = conditions.formulas().columns().entrySet().stream()
                .map(each -> ScriptText.of(each.getKey()) + ":" + table(each.getValue(), ScriptText::of))
                .collect(Collectors.joining(","));
        boolean points = DecimalFormatSymbols.getInstance(symbols.language()).getGroupingSeparator() == '.';
        return "\nloess.document={points:%s,order:%s,shared:{%s},takes:{%s},finish:[%s],columns:{%s},words:{unreadable:\"?\",limits:\"!\"}};\nloess.enter([\n%s\n]);\n%s"
                .formatted(
                        points,
                        ScriptText.of(prepared.dependencies().order().stream()
                                .filter(nodes::containsKey)
                                .toList()),
                        shared,
                        takes,
                        finish,
                        columns,
                        String.join(",\n", written),
                        rest);
    }

    /** Something that is written where it can be; what cannot stands open, and is told. */
    private @Nullable String attempt(String key, String told, Set<String> sources, Supplier<String> writing) {
        try {
            for (String source : sources) {
                if (undecided.contains(source)) {
                    throw new NotInScript("it hangs on “" + name(source) + "”, which is not known there");
                }
            }
            return writing.get();
        } catch (NotInScript e) {
            leftOut.add(new LeftOut(key, told + ": " + e.getMessage() + "."));
            return null;
        }
    }

    private String name(String key) {
        return template.nodes().stream()
                .filter(node -> node.key().equals(key))
                .findFirst()
                .map(Node::name)
                .orElse(key);
    }

    private @Nullable String condition(Node node, String told, @Nullable Condition condition) {
        return condition == null
                ? null
                : attempt(node.key(), told, sources(condition), () -> {
                    requireShared(condition);
                    return conditions.function(condition, symbols.rowsAround(node.key()));
                });
    }

    private Set<String> sources(Condition condition) {
        return symbols.sources(condition);
    }

    /** A shared condition that could not be written cannot be asked for. */
    private void requireShared(Condition condition) {
        for (String key : symbols.sharedIn(condition)) {
            if (isUnwritten(key)) {
                throw new NotInScript("it asks for a shared condition that is not written");
            }
        }
    }

    private boolean isUnwritten(String key) {
        if (unwritten.contains(key)) {
            return true;
        }
        SharedCondition shared = symbols.shared(key);
        if (shared == null) {
            return false;
        }
        try {
            conditions.of(shared.condition(), symbols.rowsOf(shared));
            return false;
        } catch (NotInScript e) {
            unwritten.add(key);
            return true;
        }
    }

    /** What counts: whether it is shown, what is typed or worked out, which rows there are. */
    private String decided(Node node) {
        String holder = holders.getOrDefault(node.key(), "");
        StringBuilder text = new StringBuilder("{key:%s,holder:%s,rows:%s,looks:[],checks:[]"
                .formatted(ScriptText.of(node.key()), ScriptText.of(holder), ScriptText.of(rows(node.key()))));
        if (undecided.contains(holder)) {
            undecided.add(node.key());
        }
        boolean isDriven = node.shown() != null && !(node.shown() instanceof Condition.Always);
        if (isDriven) {
            String shown = condition(node, "“" + node.name() + "” does not fold", node.shown());
            if (shown == null) {
                undecided.add(node.key());
            } else {
                text.append(",shown:").append(shown);
            }
        }
        switch (node) {
            case Field field -> field(field, text);
            case Section section
            when section.rows() != null -> {
                int room = rooms.getOrDefault(section.key(), section.rows().least());
                text.append(",least:%d,room:%d,fields:%s"
                        .formatted(
                                Math.min(section.rows().least(), room),
                                room,
                                ScriptText.of(symbols.fieldsOfRows(section.key()).stream()
                                        .filter(key -> isTyped(symbols.field(key)))
                                        .toList())));
            }
            case Indicator indicator -> indicator(indicator, text);
            default -> {}
        }
        return text.append('}').toString();
    }

    private static boolean isTyped(@Nullable Field field) {
        return field != null && field.isTyped() && !(field.value() instanceof FieldValue.WorkedOut);
    }

    private String rows(String key) {
        String rows = symbols.rowsAround(key);
        return rows == null ? "" : rows;
    }

    private void field(Field field, StringBuilder text) {
        AnswerType answer = field.kind().answer();
        switch (answer) {
            case SIGNATURE, FILES, PAYMENT -> {
                undecided.add(field.key());
                leftOut.add(new LeftOut(field.key(), "“%s” is not known to the script.".formatted(field.name())));
            }
            case TEXT, NUMBER, YES_NO, CHOICE, CHOICES, DAY, TIME -> {
                if (field.kind().isGiven()) {
                    undecided.add(field.key());
                }
            }
        }
        text.append(",answer:\"").append(answer).append("\",role:").append(ScriptText.of(field.role()));
        text.append(",typed:").append(isTyped(field));
        kind(field, text);
        if (!field.bands().isEmpty()) {
            text.append(",bands:").append(bands(field.bands()));
        }
        if (field.value() instanceof FieldValue.WorkedOut(var formula, var overtypable)) {
            String value =
                    attempt(field.key(), "“" + field.name() + "” is not worked out", symbols.sources(formula), () -> {
                        requireShared(new Condition.Written(formula));
                        return "function(c){return "
                                + conditions.formulas().of(formula, symbols.rowsAround(field.key())) + "}";
                    });
            if (value == null) {
                undecided.add(field.key());
                value = "function(c){return null}";
            }
            text.append(",value:").append(value);
            if (overtypable) {
                leftOut.add(new LeftOut(field.key(), "“%s” cannot be typed over.".formatted(field.name())));
            }
        }
    }

    private void kind(Field field, StringBuilder text) {
        switch (field.kind()) {
            case FieldKind.Text it -> text.append(",longest:").append(it.longest());
            case FieldKind.LongText it -> text.append(",longest:").append(it.longest());
            case FieldKind.Numeric it -> number(it.lower(), it.upper(), it.mostDecimals(), text);
            case FieldKind.Choosing it -> choosing(field, it, text);
            case FieldKind.Lookup it -> lookup(field, it, text);
            case FieldKind.Date(var earliest, var latest) -> days(earliest, latest, text);
            case FieldKind.Time(var earliest, var latest) -> times(earliest, latest, text);
            case FieldKind.Email() -> form(field);
            case FieldKind.Phone ignored -> form(field);
            case FieldKind.WebAddress() -> form(field);
            case FieldKind.YesNo() -> {}
            case FieldKind.DateSigned() -> {}
            case FieldKind.Signature() -> {}
            case FieldKind.Initials() -> {}
            case FieldKind.Attachment ignored -> {}
            case FieldKind.Picture ignored -> {}
            case FieldKind.Payment ignored -> {}
        }
    }

    private void form(Field field) {
        leftOut.add(new LeftOut(
                field.key(), "The form of “%s” is not checked before it comes back.".formatted(field.name())));
    }

    private static void number(@Nullable Bound lower, @Nullable Bound upper, int decimals, StringBuilder text) {
        text.append(",decimals:").append(decimals);
        if (lower != null) {
            text.append(",lower:").append(bound(lower));
        }
        if (upper != null) {
            text.append(",upper:").append(bound(upper));
        }
    }

    private static String bound(Bound bound) {
        return "{at:%s,included:%s}".formatted(ScriptText.of(bound.at()), bound.included());
    }

    private static void days(@Nullable LocalDate earliest, @Nullable LocalDate latest, StringBuilder text) {
        if (earliest != null) {
            text.append(",first:").append(earliest.toEpochDay());
        }
        if (latest != null) {
            text.append(",last:").append(latest.toEpochDay());
        }
    }

    private static void times(@Nullable LocalTime earliest, @Nullable LocalTime latest, StringBuilder text) {
        if (earliest != null) {
            text.append(",first:").append(earliest.toSecondOfDay());
        }
        if (latest != null) {
            text.append(",last:").append(latest.toSecondOfDay());
        }
    }

    private void choosing(Field field, FieldKind.Choosing kind, StringBuilder text) {
        text.append(",choices:")
                .append(ScriptText.of(kind.offered().stream().map(Choice::id).toList()))
                .append(",other:")
                .append(kind.other());
        if (kind instanceof FieldKind.SeveralChoices it) {
            text.append(",least:").append(it.least()).append(",most:").append(it.most());
        }
        Offer offer = kind.offer();
        if (offer != null) {
            String per = attempt(
                    field.key(),
                    "The choices of “" + field.name() + "” stay as they are",
                    Set.of(offer.parent()),
                    () -> offer(kind, offer));
            if (per == null) {
                undecided.add(field.key());
            } else {
                text.append(",offer:").append(per);
            }
        }
    }

    private static String offer(FieldKind.Choosing kind, Offer offer) {
        List<String> all = kind.offered().stream().map(Choice::id).toList();
        String per = offer.perAnswer().entrySet().stream()
                .map(each -> ScriptText.of(each.getKey()) + ":"
                        + ScriptText.of(all.stream()
                                .filter(id -> each.getValue().contains(id) || (kind.other() && id.equals(Choice.OTHER)))
                                .toList()))
                .collect(Collectors.joining(","));
        return "{parent:%s,per:{%s}}".formatted(ScriptText.of(offer.parent()), per);
    }

    private void lookup(Field field, FieldKind.Lookup lookup, StringBuilder text) {
        String offered = attempt(
                field.key(),
                "“" + field.name() + "” offers all entries of its list, whatever else is answered",
                Set.copyOf(lookup.filters().values()),
                () -> table(conditions.formulas().tables().offered(field), ScriptText::of));
        text.append(",cells:true,by:")
                .append(ScriptText.of(List.copyOf(lookup.filters().values())));
        text.append(",per:").append(offered == null ? "{}" : offered);
        if (offered == null) {
            undecided.add(field.key());
        }
    }

    private static <T> String table(Map<String, T> entries, Function<T, String> written) {
        return entries.entrySet().stream()
                .map(each -> ScriptText.of(each.getKey()) + ":" + written.apply(each.getValue()))
                .collect(Collectors.joining(",", "{", "}"));
    }

    private static String bands(List<Band> bands) {
        return bands.stream()
                .map(band -> "{id:%s%s}"
                        .formatted(ScriptText.of(band.id()), band.upTo() == null ? "" : ",upTo:" + bound(band.upTo())))
                .collect(Collectors.joining(",", "[", "]"));
    }

    private void indicator(Indicator indicator, StringBuilder text) {
        if (undecided.contains(indicator.follows())) {
            leftOut.add(new LeftOut(
                    indicator.key(),
                    "“%s” shows nothing: it follows “%s”, which is not known there."
                            .formatted(indicator.name(), name(indicator.follows()))));
            return;
        }
        text.append(",follows:").append(ScriptText.of(indicator.follows()));
        if (indicator.presence() != null) {
            text.append(",presence:true");
        } else if (!indicator.bands().isEmpty()) {
            text.append(",bands:").append(bands(indicator.bands()));
        }
        text.append(",signs:")
                .append(ScriptText.of(indicator.choices().stream()
                        .map(Indicator.ChoiceSign::choice)
                        .toList()));
    }

    /** What is decided when all that counts is known: what is required, locked, looks like, is refused. */
    private String stands(Node node) {
        StringBuilder text = new StringBuilder();
        String key = "loess.nodes[" + ScriptText.of(node.key()) + "]";
        if (node instanceof Field field) {
            String required = condition(field, "“" + field.name() + "” is not asked for", Aspect.REQUIRED.of(field));
            if (required != null && alwaysTaking.contains(field.role())) {
                leftOut.add(new LeftOut(
                        field.key(), "“%s” is asked for also where its role takes no part.".formatted(field.name())));
            }
            if (required != null) {
                text.append(key).append(".required=").append(required).append(";\n");
            }
            String editable = condition(field, "“" + field.name() + "” is never locked", Aspect.EDITABLE.of(field));
            if (editable != null) {
                text.append(key).append(".editable=").append(editable).append(";\n");
            }
            List<String> checks = new ArrayList<>();
            for (Check check : field.checks()) {
                String when = condition(
                        field, "“" + field.name() + "” is not refused by one of its checks", check.refusedWhen());
                if (when != null) {
                    checks.add("{when:%s,message:%s}".formatted(when, ScriptText.of(check.message())));
                }
            }
            if (!checks.isEmpty()) {
                text.append(key)
                        .append(".checks=[")
                        .append(String.join(",", checks))
                        .append("];\n");
            }
        }
        looks(node, key, text);
        return text.toString();
    }

    /** The first look whose condition holds counts, so that one that cannot be written ends them. */
    private void looks(Node node, String key, StringBuilder text) {
        List<String> looks = new ArrayList<>();
        List<LookRule> rules = Logic.looks(node);
        for (int i = 0; i < rules.size(); i++) {
            LookRule rule = rules.get(i);
            String when = condition(node, "“" + node.name() + "” does not change its look", rule.when());
            if (when == null) {
                break;
            }
            looks.add("{when:%s,look:%s}"
                    .formatted(when, rule.extent() == LookRule.Extent.ITEM ? Integer.toString(i) : "null"));
        }
        if (!looks.isEmpty()) {
            text.append(key).append(".looks=[").append(String.join(",", looks)).append("];\n");
        }
    }

    private String shared(SharedCondition shared) {
        return isUnwritten(shared.key())
                ? ""
                : ScriptText.of(shared.key()) + ":" + conditions.function(shared.condition(), symbols.rowsOf(shared));
    }

    private String takes(Role role) {
        Condition takesPart = role.takesPart();
        if (takesPart == null) {
            return "";
        }
        String when = attempt("", "“" + role.name() + "” always takes part", sources(takesPart), () -> {
            requireShared(takesPart);
            return conditions.function(takesPart, null);
        });
        if (when == null) {
            alwaysTaking.add(role.key());
            return "";
        }
        return ScriptText.of(role.key()) + ":" + when;
    }

    private String finishes(FinishRule rule) {
        String when = attempt("", "“" + rule.message() + "” is not told", sources(rule.when()), () -> {
            requireShared(rule.when());
            return conditions.function(rule.when(), null);
        });
        return when == null ? "" : "{when:%s,message:%s}".formatted(when, ScriptText.of(rule.message()));
    }
}
