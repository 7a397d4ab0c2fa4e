package keentally.desk.training;

import java.util.HashMap;
import java.util.Map;
import keentally.core.classify.FeatureGrid;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.PixelFeatures;
import keentally.core.method.Method;
import keentally.core.run.RunFault;
import keentally.core.step.State;
import keentally.core.work.Cancel;
import keentally.desk.model.TrialRuns;
import keentally.study.file.FileFault;

/**
 * Samples' pictures as they come to a station, with the features that were worked out of them: kept from one training to the next, as long as picture and features are the same. For
 * one thread.
 */
final class Inputs {
    private static final int PLACES = 60_000;

    private final Map<String, Input> known = new HashMap<>();

    /** One sample's. */
    static final class Input {
        private final State state;
        private final PixelFeatures features;
        private FeatureGrid grid;

        private Input(State state, PixelFeatures features) {
            this.state = state;
            this.features = features;
        }

        PixelFeatures features() {
            return features;
        }

        FeatureGrid grid() {
            if (grid == null) {
                grid = FeatureGrid.of(features.rows(), PLACES);
            }
            return grid;
        }
    }

    /** A sample's state before a station. */
    static State before(Method method, String stepId, TrialRuns runs, TrialRuns.Reading reading, Cancel cancel)
            throws FileFault, RunFault {
        TrialRuns.TrialSample sample = reading.ready(cancel);
        return runs.run(method, sample.made(), method.indexOf(stepId), cancel).last();
    }

    /** @throws IllegalArgumentException in a sentence, where the features cannot be had of that picture */
    Input of(String sampleId, State state, FeatureSet set) {
        Input before = known.get(sampleId);
        if (before != null
                && before.state.current() == state.current()
                && before.features.rows().set().equals(set)) {
            return before;
        }
        Input fresh = new Input(state, PixelFeatures.of(set, state.current(), state.original()));
        known.put(sampleId, fresh);
        return fresh;
    }
}
