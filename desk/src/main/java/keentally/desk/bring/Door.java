package keentally.desk.bring;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.scene.Scene;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.VBox;
import keentally.core.words.Words;
import keentally.desk.look.Ask;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.model.Address;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenSample;
import keentally.study.door.Arrival;
import keentally.study.door.Arrival.Kind;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureFile;

/** The one door by which files come in, however they were brought: each is told by what is in it and led to where it belongs. */
public final class Door {
    private final DeskModel desk;
    private final Ways ways;
    private final Supplier<Scene> scene;
    private final Executor ui;

    /** Where things belong. */
    public interface Ways {
        void study(Path file);

        void method(Path file);

        void pictures(List<Path> files);

        /** Made elsewhere for the sample on the stage. */
        void mask(Path file);

        /** Of a hand count of the sample on the stage. */
        void marks(Path file);

        /** Numbers for samples, to be held against ours. */
        void table(String text);
    }

    /** @param ui runs what it is given on the interface thread, in order */
    public Door(DeskModel desk, Ways ways, Supplier<Scene> scene, Executor ui) {
        this.desk = desk;
        this.ways = ways;
        this.scene = scene;
        this.ui = ui;
    }

    /** Takes files in by what they are. */
    public void open(List<Path> files) {
        Address here = desk.here();
        Optional<PictureFile> sample = desk.open().get().map(OpenSample::file);
        desk.job(Texts.of("job.door"), job -> {
            List<Arrival> arrived = new ArrayList<>();
            List<String> faults = new ArrayList<>();
            for (int i = 0; i < files.size(); i++) {
                job.at(i, files.size());
                try {
                    arrived.add(Arrival.of(files.get(i), sample));
                } catch (FileFault e) {
                    faults.add(Texts.fault(e));
                }
            }
            ui.execute(() -> take(here, arrived, faults));
        });
    }

    private static List<Path> of(List<Arrival> arrived, Kind kind) {
        return arrived.stream().filter(a -> a.kind() == kind).map(Arrival::file).toList();
    }

    private void take(Address here, List<Arrival> arrived, List<String> faults) {
        if (here.study() != desk.holding().get()) {
            return; // another study is on the desk by now
        }
        List<Path> studies = of(arrived, Kind.STUDY);
        if (!studies.isEmpty()) {
            ways.study(studies.getFirst());
            if (arrived.size() > 1) {
                desk.say(Texts.of("door.study-first", studies.getFirst().getFileName()));
            }
            return;
        }
        of(arrived, Kind.METHOD).forEach(ways::method);
        of(arrived, Kind.MODEL).forEach(f -> faults.add(Texts.of("door.model", f.getFileName())));
        List<Path> pictures = new ArrayList<>(of(arrived, Kind.PICTURE));
        for (Arrival mask : arrived.stream().filter(a -> a.kind() == Kind.MASK).toList()) {
            if (desk.here().equals(here)) {
                mask(mask, pictures);
            } else {
                faults.add(Texts.of("bring.elsewhere")); // it was told by the picture that was on the stage
            }
        }
        if (!pictures.isEmpty()) {
            ways.pictures(pictures);
        }
        for (Path marks : of(arrived, Kind.MARKS)) {
            if (desk.sampleId().get().isEmpty()) {
                faults.add(Texts.of("door.marks.no-sample", marks.getFileName()));
            } else {
                ways.marks(marks);
            }
        }
        for (Path table : of(arrived, Kind.TABLE)) {
            try {
                ways.table(Arrival.read(table));
            } catch (FileFault e) {
                faults.add(Texts.fault(e));
            }
        }
        if (!faults.isEmpty()) {
            desk.say(String.join(" ", faults));
        }
    }

    /** A mask of the sample on the stage, or a sample of its own; the person says which. */
    private void mask(Arrival arrival, List<Path> pictures) {
        ToggleGroup choice = new ToggleGroup();
        String name = desk.sample().orElseThrow().name();
        RadioButton mask = choice("door-mask", Texts.of("door.as-mask", name), choice);
        RadioButton sample = choice("door-sample", Texts.of("door.as-sample"), choice);
        mask.setSelected(true);
        VBox content = new VBox(10, Prose.of(Words.spoken(arrival.because()), "help-text"), mask, sample);
        content.setPrefWidth(440);
        if (!Ask.that(scene.get(), Texts.of("door.title"), content, Texts.of("door.yes"))) {
            return;
        }
        if (sample.isSelected()) {
            pictures.add(arrival.file());
        } else {
            ways.mask(arrival.file());
        }
    }

    private static RadioButton choice(String id, String text, ToggleGroup group) {
        RadioButton button = new RadioButton(text);
        button.setId(id);
        button.setToggleGroup(group);
        button.setWrapText(true);
        return button;
    }
}
