package keentally.cli;

/** A method's file is missing or no JSON. */
final class BadMethodFile extends Exception {
    BadMethodFile(Exception cause) {
        super(cause.getMessage(), cause);
    }
}
