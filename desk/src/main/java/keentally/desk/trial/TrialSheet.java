package keentally.desk.trial;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.scene.SnapshotParameters;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import keentally.core.method.MethodStep;
import keentally.core.trial.Axis;
import keentally.core.words.Words;
import keentally.desk.look.Once;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.study.document.Thing.SheetThing;
import keentally.study.result.TrialFiles;

/** The trial sheet as the window lays it out: tiles where the stage is, and what is tried where the station's panel is. */
public final class TrialSheet {
    private final DeskModel desk;
    private final TrialModel model;
    private final Once<TrialGrid> grid;
    private final Once<TrialPanel> panel;
    private final DeskFiles files;
    private final Supplier<Optional<Path>> choose;
    private final ReadOnlyBooleanWrapper open = new ReadOnlyBooleanWrapper();

    /**
     * @param choose asks for the name of a PNG file to write the sheet to
     * @param more axes of a step that its settings do not tell of
     */
    public TrialSheet(
            DeskModel desk, StageModel stage, Supplier<Optional<Path>> choose, Function<MethodStep, List<Axis>> more) {
        this.desk = desk;
        this.choose = choose;
        this.model = new TrialModel(desk, Platform::runLater, more);
        this.grid = new Once<>(() -> {
            TrialGrid tiles = leaving(new TrialGrid(desk, stage, model, this::take));
            tiles.visibleProperty().bind(open);
            return tiles;
        });
        this.panel =
                new Once<>(() -> leaving(new TrialPanel(desk, model, this::take, this::close, this::save, this::keep)));
        this.files = new DeskFiles(desk, Platform::runLater);
        desk.sampleId().addListener(o -> close());
        desk.station().addListener(o -> {
            if (!desk.station().get().equals(model.stepId())) {
                close();
            }
        });
    }

    private <R extends Region> R leaving(R part) {
        part.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
        return part;
    }

    /** Whether it lies over the stage. */
    public ReadOnlyBooleanProperty isOpen() {
        return open.getReadOnlyProperty();
    }

    public TrialModel model() {
        return model;
    }

    public Region tiles() {
        return grid.get();
    }

    public Region panel() {
        return panel.get();
    }

    /** Opens over the selected station, or closes. */
    public void toggle() {
        if (open.get()) {
            close();
            return;
        }
        model.open(() -> {
            open.set(true);
            panel.get().fill();
            grid.get().requestFocus();
        });
    }

    public void close() {
        if (open.get()) {
            model.close();
            grid.get().reset();
            open.set(false);
        }
    }

    private void take() {
        List<TrialModel.Tile> tiles = model.tiles().get();
        Optional<TrialModel.Tile> tile =
                model.chosen().get().filter(i -> i < tiles.size()).map(tiles::get);
        if (tile.isPresent() && tile.get().fault().isEmpty() && model.take(tile.get())) {
            close();
        }
    }

    /** What is seen as a picture, and all numbers as a table beside it. */
    private void save() {
        choose.get().ifPresent(file -> make(sheet -> files.saveSheet(file, sheet)));
    }

    private void keep() {
        make(files::keepSheet);
    }

    private void make(Consumer<SheetThing> then) {
        WritableImage picture = grid.get().getContent().snapshot(new SnapshotParameters(), null);
        int width = (int) picture.getWidth();
        int height = (int) picture.getHeight();
        int[] pixels = new int[width * height];
        picture.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        List<TrialFiles.Row> rows = model.tiles().get().stream().map(this::row).toList();
        String name = desk.sample().map(s -> s.name()).orElse("");
        String title = Texts.of("sheets.named", name, station(), panel.get().axis());
        files.sheet(title, width, height, pixels, rows, then);
    }

    private String station() {
        return desk.method()
                .step(desk.station().get())
                .map(s -> Words.title(s.description()))
                .orElse("");
    }

    private TrialFiles.Row row(TrialModel.Tile tile) {
        return new TrialFiles.Row(
                desk.study().get().sample(tile.sample()).map(s -> s.name()).orElse(tile.sample()),
                tile.label(),
                tile.number(TrialModel.Number.SHARE),
                tile.number(TrialModel.Number.EXPLAINED),
                tile.outcome().map(o -> o.count()).orElse(OptionalDouble.empty()),
                tile.number(TrialModel.Number.DIFFERS),
                tile.number(TrialModel.Number.SCORE),
                tile.number(TrialModel.Number.OWN),
                tile.current(),
                tile.fault());
    }
}
