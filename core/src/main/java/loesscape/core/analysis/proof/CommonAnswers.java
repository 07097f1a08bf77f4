package loesscape.core.analysis.proof;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import loesscape.core.model.Bound;
import loesscape.core.model.Choice;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import org.jspecify.annotations.Nullable;

/** The answers that two versions of a field both accept. */
final class CommonAnswers {

    private CommonAnswers() {}

    /** Whether what is typed into one can be typed into the other: they take answers of one kind. */
    static boolean areAlike(Field one, Field other) {
        boolean isWorkedOut = one.value() instanceof FieldValue.WorkedOut;
        if (isWorkedOut != (other.value() instanceof FieldValue.WorkedOut)) {
            return false;
        }
        return switch (one.kind()) {
            case FieldKind.Money it ->
                other.kind() instanceof FieldKind.Money theirs
                        && theirs.currency().equals(it.currency());
            case FieldKind kind -> kind.getClass().equals(other.kind().getClass());
        };
    }

    /** A field that accepts what both do. */
    static Field of(Field one, Field other) {
        return one.withKind(of(one.kind(), other.kind()));
    }

    private static FieldKind of(FieldKind one, FieldKind other) {
        return switch (one) {
            case FieldKind.Number it
            when other instanceof FieldKind.Number theirs ->
                new FieldKind.Number(
                        Math.min(it.decimals(), theirs.decimals()),
                        it.unit(),
                        lower(it.lower(), theirs.lower()),
                        upper(it.upper(), theirs.upper()));
            case FieldKind.Numeric it
            when other instanceof FieldKind.Numeric theirs ->
                it.within(lower(it.lower(), theirs.lower()), upper(it.upper(), theirs.upper()));
            case FieldKind.Date it
            when other instanceof FieldKind.Date theirs ->
                new FieldKind.Date(later(it.earliest(), theirs.earliest()), earlier(it.latest(), theirs.latest()));
            case FieldKind.Time it
            when other instanceof FieldKind.Time theirs ->
                new FieldKind.Time(later(it.earliest(), theirs.earliest()), earlier(it.latest(), theirs.latest()));
            case FieldKind.Text it
            when other instanceof FieldKind.Text theirs ->
                new FieldKind.Text(it.placeholder(), shorter(it.longest(), theirs.longest()));
            case FieldKind.LongText it
            when other instanceof FieldKind.LongText theirs ->
                new FieldKind.LongText(it.placeholder(), shorter(it.longest(), theirs.longest()));
            case FieldKind.OneChoice it
            when other instanceof FieldKind.OneChoice theirs ->
                new FieldKind.OneChoice(
                        common(it.choices(), theirs.choices()),
                        it.layout(),
                        it.style(),
                        it.other() && theirs.other(),
                        it.offer());
            case FieldKind.SeveralChoices it
            when other instanceof FieldKind.SeveralChoices theirs ->
                new FieldKind.SeveralChoices(
                        common(it.choices(), theirs.choices()),
                        it.layout(),
                        it.style(),
                        it.other() && theirs.other(),
                        it.offer(),
                        Math.max(it.least(), theirs.least()),
                        shorter(it.most(), theirs.most()));
            default -> one;
        };
    }

    private static List<Choice> common(List<Choice> one, List<Choice> other) {
        Set<String> theirs = other.stream().map(Choice::id).collect(Collectors.toSet());
        return one.stream().filter(choice -> theirs.contains(choice.id())).toList();
    }

    private static int shorter(int one, int other) {
        return one == 0 ? other : other == 0 ? one : Math.min(one, other);
    }

    private static @Nullable Bound lower(@Nullable Bound one, @Nullable Bound other) {
        if (one == null || other == null) {
            return one == null ? other : one;
        }
        int order = one.at().compareTo(other.at());
        return order > 0 || (order == 0 && !one.included()) ? one : other;
    }

    private static @Nullable Bound upper(@Nullable Bound one, @Nullable Bound other) {
        if (one == null || other == null) {
            return one == null ? other : one;
        }
        int order = one.at().compareTo(other.at());
        return order < 0 || (order == 0 && !one.included()) ? one : other;
    }

    private static @Nullable LocalDate later(@Nullable LocalDate one, @Nullable LocalDate other) {
        return one == null ? other : other == null || one.isAfter(other) ? one : other;
    }

    private static @Nullable LocalDate earlier(@Nullable LocalDate one, @Nullable LocalDate other) {
        return one == null ? other : other == null || one.isBefore(other) ? one : other;
    }

    private static @Nullable LocalTime later(@Nullable LocalTime one, @Nullable LocalTime other) {
        return one == null ? other : other == null || one.isAfter(other) ? one : other;
    }

    private static @Nullable LocalTime earlier(@Nullable LocalTime one, @Nullable LocalTime other) {
        return one == null ? other : other == null || one.isBefore(other) ? one : other;
    }
}
