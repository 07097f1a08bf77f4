package loesscape.formats.form;

import java.io.IOException;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import loesscape.core.editing.Edit;
import loesscape.core.editing.Editing;
import loesscape.core.model.Aspect;
import loesscape.core.model.Bound;
import loesscape.core.model.Condition;
import loesscape.core.model.Field;
import loesscape.core.model.FieldKind;
import loesscape.core.model.FieldValue;
import loesscape.core.model.Lettering;
import loesscape.core.model.Overlay.OverlayShape;
import loesscape.core.model.Page;
import loesscape.core.model.Place;
import loesscape.core.model.PreparedTemplate;
import loesscape.core.model.Role;
import loesscape.core.model.Template;
import loesscape.core.translation.AsCondition;

/** The drainage consent of the demo: the form of an office, brought, and given its logic, edit by edit as its author would. */
final class DrainageConsent {

    private Template template;

    private DrainageConsent(Template template) {
        this.template = template;
    }

    static Template make(ImportedPdf imported) throws IOException {
        DrainageConsent consent = new DrainageConsent(imported.template());
        consent.keys();
        consent.kinds();
        consent.conditions();
        consent.drawings();
        consent.roles();
        return consent.template;
    }

    private void edit(Edit edit) {
        template = Editing.apply(template, edit);
    }

    private void rename(String key, String to) {
        edit(new Edit.RenameKey(key, to));
    }

    private String key(String label) {
        return template.fields().stream()
                .filter(field -> field.label().startsWith(label))
                .map(Field::key)
                .findFirst()
                .orElseThrow();
    }

    /** Short names for what formulas and exports call. */
    private void keys() {
        edit(new Edit.Retitle("Drainage consent", "Form D4"));
        rename("name_of_the_owner_of_the_land", "owner");
        rename("number_of_the_parcel_eight_signs", "parcel");
        rename("day_on_which_the_works_begin", "begins");
        rename("what_is_drained", "drained");
        rename("area_of_the_field_ha", "area");
        rename("what_is_the_yard_used_for", "yard_use");
        rename("into_which_water", "water");
        rename("largest_flow_litres_a_second", "flow");
        rename("the_water_passes_a_settling_pond_first", "settled");
        rename("the_water_is_pumped_page_3_is_to_be_filled_in", "pumped");
        rename("plan_of_the_works_at_1_500", "plan");
        rename("levels_of_the_outfall", "levels");
        rename("yearly_charge", "charge");
        rename("signature_of_the_owner", "signed");
        rename("for_the_board", "signed_board");
        rename("make_and_output_of_the_pump", "pump_made");
        rename("hours_of_operation_a_day", "hours");
        rename(key("The pump stands still"), "night");
        edit(new Edit.Relabel("pumped", "The water is pumped"));
        edit(new Edit.Relabel("parcel", "Number of the parcel"));
        edit(new Edit.Relabel("day", "Day of signing"));
    }

    private void kinds() {
        edit(new Edit.SetKind("telephone", new FieldKind.Phone("NL")));
        edit(new Edit.SetKind("e_mail", new FieldKind.Email()));
        edit(new Edit.SetKind("begins", new FieldKind.Date(null, null)));
        edit(new Edit.SetKind("area", new FieldKind.Number(2, "ha", number("0", false), null)));
        edit(new Edit.Relabel("area", "Area of the field"));
        edit(new Edit.SetKind("flow", new FieldKind.Number(1, "l/s", number("0", false), number("60", true))));
        edit(new Edit.Relabel("flow", "Largest flow"));
        edit(new Edit.SetKind("charge", new FieldKind.Money("EUR", null, null)));
        edit(new Edit.SetValue("charge", new FieldValue.WorkedOut("if flow < 1 then 0 else 120 * flow", false)));
        edit(new Edit.SetKind("day", new FieldKind.DateSigned()));
        edit(new Edit.SetKind("hours", new FieldKind.Number(0, "h", number("1", true), number("24", true))));
    }

    private static Bound number(String number, boolean included) {
        return new Bound(new BigDecimal(number), included);
    }

    private void conditions() {
        when("area", Aspect.SHOWN, "drained = \"field\"");
        when("area", Aspect.REQUIRED, "drained = \"field\"");
        when("yard_use", Aspect.SHOWN, "drained = \"yard\"");
        when("yard_use", Aspect.REQUIRED, "drained = \"yard\"");
        when("page_3", Aspect.SHOWN, "pumped = true");
        always("water");
        always("parcel");
        always("pump_made");
        always("signed");
        always("signed_board");
    }

    private void when(String key, Aspect aspect, String formula) {
        Condition condition = new AsCondition(PreparedTemplate.of(template)).of(formula);
        edit(new Edit.SetCondition(List.of(key), List.of(aspect), condition));
    }

    private void always(String key) {
        edit(new Edit.SetCondition(List.of(key), List.of(Aspect.REQUIRED), new Condition.Always()));
    }

    /** What follows answers on the printed words: struck out, ringed, covered. */
    private void drawings() throws IOException {
        overlay(
                "no_charge_struck",
                OverlayShape.STROKE,
                "page_2",
                OfficeForm.within(OfficeForm.CHARGE, OfficeForm.NO_CHARGE),
                190);
        when("no_charge_struck", Aspect.SHOWN, "flow >= 1");
        overlay("charge_struck", OverlayShape.STROKE, "page_2", OfficeForm.within("", OfficeForm.CHARGE), 190);
        when("charge_struck", Aspect.SHOWN, "flow < 1");
        Page second = page("page_2");
        Place drawn = Place.of("", 0, 0, 2_000, 600);
        edit(new Edit.AddAt(Edit.Novelty.ONE_CHOICE, "Decision: Granted / Refused", "page_2", drawn));
        List<Place> places = new ArrayList<>(second.places());
        String before = OfficeForm.DECISION;
        ring(places, "granted", OfficeForm.within(before, OfficeForm.GRANTED));
        ring(places, "refused", OfficeForm.within(before + OfficeForm.GRANTED + OfficeForm.OR, OfficeForm.REFUSED));
        edit(new Edit.SetPlaces("page_2", places));
        edit(new Edit.Move("decision", "decision_of_the_board", null));
        always("decision");
        when("conditions", Aspect.SHOWN, "decision = \"granted\"");
        edit(new Edit.AddAt(
                Edit.Novelty.COVER,
                "Area does not apply",
                "page_1",
                Place.of(
                        "",
                        OfficeForm.hundredths(52),
                        OfficeForm.hundredths(350),
                        OfficeForm.hundredths(130),
                        OfficeForm.hundredths(36))));
        edit(new Edit.SetOverlay("area_does_not_apply", OverlayShape.COVER, "not applicable"));
        when("area_does_not_apply", Aspect.SHOWN, "drained != \"field\"");
    }

    private void ring(List<Place> places, String choice, int[] across) {
        places.add(new Place(
                "decision",
                choice,
                0,
                across[0] - 120,
                OfficeForm.hundredths(376 + 1),
                across[1] + 240,
                OfficeForm.hundredths(13),
                Lettering.PLAIN.withTick(Lettering.Tick.RING),
                "",
                ""));
    }

    private void overlay(String key, OverlayShape shape, String page, int[] across, float top) {
        String label =
                key.substring(0, 1).toUpperCase(Locale.ROOT) + key.substring(1).replace('_', ' ');
        edit(new Edit.AddAt(
                Edit.Novelty.STROKE,
                label,
                page,
                Place.of("", across[0], OfficeForm.hundredths(top + 2), across[1], OfficeForm.hundredths(10))));
        edit(new Edit.SetOverlay(key, shape, ""));
    }

    private Page page(String key) {
        return template.pages().stream()
                .filter(page -> page.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private void roles() {
        edit(new Edit.PutRole(new Role("owner_role", "Owner", 1, null)));
        edit(new Edit.PutRole(new Role("board", "Board", 2, null)));
        List<String> ofBoard = List.of("decision", "conditions", "signed_board");
        edit(new Edit.SetRole(
                template.fields().stream()
                        .map(Field::key)
                        .filter(key -> !ofBoard.contains(key))
                        .toList(),
                "owner_role"));
        edit(new Edit.SetRole(ofBoard, "board"));
    }
}
