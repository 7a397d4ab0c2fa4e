package keentally.desk.view;

import java.io.File;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Stage;
import keentally.desk.ledger.LedgerPane;
import keentally.desk.ledger.LedgerSide;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskFiles;
import keentally.desk.model.DeskModel;
import keentally.desk.pair.PairPane;
import keentally.desk.report.ReportPane;
import keentally.desk.stage.StageView;
import keentally.study.plot.DifferencePlot;
import keentally.study.plot.HistogramPlot;
import keentally.study.plot.SpreadPlot;
import keentally.study.report.HtmlReport;
import keentally.study.report.PdfReport;
import keentally.study.report.Report;
import keentally.study.result.LedgerFile;
import keentally.study.result.PhaseShares;
import keentally.study.result.TakenAway;
import keentally.study.series.Ledger;

/** What can be taken away of the sample on the stage, each asked where to; as a menu, and for menus and find. */
final class TakeAway {
    private final DeskModel desk;
    private final DeskFiles files;
    private final StageView stage;
    private final PairPane parted;
    private final Preferences preferences;
    private final Stage window;
    private final Map<String, Runnable> all = new LinkedHashMap<>();

    TakeAway(DeskModel desk, DeskFiles files, StageView stage, PairPane parted, Preferences preferences, Stage window) {
        this.desk = desk;
        this.files = files;
        this.stage = stage;
        this.parted = parted;
        this.preferences = preferences;
        this.window = window;
        result("table", TakenAway::table, "-objects", "csv", "xlsx");
        result("outlines", TakenAway::outlines, "-outlines", "geojson");
        result("labels", TakenAway::labels, "-labels", "tif");
        result("mask", TakenAway::mask, "-mask", "png");
        result("phases", TakenAway::phases, "-phases", "png");
        result("blanked", TakenAway::blanked, "-kept", "tif");
        all.put(
                "shown",
                () -> stage.layersShown()
                        .ifPresent(
                                layers -> file("shown", "", "png", "svg").ifPresent(f -> files.takeShown(f, layers))));
        all.put("pair", this::pair);
        all.put("state", () -> {
            String station = desk.station().get();
            file("state", "-" + station, "tif").ifPresent(f -> files.takeState(f, station));
        });
        all.put("cut-outs", this::cutOuts);
    }

    private void result(String key, DeskFiles.Take take, String ending, String... kinds) {
        all.put(key, () -> file(key, ending, kinds).ifPresent(f -> files.take(f, take)));
    }

    /** What can be taken away, by the keys of its texts. */
    Map<String, Runnable> all() {
        return all;
    }

    void table() {
        all.get("table").run();
    }

    MenuButton menu() {
        MenuButton menu = new MenuButton(Texts.of("take"));
        menu.setId("take");
        menu.getItems().setAll(items(i -> i.setId("take-" + i.getId())));
        return menu;
    }

    /** New items, told one after the other. */
    List<MenuItem> items(Consumer<MenuItem> each) {
        return all.entrySet().stream()
                .map(e -> {
                    MenuItem item = new MenuItem(Texts.of("take." + e.getKey()));
                    item.setId(e.getKey());
                    item.setOnAction(a -> e.getValue().run());
                    each.accept(item);
                    return item;
                })
                .toList();
    }

    private String sample() {
        return desk.sample()
                .map(s -> s.name().replaceAll("[^\\p{L}\\p{Nd}.-]+", "-"))
                .orElse("picture");
    }

    private Optional<Path> file(String key, String ending, String... kinds) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of("take." + key));
        for (String kind : kinds) {
            chooser.getExtensionFilters().add(new ExtensionFilter(kind.toUpperCase(Locale.ROOT), "*." + kind));
        }
        chooser.setInitialFileName(sample() + ending + "." + kinds[0]);
        return Optional.ofNullable(preferences.choose(chooser, window)).map(File::toPath);
    }

    private void cutOuts() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(Texts.of("take.cut-outs"));
        Optional.ofNullable(preferences.chooseFolder(chooser, window))
                .map(File::toPath)
                .ifPresent(folder -> files.takeCutOuts(folder.resolve(sample() + "-objects"), stage.bar()));
    }

    /** Where a trial sheet goes; nothing where nobody said. */
    Optional<Path> sheet() {
        return file("sheet", "-trial", "png");
    }

    /** Both views as one picture; where the stage is whole that is said. */
    void pair() {
        Optional<DeskFiles.Views> views = parted.views();
        if (views.isEmpty()) {
            desk.say(Texts.of("pair.whole"));
            return;
        }
        file("pair", "-two-views", "png").ifPresent(f -> files.takePair(f, views.get()));
    }

    /** Keeps the two views with the study, for the report. */
    void keepPair() {
        parted.views().ifPresentOrElse(files::keepPair, () -> desk.say(Texts.of("pair.whole")));
    }

    /** The picture as it is seen. */
    void shown() {
        all.get("shown").run();
    }

    void marks() {
        file("marks", "-marks", "csv").ifPresent(files::takeMarks);
    }

    void plot(HistogramPlot plot) {
        file("plot", "-histogram", "png", "svg", "csv").ifPresent(f -> files.savePlot(f, plot));
    }

    void differences(DifferencePlot plot) {
        file("differences", "-differences", "png", "svg", "csv").ifPresent(f -> files.saveDifferences(f, plot));
    }

    void ledger(LedgerPane.Taken what, Ledger ledger) {
        switch (what) {
            case TABLE -> ledger("ledger", f -> LedgerFile.write(f, LedgerFile.csv(ledger)), "csv");
            case GROUPS -> ledger("groups", f -> LedgerFile.write(f, LedgerFile.groupsCsv(ledger)), "csv");
            case WORKBOOK -> ledger("ledger", f -> LedgerFile.xlsx(f, ledger), "xlsx");
        }
    }

    void ledgerPlot(LedgerSide.Saving plot) {
        ledger("ledger-plot", plot::save, "png", "svg", "csv");
    }

    void phaseShares(PhaseShares shares) {
        if (shares.rows().isEmpty()) {
            desk.say(Texts.of("phases.none"));
            return;
        }
        file("phase-shares", "-phases", "csv", "xlsx").ifPresent(f -> files.takeFile(f, shares::write));
    }

    /** What a station was taught. */
    void model(DeskFiles.FileWriting writing) {
        file("model", "", "model.json").ifPresent(f -> files.takeFile(f, writing));
    }

    /** How well it was. */
    void scores(DeskFiles.FileWriting writing) {
        file("scores", "-scores", "csv").ifPresent(f -> files.takeFile(f, writing));
    }

    void report(ReportPane.Kind kind, Report report) {
        switch (kind) {
            case PDF -> ledger("report", f -> PdfReport.write(report, f), "pdf");
            case HTML -> ledger("report", f -> HtmlReport.write(report, f), "html");
        }
    }

    private void ledger(String name, DeskFiles.FileWriting writing, String... kinds) {
        named(name, kinds).ifPresent(f -> files.takeFile(f, writing));
    }

    /** Of the whole study rather than of a sample. */
    private Optional<Path> named(String name, String... kinds) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Texts.of("take." + name));
        for (String kind : kinds) {
            chooser.getExtensionFilters().add(new ExtensionFilter(kind.toUpperCase(Locale.ROOT), "*." + kind));
        }
        chooser.setInitialFileName(name + "." + kinds[0]);
        return Optional.ofNullable(preferences.choose(chooser, window)).map(File::toPath);
    }

    void spread(SpreadPlot plot) {
        file("spread", "-spread", "png", "svg", "csv").ifPresent(f -> files.saveSpread(f, plot));
    }
}
