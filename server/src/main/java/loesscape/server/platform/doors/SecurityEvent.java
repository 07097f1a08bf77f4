package loesscape.server.platform.doors;

/** What the security log tells of. */
public enum SecurityEvent {
    SIGNED_IN,
    SIGNED_OUT,
    SIGN_IN_FAILED,
    /** Somebody tried to sign in before their time to wait was over. */
    SIGN_IN_DELAYED,
    /** Somebody asked for what they may not do, or too often. */
    REFUSED,
    ACCOUNT_ADDED,
    ACCOUNT_REMOVED,
    PASSWORD_CHANGED,
    RESET_LINK_MADE,
    PASSKEY_ADDED,
    PASSKEY_REMOVED,
    RIGHTS_CHANGED,
    SESSIONS_ENDED,
    LINK_MADE,
    LINK_ENDED,
    EXPORTED,
    DELETED,
    /** What leaves the house, and what it asks outside, was set otherwise. */
    SETTINGS_CHANGED
}
