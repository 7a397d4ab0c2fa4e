package keentally.desk.kill;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import keentally.core.geometry.Rectangle;
import keentally.core.picture.Field;
import keentally.core.quantity.Scale;
import keentally.core.step.Steps;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenStudy.Keeping;
import keentally.desk.model.SampleActions;
import keentally.study.document.Calibration;
import keentally.study.document.PictureRef;
import keentally.study.document.SlideLabel;
import keentally.study.document.Study;
import keentally.study.file.Sha256;
import keentally.study.method.MethodFile;
import keentally.study.store.StudyFile;

/**
 * The desk without its window, worked without a rest by chance, in a process of its own that is to be killed: prints a line each
 * time an action is shown as kept.
 */
public final class RestlessPerson {
    private final BlockingQueue<Runnable> ui = new LinkedBlockingQueue<>();
    private final DeskModel desk = new DeskModel(ui::add, e -> e.printStackTrace(System.out));
    private final SampleActions actions = new SampleActions(desk, ui::add);
    private final SplittableRandom random;
    private final Path picture;

    private RestlessPerson(Path picture, long seed) {
        this.picture = picture;
        this.random = new SplittableRandom(seed);
    }

    /** Words: study file, picture file, seed. */
    public static void main(String[] words) throws InterruptedException {
        new RestlessPerson(Path.of(words[1]), Long.parseLong(words[2])).work(Path.of(words[0]));
    }

    private void work(Path study) throws InterruptedException {
        desk.begin(watch -> StudyFile.open(study, watch), () -> {});
        while (desk.holding().get().path().isEmpty()) {
            ui.take().run();
        }
        System.out.println("open " + digest(desk.study().get()));
        for (int n = 0; ; n++) {
            act(n);
            while (desk.holding().get().keeping().get().how() != Keeping.How.KEPT) {
                ui.take().run();
            }
            System.out.println("done " + digest(desk.study().get()));
        }
    }

    private void act(int n) {
        List<String> samples = desk.study().get().samples();
        int what = random.nextInt(8);
        if (samples.isEmpty() || what == 0 && samples.size() < 12) {
            actions.put(List.of(new SampleActions.NewSample("sample " + n, PictureRef.of(picture, 1))));
            return;
        }
        String id = samples.get(random.nextInt(samples.size()));
        switch (what) {
            case 1 -> desk.undo();
            case 2 -> desk.redo();
            case 3 -> actions.label(id, SlideLabel.of("named " + n).noted("x".repeat(random.nextInt(2000))));
            case 4 -> actions.calibrate(Optional.of(Calibration.typed(Scale.of((n + 1) + " um/px"))));
            case 5 -> actions.fence("field", List.of(new Field.Part(new Rectangle(0, 0, 1 + n % 7, 3), false)));
            case 6 ->
                desk.change(
                        "add",
                        m -> m.steps().size() > 8
                                ? m.remove(m.steps().getFirst().id())
                                : m.add(0, Steps.find("smooth").orElseThrow()));
            default -> actions.move(id, random.nextInt(3) - 1);
        }
    }

    /** All that a study says, as one number. */
    static String digest(Study study) {
        StringBuilder text = new StringBuilder();
        study.samples().forEach(id -> text.append(id).append(study.sample(id).orElseThrow()));
        study.methods().forEach(id -> text.append(id).append(MethodFile.hash(study.method(id))));
        return Sha256.of(text.toString());
    }
}
