package keentally.study.caution;

import java.util.Optional;
import keentally.core.find.LightGround;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.step.UnmixDyesStep;
import keentally.core.words.Figures;
import keentally.core.work.Work;

/** Whether a share of dyes or phases is one of a whole that the light ground beside the sample belongs to. */
final class WrongWhole {
    /** Of the field; less does not move a share by much. */
    private static final double LEAST_PERCENT = 5;

    private WrongWhole() {}

    static Optional<Caution> of(Run run, Readings readings, Work work) {
        boolean dyes = has(run, UnmixDyesStep.ID);
        boolean within = !run.method().openParts().isEmpty();
        if (!dyes && readings.state().phases().isEmpty() || within) {
            return Optional.empty();
        }
        Picture picture = run.sample().picture();
        Field field = readings.state().field();
        return (dyes ? LightGround.ofDyes(picture, field, work) : LightGround.of(picture, field, work))
                .filter(ground -> ground.percent() >= LEAST_PERCENT)
                .map(
                        ground -> new Caution(
                                CautionKind.WRONG_WHOLE,
                                "Shares are of the whole field, and " + Figures.percent(ground.percent())
                                        + " % of that is a light ground.",
                                "Glass or paper beside the sample, or seen through it, makes every share smaller, and by another amount on the next picture.",
                                "Go on within the sample alone: find the ground by its colour, invert, and add the station “Within”."));
    }

    private static boolean has(Run run, String id) {
        return run.stations().stream().anyMatch(s -> s.step().description().id().equals(id));
    }
}
