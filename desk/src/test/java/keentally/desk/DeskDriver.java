package keentally.desk;

import static java.nio.file.StandardOpenOption.CREATE;
import static java.nio.file.StandardOpenOption.WRITE;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DialogPane;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.Tooltip;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Region;
import javafx.scene.robot.Robot;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import javafx.stage.Window;
import javax.imageio.ImageIO;
import keentally.core.measure.ObjectTable;
import keentally.core.method.MethodStep;
import keentally.core.step.Flow;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.view.Viewport;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskModel;
import keentally.desk.pair.PairModel;
import keentally.desk.picture.PictureModel;
import keentally.desk.station.StationActions;
import keentally.desk.trial.TrialModel;
import keentally.desk.view.DeskWindow;
import keentally.desk.view.FileQuestions;
import keentally.desk.view.Preferences;
import keentally.samples.DemoFiles;
import keentally.samples.DemoStudy;
import keentally.study.document.PictureRef;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;
import keentally.study.store.StudyFile;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** The real desk in a real window of 1280 × 800, worked by mouse and keys: for window tests and for screenshots. */
public final class DeskDriver implements AutoCloseable {
    /** A tooltip waits for a second until it shows. */
    private static final Duration TIP = Duration.ofSeconds(3);

    private static final long LONGEST_PULSE = 100;
    private static final Set<String> FEW = Set.of("Flour dispersion", "Crumb section", "Starch granules", "Two stains");
    /** Take longer than others at every change, and their stations are walked by themselves. */
    private static final Set<String> LONG = Set.of("Pasta surface", "Grain in shadow");

    private static final Path DEMO =
            Path.of(System.getProperty("keentally.test.demo", "target/demo")).toAbsolutePath();

    private static final int SMALL = 128;

    /** A key that means nothing to anybody. */
    private static final KeyCode BARRIER = KeyCode.PAUSE;

    private final FxRobot robot = new FxRobot();
    private final List<Throwable> crashes = new CopyOnWriteArrayList<>();
    private final AtomicReference<Path> saveTo = new AtomicReference<>();
    private final AtomicReference<Path> readFrom = new AtomicReference<>();
    private final AtomicInteger arrived = new AtomicInteger();
    private final ListChangeListener<Window> heard = this::listen;
    private final Stage stage;
    private DeskModel model;
    private DeskWindow window;

    private DeskDriver(Path home) throws Exception {
        stage = WaitForAsyncUtils.waitForAsyncFx(
                60_000, () -> new Stage()); // not registered: the robot would keep every event
        onFx(() -> {
            Thread.currentThread().setUncaughtExceptionHandler((thread, e) -> crashes.add(e));
            Window.getWindows().addListener(heard);
            Theme.loadFonts();
            model = new DeskModel(Platform::runLater, crashes::add);
            Preferences preferences = new Preferences(home, new Answers());
            window = new DeskWindow(stage, model, preferences, crashes::add);
            stage.setX(0);
            stage.setY(0);
            window.open();
            return null;
        });
        quiet();
    }

    /** What is answered to questions for files. */
    private final class Answers implements FileQuestions {
        @Override
        public File toWrite(FileChooser chooser, Window owner) {
            return file(saveTo);
        }

        @Override
        public File toRead(FileChooser chooser, Window owner) {
            return file(readFrom);
        }

        @Override
        public File folder(DirectoryChooser chooser, Window owner) {
            return file(readFrom);
        }

        private static File file(AtomicReference<Path> answer) {
            Path chosen = answer.get();
            return chosen == null ? null : chosen.toFile();
        }
    }

    /** A desk without a sample; what it remembers is kept in {@code home}. */
    public static DeskDriver start(Path home) throws Exception {
        if (!FxToolkit.isFXApplicationThreadRunning()) {
            FxToolkit.registerPrimaryStage();
            Platform.setImplicitExit(false);
        }
        return new DeskDriver(home);
    }

    /** A desk with four samples of the demo study, the first on the stage and its threshold selected. */
    public static DeskDriver demo(Path home) throws Exception {
        return demo(home, demoStudy());
    }

    /** As {@link #demo(Path)}, with one sample of the demo study and one of its stations selected. */
    public static DeskDriver demo(Path home, String sample, String station) throws Exception {
        DeskDriver driver = demo(
                home,
                DemoStudy.of(
                        drawn().stream().filter(d -> d.title().equals(sample)).toList()));
        driver.onFx(() -> {
            driver.model.station().set(station);
            return null;
        });
        driver.quiet();
        return driver;
    }

    /** A desk with the middle of the picture of one demo sample, the picture itself selected: less of it is quicker. */
    public static DeskDriver smallDemo(Path home, String sample) throws Exception {
        return smallDemo(
                home, drawn().stream().filter(d -> d.title().equals(sample)).toList());
    }

    /** As {@link #demo(Path)}, with the middle of each picture; those of several files are whole. */
    public static DeskDriver smallFew(Path home) throws Exception {
        DeskDriver driver = smallDemo(
                home, drawn().stream().filter(d -> FEW.contains(d.title())).toList());
        driver.onFx(() -> {
            driver.model.station().set("threshold-1");
            return null;
        });
        driver.quiet();
        return driver;
    }

    /** As {@link #smallDemo(Path, String)}, with a demo sample of each method; those of several files are whole. */
    public static DeskDriver smallDemo(Path home) throws Exception {
        Set<Path> methods = new HashSet<>();
        return smallDemo(
                home,
                drawn().stream()
                        .filter(d -> !LONG.contains(d.title()))
                        .filter(d -> methods.add(d.method()))
                        .toList());
    }

    private static DeskDriver smallDemo(Path home, List<DemoFiles.Entry> samples) throws Exception {
        Study study = DemoStudy.of(samples);
        Files.createDirectories(home);
        for (String id : study.samples()) {
            SampleThing thing = study.sample(id).orElseThrow();
            if (!thing.picture().isComposed()) {
                Path part = middle(thing.file(), home.resolve(id + ".png"));
                study = study.with(id, thing.with(PictureRef.of(part, 1)).with(List.of()));
            }
        }
        DeskDriver driver = demo(home, study);
        driver.onFx(() -> {
            driver.model.station().set(DeskModel.PICTURE);
            return null;
        });
        driver.quiet();
        return driver;
    }

    private static Path middle(Path picture, Path part) throws IOException {
        BufferedImage whole = ImageIO.read(picture.toFile());
        int width = Math.min(SMALL, whole.getWidth());
        int height = Math.min(SMALL, whole.getHeight());
        int left = (whole.getWidth() - width) / 2;
        int top = (whole.getHeight() - height) / 2;
        ImageIO.write(whole.getSubimage(left, top, width, height), "png", part.toFile());
        return part;
    }

    /** A desk with the proving series of the demo study, its levels selected. */
    public static DeskDriver proving(Path home) throws Exception {
        DeskDriver driver = demo(
                home,
                DemoStudy.of(drawn().stream().filter(d -> d.tag().isPresent()).toList()));
        driver.onFx(() -> {
            driver.model.station().set("levels-1");
            return null;
        });
        driver.quiet();
        return driver;
    }

    /** As {@link #demo(Path)}, with all of the demo study. */
    public static DeskDriver wholeDemo(Path home) throws Exception {
        return demo(home, DemoStudy.of(drawn()));
    }

    /** A desk with a study that is there. */
    public static DeskDriver opened(Path home, Path file) throws Exception {
        DeskDriver driver = start(home);
        driver.onFx(() -> {
            driver.model.begin(watch -> StudyFile.open(file, watch), () -> {});
            return null;
        });
        driver.quiet();
        return driver;
    }

    private static DeskDriver demo(Path home, Study study) throws Exception {
        DeskDriver driver = start(home);
        driver.onFx(() -> {
            Path file = home.resolve("Millrace.tally");
            driver.model.begin(
                    watch -> Files.exists(file) ? StudyFile.open(file, watch) : StudyFile.create(file, study, watch),
                    () -> driver.model.station().set("threshold-1"));
            return null;
        });
        driver.quiet();
        return driver;
    }

    /** Four samples of the demo study, one of each kind of picture; more only take longer to be shown in the tray. */
    public static Study demoStudy() throws Exception {
        return DemoStudy.of(
                drawn().stream().filter(d -> FEW.contains(d.title())).toList());
    }

    /** The demo samples; their pictures are drawn once, by whichever process of the tests comes first. */
    static synchronized List<DemoFiles.Entry> drawn() throws Exception {
        Path done = DEMO.resolveSibling(DEMO.getFileName() + ".done");
        Files.createDirectories(done.getParent());
        try (FileChannel one = FileChannel.open(done, CREATE, WRITE);
                FileLock alone = one.lock()) {
            if (alone.isValid() && one.size() == 0) {
                try (Workers workers = Workers.of(2)) {
                    DemoFiles.write(DEMO, new Work(workers, new Cancel()));
                }
                one.write(ByteBuffer.wrap(new byte[1]));
            }
        }
        return DemoFiles.list(DEMO);
    }

    public DeskModel model() {
        return model;
    }

    public <T> T onFx(Callable<T> what) {
        return WaitForAsyncUtils.waitForAsyncFx(60_000, what);
    }

    /** The desk with a picture that is drawn in light grey on black, 400 by 300 pixels. */
    public static DeskDriver drawn(Path folder, Consumer<Graphics2D> drawing) throws Exception {
        BufferedImage picture = new BufferedImage(400, 300, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D pen = picture.createGraphics();
        pen.setColor(Color.LIGHT_GRAY);
        drawing.accept(pen);
        pen.dispose();
        File file = folder.resolve("drawn.png").toFile();
        ImageIO.write(picture, "png", file);
        DeskDriver desk = start(folder);
        desk.open(file.toPath());
        return desk;
    }

    /** As {@link #drawn}: six dark discs, 70 pixels across, on a grey ground. */
    public static DeskDriver darkDiscs(Path folder) throws Exception {
        return drawn(folder, g -> {
            g.setColor(new Color(180, 180, 180));
            g.fillRect(0, 0, 400, 300);
            g.setColor(new Color(60, 60, 60));
            for (int i = 0; i < 6; i++) {
                g.fillOval(40 + 110 * (i % 3), 40 + 120 * (i / 3), 70, 70);
            }
        });
    }

    /** Adds stations one after the other, with what they begin with. */
    public void stations(String... steps) {
        onFx(() -> {
            StationActions actions = new StationActions(model);
            for (String step : steps) {
                actions.add(Steps.find(step).orElseThrow());
            }
            return null;
        });
        quiet();
    }

    /** Adds a station behind the last one that gives what it needs, or before all where that is a picture; answers with what is selected. */
    public String add(StepDescription step) {
        String id = onFx(() -> {
            String behind = model.method().steps().stream()
                    .filter(s -> step.needs() != Flow.PICTURE)
                    .filter(s -> s.description().gives() == step.needs())
                    .reduce((a, b) -> b)
                    .map(MethodStep::id)
                    .orElse(DeskModel.PICTURE);
            model.station().set(behind);
            model.say("");
            new StationActions(model).add(step);
            return model.station().get();
        });
        settle();
        return id;
    }

    private void listen(ListChangeListener.Change<? extends Window> change) {
        while (change.next()) {
            change.getAddedSubList()
                    .forEach(w -> w.addEventFilter(KeyEvent.KEY_RELEASED, e -> {
                        if (e.getCode() == BARRIER) {
                            arrived.incrementAndGet();
                        }
                    }));
        }
    }

    /** Returns when all that mouse and keys did has reached the desk: a key sent after it has come out at the end. */
    private void delivered() {
        int before = arrived.get();
        onFx(() -> {
            Robot keys = new Robot();
            keys.keyPress(BARRIER);
            keys.keyRelease(BARRIER);
            return null;
        });
        until("the desk hears the keyboard", () -> arrived.get() > before);
        pulse();
    }

    /** Returns when the window was laid out anew; after a moment where it has no reason to. */
    private void pulse() {
        CountDownLatch laidOut = new CountDownLatch(1);
        Scene scene = stage.getScene();
        onFx(() -> {
            scene.addPostLayoutPulseListener(new Runnable() {
                @Override
                public void run() {
                    scene.removePostLayoutPulseListener(this);
                    laidOut.countDown();
                }
            });
            Platform.requestNextPulse();
            return null;
        });
        try {
            if (!laidOut.await(LONGEST_PULSE, TimeUnit.MILLISECONDS)) {
                onFx(() -> null);
            }
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    /** Returns when everything asked for has been run, painted and shown. */
    public void quiet() {
        delivered();
        calm();
    }

    /** Returns when the method was run, where nothing was done by mouse or keys; what is told beside the picture may still come. */
    public void settle() {
        until("the desk comes to rest", () -> onFx(() -> model.followed()));
        noCrash();
    }

    private void noCrash() {
        if (!crashes.isEmpty()) {
            throw new AssertionError("the desk crashed", crashes.getFirst());
        }
    }

    private void calm() {
        for (int calm = 0; calm < 2; ) {
            until("the desk comes to rest", () -> onFx(() -> window.quiet()));
            pulse();
            calm = onFx(() -> window.quiet()) ? calm + 1 : 0;
        }
        noCrash();
    }

    /** The mouse is there at once; a hand takes a hundred places on the way, each of which the desk would answer. */
    private void moveTo(Point2D screen) {
        onFx(() -> {
            new Robot().mouseMove(screen);
            return null;
        });
    }

    private void mouse(MouseButton button) {
        hold(button);
        letGo(button);
    }

    private void hold(MouseButton button) {
        onFx(() -> {
            new Robot().mousePress(button);
            return null;
        });
    }

    private void letGo(MouseButton button) {
        onFx(() -> {
            new Robot().mouseRelease(button);
            return null;
        });
    }

    /** Keys together, as Ctrl and A are. */
    private void push(KeyCode... codes) {
        onFx(() -> {
            Robot keys = new Robot();
            for (KeyCode code : codes) {
                keys.keyPress(code);
            }
            for (int i = codes.length - 1; i >= 0; i--) {
                keys.keyRelease(codes[i]);
            }
            return null;
        });
        delivered();
    }

    private Point2D middle(Node node) {
        return onFx(() -> {
            Bounds box = node.localToScreen(node.getBoundsInLocal());
            return new Point2D(box.getCenterX(), box.getCenterY());
        });
    }

    private void clickOn(Node node) {
        moveTo(middle(node));
        mouse(MouseButton.PRIMARY);
    }

    /** What is said where the mouse rests on a node for some time; empty where nothing is. */
    public String tip(String id) {
        Point2D at = middle(node(id));
        moveTo(at);
        delivered();
        moveTo(at.add(1, 1));
        long end = System.nanoTime() + TIP.toNanos();
        String said = "";
        while (said.isEmpty() && System.nanoTime() < end) {
            pulse();
            said = onFx(() -> Window.getWindows().stream()
                    .filter(w -> w instanceof Tooltip && w.isShowing())
                    .map(w -> ((Tooltip) w).getText())
                    .findFirst()
                    .orElse(""));
        }
        return said;
    }

    public void open(Path... files) {
        onFx(() -> {
            window.open(List.of(files));
            return null;
        });
        quiet();
    }

    /** The answer to the next question for a file to write. */
    public void saveTo(Path file) {
        saveTo.set(file);
    }

    /** The answer to the next question for a file to read. */
    public void readFrom(Path file) {
        readFrom.set(file);
    }

    public Node node(String id) {
        Node node = onFx(() -> stage.getScene().lookup("#" + id));
        if (node == null) {
            throw new AssertionError("nothing on the desk is called " + id);
        }
        return node;
    }

    public boolean has(String id) {
        return onFx(() -> stage.getScene().lookup("#" + id)) != null;
    }

    public String text(String id) {
        Labeled labeled = (Labeled) node(id);
        return onFx(labeled::getText);
    }

    public void click(String id) {
        clickOn(node(id));
        quiet();
    }

    /** As {@link #click}, of something that may have to be scrolled to. */
    public void reach(String id) {
        bringInSight(node(id));
        click(id);
    }

    public DeskWindow window() {
        return window;
    }

    public PairModel pair() {
        return window.pair();
    }

    /** What stands in a box, one label after the other. */
    public List<String> lines(String id) {
        Parent box = (Parent) node(id);
        return onFx(() -> box.getChildrenUnmodifiable().stream()
                .map(n -> ((Labeled) n).getText())
                .toList());
    }

    /** Brings in a picture that was made elsewhere; answers when what was found is shown. */
    public void bring(Path file) {
        later(() -> window.bring(file));
        settleBeside();
    }

    /** Returns when something that comes from outside has come. */
    public void until(String what, Callable<Boolean> holds) {
        long latest = System.nanoTime() + TimeUnit.SECONDS.toNanos(60);
        try {
            while (!holds.call()) {
                if (System.nanoTime() > latest) {
                    throw new AssertionError("waited in vain until " + what);
                }
                Thread.sleep(2);
            }
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new AssertionError("waited in vain until " + what, e);
        }
    }

    /** Returns when all that was asked for came back, also while a window asks something. */
    public void settleBeside() {
        calm();
        calm();
    }

    /** All that is written on a node and in it. */
    public List<String> texts(String id) {
        Parent box = (Parent) node(id);
        return onFx(() -> box.lookupAll(".label").stream()
                .map(n -> ((Labeled) n).getText())
                .toList());
    }

    /** Drags a slide out of the tray and drops it on another node. */
    public void dragSlide(String slide, String onto) {
        moveTo(middle(node(slide)));
        hold(MouseButton.PRIMARY);
        for (int i = 1; i <= 4; i++) {
            robot.moveBy(6, -3);
        }
        robot.moveTo(node(onto));
        robot.moveBy(20, 4);
        letGo(MouseButton.PRIMARY);
        quiet();
    }

    /** How wide a part of the window is, in its pixels. */
    public double width(String id) {
        Region part = (Region) node(id);
        return onFx(part::getWidth);
    }

    /** Clicks where a point of the second view's picture is. */
    public void clickSecond(double x, double y) {
        Region second = (Region) node("second");
        moveTo(onFx(() -> {
            Viewport view = pair().second().get().orElseThrow().place().there(view(), (int) second.getWidth(), (int)
                    second.getHeight());
            return second.localToScreen(view.windowX(x), view.windowY(y));
        }));
        mouse(MouseButton.PRIMARY);
        quiet();
    }

    /** Clicks where a point of the picture is on the stage. */
    public void clickPicture(double x, double y) {
        moveTo(onStage(x, y));
        mouse(MouseButton.PRIMARY);
        quiet();
    }

    /** Draws from one point of the picture to the next, x and y in turn. */
    public void tracePicture(double... places) {
        moveTo(onStage(places[0], places[1]));
        hold(MouseButton.PRIMARY);
        for (int i = 2; i < places.length; i += 2) {
            moveTo(onStage((places[i - 2] + places[i]) / 2, (places[i - 1] + places[i + 1]) / 2));
            moveTo(onStage(places[i], places[i + 1]));
            delivered();
        }
        release();
    }

    /** As {@link #clickPicture}, with the other button. */
    public void clickPictureOther(double x, double y) {
        moveTo(onStage(x, y));
        mouse(MouseButton.SECONDARY);
        quiet();
    }

    /** Drags from one point of the picture to another. */
    public void dragPicture(double fromX, double fromY, double toX, double toY) {
        moveTo(onStage(fromX, fromY));
        hold(MouseButton.PRIMARY);
        moveTo(onStage((fromX + toX) / 2, (fromY + toY) / 2));
        moveTo(onStage(toX, toY));
        release();
    }

    /** As {@link #dragPicture}, with the other button. */
    public void dragPictureOther(double fromX, double fromY, double toX, double toY) {
        moveTo(onStage(fromX, fromY));
        hold(MouseButton.SECONDARY);
        moveTo(onStage((fromX + toX) / 2, (fromY + toY) / 2));
        moveTo(onStage(toX, toY));
        letGo(MouseButton.SECONDARY);
        quiet();
    }

    /** Puts a sample on the stage and selects one of its stations; nothing for the picture itself. */
    public void show(String sample, String station) {
        onFx(() -> {
            model.show(sample);
            return null;
        });
        quiet();
        onFx(() -> {
            model.station().set(station);
            return null;
        });
        quiet();
    }

    /** Opens the questions to begin with. */
    public void starters() {
        onFx(() -> {
            window.picture().go(PictureModel.Section.FACTS);
            window.starters().ask();
            return null;
        });
        quiet();
    }

    /** The objects at the end of the method with their measures. */
    public ObjectTable table() {
        return onFx(() -> model.shown()
                .get()
                .orElseThrow()
                .readings()
                .orElseThrow()
                .objects()
                .orElseThrow());
    }

    /** Objects at the end of the method. */
    public int count() {
        return table().rows();
    }

    /** The trial sheet's model. */
    public TrialModel trials() {
        return window.trials().model();
    }

    /** What stands in a field that is typed into. */
    public String fieldText(String id) {
        TextInputControl field = (TextInputControl) node(id);
        return onFx(field::getText);
    }

    /** Chooses a word in a box, as it reads there or as it is in the list; nothing where the box does not hold it. */
    public void choose(String id, String value) {
        onFx(() -> {
            @SuppressWarnings("unchecked") // whatever it holds, it is chosen from by words
            ComboBox<Object> box = (ComboBox<Object>) stage.getScene().lookup("#" + id);
            Object chosen = box.getItems().stream()
                    .filter(item -> item.equals(value)
                            || box.getConverter() != null
                                    && box.getConverter().toString(item).equals(value))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(value + " is none of " + box.getItems()));
            box.setValue(chosen);
            return null;
        });
        quiet();
    }

    public void focusStage() {
        onFx(() -> {
            stage.getScene().lookup("#stage").requestFocus();
            return null;
        });
    }

    /** Clicks something in a menu that has opened. */
    public void clickInPopup(String id) {
        clickOn(inPopup(id));
        quiet();
    }

    /** Scrolls what holds it so far that a node is seen. */
    private void bringInSight(Node node) {
        onFx(() -> {
            for (Node at = node.getParent(); at != null; at = at.getParent()) {
                if (at instanceof ScrollPane pane) {
                    double inside = pane.getContent()
                            .sceneToLocal(node.localToScene(node.getBoundsInLocal()))
                            .getCenterY();
                    double height = pane.getContent().getBoundsInLocal().getHeight();
                    double seen = pane.getViewportBounds().getHeight();
                    if (height > seen) {
                        pane.setVvalue(Math.clamp((inside - seen / 2) / (height - seen), 0, 1));
                    }
                }
            }
            return null;
        });
        pulse();
    }

    /** Types letters into what has the keyboard. */
    public void write(String text) {
        robot.write(text, 0);
        quiet();
    }

    /** A node in a window beside the desk's. */
    public Node inPopup(String id) {
        return robot.lookup("#" + id).query();
    }

    /** As if a folder had been chosen for missing pictures. */
    public void findPictures(Path folder) {
        onFx(() -> {
            window.picture().actions().find(folder);
            return null;
        });
        quiet();
    }

    public void pointAt(double x, double y) {
        moveTo(onStage(x, y));
        quiet();
    }

    /** As if a file of marks had been chosen to be taken in. */
    public void marks(Path file) {
        onFx(() -> {
            window.tally().read(file);
            return null;
        });
        quiet();
    }

    /** Moves the mouse over the stage and does not wait for what comes of it. */
    public void glance() {
        moveTo(middle(node("stage")));
        delivered();
    }

    private Point2D onStage(double x, double y) {
        Node node = node("stage");
        Viewport view = onFx(() -> window.stageModel().view().get().orElseThrow());
        return onFx(() -> node.localToScreen(view.windowX(x), view.windowY(y)));
    }

    public Viewport view() {
        return onFx(() -> window.stageModel().view().get().orElseThrow());
    }

    /** Presses the mouse on a node at a share of its height from the top, and holds it. */
    public void press(String id, double shareX, double shareY) {
        moveTo(within(id, shareX, shareY));
        hold(MouseButton.PRIMARY);
        delivered();
    }

    /** Presses the mouse where it is, and holds it. */
    public void pressMouse() {
        hold(MouseButton.PRIMARY);
        delivered();
    }

    public void dragTo(String id, double shareX, double shareY) {
        moveTo(within(id, shareX, shareY));
        delivered();
    }

    public void release() {
        letGo(MouseButton.PRIMARY);
        quiet();
    }

    public void scroll(String id, int notches) {
        moveTo(middle(node(id)));
        robot.scroll(Math.abs(notches), notches > 0 ? VerticalDirection.UP : VerticalDirection.DOWN);
        quiet();
    }

    private Point2D within(String id, double shareX, double shareY) {
        Node node = node(id);
        return onFx(() -> {
            Bounds box = node.localToScreen(node.getBoundsInLocal());
            return new Point2D(box.getMinX() + shareX * box.getWidth(), box.getMinY() + shareY * box.getHeight());
        });
    }

    public void keys(KeyCode... codes) {
        push(codes);
        quiet();
    }

    public void hold(KeyCode code) {
        onFx(() -> {
            new Robot().keyPress(code);
            return null;
        });
        quiet();
    }

    public void letGo(KeyCode code) {
        onFx(() -> {
            new Robot().keyRelease(code);
            return null;
        });
        quiet();
    }

    /** Does something that may ask, and does not wait for the answer. */
    public void later(Runnable what) {
        Platform.runLater(what);
        quiet();
    }

    /** Fires a button or a choice without the mouse, and does not wait where it asks something. */
    public void fire(String id) {
        later(((ButtonBase) node(id))::fire);
    }

    /** Chooses a command by its place in the menus, as if it had been clicked there; it may ask something. */
    public void command(String id) {
        MenuItem item = onFx(() -> MenuWalk.leaves(((MenuBar) stage.getScene().lookup(".menu-bar")).getMenus()).stream()
                .filter(i -> ("menu-" + id).equals(i.getId()))
                .findFirst()
                .orElseThrow());
        later(item::fire);
    }

    /** What a small window asks that has opened beside the desk; nothing where there is none. */
    public Optional<DialogPane> asked() {
        return onFx(() -> Window.getWindows().stream()
                .filter(w -> w != stage && w.isShowing())
                .flatMap(w -> w.getScene().getRoot() instanceof DialogPane pane ? Stream.of(pane) : Stream.empty())
                .findFirst());
    }

    /** Puts a text into a field of the window that asks. */
    public void fill(String id, String text) {
        onFx(() -> {
            ((TextInputControl) asked().orElseThrow().lookup("#" + id)).setText(text);
            return null;
        });
    }

    /** Presses the yes of the window that asks, or its no. */
    public void answer(boolean yes) {
        DialogPane pane = asked().orElseThrow();
        later(() -> pane.getButtonTypes().stream()
                .filter(b -> b.getButtonData().isCancelButton() != yes)
                .findFirst()
                .ifPresent(b -> ((Button) pane.lookupButton(b)).fire()));
    }

    /** Replaces the text of a field and presses Enter. */
    public void type(String id, String text) {
        bringInSight(node(id));
        clickOn(node(id));
        push(KeyCode.CONTROL, KeyCode.A);
        push(KeyCode.DELETE);
        robot.write(text, 0);
        push(KeyCode.ENTER);
        quiet();
    }

    /** The colours of what a node shows now. */
    public int[] colours(String id) {
        return onFx(() -> {
            WritableImage image = stage.getScene().lookup("#" + id).snapshot(null, null);
            return pixels(image);
        });
    }

    private static int[] pixels(WritableImage image) {
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        int[] pixels = new int[width * height];
        PixelReader reader = image.getPixelReader();
        reader.getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        return pixels;
    }

    /** The whole window as a PNG. */
    public void shoot(Path file) {
        BufferedImage shot = onFx(() -> {
            WritableImage image = stage.getScene().snapshot(null);
            int width = (int) image.getWidth();
            int height = (int) image.getHeight();
            BufferedImage copy = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
            copy.setRGB(0, 0, width, height, pixels(image), 0, width);
            return copy;
        });
        try {
            File parent = file.toAbsolutePath().getParent().toFile();
            if (!parent.isDirectory() && !parent.mkdirs()) {
                throw new IOException("no folder " + parent);
            }
            ImageIO.write(shot, "png", file.toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        onFx(() -> {
            Window.getWindows().removeListener(heard);
            stage.close();
            model.close();
            return null;
        });
    }
}
