package keentally.study.proof;

import java.util.List;

/**
 * What came out of running everything again.
 *
 * @param numbers that were held against each other
 * @param differences those that are not the same, in the order of the samples
 * @param remarks what could not be held against anything, and why
 */
public record Proof(long numbers, List<Difference> differences, List<String> remarks) {
    public Proof {
        differences = List.copyOf(differences);
        remarks = List.copyOf(remarks);
    }

    /**
     * A number, or a word, that did not come out again.
     *
     * @param what it is, such as {@code area_um2 of object 12}
     * @param old as it was
     * @param now as it came out; empty where it did not
     */
    public record Difference(String sample, String what, String old, String now) {
        @Override
        public String toString() {
            return sample + ": " + what + " was " + shown(old) + ", is " + shown(now);
        }

        private static String shown(String value) {
            return value.isEmpty() ? "nothing" : value;
        }
    }

    /** Whether every number came out exactly, and there were some. */
    public boolean holds() {
        return numbers > 0 && differences.isEmpty();
    }

    /** In a sentence. */
    public String sentence() {
        if (numbers == 0) {
            return "No number could be held against an old one.";
        }
        String all = "%,d number%s".formatted(numbers, numbers == 1 ? "" : "s");
        return differences.isEmpty()
                ? all + " reproduced exactly."
                : "%,d of %s reproduced exactly; %,d differ%s."
                        .formatted(
                                numbers - differences.size(),
                                all,
                                differences.size(),
                                differences.size() == 1 ? "s" : "");
    }
}
