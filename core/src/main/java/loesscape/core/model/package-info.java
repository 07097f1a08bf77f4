/**
 * What a document is made of, and what its author can say of each part. The whole meaning is in {@code docs/meaning.md};
 * this is what to know before reading on.
 *
 * <p>A {@link loesscape.core.model.Template} has pages, a page has {@linkplain loesscape.core.model.Section sections}, a
 * section has {@linkplain loesscape.core.model.Item items}: fields, notices, indicators, pictures, dividers, and sections
 * again. Each of these is a {@link loesscape.core.model.Node} with a key. What kind of answer a field takes is its {@link
 * loesscape.core.model.FieldKind}; what there is to know of each kind stands in {@link loesscape.core.model.KindFacts}.
 *
 * <dl>
 *   <dt>blank
 *   <dd>There is no answer. Every kind can be blank, and a comparison with a blank is not met, except a negative one.
 *   <dt>counting value
 *   <dd>The answer to a field that is shown, in a section and on a page that are, and still offered; otherwise blank.
 *       Conditions and formulas see counting values and nothing else.
 *   <dt>folded
 *   <dd>Not shown. The answers in it are kept, and do not count until it is shown again.
 *   <dt>{@linkplain loesscape.core.model.Aspect aspect}
 *   <dd>A question about a node that a {@link loesscape.core.model.Condition} decides: whether it is shown, open, editable,
 *       required. Looks, choices and values follow answers too.
 *   <dt>{@linkplain loesscape.core.model.Band band}
 *   <dd>A part of the numbers or days that a field can have, with a look and a name: low, high, early, late.
 *   <dt>row
 *   <dd>One of the times a repeating section stands in a document. An answer in it has the address {@code key@row}.
 *   <dt>{@linkplain loesscape.core.model.SharedCondition shared condition}
 *   <dd>One condition of many places, under a name; a change changes it everywhere.
 * </dl>
 *
 * <p>For example: <em>Depth</em> is shown when <em>Purpose</em> is Irrigation, and <em>Plan</em> when Depth is more than 30.
 *
 * <pre>{@code
 * Field purpose = Field.of("purpose", "Purpose", FieldKind.OneChoice.of(List.of(
 *         Choice.of("house", "House water"), Choice.of("irrigation", "Irrigation"))));
 * Field depth = Field.of("depth", "Depth", new FieldKind.Number(1, "m", null, null))
 *         .withShown(new Clause.ChoiceClause("purpose", ChoiceTest.IS, List.of("irrigation"), null));
 * Field plan = Field.of("plan", "Plan", new FieldKind.Text("", 0))
 *         .withShown(new Clause.Comparison("depth", OrderTest.MORE, new Operand.NumberOperand(BigDecimal.valueOf(30)), null));
 * }</pre>
 *
 * With Irrigation and 36 all three are shown. When Purpose becomes House water, Depth is folded; its 36 is kept but does not
 * count, so that Plan is folded too, whatever was typed there. When Purpose becomes Irrigation again, all is back.
 *
 * <p>Everything here is an immutable value. A template that passed {@link loesscape.core.model.Validation} can be
 * evaluated, edited and stored without further checks.
 */
@NullMarked
package loesscape.core.model;

import org.jspecify.annotations.NullMarked;
