package keentally.samples;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import keentally.core.picture.Picture;
import keentally.core.starter.Starter;

/**
 * A picture that no method was made for, and what is true of it: for trying what a starter says to somebody's own picture.
 *
 * @param kind what it shows
 * @param number of its kind, from 1
 * @param asked the questions that it has a true answer to
 * @param things that are to be counted, cut off or not; none where a share is asked for
 * @param percent that is asked for; of what it is one, the question says
 */
public record Unseen(
        String kind, int number, Picture picture, List<Starter> asked, List<Truth.Thing> things, double percent) {
    static Unseen ofThings(String kind, int number, Picture picture, List<Truth.Thing> things) {
        List<Starter> asked = List.of(Starter.HOW_MANY, Starter.HOW_BIG);
        return new Unseen(kind, number, picture, asked, things, Double.NaN);
    }

    static Unseen ofShare(String kind, int number, Picture picture, Starter asked, double percent) {
        return new Unseen(kind, number, picture, List.of(asked), List.of(), percent);
    }

    /** What a question should be answered by: a count, a median diameter in pixels, or percent. */
    public double truth(Starter question) {
        return switch (question) {
            case HOW_MANY -> things.size();
            case HOW_BIG -> medianEcd().orElse(Double.NaN);
            default -> percent;
        };
    }

    /** Of things that are whole. */
    private OptionalDouble medianEcd() {
        double[] ecds = things.stream()
                .filter(t -> !t.cutByEdge())
                .mapToDouble(Truth.Thing::ecdPx)
                .toArray();
        Arrays.sort(ecds);
        return ecds.length == 0
                ? OptionalDouble.empty()
                : OptionalDouble.of((ecds[ecds.length / 2] + ecds[(ecds.length - 1) / 2]) / 2);
    }

    /** Whether an answer is right: a count within 3 % or 1, a size within 5 %, a share within 1 point. */
    public boolean isRight(Starter question, double answer) {
        double truth = truth(question);
        double off = switch (question) {
            case HOW_MANY -> Math.max(1, 0.03 * truth);
            case HOW_BIG -> 0.05 * truth;
            default -> 1;
        };
        return Math.abs(answer - truth) <= off;
    }

    @Override
    public String toString() {
        return kind + " " + number;
    }
}
