package keentally.samples;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import keentally.core.method.Method;
import keentally.core.picture.Channel;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.quantity.LengthUnit;
import keentally.core.run.Progress;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.starter.FirstLook;
import keentally.core.starter.Spread;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.starter.Whole;
import keentally.core.step.State;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import org.junit.jupiter.api.Test;

/**
 * Whether the first number is right on pictures that nobody made a method for. The first picture of each kind, or those of
 * another number, or all: {@code -Dkeentally.unseen=all}. Prints a table as in docs/first-number.md.
 */
class FirstNumberTest {
    private static final String WHICH = System.getProperty("keentally.unseen", "1");
    private static final double RIGHT_AT_FIRST = 0.85;
    private static final double RIGHT_AT_SECOND = 0.92;

    /** How many answers there are, are right at first, are right at second, and lie in the range that was told. */
    private static final class Tally {
        private int answers;
        private int first;
        private int second;
        private int inRange;

        private void print(Object question) {
            System.out.printf("| %s | %d | %d | %d | %d |%n", question, answers, first, second, inRange);
        }
    }

    @Test
    void mostFirstNumbersAreRight() throws Exception {
        Map<Starter, Tally> tallies = new EnumMap<>(Starter.class);
        Tally all = new Tally();
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            for (Supplier<Unseen> drawing : WHICH.equals("all")
                    ? UnseenPictures.all(work)
                    : UnseenPictures.numbered(Integer.parseInt(WHICH), work)) {
                Unseen unseen = drawing.get();
                FirstLook look = FirstLook.at(start(unseen.picture()), work);
                for (Starter question : unseen.asked()) {
                    Tally own = tallies.computeIfAbsent(question, q -> new Tally());
                    answered(unseen, question, look, workers, List.of(own, all));
                }
            }
        }
        tallies.forEach((question, tally) -> tally.print(question));
        all.print("all");
        assertThat(all.answers).isGreaterThan(20);
        assertThat((double) all.first / all.answers).isGreaterThanOrEqualTo(RIGHT_AT_FIRST);
        assertThat((double) all.second / all.answers).isGreaterThanOrEqualTo(RIGHT_AT_SECOND);
    }

    private static State start(Picture picture) {
        return State.of(picture, Field.whole(picture.width(), picture.height()), Optional.empty());
    }

    private static void answered(Unseen unseen, Starter question, FirstLook look, Workers workers, List<Tally> tallies)
            throws Exception {
        Work work = new Work(workers, new Cancel());
        List<Suggestion> two = question.suggestions(Method.empty("new", LengthUnit.PX), look, work).stream()
                .limit(2)
                .toList();
        List<Double> numbers =
                two.stream().map(s -> number(s, unseen.picture(), workers)).toList();
        boolean first = !two.isEmpty() && unseen.isRight(question, numbers.getFirst());
        boolean second = numbers.stream().anyMatch(n -> unseen.isRight(question, n));
        Spread spread =
                two.isEmpty() ? new Spread(1, 1) : two.getFirst().spread(work).orElse(new Spread(1, 1));
        double truth = unseen.truth(question);
        for (Tally tally : tallies) {
            tally.answers++;
            tally.first += first ? 1 : 0;
            tally.second += second ? 1 : 0;
            tally.inRange += !two.isEmpty()
                            && truth >= Math.floor(spread.least() * numbers.getFirst())
                            && truth <= Math.ceil(spread.most() * numbers.getFirst())
                    ? 1
                    : 0;
        }
        if (!first) {
            System.out.printf("%s, %s: %s for %s%n", unseen, question, numbers, truth);
        }
    }

    private static double number(Suggestion suggestion, Picture picture, Workers workers) {
        try {
            Sample sample = Sample.of("unseen", picture, List.of(), Optional.empty());
            State end = new Runner(workers, new StateCache(0))
                    .run(suggestion.method(), sample, 99, new Cancel(), Progress.SILENT)
                    .last();
            return suggestion.answer(end, new Work(workers, new Cancel())).value();
        } catch (RunFault e) {
            return Double.NaN;
        }
    }

    /** What is found on a picture made small goes for the picture itself, sizes and all. */
    @Test
    void aLargePictureIsLookedAtSmallAndAnsweredWhole() throws Exception {
        Unseen beads = UnseenPictures.numbered(1, Work.alone()).get(1).get();
        assertThat(beads.kind()).isEqualTo("beads");
        Picture large = enlarged(beads.picture(), 3);
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            FirstLook look = FirstLook.at(start(large), work);
            assertThat(look.factor()).isEqualTo(3);
            Suggestion many = Starter.HOW_MANY
                    .suggestions(Method.empty("new", LengthUnit.PX), look, work)
                    .getFirst();
            assertThat(many.isExact()).isFalse();
            assertThat(beads.isRight(Starter.HOW_MANY, many.rough(work).value()))
                    .isTrue();
            assertThat(beads.isRight(Starter.HOW_MANY, number(many, large, workers)))
                    .isTrue();
            Suggestion big = Starter.HOW_BIG
                    .suggestions(Method.empty("new", LengthUnit.PX), look, work)
                    .getFirst();
            assertThat(beads.isRight(Starter.HOW_BIG, big.rough(work).value() / 3))
                    .isTrue();
            assertThat(beads.isRight(Starter.HOW_BIG, number(big, large, workers) / 3))
                    .isTrue();
        }
    }

    /** Things too small for the small picture are looked at in a part of the large one. */
    @Test
    void smallThingsOfALargePictureAreCountedAllTheSame() throws Exception {
        byte[] values = new byte[2400 * 1800];
        int things = 0;
        for (int y = 20; y < 1780; y += 25) {
            for (int x = 20; x < 2380; x += 25) {
                for (int i = 0; i < 49; i++) {
                    values[(y + i / 7) * 2400 + x + i % 7] = (byte) 220;
                }
                things++;
            }
        }
        Picture picture = Picture.grey(Plane8.of(2400, 1800, values));
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            Suggestion many = Starter.HOW_MANY
                    .suggestions(Method.empty("new", LengthUnit.PX), FirstLook.at(start(picture), work), work)
                    .getFirst();
            assertThat(number(many, picture, workers)).isEqualTo(things);
            assertThat(many.rough(work).value() / things).isBetween(0.9, 1.1);
        }
    }

    /** The dish is found on the small picture, and what is too small for that on a part of the large one, within the same rim. */
    @Test
    void smallThingsInADishAreCountedInTheDish() throws Exception {
        int width = 1800;
        byte[] values = new byte[width * 1600];
        Random chance = new Random(3);
        int things = 0;
        for (int y = 0; y < 1600; y++) {
            for (int x = 0; x < width; x++) {
                int ground = Math.hypot(x - 860, y - 800) < 700 ? 190 : 55;
                values[y * width + x] = (byte) Math.round(ground + 3 * chance.nextGaussian());
            }
        }
        for (int y = 140; y < 1500; y += 45) {
            for (int x = 140; x < 1600; x += 45) {
                if (Math.hypot(x - 860, y - 800) < 640) {
                    disc(values, width, x + chance.nextInt(12), y + chance.nextInt(12));
                    things++;
                }
            }
        }
        Picture picture = Picture.grey(Plane8.of(width, 1600, values));
        try (Workers workers = Workers.of(2)) {
            Work work = new Work(workers, new Cancel());
            Suggestion many = Starter.HOW_MANY
                    .suggestions(Method.empty("new", LengthUnit.PX), FirstLook.at(start(picture), work), work)
                    .getFirst();
            assertThat(many.of()).isEqualTo(Whole.ROUND_FIELD);
            assertThat(number(many, picture, workers)).isEqualTo(things);
        }
    }

    private static void disc(byte[] values, int width, int cx, int cy) {
        for (int y = -6; y <= 6; y++) {
            for (int x = -6; x <= 6; x++) {
                if (x * x + y * y <= 36) {
                    values[(cy + y) * width + cx + x] = 70;
                }
            }
        }
    }

    private static Picture enlarged(Picture picture, int factor) {
        return new Picture(picture.channels().stream()
                .map(c -> new Channel(c.name(), enlarged(c.plane(), factor), c.ink()))
                .toList());
    }

    private static Plane enlarged(Plane plane, int factor) {
        int width = plane.width() * factor;
        byte[] values = new byte[width * plane.height() * factor];
        IntStream.range(0, values.length)
                .forEach(i -> values[i] = (byte) plane.at(i % width / factor, i / width / factor));
        return Plane8.of(width, plane.height() * factor, values);
    }
}
