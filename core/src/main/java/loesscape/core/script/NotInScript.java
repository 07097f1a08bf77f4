package loesscape.core.script;

/** Something that no script is written for; the message says what, as the end of a sentence. */
final class NotInScript extends RuntimeException {

    NotInScript(String what) {
        super(what);
    }
}
