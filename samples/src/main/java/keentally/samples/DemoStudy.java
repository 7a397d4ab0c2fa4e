package keentally.samples;

import java.nio.file.Path;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.classify.TrainingPlan;
import keentally.core.hand.ClassStrokes;
import keentally.core.hand.HandWork;
import keentally.core.hand.Marks;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.quantity.Scale;
import keentally.core.setting.Reference;
import keentally.core.step.BringMaskStep;
import keentally.core.step.ClassifyStep;
import keentally.study.document.Calibration;
import keentally.study.document.FieldOrigin;
import keentally.study.document.ReportPlan;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.method.MethodFile;
import keentally.study.method.ModelFile;

/** The demo samples as a study. */
public final class DemoStudy {
    private DemoStudy() {}

    /** Of some of the demo samples; what a person can read off a picture is left to be done. */
    public static Study of(List<DemoFiles.Entry> samples) throws FileFault, MethodFault {
        return of(samples, false);
    }

    /** Of some of the demo samples, as somebody leaves them who has read scale and field off every picture. */
    public static Study finished(List<DemoFiles.Entry> samples) throws FileFault, MethodFault {
        return of(samples, true);
    }

    private static Study of(List<DemoFiles.Entry> samples, boolean isRead) throws FileFault, MethodFault {
        Study study = Study.empty();
        Map<Path, String> methods = new LinkedHashMap<>();
        for (DemoFiles.Entry demo : samples) {
            String method = methods.computeIfAbsent(demo.method(), file -> "m" + (methods.size() + 1));
            SlideLabel label = demo.tag()
                    .map(t -> SlideLabel.of(demo.title()).tagged(t.group(), Optional.of(t.amount())))
                    .orElse(SlideLabel.of(demo.title()));
            SampleThing sample =
                    SampleThing.of(demo.title(), demo.picture(), method).with(label);
            boolean captioned = demo.isCaptioned();
            Optional<Calibration> scale = Optional.of(
                    captioned
                            ? new Calibration(
                                    Scale.of(demo.scale()), Calibration.Origin.FOUND, "the bar in its caption")
                            : new Calibration(Scale.of(demo.scale()), Calibration.Origin.DEMO, ""));
            SampleThing told = captioned && !isRead
                    ? sample
                    : sample.with(scale).with(demo.field(), captioned ? FieldOrigin.FOUND : FieldOrigin.DEMO);
            String id = study.newSampleId();
            study = study.with(method, MethodFile.read(demo.method())).with(id, told);
            for (Map.Entry<String, HandWork> work : demo.hand().entrySet()) {
                study = study.withHand(id, method, work.getKey(), Optional.of(work.getValue()));
                if (work.getValue() instanceof ClassStrokes) {
                    study = study.withTraining(method, work.getKey(), taught(study.method(method), work.getKey()));
                }
            }
        }
        return beside(study, samples).with(report());
    }

    /** To learn the classes of the model that a step has. */
    private static TrainingPlan taught(Method method, String stepId) throws FileFault {
        Reference model = method.step(stepId).orElseThrow().values().get(ClassifyStep.MODEL);
        return TrainingPlan.USUAL.with(ModelFile.read(Path.of(model.file())).classes());
    }

    private static ReportPlan report() {
        return ReportPlan.USUAL
                .headed(
                        "From grain to bread: what the pictures say",
                        "Millrace grain and bread laboratory",
                        "A. Farrier",
                        "Made-up pictures of flour, grain, dough and bread, measured with the methods that stand beside them."
                                + " All that is counted here is known to the drawing hand, so that any number can be"
                                + " checked.")
                .with(Optional.of(Base64.getEncoder().encodeToString(MillMark.png())));
    }

    /** What others made of the samples: counts, methods, and masks as methods of their own; no sample is turned to these. */
    private static Study beside(Study laidOut, List<DemoFiles.Entry> samples) throws FileFault, MethodFault {
        Study study = laidOut;
        for (int i = 0; i < samples.size(); i++) {
            String id = study.samples().get(i);
            DemoFiles.Others others = samples.get(i).others();
            if (!others.classes().isEmpty()) {
                study = study.withClasses(others.classes());
            }
            for (Map.Entry<String, Marks> tally : others.tallies().entrySet()) {
                study = study.withTally(id, tally.getKey(), tally.getValue());
            }
            boolean taken = false;
            for (Path file : others.methods()) {
                Method method = MethodFile.read(file);
                String methodId = study.newMethodId();
                study = study.with(methodId, method);
                for (MethodStep step : method.steps()) {
                    boolean brings = step.description().id().equals(BringMaskStep.ID);
                    Optional<HandWork> work = brings
                            ? others.brought().map(b -> b)
                            : Optional.ofNullable(others.hand().get(step.id()));
                    if (work.isPresent()) {
                        study = study.withHand(id, methodId, step.id(), work);
                    }
                    taken |= brings;
                }
            }
            if (others.brought().isPresent() && !taken) {
                String method = study.newMethodId();
                Method rough = Method.empty(
                                "Brought in: " + samples.get(i).title(),
                                study.method(study.sample(id).orElseThrow().method())
                                        .unit())
                        .then(BringMaskStep.ID, BringMaskStep.AS.id(), "mask");
                study = study.with(method, rough)
                        .withHand(
                                id,
                                method,
                                rough.steps().getFirst().id(),
                                others.brought().map(b -> b));
            }
        }
        return study;
    }
}
