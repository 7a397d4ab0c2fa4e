package keentally.desk.pair;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.Observable;
import javafx.geometry.Point2D;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.method.Method;
import keentally.core.setting.ChoiceSetting;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageView;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;

/** The stage, whole or parted in two by a divider; each view says at its head what it shows. */
public final class PairPane extends Pane {
    private static final double BAR = 6;
    private static final double LEAST_SHARE = 0.15;

    private final PairModel pair;
    private final StageView stage;
    private final SecondView second;
    private final VBox left;
    private final VBox right;
    private final VBox named = new VBox();
    private final Label sample = new Label();
    private final Label place = new Label();
    private final Region bar = new Region();
    private double share = 0.5;

    /**
     * @param save the two views are to be taken away as one picture
     * @param keep they are to be kept with the study
     */
    public PairPane(PairModel pair, StageView stage, Runnable save, Runnable keep, Consumer<Throwable> onCrash) {
        this.pair = pair;
        this.stage = stage;
        this.second = new SecondView(pair, stage, onCrash);
        setId("pair");
        getStyleClass().add("pair");
        sample.setId("pair-first-sample");
        place.setId("pair-first-place");
        place.getStyleClass().add("hint");
        named.getStyleClass().addAll("pair-head", "pair-first");
        named.getChildren().addAll(sample, place);
        named.managedProperty().bind(named.visibleProperty());
        named.visibleProperty().bind(pair.open());
        this.left = new VBox(named, stage);
        this.right = new VBox(new PairHead(pair, save, keep), second);
        VBox.setVgrow(stage, Priority.ALWAYS);
        VBox.setVgrow(second, Priority.ALWAYS);
        bar.setId("pair-divider");
        bar.getStyleClass().add("pair-divider");
        bar.setOnMouseDragged(e -> {
            Point2D at = sceneToLocal(e.getSceneX(), e.getSceneY());
            double part = pair.stacked().get() ? at.getY() / getHeight() : at.getX() / getWidth();
            share = Math.clamp(part, LEAST_SHARE, 1 - LEAST_SHARE);
            requestLayout();
        });
        for (Observable laid : List.of(pair.open(), pair.swapped(), pair.stacked())) {
            laid.addListener(o -> lay());
        }
        DeskModel desk = pair.desk();
        for (Observable told : List.of(
                desk.study(), desk.sampleId(), desk.station(), pair.stage().atEnd(), pair.open())) {
            told.addListener(o -> tell());
        }
        lay();
        tell();
    }

    private void lay() {
        getChildren().setAll(pair.open().get() ? List.of(left, right, bar) : List.of(left));
        bar.setCursor(pair.stacked().get() ? Cursor.V_RESIZE : Cursor.H_RESIZE);
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        double height = getHeight();
        if (!pair.open().get()) {
            left.resizeRelocate(0, 0, width, height);
            return;
        }
        Region one = pair.swapped().get() ? right : left;
        Region other = pair.swapped().get() ? left : right;
        if (pair.stacked().get()) {
            double above = Math.rint((height - BAR) * share);
            one.resizeRelocate(0, 0, width, above);
            bar.resizeRelocate(0, above, width, BAR);
            other.resizeRelocate(0, above + BAR, width, height - above - BAR);
        } else {
            double before = Math.rint((width - BAR) * share);
            one.resizeRelocate(0, 0, before, height);
            bar.resizeRelocate(before, 0, BAR, height);
            other.resizeRelocate(before + BAR, 0, width - before - BAR, height);
        }
    }

    private void tell() {
        DeskModel desk = pair.desk();
        Method method = desk.method();
        String name = desk.sample().map(SampleThing::name).orElse("");
        sample.setText(Texts.of("pair.first.head", Texts.of("pair.first", name, method.name())));
        place.setText(
                pair.stage().atEnd().get()
                        ? Texts.of("pair.place.end")
                        : place(method, desk.station().get()));
    }

    /** Both views as they are seen, in the order in which they stand; empty while the stage is whole. */
    public Optional<DeskFiles.Views> views() {
        Optional<DeskFiles.OneView> one = stage.layersShown()
                .flatMap(l -> pair.stage()
                        .view()
                        .get()
                        .map(v -> new DeskFiles.OneView(sample.getText() + " \u00b7 " + place.getText(), l, v)));
        Optional<DeskFiles.OneView> other =
                second.layersShown().flatMap(l -> second.view().map(v -> new DeskFiles.OneView(secondCaption(), l, v)));
        boolean turned = pair.swapped().get();
        return one.flatMap(a -> other.map(b -> new DeskFiles.Views(
                turned ? b : a, turned ? a : b, pair.stacked().get())));
    }

    private String secondCaption() {
        Study study = pair.desk().study().get();
        Method method = study.method(pair.methodId());
        String beside = study.sample(pair.sampleId()).map(SampleThing::name).orElse("");
        String where = pair.second()
                .get()
                .flatMap(Side::station)
                .map(s -> place(method, s))
                .orElse(Texts.of("pair.place.end"));
        return Texts.of("pair.first", beside, method.name()) + " \u00b7 " + where + " \u00b7 "
                + Texts.of("pair.look." + ChoiceSetting.word(pair.look().get()));
    }

    private static String place(Method method, String station) {
        int index = method.indexOf(station);
        return index < 0 ? Texts.of("pair.place.picture") : PairHead.station(method, index);
    }

    /** Whether everything asked for is to be seen. */
    public boolean quiet() {
        return second.quiet();
    }

    public void close() {
        second.close();
    }
}
