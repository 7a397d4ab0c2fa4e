package keentally.core.measure;

/** A word in a formula that stands for a number which is found elsewhere. */
sealed interface Term permits Term.OfObject, SampleTerm {
    Kind kind();

    /** A measure of an object. */
    record OfObject(Measure measure) implements Term {
        @Override
        public Kind kind() {
            return Kind.of(measure.dimension());
        }
    }
}
