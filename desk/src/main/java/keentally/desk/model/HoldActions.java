package keentally.desk.model;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executor;
import keentally.core.method.Held;
import keentally.core.method.Method;
import keentally.core.method.MethodStep;
import keentally.core.run.Holding;
import keentally.core.run.RunFault;
import keentally.core.setting.Values;
import keentally.core.words.Words;
import keentally.desk.look.Texts;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;

/** Holds stations of the method in use at what they find, and lets them find anew. */
public final class HoldActions {
    private final DeskModel desk;
    private final Executor ui;

    /** @param ui runs what it is given on the interface thread, in order */
    public HoldActions(DeskModel desk, Executor ui) {
        this.desk = desk;
        this.ui = ui;
    }

    private record Read(String name, Method method, TrialRuns.Reading reading) {}

    /**
     * Fits a station to some samples taken together, and holds it there for all samples of its method.
     *
     * @param samples ids, at least one
     */
    public void hold(String stepId, List<String> samples) {
        Study study = desk.study().get();
        Address here = desk.here();
        String methodId = desk.methodId();
        Method method = study.method(methodId).free(stepId);
        MethodStep step = method.step(stepId).orElseThrow();
        TrialRuns trials = desk.trials();
        List<Read> asked = new ArrayList<>();
        for (String id : samples) {
            asked.add(new Read(
                    study.sample(id).map(SampleThing::name).orElseThrow(),
                    study.departures(id, methodId).on(method),
                    trials.reading(study, id, methodId)));
        }
        desk.job(Texts.of("job.hold", Words.title(step.description())), job -> {
            try {
                Holding holding = trials.holding(step, job.cancel());
                for (int i = 0; i < asked.size(); i++) {
                    job.at(i, asked.size());
                    Read read = asked.get(i);
                    holding.add(read.method, read.reading.ready(job.cancel()).made());
                }
                Values found = holding.found(method);
                Held origin =
                        new Held(step.values(), asked.stream().map(Read::name).toList(), LocalDate.now());
                ui.execute(() -> take(here, stepId, step, found, origin));
            } catch (RunFault | FileFault e) {
                ui.execute(() -> desk.say(Texts.fault(e)));
            } catch (IllegalArgumentException e) {
                ui.execute(() -> desk.say(Texts.fault(e) + "."));
            }
        });
    }

    private void take(Address here, String stepId, MethodStep step, Values found, Held origin) {
        boolean same = desk.isThere(here)
                && desk.study().get().methods().contains(here.methodId())
                && desk.study()
                        .get()
                        .method(here.methodId())
                        .free(stepId)
                        .step(stepId)
                        .filter(s -> s.values().equals(step.values()))
                        .isPresent();
        if (!same) {
            desk.say(Texts.of("hold.changed"));
            return;
        }
        desk.act(
                Texts.of("action.hold", Words.title(step.description())),
                s -> s.with(here.methodId(), s.method(here.methodId()).hold(stepId, found, origin)));
    }

    /** Lets a station fit itself to each sample again. */
    public void free(String stepId) {
        String methodId = desk.methodId();
        MethodStep step = desk.method().step(stepId).orElseThrow();
        desk.act(
                Texts.of("action.free", Words.title(step.description())),
                s -> s.with(methodId, s.method(methodId).free(stepId)));
    }
}
