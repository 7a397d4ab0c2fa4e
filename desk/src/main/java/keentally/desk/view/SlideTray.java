package keentally.desk.view;

import java.nio.IntBuffer;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SelectionMode;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import keentally.core.picture.Field;
import keentally.core.run.Lanes.Urgency;
import keentally.core.view.Layers;
import keentally.core.view.Pyramid;
import keentally.core.view.StageComposer;
import keentally.core.view.Viewport;
import keentally.core.words.Figures;
import keentally.core.work.Work;
import keentally.desk.look.Slides;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenSample;
import keentally.desk.model.SampleActions;
import keentally.study.document.Thing.SampleThing;
import keentally.study.file.FileFault;
import keentally.study.store.PictureShelf;

/** The samples, each as a labelled slide: its picture, its name and tags, and what is missing. Only slides in sight are painted. */
final class SlideTray extends ListView<String> {
    private static final int WIDTH = 112;
    private static final int HEIGHT = 76;
    private static final double EDGES = 14;

    /** The same for all, so that the list need not measure slides that nobody sees. */
    private static final double GAP = 10;

    private static final double SLIDE = 140;
    private static final double LINE = 15;
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final double tall = tall();
    private final DeskModel desk;
    private final SampleActions actions;
    private final Map<String, Image> thumbs = new HashMap<>();
    private final Set<String> asked = new HashSet<>();

    SlideTray(DeskModel desk, SampleActions actions) {
        this.desk = desk;
        this.actions = actions;
        setId("tray");
        setAccessibleText(Texts.of("name.tray"));
        getStyleClass().add("tray");
        Label hint = new Label(Texts.of("tray.empty"));
        hint.setWrapText(true);
        hint.getStyleClass().add("hint");
        setPlaceholder(hint);
        setFixedCellSize(tall + GAP);
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        setCellFactory(list -> new Slide());
        desk.study().addListener(o -> follow());
        desk.sampleId().addListener(o -> follow());
        desk.open().addListener(o -> refresh());
        desk.missing().addListener(o -> refresh());
        desk.cautionCounts().addListener(o -> refresh());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        follow();
    }

    private void follow() {
        if (!getItems().equals(desk.study().get().samples())) {
            getItems().setAll(desk.study().get().samples());
        }
        String shown = desk.sampleId().get();
        if (getItems().contains(shown)
                && !getSelectionModel().getSelectedItems().contains(shown)) {
            getSelectionModel().clearAndSelect(getItems().indexOf(shown));
            scrollTo(shown);
        }
        refresh();
    }

    private void pressed(KeyEvent e) {
        String id = getSelectionModel().getSelectedItem();
        if (id == null) {
            return;
        }
        boolean tray = true;
        if (e.isAltDown() && e.getCode() == KeyCode.UP) {
            actions.move(id, -1);
        } else if (e.isAltDown() && e.getCode() == KeyCode.DOWN) {
            actions.move(id, 1);
        } else if (e.getCode() == KeyCode.ENTER) {
            desk.show(id);
        } else if (e.getCode() == KeyCode.F2) {
            LabelDialog.ask(getScene(), desk, actions, id);
        } else if (e.getCode() == KeyCode.DELETE) {
            actions.remove(List.copyOf(getSelectionModel().getSelectedItems()));
        } else {
            tray = false;
        }
        if (tray) {
            e.consume();
        }
    }

    /** One slide. */
    private final class Slide extends ListCell<String> {
        /** The one that the menu was opened on; the cell may show another by the time that something is chosen. */
        private String asked;

        private final ContextMenu menu = new ContextMenu(
                item("label", () -> LabelDialog.ask(getScene(), desk, actions, asked)),
                item("earlier", () -> actions.move(asked, -1)),
                item("later", () -> actions.move(asked, 1)),
                item("remove", () -> actions.remove(asked)));

        Slide() {
            menu.setOnShowing(e -> asked = getItem());
            setOnMouseClicked(e -> {
                if (getItem() != null && e.getButton() == MouseButton.PRIMARY) {
                    if (e.isShortcutDown() || e.isShiftDown()) {
                        return; // several are being selected
                    }
                    if (e.getClickCount() == 2) {
                        LabelDialog.ask(getScene(), desk, actions, getItem());
                    } else if (!getItem().equals(desk.sampleId().get())) {
                        desk.show(getItem());
                    }
                }
            });
            setOnDragDetected(e -> {
                if (getItem() != null) {
                    List<String> chosen =
                            List.copyOf(SlideTray.this.getSelectionModel().getSelectedItems());
                    Slides.take(this, chosen.contains(getItem()) ? chosen : List.of(getItem()));
                    e.consume();
                }
            });
            setOnDragOver(e -> {
                if (e.getGestureSource() instanceof Slide && e.getGestureSource() != this && getItem() != null) {
                    e.acceptTransferModes(TransferMode.MOVE);
                    e.consume();
                }
            });
            setOnDragDropped(e -> {
                if (e.getGestureSource() instanceof Slide from && getItem() != null) {
                    int by = getItems().indexOf(getItem()) - getItems().indexOf(from.getItem());
                    actions.move(from.getItem(), by);
                    e.setDropCompleted(true);
                    e.consume();
                }
            });
        }

        @Override
        protected void updateItem(String id, boolean empty) {
            super.updateItem(id, empty);
            Optional<SampleThing> sample =
                    empty || id == null ? Optional.empty() : desk.study().get().sample(id);
            setText(null);
            setGraphic(sample.map(s -> slide(id, s)).orElse(null));
            setContextMenu(sample.isPresent() ? menu : null);
        }
    }

    private static MenuItem item(String key, Runnable does) {
        MenuItem item = new MenuItem(Texts.of("slide." + key));
        item.setOnAction(e -> does.run());
        return item;
    }

    /** Two words of the reader's may need a line each. */
    private static double tall() {
        Text words = new Text(Texts.of("tray.no-scale") + Texts.of("tray.no-field"));
        words.setFont(Font.font("Inter", 11));
        return words.getLayoutBounds().getWidth() + EDGES <= WIDTH ? SLIDE : SLIDE + LINE;
    }

    private VBox slide(String id, SampleThing sample) {
        paintOnce(id, sample);
        StackPane frame = new StackPane(new ImageView(thumbs.get(key(id, sample))));
        frame.getStyleClass().add("slide-picture");
        frame.setMinSize(WIDTH, HEIGHT);
        Label name = new Label(sample.name());
        name.getStyleClass().add("slide-name");
        VBox end = new VBox(name, scale(id, sample), marks(id, sample));
        end.getStyleClass().add("slide-end");
        VBox slide = new VBox(frame, end);
        slide.getStyleClass().add("slide");
        slide.setPrefWidth(WIDTH + EDGES);
        slide.setMaxWidth(WIDTH + EDGES);
        slide.setMinHeight(tall);
        slide.setMaxHeight(tall);
        slide.setId("slide-" + id);
        slide.pseudoClassStateChanged(SHOWN, id.equals(desk.sampleId().get()));
        slide.setAccessibleText(sample.name());
        if (!sample.label().note().isEmpty()) {
            Tip.on(slide, sample.label().note());
        }
        return slide;
    }

    private static String tags(SampleThing sample) {
        String group = sample.label().group();
        String amount = sample.label().amount().map(Object::toString).orElse("");
        return group.isEmpty() || amount.isEmpty() ? group + amount : group + " \u00b7 " + amount;
    }

    /** The scale and the field, or that they are missing; that the picture is gone goes before both. */
    private FlowPane scale(String id, SampleThing sample) {
        FlowPane row = new FlowPane(5, 1);
        if (desk.missing().get().contains(id)) {
            row.getChildren().add(mark(Texts.of("tray.missing"), "slide-missing"));
            return row;
        }
        row.getChildren()
                .add(sample.scale()
                        .map(s ->
                                mark(Figures.number(s.amount()) + " " + s.unit().symbol() + "/px", "slide-note"))
                        .orElseGet(() -> mark(Texts.of("tray.no-scale"), "slide-missing")));
        if (sample.field().isEmpty()) {
            row.getChildren().add(mark(Texts.of("tray.no-field"), "slide-note"));
        }
        return row;
    }

    /** Cautions, as far as they are known, and tags. */
    private FlowPane marks(String id, SampleThing sample) {
        FlowPane row = new FlowPane(5, 1);
        int cautions = desk.cautionCounts().get().getOrDefault(id, 0);
        if (cautions > 0) {
            String text =
                    cautions == 1 ? Texts.of("status.caution") : Texts.of("status.cautions", String.valueOf(cautions));
            Label mark = mark(text, "slide-missing");
            mark.setMinWidth(Region.USE_PREF_SIZE);
            row.getChildren().add(mark);
        }
        int own = desk.study().get().departures(id).list().size();
        if (own > 0) {
            Label mark = mark(Texts.of("tray.departs", String.valueOf(own)), "slide-own");
            mark.setMinWidth(Region.USE_PREF_SIZE);
            row.getChildren().add(mark);
        }
        String tags = tags(sample);
        if (!tags.isEmpty()) {
            row.getChildren().add(mark(tags, "slide-note"));
        }
        return row;
    }

    private static Label mark(String text, String style) {
        Label mark = new Label(text);
        mark.getStyleClass().add(style);
        return mark;
    }

    private static String key(String id, SampleThing sample) {
        return id + sample.picture();
    }

    /** Paints a slide that was never painted, one after another where nothing more urgent runs. */
    private void paintOnce(String id, SampleThing sample) {
        if (asked.add(key(id, sample))) {
            Platform.runLater(() -> ask(id, sample)); // what was added may be put on the stage now
        }
    }

    /** What is on the stage is read there; its slide comes when it has been. */
    private void ask(String id, SampleThing sample) {
        String key = key(id, sample);
        boolean onStage = id.equals(desk.sampleId().get());
        if (onStage && !desk.isOpen()) {
            asked.remove(key);
            return;
        }
        PictureShelf shelf = desk.holding().get().shelf();
        Optional<Pyramid> read = desk.open().get().filter(o -> onStage).map(OpenSample::pyramid);
        Source source = work -> read.isPresent()
                ? read.get()
                : Pyramid.of(shelf.take(sample.picture()).file().picture(), work);
        desk.look(this + key, Urgency.LATER, cancel -> paint(id, sample, source, desk.work(cancel)));
    }

    /** Where a slide's picture is taken from. */
    @FunctionalInterface
    private interface Source {
        Pyramid pyramid(Work work) throws FileFault;
    }

    /** That a picture is missing is said on its slide; in words it is said of the one on the stage. */
    private void paint(String id, SampleThing sample, Source source, Work work) {
        try {
            Pyramid picture = source.pyramid(work);
            int width = picture.width();
            int height = picture.height();
            double zoom = Math.max((double) WIDTH / width, (double) HEIGHT / height);
            Viewport view = Viewport.centred(width / 2.0, height / 2.0, zoom, WIDTH, HEIGHT);
            int[] pixels = StageComposer.compose(Layers.bare(picture, Field.whole(width, height)), view, work);
            Platform.runLater(() -> {
                desk.looked(id, sample.picture(), true);
                thumbs.put(
                        key(id, sample),
                        new WritableImage(new PixelBuffer<>(
                                WIDTH, HEIGHT, IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance())));
                refresh();
            });
        } catch (PictureShelf.MissingPicture e) {
            Platform.runLater(() -> desk.looked(id, sample.picture(), false));
        } catch (FileFault e) {
            Platform.runLater(() -> desk.say(Texts.fault(e)));
        }
    }
}
