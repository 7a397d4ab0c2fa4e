package keentally.core.run;

import keentally.core.method.Method;
import keentally.core.picture.Channel;
import keentally.core.picture.Mask;
import keentally.core.picture.Plane;
import keentally.core.step.State;
import keentally.core.work.Cancel;

/** How far a station that is held lies, on one sample, from what it would find there by itself. */
public final class OwnFit {
    private OwnFit() {}

    /**
     * Per cent of the field whose pixels would be on another side or in another phase; for a station that makes a picture, the root mean
     * square difference of its values in per cent of the range.
     *
     * @param run which reached the station
     */
    public static double percentApart(Run run, String stepId, Runner runner, Cancel cancel) throws RunFault {
        Method free = run.method().free(stepId);
        Run own = runner.run(free, run.sample(), free.indexOf(stepId) + 1, cancel, Progress.SILENT);
        return percent(run.station(stepId).orElseThrow().after(), own.last());
    }

    private static double percent(State a, State b) {
        double field = a.field().pixels();
        Mask inside = a.field().mask();
        if (a.mask().isPresent() && b.mask().isPresent()) {
            Mask one = a.needMask();
            Mask other = b.needMask();
            return 100 * (one.minus(other).count() + other.minus(one).count()) / field;
        }
        if (a.phases().isPresent() && b.phases().isPresent()) {
            byte[] one = a.needPhases().map().values();
            byte[] other = b.needPhases().map().values();
            long unlike = 0;
            for (int i = 0; i < one.length; i++) {
                unlike += one[i] != other[i] ? 1 : 0;
            }
            return 100 * unlike / field;
        }
        double squares = 0;
        long count = 0;
        float[] left = new float[inside.width()];
        float[] right = new float[inside.width()];
        for (Channel channel : a.current().channels()) {
            Plane plane = channel.plane();
            Plane other = b.current().channel(channel.name()).orElseThrow();
            for (int y = 0; y < inside.height(); y++) {
                plane.readRow(y, 0, inside.width(), left, 0);
                other.readRow(y, 0, inside.width(), right, 0);
                for (int x = inside.nextSet(y, 0); x < inside.width(); x = inside.nextSet(y, x + 1)) {
                    double off = left[x] - right[x];
                    squares += off == off ? off * off : 0;
                    count++;
                }
            }
        }
        boolean dyed = a.current().channels().stream().anyMatch(c -> c.ink().isPresent());
        double range = dyed ? 1 : a.original().depth().most();
        return count == 0 ? 0 : 100 * Math.sqrt(squares / count) / range;
    }
}
