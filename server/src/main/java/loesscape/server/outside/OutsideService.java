package loesscape.server.outside;

/** A service outside that this server leans on. */
public enum OutsideService {
    /** Takes messages to people. */
    MAIL,
    /** Takes text messages to telephones. */
    TEXT_MESSAGES,
    /** Takes payments. */
    PAYMENTS,
    /** Knows registers of others, and answers by their key. */
    DIRECTORY,
    /** Issues certificates and seals with them. */
    AUTHORITY,
    /** Whoever is told of ends through a webhook. */
    WEBHOOKS
}
