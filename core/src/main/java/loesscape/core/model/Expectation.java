package loesscape.core.model;

import java.util.List;
import java.util.function.UnaryOperator;

/** One thing that is to be so in a trial. An address is a key, or in rows a key, “@” and the name of the row. */
public sealed interface Expectation {

    /** The address of what it is about; empty for the document as a whole. */
    String address();

    /** The same of what is at another address. */
    Expectation at(UnaryOperator<String> addresses);

    /** A page, section or item is shown, required, editable or opened out, or is not. */
    record Is(String address, Aspect aspect, boolean is) implements Expectation {

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return new Is(addresses.apply(address), aspect, is);
        }
    }

    /**
     * The answer that counts in a field.
     *
     * @param typed as it would be typed; empty for blank
     */
    record Counts(String address, String typed) implements Expectation {

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return new Counts(addresses.apply(address), typed);
        }
    }

    /**
     * What a field offers, where that follows other answers.
     *
     * @param choices the identities, in order
     */
    record Offered(String address, List<String> choices) implements Expectation {

        public Offered {
            choices = List.copyOf(choices);
        }

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return new Offered(addresses.apply(address), choices);
        }
    }

    /** How a field, section or text looks. */
    record Looks(String address, Look look) implements Expectation {

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return new Looks(addresses.apply(address), look);
        }
    }

    /**
     * What an indicator tells.
     *
     * @param sign the identity of a band or choice, or whether there is an answer; empty where it tells nothing
     */
    record Tells(String address, String sign) implements Expectation {

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return new Tells(addresses.apply(address), sign);
        }
    }

    /** Whether something is wrong with what was typed into a field, or with the number of rows of a section. */
    record Refuses(String address, boolean is) implements Expectation {

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return new Refuses(addresses.apply(address), is);
        }
    }

    /** Whether a role takes part. */
    record TakesPart(String role, boolean is) implements Expectation {

        @Override
        public String address() {
            return "";
        }

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return this;
        }
    }

    /** Whether the document can be finished as it stands. */
    record Finishes(boolean is) implements Expectation {

        @Override
        public String address() {
            return "";
        }

        @Override
        public Expectation at(UnaryOperator<String> addresses) {
            return this;
        }
    }
}
