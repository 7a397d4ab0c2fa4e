package keentally.desk.view;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import keentally.core.quantity.LengthUnit;
import keentally.core.step.ClassifyStep;
import keentally.core.step.Steps;
import keentally.desk.find.Places;
import keentally.desk.help.HelpSide;
import keentally.desk.help.Why;
import keentally.desk.ledger.FolderWatch;
import keentally.desk.ledger.LedgerModel;
import keentally.desk.ledger.LedgerPane;
import keentally.desk.ledger.LedgerSide;
import keentally.desk.look.Ask;
import keentally.desk.look.Once;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Theme;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.model.OpenStudy.Keeping;
import keentally.desk.model.StudyActions;
import keentally.desk.objects.FillLegend;
import keentally.desk.objects.FillModel;
import keentally.desk.objects.ObjectsPane;
import keentally.desk.pair.ComparePane;
import keentally.desk.pair.ComparisonModel;
import keentally.desk.pair.PairModel;
import keentally.desk.pair.PairPane;
import keentally.desk.phases.PhasesPane;
import keentally.desk.picture.PictureModel;
import keentally.desk.report.ReportModel;
import keentally.desk.report.ReportPane;
import keentally.desk.report.ReportSide;
import keentally.desk.stage.StageModel;
import keentally.desk.stage.StageView;
import keentally.desk.starter.LaidOut;
import keentally.desk.starter.StarterSheet;
import keentally.desk.station.ShowHow;
import keentally.desk.station.StationActions;
import keentally.desk.station.StationPanel;
import keentally.desk.tally.AgreementModel;
import keentally.desk.tally.TallyModel;
import keentally.desk.tally.TallyPane;
import keentally.desk.training.TrainingModel;
import keentally.desk.trial.TrialSheet;
import keentally.desk.welcome.DemoOpening;
import keentally.desk.welcome.Welcome;
import keentally.study.Program;
import keentally.study.method.MethodFile;

/** The one window: rail, method line, slide tray, stage, and at the right the station's panel or the table of objects. */
public final class DeskWindow {
    private static final double PANEL_WIDTH = 344;
    private static final double TABLE_WIDTH = 470;
    private static final double TALLY_WIDTH = 380;
    private static final double LEDGER_WIDTH = 440;

    /** Pulses of a window that has just come until what is in it has been painted. */
    private static final int PAINTED = 2;

    private final DeskModel desk;
    private final DeskFiles files;
    private final StageModel stageModel = new StageModel();
    private final PictureModel picture;
    private final StudyActions studyActions;
    private final StudyDialogs studies;
    private final StageView stage;
    private final Stage window;
    private final BorderPane root = new BorderPane();
    private final StackPane centre = new StackPane();
    private final TakeAway take;
    private final Once<ObjectsPane> objects;
    private final StatusLine status;
    private final DeskView bench;
    private DeskView standing;
    private final DeskView table;
    private final DeskView count;
    private final DeskView compare;
    private final TeachingView teaching;
    private final DeskView training;
    private final DeskView ledger;
    private final LedgerModel series;
    private final FolderWatch watching;
    private final Once<LedgerPane> rows;
    private final ReportModel handing;
    private final DeskView report;
    private final DeskView phases;

    private final TallyModel tally;
    private final PairModel pair;
    private final ComparisonModel comparison;
    private final PairPane parted;
    private final Rail rail;
    private final Preferences preferences;
    private final TrialSheet trials;
    private final StarterSheet starters;
    private final ComingIn comingIn;
    private final Exchange exchange;
    private final DemoOpening demo;
    private final Welcome welcome;
    private final LaidOut laidOut;
    private final ShowHow show;
    private final HelpSide help;

    private final Once<Workbench> workbench = new Once<>(this::workbench);

    public DeskWindow(Stage window, DeskModel desk, Preferences preferences, Consumer<Throwable> onCrash) {
        this.window = window;
        this.desk = desk;
        this.files = new DeskFiles(desk, Platform::runLater);
        this.preferences = preferences;
        this.picture = new PictureModel(desk, stageModel, Platform::runLater);
        this.studyActions = new StudyActions(desk, Platform::runLater, preferences.home(), preferences::opened);
        this.studies = new StudyDialogs(studyActions, picture.actions(), preferences, window);
        preferUnit();
        this.stage = new StageView(desk, stageModel, onCrash);
        this.tally = new TallyModel(desk, stageModel, Platform::runLater);
        this.pair = new PairModel(desk, stageModel, Platform::runLater, id -> Optional.of(tally.layer(id)));
        this.comparison = new ComparisonModel(pair, Platform::runLater);
        this.parted = new PairPane(pair, stage, () -> take().pair(), () -> take().keepPair(), onCrash);
        this.take = new TakeAway(desk, files, stage, parted, preferences, window);
        picture.savingBy(take::plot);
        this.comingIn = new ComingIn(this, desk, files, picture.actions(), tally, preferences, window);
        this.exchange = new Exchange(desk, stageModel, stage, picture.actions(), comingIn.door(), preferences.home());
        this.demo = new DemoOpening(desk, Platform::runLater, preferences.home());
        this.welcome = new Welcome(desk, studyActions, new WelcomeWays(), demo, preferences::recent);
        this.teaching = new TeachingView(this, desk, stageModel, take);
        this.trials = new TrialSheet(desk, stageModel, take::sheet, teaching.model()::axes);
        trials.isOpen().addListener((o, was, is) -> {
            showBench();
            if (!is) {
                stage.requestFocus();
            }
        });
        this.laidOut = new LaidOut(desk);
        this.show = new ShowHow(desk);
        this.help = new HelpSide(desk, () -> HelpPage.open(scene()), this::showBench);
        show.isOpen().addListener(o -> laidOut.setVisible(false)); // both tell of the same stations
        this.starters = new StarterSheet(desk, stageModel, picture, laidOut, new HandWays());
        starters.isOpen().addListener((o, was, is) -> {
            if (!is) {
                Platform.runLater(stage::requestFocus); // behind the panel of the station that was taken
            }
        });
        this.objects = new Once<>(() -> new ObjectsPane(desk, take.menu(), take::spread));
        root.setId("desk");
        root.getStyleClass().add("desk");
        Probe probe = new Probe(desk, stageModel);
        Why.from(stage, probe::why);
        this.status = new StatusLine(desk, stageModel, probe, new WaysOut(this, desk, picture).all());
        root.setTop(new DeskMenus(this, desk, stageModel, picture, places()).bar());
        Once<Region> station = new Once<>(this::station);
        this.bench = new DeskView(
                "bench",
                PANEL_WIDTH,
                false,
                () -> {},
                Optional.empty(),
                () -> trials.isOpen().get() ? trials.panel() : station.get());
        this.table = new DeskView("objects", TABLE_WIDTH, true, trials::close, Optional.empty(), objects);
        this.count = new DeskView(
                "tally",
                TALLY_WIDTH,
                true,
                trials::close,
                Optional.of(tally.tool()),
                new Once<>(() -> new TallyPane(
                        tally,
                        new AgreementModel(tally),
                        take::marks,
                        comingIn::chooseMarks,
                        take::shown,
                        take::differences)));
        this.training = teaching.view(trials::close);
        this.compare = new DeskView(
                "compare",
                PANEL_WIDTH,
                true,
                trials::close,
                Optional.empty(),
                new Once<>(() -> new ComparePane(comparison)));
        this.series = new LedgerModel(desk, picture.actions(), Platform::runLater);
        this.phases = new DeskView(
                "phases",
                TABLE_WIDTH,
                true,
                trials::close,
                Optional.empty(),
                new Once<>(() -> new PhasesPane(desk, series, take::phaseShares)));
        this.watching = new FolderWatch(desk, picture.actions(), series, Platform::runLater);
        Once<LedgerSide> beside = new Once<>(() -> new LedgerSide(series, this::showBench, take::ledgerPlot));
        this.rows = new Once<>(() -> new LedgerPane(series, watching, beside.get(), this::showBench, take::ledger));
        this.ledger = DeskView.ofAll("ledger", LEDGER_WIDTH, trials::close, rows, beside);
        this.handing = new ReportModel(desk, Platform::runLater);
        this.report = DeskView.ofAll(
                "report",
                PANEL_WIDTH,
                trials::close,
                new Once<>(() -> new ReportPane(handing, take::report)),
                new Once<>(() -> scrolling(new ReportSide(handing, this::chooseLogo))));
        this.rail = new Rail(List.of(bench, training, phases, table, count, compare, ledger, report), this::stand);
        this.standing = bench;
        desk.numbersOpen().addListener(o -> numbers());
        root.setLeft(rail);
        behind(rail);
        centre.getChildren().add(welcome);
        root.setCenter(centre);
        root.setBottom(status);
        Scene scene = new Scene(root, preferences.width(), preferences.height());
        preferences.theme().putOn(scene);
        window.setScene(scene);
        window.setMinWidth(1024);
        window.setMinHeight(680);
        preferences.place(window);
        desk.study().addListener(o -> retitle());
        desk.holding().addListener(o -> retitle());
        picture.moved().addListener(o -> stage.placeMarks());
        picture.bar().line().addListener(o -> stage.placeMarks());
        picture.ruler().line().addListener(o -> stage.placeMarks());
        picture.field().parts().addListener(o -> stage.placeMarks());
        picture.field().chosen().addListener(o -> stage.placeMarks());
        desk.sampleId().addListener(o -> retitle());
        retitle();
        new Keys(this, desk, stageModel).listen(scene);
        exchange.listen(scene);
        comingIn.acceptDrops(scene);
    }

    /** There is nothing to be done there before there is a picture. */
    private void behind(Node part) {
        part.visibleProperty().bind(welcome.visibleProperty().not());
        part.managedProperty().bind(part.visibleProperty());
    }

    private final class HandWays implements StarterSheet.Ways {
        @Override
        public void byExamples() {
            if (desk.method().steps().isEmpty()) {
                new StationActions(desk).add(Steps.find(ClassifyStep.ID).orElseThrow());
            }
            showTraining();
        }

        @Override
        public void countByHand() {
            showTally();
        }
    }

    private final class WelcomeWays implements Welcome.Ways {
        @Override
        public void pictures() {
            comingIn.choosePictures();
        }

        @Override
        public void folder() {
            comingIn.chooseFolder();
        }

        @Override
        public void paste() {
            DeskWindow.this.paste();
        }

        @Override
        public void openStudy() {
            studies.open();
        }
    }

    private Workbench workbench() {
        FillLegend legend = new FillLegend(desk, stageModel, new FillModel(desk, stageModel, Platform::runLater));
        StackPane ground = new StackPane(parted, legend, laidOut, starters, show, trials.tiles(), help);
        StackPane.setAlignment(legend, Pos.BOTTOM_LEFT);
        StackPane.setAlignment(laidOut, Pos.BOTTOM_RIGHT);
        StackPane.setAlignment(help, Pos.CENTER_RIGHT);
        Workbench all = new Workbench(desk, stageModel, picture, stage, ground);
        behind(all);
        return all;
    }

    private Region station() {
        StationPanel station = new StationPanel(
                desk, picture, stageModel, () -> trials().toggle(), this::showTraining, this::showHow, this::showHelp);
        ScrollPane panel = scrolling(station);
        panel.setFitToHeight(true);
        panel.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(panel, Priority.ALWAYS);
        return new VBox(panel, station.footer());
    }

    private static ScrollPane scrolling(Region content) {
        ScrollPane pane = new ScrollPane(content);
        pane.getStyleClass().add("panel-scroll");
        pane.setFitToWidth(true);
        return pane;
    }

    /** Stands before the picture in a view. */
    private void stand(DeskView view) {
        standing = view;
        workbench.get().stand(view); // what is seen is there before it is told of anything
        stageModel
                .atEnd()
                .set(view.atEnd() || view == bench && desk.numbersOpen().get());
        picture.viewTool().set(view.tool());
        tally.open().set(view == count);
        teaching.model().open(view == training);
        series.open().set(view == ledger || view == phases);
        handing.open().set(view == report);
        comparison.active().set(view == compare);
        if (view == compare) {
            comparison.begin();
        }
    }

    /** What the numbers of the sample are about is on the stage with them. */
    private void numbers() {
        if (desk.numbersOpen().get()) {
            rail.show(bench);
        } else {
            stageModel.atEnd().set(standing.atEnd());
        }
    }

    void showBench() {
        rail.show(bench);
    }

    void showObjects() {
        rail.show(table);
    }

    /** A station that learns is to be taught. */
    void showTraining() {
        rail.show(training);
    }

    /** What a station is taught, for those who watch. */
    public TrainingModel training() {
        return teaching.model();
    }

    /** What can be found besides commands, and how to get there. */
    private Places places() {
        return new Places(
                desk,
                new Places.Ways(
                        this::showBench,
                        measure -> {
                            showObjects(ObjectsPane.Together.SPREAD);
                            objects.get().measure(measure);
                        },
                        heading -> HelpPage.open(scene(), heading),
                        status::listCautions,
                        help::open));
    }

    void showReport() {
        rail.show(report);
    }

    private void chooseLogo() {
        comingIn.chosen("choose.logo").ifPresent(handing::logo);
    }

    /** The report that is handed over, for those who watch. */
    public ReportModel handing() {
        return handing;
    }

    /** What the phases cover. */
    void showPhases() {
        rail.show(phases);
    }

    void showLedger() {
        rail.show(ledger);
    }

    /** Runs the method of every sample, and shows the rows. */
    void runSeries() {
        showLedger();
        series.run(desk.study().get().samples());
    }

    /** Asks for a folder, and makes a sample of each picture that comes into it. */
    void watchFolder() {
        if (desk.sample().isEmpty()) {
            desk.say(Texts.of("watch.no-sample"));
            return;
        }
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(Texts.of("choose.watch"));
        File chosen = preferences.chooseFolder(chooser, window);
        if (chosen != null) {
            showLedger();
            watching.start(chosen.toPath());
        }
    }

    /** The series of the samples, for those who watch. */
    public LedgerModel series() {
        return series;
    }

    /** The folder that is watched, for those who watch. */
    public FolderWatch watching() {
        return watching;
    }

    /** Leaves the rows of the ledger that are chosen out of its sums. */
    void leaveOutChosen() {
        showLedger();
        rows.get().leaveOut();
    }

    void showTally() {
        rail.show(count);
    }

    /** Brings in what somebody made elsewhere of the sample on the stage, and holds it against what is there. */
    public void bring(Path file) {
        comingIn.mask(file);
    }

    /** Holds the sample's method against another of the study. */
    void compareWith(String methodId) {
        showCompare();
        pair.sample().set(Optional.empty());
        pair.method().set(Optional.of(methodId));
    }

    void showCompare() {
        rail.show(compare);
    }

    /** The stage in two parts, for those who watch. */
    public PairModel pair() {
        return pair;
    }

    /** What is counted by hand, for those who watch. */
    public TallyModel tally() {
        return tally;
    }

    void showObjects(ObjectsPane.Together how) {
        objects.get().see(how);
        showObjects();
    }

    StageView stage() {
        return stage;
    }

    private void retitle() {
        String study = desk.holding()
                .get()
                .path()
                .map(p -> studyActions.isDraft(p)
                        ? Texts.of("window.untitled")
                        : p.getFileName().toString())
                .orElse(Program.NAME);
        window.setTitle(desk.sample()
                .map(s -> Texts.of("window.title", s.name(), study))
                .orElse(study));
    }

    /** Tells of the selected station beside it; of the picture the pages of the help do. */
    void showHelp() {
        if (help.isOpen().get()) {
            help.close();
        } else {
            help.ofSelected().ifPresentOrElse(help::open, () -> HelpPage.open(scene()));
        }
    }

    /** Why a number is so: that which the keyboard or else the mouse is at, else that of the selected station. */
    void why() {
        Why.at(scene().getFocusOwner())
                .or(() -> exchange.under().flatMap(Why::at))
                .or(() -> Why.ofStation(desk, desk.station().get()))
                .ifPresentOrElse(help::open, () -> desk.say(Texts.of("why.nothing")));
    }

    /** The help beside the picture. */
    public HelpSide help() {
        return help;
    }

    /** What the selected station does, on the picture at hand. */
    void showHow() {
        showBench();
        show.open();
    }

    /** The trial sheet of the selected station, where it is not open yet. */
    void openTrial() {
        if (!trials.isOpen().get()) {
            trials.toggle();
        }
    }

    private void preferUnit() {
        desk.prefer(LengthUnit.find(preferences.unit()));
    }

    void askPreferences() {
        PreferencesDialog.ask(scene(), this, preferences);
        preferUnit();
    }

    void showSheets() {
        SheetsDialog.show(
                scene(), desk, files, () -> take.sheet().map(Path::toFile).orElse(null));
    }

    /** The trial sheet of the selected station. */
    public TrialSheet trials() {
        return trials;
    }

    /** The questions to begin with. */
    public StarterSheet starters() {
        return starters;
    }

    StudyDialogs studies() {
        return studies;
    }

    /** Studies as files, for those who start the desk. */
    public StudyActions studyActions() {
        return studyActions;
    }

    /** What is drawn on the picture, for those who watch. */
    public PictureModel picture() {
        return picture;
    }

    List<Path> recent() {
        return preferences.recent();
    }

    Scene scene() {
        return window.getScene();
    }

    void foldTray() {
        workbench.get().foldTray();
    }

    /** Takes files in by what they are. */
    public void open(List<Path> files) {
        comingIn.door().open(files);
    }

    /** Files that come in. */
    ComingIn comingIn() {
        return comingIn;
    }

    /** The demo study. */
    public DemoOpening demo() {
        return demo;
    }

    void copy() {
        exchange.copy(scene());
    }

    void paste() {
        exchange.paste(scene());
    }

    /** What can be taken away of the sample on the stage. */
    TakeAway take() {
        return take;
    }

    void saveMethod() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of("choose.save-method"));
        chooser.setInitialFileName(desk.method().name().replaceAll("[^\\p{L}\\p{Nd}]+", "-") + MethodFile.ENDING);
        File chosen = preferences.choose(chooser, window);
        if (chosen != null) {
            files.saveMethod(chosen.toPath());
        }
    }

    void put(Theme theme) {
        preferences.remember(theme);
        theme.putOn(window.getScene());
    }

    Theme theme() {
        return preferences.theme();
    }

    /** As the window's own button: whoever would lose something is asked first. */
    void quit() {
        Event.fireEvent(window, new WindowEvent(window, WindowEvent.WINDOW_CLOSE_REQUEST));
    }

    /** Shows the window; it remembers its size and place when it goes. */
    public void open() {
        window.setOnCloseRequest(e -> {
            if (desk.holding().get().keeping().get().how() == Keeping.How.TROUBLE && !leaveAnyway()) {
                e.consume();
            }
        });
        window.setOnHidden(e -> {
            preferences.remember(window);
            stage.close();
            watching.stop();
            parted.close();
        });
        window.show();
        new AnimationTimer() {
            private int pulses;

            @Override
            public void handle(long now) {
                pulses++;
                if (!window.isShowing()) {
                    stop();
                } else if (pulses > PAINTED) {
                    stop();
                    complete();
                }
            }
        }.start();
    }

    /** What the welcome hides is made ready while that is being looked at. */
    private void complete() {
        centre.getChildren().addFirst(workbench.get());
        showBench();
        stage.requestFocus();
    }

    private boolean leaveAnyway() {
        String why = desk.holding().get().keeping().get().trouble();
        return Ask.that(scene(), Texts.of("leave.title"), Prose.of(why, "help-text"), Texts.of("leave.yes"));
    }

    /** How the picture is looked at, for those who watch. */
    public StageModel stageModel() {
        return stageModel;
    }

    /** Whether all that was asked for has been run and painted. */
    public boolean quiet() {
        return desk.quiet()
                && stage.quiet()
                && parted.quiet()
                && !trials.model().isRunning();
    }
}
