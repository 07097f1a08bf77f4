package loesscape.core.evaluation;

import static java.lang.constant.ConstantDescs.CD_Object;
import static java.lang.constant.ConstantDescs.CD_boolean;
import static java.lang.constant.ConstantDescs.CD_int;
import static java.lang.constant.ConstantDescs.CD_long;
import static java.lang.constant.ConstantDescs.CD_void;

import java.lang.classfile.ClassFile;
import java.lang.classfile.CodeBuilder;
import java.lang.classfile.Label;
import java.lang.constant.ClassDesc;
import java.lang.constant.ConstantDescs;
import java.lang.constant.DynamicConstantDesc;
import java.lang.constant.MethodTypeDesc;
import java.lang.invoke.MethodHandles;
import java.lang.reflect.AccessFlag;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import loesscape.core.model.Clause;
import loesscape.core.model.Clause.Operand;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.Logic;
import loesscape.core.model.Node;
import loesscape.core.model.References;
import loesscape.core.model.SymbolTable;
import loesscape.core.model.Value;
import org.jspecify.annotations.Nullable;

/**
 * Writes the conditions of a template as code of the Java virtual machine: every clause about a number, a day, a choice or
 * the presence of an answer becomes a few instructions; whatever else there is calls its test. Many small methods, for a
 * large one would not be compiled.
 */
final class DecisionWriter {

    private static final int NODES_IN_METHOD = 12;
    private static final int LARGEST_CONDITION = 200;

    private static final ClassDesc SEEN = desc(Seen.class);
    private static final ClassDesc TEST = desc(CompiledCondition.class);
    private static final ClassDesc VALUE = desc(Value.class);
    private static final ClassDesc BLANK = desc(Value.Blank.class);
    private static final MethodTypeDesc DECIDE = MethodTypeDesc.of(
            CD_void,
            SEEN,
            VALUE.arrayType(),
            CD_long.arrayType(),
            CD_long.arrayType(),
            CD_boolean.arrayType(),
            CD_boolean.arrayType(),
            CD_boolean.arrayType());

    /** The parameters of the methods, by their places. */
    private static final int SEEN_AT = 0;

    private static final int VALUES_AT = 1;
    private static final int CODES_AT = 2;
    private static final int COUNTING_AT = 3;
    private static final int SHOWN_AT = 4;
    private static final int REQUIRED_AT = 5;
    private static final int EDITABLE_AT = 6;
    private static final int PARAMETERS = 7;

    private final Slots slots;
    private final int[] order;
    private final Function<Condition, CompiledCondition> tests;
    private final SymbolTable symbols;
    private final @Nullable Codes[] codes;
    /** The slots whose values are looked at by tests, not only by code. */
    private final Set<Integer> tested = new HashSet<>();

    private final List<Object> constants = new ArrayList<>();

    private DecisionWriter(Slots slots, int[] order, Function<Condition, CompiledCondition> tests, SymbolTable symbols) {
        this.slots = slots;
        this.order = order;
        this.tests = tests;
        this.symbols = symbols;
        this.codes = codes();
        for (int slot = 0; slot < slots.count(); slot++) {
            Logic.conditions(slots.node(slot)).forEach(place -> note(place.condition()));
        }
    }

    private @Nullable Codes[] codes() {
        Map<String, List<Operand>> compared = new HashMap<>();
        for (int slot = 0; slot < slots.count(); slot++) {
            for (Logic.StandingCondition place : Logic.conditions(slots.node(slot))) {
                for (Condition.Leaf leaf : References.leaves(place.condition())) {
                    if (leaf instanceof Clause clause) {
                        compared.computeIfAbsent(clause.field(), ignored -> new ArrayList<>())
                                .addAll(References.operands(clause));
                    }
                }
            }
        }
        @Nullable Codes[] made = new Codes[slots.count()];
        for (int slot = 0; slot < made.length; slot++) {
            if (slots.node(slot) instanceof Field field) {
                made[slot] = new Codes(field, compared.getOrDefault(field.key(), List.of()));
            }
        }
        return made;
    }

    /** Notes what tests will look at. */
    private void note(Condition condition) {
        switch (condition) {
            case Condition.AtLeast it -> noteSources(it);
            case Condition.Group group -> group.conditions().forEach(this::note);
            case Clause clause when isCoded(clause) -> {}
            default -> noteSources(condition);
        }
    }

    private void noteSources(Condition condition) {
        symbols.sources(condition).forEach(key -> tested.add(slots.of(key)));
    }

    /** Whether a clause becomes code, not the call of a test. */
    private boolean isCoded(Clause clause) {
        return switch (clause) {
            case Clause.Answered ignored -> true;
            case Clause.IsBlank ignored -> true;
            case Clause.Comparison it -> code(it.field(), it.to()) != null;
            case Clause.Between it -> code(it.field(), it.from()) != null && code(it.field(), it.to()) != null;
            case Clause.ChoiceClause it -> {
                Field field = symbols.field(it.field());
                boolean looksUp = field == null || field.kind() instanceof FieldKind.Lookup;
                yield it.choices().size() <= LARGEST_CONDITION && !looksUp;
            }
            default -> false;
        };
    }

    private @Nullable Long code(String field, Operand operand) {
        return codesOf(field).of(operand);
    }

    private Codes codesOf(String field) {
        return Objects.requireNonNull(codes[slots.of(field)], field);
    }

    private static ClassDesc desc(Class<?> type) {
        return type.describeConstable().orElseThrow();
    }

    /**
     * The code of a template.
     *
     * @param tests makes the test of a condition that is not written as code
     */
    static DecisionCode write(Slots slots, int[] order, Function<Condition, CompiledCondition> tests, SymbolTable symbols) {
        DecisionWriter writer = new DecisionWriter(slots, order, tests, symbols);
        return new DecisionCode(writer.generated(), writer.codes);
    }

    private DecisionCode.Generated generated() {
        ClassDesc self = ClassDesc.of(DecisionWriter.class.getPackageName() + ".Decided");
        int methods = (order.length + NODES_IN_METHOD - 1) / NODES_IN_METHOD;
        byte[] bytes = ClassFile.of().build(self, type -> {
            type.withFlags(AccessFlag.FINAL, AccessFlag.SYNTHETIC)
                    .withInterfaceSymbols(desc(DecisionCode.Generated.class))
                    .withMethodBody(
                            ConstantDescs.INIT_NAME,
                            ConstantDescs.MTD_void,
                            0,
                            code -> code.aload(0)
                                    .invokespecial(CD_Object, ConstantDescs.INIT_NAME, ConstantDescs.MTD_void)
                                    .return_());
            for (int first = 0, n = 0; first < order.length; first += NODES_IN_METHOD, n++) {
                int from = first;
                type.withMethodBody(
                        "decide" + n, DECIDE, ClassFile.ACC_STATIC | ClassFile.ACC_PRIVATE, code -> nodes(code, from));
                type.withMethodBody(
                        "ask" + n, DECIDE, ClassFile.ACC_STATIC | ClassFile.ACC_PRIVATE, code -> asked(code, from));
            }
            type.withMethodBody("decide", DECIDE, ClassFile.ACC_PUBLIC, code -> {
                for (String name : List.of("decide", "ask")) {
                    for (int n = 0; n < methods; n++) {
                        for (int parameter = 1; parameter <= PARAMETERS; parameter++) {
                            code.aload(parameter);
                        }
                        code.invokestatic(self, name + n, DECIDE);
                    }
                }
                code.return_();
            });
        });
        try {
            MethodHandles.Lookup made =
                    MethodHandles.lookup().defineHiddenClassWithClassData(bytes, List.copyOf(constants), true);
            return (DecisionCode.Generated)
                    made.lookupClass().getDeclaredConstructor().newInstance();
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("The code of a template cannot be run", e);
        }
    }

    /** Some nodes, one after the other: whether each is shown, and what counts of it. */
    private void nodes(CodeBuilder code, int first) {
        for (int i = first; i < Math.min(order.length, first + NODES_IN_METHOD); i++) {
            int slot = order[i];
            Node node = slots.node(slot);
            Label folded = code.newLabel();
            Label end = code.newLabel();
            if (slots.holder(slot) != Slots.NONE) {
                code.aload(SHOWN_AT).loadConstant(slots.holder(slot)).baload().ifeq(folded);
            }
            unless(code, node.shown(), folded);
            code.aload(SHOWN_AT).loadConstant(slot).iconst_1().bastore();
            if (node instanceof Field) {
                code.aload(COUNTING_AT).loadConstant(slot);
                code.aload(CODES_AT).loadConstant(slot).laload().lastore();
                if (tested.contains(slot)) {
                    count(
                            code,
                            slot,
                            () -> code.aload(VALUES_AT).loadConstant(slot).aaload());
                }
            }
            code.goto_(end).labelBinding(folded);
            code.aload(SHOWN_AT).loadConstant(slot).iconst_0().bastore();
            if (node instanceof Field) {
                code.aload(COUNTING_AT)
                        .loadConstant(slot)
                        .loadConstant(Codes.BLANK)
                        .lastore();
                if (tested.contains(slot)) {
                    count(code, slot, () -> code.getstatic(BLANK, "BLANK", BLANK));
                }
            }
            code.labelBinding(end);
        }
        code.return_();
    }

    private static void count(CodeBuilder code, int slot, Runnable value) {
        code.aload(SEEN_AT).getfield(SEEN, "counting", VALUE.arrayType());
        code.loadConstant(slot);
        value.run();
        code.aastore();
    }

    /** Some fields, one after the other: whether each can be answered, and is asked for. */
    private void asked(CodeBuilder code, int first) {
        for (int i = first; i < Math.min(order.length, first + NODES_IN_METHOD); i++) {
            int slot = order[i];
            if (!(slots.node(slot) instanceof Field field)) {
                continue;
            }
            Label locked = code.newLabel();
            Label optional = code.newLabel();
            Label end = code.newLabel();
            code.aload(SHOWN_AT).loadConstant(slot).baload().ifeq(locked);
            unlessEditable(code, field, locked);
            code.aload(EDITABLE_AT).loadConstant(slot).iconst_1().bastore();
            if (field.required() == null) {
                code.goto_(optional);
            } else {
                unless(code, field.required(), optional);
                code.aload(REQUIRED_AT).loadConstant(slot).iconst_1().bastore().goto_(end);
            }
            code.labelBinding(locked);
            code.aload(EDITABLE_AT).loadConstant(slot).iconst_0().bastore();
            code.labelBinding(optional);
            code.aload(REQUIRED_AT).loadConstant(slot).iconst_0().bastore();
            code.labelBinding(end);
        }
        code.return_();
    }

    /** Goes on where a field can be answered by whoever is acting, and jumps where it cannot. */
    private void unlessEditable(CodeBuilder code, Field field, Label otherwise) {
        if (!field.role().isEmpty() || field.kind().isGiven()) {
            CompiledCondition test = seen -> !field.kind().isGiven()
                    && (seen.context.role().isEmpty()
                            || field.role().isEmpty()
                            || seen.context.role().equals(field.role()));
            call(code, test, null, otherwise);
        }
        unless(code, field.editable(), otherwise);
    }

    /** Goes on where a condition holds and jumps where it does not; null holds. */
    private void unless(CodeBuilder code, @Nullable Condition condition, Label otherwise) {
        if (condition == null) {
            return;
        }
        Label holds = code.newLabel();
        decide(code, condition, holds, otherwise);
        code.labelBinding(holds);
    }

    /** Jumps to one of two places; whatever is written behind it is reached by neither. */
    private void decide(CodeBuilder code, Condition condition, Label yes, Label no) {
        switch (condition) {
            case Condition.Always() -> code.goto_(yes);
            case Condition.Never() -> code.goto_(no);
            case Condition.All(var parts) -> {
                for (Condition part : parts) {
                    Label next = code.newLabel();
                    decide(code, part, next, no);
                    code.labelBinding(next);
                }
                code.goto_(yes);
            }
            case Condition.Any(var parts) -> {
                for (Condition part : parts) {
                    Label next = code.newLabel();
                    decide(code, part, yes, next);
                    code.labelBinding(next);
                }
                code.goto_(no);
            }
            case Condition.None(var parts) -> {
                for (Condition part : parts) {
                    Label next = code.newLabel();
                    decide(code, part, no, next);
                    code.labelBinding(next);
                }
                code.goto_(yes);
            }
            case Clause clause -> clause(code, clause, yes, no);
            default -> call(code, tests.apply(condition), yes, no);
        }
    }

    private void clause(CodeBuilder code, Clause clause, Label yes, Label no) {
        if (!isCoded(clause)) {
            call(code, tests.apply(clause), yes, no);
            return;
        }
        Label blank = clause.metWhenBlank() ? yes : no;
        load(code, clause.field());
        code.dup2().loadConstant(Codes.BLANK).lcmp();
        Label answered = code.newLabel();
        code.ifne(answered);
        code.pop2().goto_(blank);
        code.labelBinding(answered);
        switch (clause) {
            case Clause.Comparison it -> {
                code.loadConstant(known(it.field(), it.to())).lcmp();
                jump(code, it.test(), yes, no);
            }
            case Clause.Between it -> {
                code.pop2();
                between(code, it, yes, no);
            }
            case Clause.ChoiceClause it -> {
                code.pop2();
                boolean is = it.test() == Clause.ChoiceClause.ChoiceTest.IS;
                for (String id : it.choices()) {
                    load(code, it.field());
                    code.loadConstant(codesOf(it.field()).choice(id)).lcmp().ifeq(is ? yes : no);
                }
                code.goto_(is ? no : yes);
            }
            default -> code.pop2().goto_(clause instanceof Clause.Answered ? yes : no);
        }
    }

    private long known(String field, Operand operand) {
        return Objects.requireNonNull(code(field, operand));
    }

    private void between(CodeBuilder code, Clause.Between it, Label yes, Label no) {
        Label inside = it.outside() ? no : yes;
        Label outside = it.outside() ? yes : no;
        Label above = code.newLabel();
        load(code, it.field());
        code.loadConstant(known(it.field(), it.from())).lcmp();
        boolean fromInside = it.fromIncluded() != it.outside();
        jump(
                code,
                fromInside ? Clause.Comparison.OrderTest.AT_LEAST : Clause.Comparison.OrderTest.MORE,
                above,
                outside);
        code.labelBinding(above);
        load(code, it.field());
        code.loadConstant(known(it.field(), it.to())).lcmp();
        boolean toInside = it.toIncluded() != it.outside();
        jump(code, toInside ? Clause.Comparison.OrderTest.AT_MOST : Clause.Comparison.OrderTest.LESS, inside, outside);
    }

    private void load(CodeBuilder code, String field) {
        code.aload(COUNTING_AT).loadConstant(slots.of(field)).laload();
    }

    private static void jump(CodeBuilder code, Clause.Comparison.OrderTest test, Label yes, Label no) {
        switch (test) {
            case EQUAL -> code.ifeq(yes);
            case NOT_EQUAL -> code.ifne(yes);
            case LESS -> code.iflt(yes);
            case AT_MOST -> code.ifle(yes);
            case MORE -> code.ifgt(yes);
            case AT_LEAST -> code.ifge(yes);
        }
        code.goto_(no);
    }

    /** Calls a test; goes on where it holds and there is no place for that. */
    private void call(CodeBuilder code, CompiledCondition test, @Nullable Label yes, Label no) {
        constant(code, test, TEST);
        code.aload(SEEN_AT)
                .invokeinterface(TEST, "holds", MethodTypeDesc.of(CD_boolean, SEEN))
                .ifeq(no);
        if (yes != null) {
            code.goto_(yes);
        }
    }

    private void constant(CodeBuilder code, Object constant, ClassDesc type) {
        int index = constants.size();
        constants.add(constant);
        code.loadConstant(DynamicConstantDesc.ofNamed(
                ConstantDescs.ofConstantBootstrap(ConstantDescs.CD_MethodHandles, "classDataAt", CD_Object, CD_int),
                ConstantDescs.DEFAULT_NAME,
                type,
                index));
    }
}
