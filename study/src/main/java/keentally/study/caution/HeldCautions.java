package keentally.study.caution;

import java.util.ArrayList;
import java.util.List;
import keentally.core.method.Held;
import keentally.core.run.OwnFit;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.step.Flow;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.core.work.Cancel;

/** Where a station is held at what was found on other samples, and this one would come to something else by itself. */
public final class HeldCautions {
    /** Per cent of the field in another phase. */
    private static final double FAR = 5;

    /** Per cent of the range of values. */
    private static final double FAR_IN_VALUE = 2;

    private HeldCautions() {}

    /** @param runner whose cache may know already what the sample would come to by itself */
    public static List<Caution> of(Run run, Runner runner, Cancel cancel) {
        List<Caution> found = new ArrayList<>();
        for (Run.Station station : run.stations()) {
            if (station.step().held().isPresent()) {
                Held held = station.step().held().get();
                boolean picture = station.step().gives() == Flow.PICTURE;
                try {
                    double apart = OwnFit.percentApart(run, station.step().id(), runner, cancel);
                    if (apart > (picture ? FAR_IN_VALUE : FAR)) {
                        found.add(far(run, station, held, apart, picture));
                    }
                } catch (RunFault e) {
                    found.add(far(run, station, held, Double.NaN, picture));
                }
            }
        }
        return found;
    }

    private static Caution far(Run run, Run.Station station, Held held, double apart, boolean picture) {
        int number = run.method().indexOf(station.step().id()) + 1;
        String title = number + " " + Words.title(station.step().description());
        String otherwise = Double.isNaN(apart)
                ? "it finds nothing"
                : picture
                        ? "its values would differ by " + Figures.percent(apart) + " % of the range"
                        : Figures.percent(apart) + " % of the field would come out otherwise";
        return new Caution(
                CautionKind.HELD_FAR,
                title + " is held at what was found over "
                        + (held.samples().size() == 1
                                ? "another sample"
                                : held.samples().size() + " samples")
                        + "; fitted to this sample alone, " + otherwise + ".",
                "Either this sample is different in what is measured, which is what holding is for, or its light or stain is, which"
                        + " makes the number wrong.",
                "Compare both in the trial sheet of the station; let the sample depart, or hold the station over other samples.");
    }
}
