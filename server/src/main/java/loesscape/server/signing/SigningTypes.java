package loesscape.server.signing;

import java.util.List;

/** What the pages know of dispatches, beside what they know of documents. */
public final class SigningTypes {

    /** The shapes that go over HTTP. */
    public static final List<Class<?>> SHARED = List.of(
            Turns.OpenTurn.class,
            Turns.TurnEnded.class,
            TurnApi.Declining.class,
            TurnApi.HandedOn.class,
            TurnApi.AtTheDesk.class,
            TurnApi.IdentityGiven.class,
            TurnApi.IdentityAnswer.class,
            Identification.IdentityAsked.class,
            SignedApi.SignedTitle.class,
            SignedApi.Checked.class,
            Sending.SendingWanted.class,
            Sending.TableReport.class,
            Sending.ToSend.class,
            Sending.OpenInvitation.class,
            OpenLinkApi.PeopleNamed.class,
            OpenLinkApi.OwnAddress.class,
            OpenLinkApi.CodeOnItsWay.class,
            Dispatches.DispatchList.class,
            Dispatches.DispatchPage.class,
            DispatchesApi.Begun.class,
            DispatchesApi.TableWanted.class,
            DispatchesApi.OpenLinkWanted.class,
            DispatchesApi.OpenLinkMade.class,
            DispatchesApi.OpenLinkList.class,
            OpenLinkStore.OpenLinkRow.class,
            DispatchesApi.Withdrawing.class,
            DispatchesApi.OfRole.class,
            DispatchesApi.Correction.class,
            DispatchesApi.WebhookWanted.class,
            DispatchesApi.WebhookPage.class,
            OutsideApi.Outside.class,
            OutsideApi.AtDesk.class,
            OutsideApi.Ending.class);

    private SigningTypes() {}
}
