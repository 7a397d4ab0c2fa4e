package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import keentally.core.measure.Measure;
import keentally.core.reader.Language;
import keentally.core.reader.Reader;
import keentally.core.setting.Setting;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.words.Words;
import keentally.desk.help.CautionWords;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Tip;
import keentally.study.caution.CautionKind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Help beside the picture: of stations, measures and cautions, and why a number is so. */
class HelpWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void twoSquares() throws Exception {
        desk = DeskDriver.drawn(folder, pen -> {
            pen.fillRect(40, 40, 40, 40);
            pen.fillRect(200, 100, 60, 60);
        });
        desk.stations("threshold", "label");
        desk.focusStage();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void open(Topic topic) {
        desk.onFx(() -> {
            desk.window().help().open(topic);
            return null;
        });
        desk.quiet();
    }

    @Test
    void theSelectedStationIsToldOfAndTheHelpFollowsIt() {
        desk.keys(KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Label");
        desk.click("card-1");
        assertThat(desk.text("help-side-title")).isEqualTo("Threshold");
        StepDescription threshold = Steps.find("threshold").orElseThrow();
        for (Setting<?> setting : threshold.settings()) {
            assertThat(desk.has("help-" + setting.id())).as(setting.id()).isTrue();
        }
        assertThat(desk.texts("help-body"))
                .anyMatch(t -> t.startsWith("Source: "))
                .contains("before", "after");
        desk.keys(KeyCode.F1);
        assertThat(desk.node("help-side").isVisible()).isFalse();
    }

    @Test
    void everyStationMeasureAndCautionHasItsHelp() {
        for (StepDescription step : Steps.all()) {
            open(new Topic.OfStation(step));
            assertThat(desk.text("help-side-title")).isEqualTo(Words.title(step));
        }
        for (Measure measure : Measure.values()) {
            open(new Topic.OfMeasure(measure));
            assertThat(desk.texts("help-body")).contains(Words.definition(measure));
            assertThat(desk.onFx(() -> desk.node("measure-sketch").lookupAll("*").stream()
                            .flatMap(n -> n.getStyleClass().stream())
                            .filter(s -> s.startsWith("sketch-measured"))
                            .toList()))
                    .as(measure.id())
                    .isNotEmpty();
        }
        for (CautionKind kind : CautionKind.values()) {
            open(new Topic.OfCaution(kind));
            assertThat(desk.texts("help-body")).contains(CautionWords.about(kind));
        }
    }

    @Test
    void whyACountIsSoIsToldWithItsInputsAndNeighbours() {
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Objects after station 2, Label");
        assertThat(desk.text("why-number")).isEqualTo("2 objects");
        List<String> near = desk.texts("why-neighbours");
        assertThat(near.getFirst()).startsWith("Threshold, Cut: ");
        assertThat(near.get(1)).isEqualTo("2 objects");
        desk.click("why-input-1");
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("threshold-1");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number")).isEqualTo("4.33 %"); // 40² + 60² of 400 × 300
        assertThat(desk.texts("help-body")).anyMatch(t -> t.startsWith("5,200 pixels of the mask, of the 120,000"));
    }

    @Test
    void aCellOfTheTableIsAskedWhy() {
        desk.click("view-objects");
        desk.onFx(() -> {
            TableView<?> table = (TableView<?>) desk.node("objects");
            table.requestFocus();
            table.getFocusModel().focus(1);
            focusSecondColumn(table, 1);
            return null;
        });
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Area of object 2");
        assertThat(desk.text("why-number")).isEqualTo("3,600 px²");
    }

    private void focusCell(String tableId, String title) {
        desk.onFx(() -> {
            focusCell((TableView<?>) desk.node(tableId), title);
            return null;
        });
    }

    private static <S> void focusCell(TableView<S> table, String title) {
        table.requestFocus();
        TableColumn<S, ?> column = table.getColumns().stream()
                .filter(c ->
                        c.getGraphic() instanceof Label head && head.getText().equals(title))
                .findFirst()
                .orElseThrow();
        table.getFocusModel().focus(0, column);
    }

    @Test
    void aCellOfTheLedgerIsAskedWhyAndLeadsToTheStation() {
        desk.click("view-ledger");
        desk.quiet();
        desk.click("ledger-run-all");
        desk.quiet();
        focusCell("ledger-table", "Kept, % of field");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).startsWith("Kept, % of field: ");
        assertThat(desk.text("why-number")).isEqualTo("4.333");
        assertThat(desk.texts("help-body"))
                .contains("The pixels of the objects that are kept, of the pixels of the field.");
        assertThat(desk.texts("why-neighbours").get(1)).as("as the cut moves").isEqualTo("4.333");
        desk.click("why-input-1");
        assertThat(desk.node("ledger-table").isVisible() && desk.has("setting-rule"))
                .as("the Bench with the station")
                .isTrue();
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("threshold-1");
    }

    @Test
    void aShareOfAPhaseIsAskedWhy() {
        desk.click("view-phases");
        desk.quiet();
        focusCell("phases-table", "Share, %");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).startsWith("Share, %: ");
        assertThat(desk.texts("help-body")).anyMatch(t -> t.endsWith("of the 120,000 pixels of the field."));
        assertThat(desk.texts("why-neighbours")).hasSizeGreaterThan(1).doesNotContain("cannot be done");
    }

    private void focus(String id) {
        desk.onFx(() -> {
            desk.node(id).requestFocus();
            return null;
        });
    }

    @Test
    void aMeanOfTheLedgerIsAskedWhyAndLeadsToItsSamples() {
        desk.click("view-ledger");
        desk.quiet();
        desk.click("ledger-run-all");
        desk.quiet();
        for (String number : List.of("fields", "mean", "sd", "interval", "accuracy")) {
            assertThat(Why.at(desk.node("group-1-" + number))).as(number).isPresent();
        }
        assertThat(Why.at(desk.node("group-1-needed")))
                .as("nothing can be told of one sample")
                .isEmpty();
        focus("group-1-mean");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).endsWith(", no group: Mean");
        assertThat(desk.text("why-number")).isEqualTo(desk.text("group-1-mean"));
        assertThat(desk.text("why-source-told-1")).isEqualTo(desk.text("group-1-mean"));
        desk.click("why-source-1");
        assertThat(desk.has("why-neighbours")).as("the sample's own number").isTrue();
    }

    @Test
    void aMeanOfAllObjectsIsAskedWhy() {
        desk.click("view-objects");
        desk.fire("together-summary");
        desk.quiet();
        desk.onFx(() -> {
            TableView<?> table = (TableView<?>) desk.node("summary");
            table.requestFocus();
            table.getSelectionModel().select(0);
            focusSecondColumn(table, 0);
            return null;
        });
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("Mean: Area, px²");
        assertThat(desk.text("why-number")).isEqualTo("2,600");
        assertThat(desk.texts("why-neighbours")).contains("2,600");
        focus("kept-cover");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number")).isEqualTo("They cover 5,200 px², 4.33 % of the field");
        assertThat(desk.texts("why-neighbours")).contains("4.33 %");
        focus("object-count");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number")).isEqualTo("2 objects");
    }

    @Test
    void whatIsToldOfThePixelUnderThePointerIsAskedWhy() {
        desk.clickPicture(60, 60);
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("What is under the pointer");
        assertThat(desk.text("why-number").lines())
                .hasSize(4)
                .anyMatch(l -> l.startsWith("grey "))
                .contains("chosen", "object 1 (1,600 px²)");
        assertThat(desk.texts("help-body")).anyMatch(t -> t.contains("its area: 1,600 pixels"));
        assertThat(desk.texts("why-neighbours")).contains("its object: 1,600 px²");
        desk.click("why-input-1");
        assertThat(desk.onFx(() -> desk.model().station().get())).isEqualTo("threshold-1");
        desk.clickPicture(150, 200);
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number").lines())
                .as("where no object is")
                .hasSize(3)
                .contains("rest");
        assertThat(desk.has("why-neighbours")).isFalse();
        desk.onFx(() -> desk.model().change("no scale", m -> m.then("remove-specks", "below", "1 um2")));
        desk.quiet();
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number").lines()).as("place and value").hasSize(2);
        assertThat(desk.has("why-input-1")).isTrue();
        assertThat(desk.has("why-input-2"))
                .as("the method did not come to its end")
                .isFalse();
    }

    @Test
    void channelsOfAPixelAreNamedInTheReadersLanguage() {
        try {
            Reader.is(Language.GERMAN, true);
            desk.clickPicture(60, 60);
            assertThat(desk.text("probe")).contains("Grau ").doesNotContain("grey");
        } finally {
            Reader.is(Language.ENGLISH, false);
        }
    }

    @Test
    void whatIsToldOfAPixelOutlivesItsStation() {
        desk.onFx(() ->
                desk.model().change("smooth", m -> m.add(0, Steps.find("smooth").orElseThrow())));
        desk.quiet();
        desk.click("card-1");
        desk.clickPicture(60, 60);
        assertThat(desk.text("probe")).contains("prepared");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("probe")).contains("grey").doesNotContain("prepared");
    }

    @Test
    void aTileOfATrialSheetIsAskedWhy() {
        desk.click("card-1");
        desk.keys(KeyCode.T);
        desk.quiet();
        desk.click("tile-1");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).startsWith("share of the whole, %: ");
        assertThat(desk.text("why-number")).isEqualTo("4.33 %");
        assertThat(desk.texts("why-neighbours")).contains("4.33 %");
    }

    @Test
    void theAnswerOfAStarterIsAskedWhy() {
        desk.onFx(() -> {
            desk.window().starters().ask();
            return null;
        });
        desk.quiet();
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).isEqualTo("How many are there?");
        assertThat(desk.text("why-number")).isEqualTo("2 objects");
        assertThat(desk.texts("why-neighbours")).contains("2");
        assertThat(desk.node("why-input-1").isDisabled()).as("not laid out yet").isTrue();
    }

    @Test
    void whatAPartIsForIsSaidWhereTheMouseRests() {
        assertThat(desk.tip("ruler")).isEqualTo(Tip.of(desk.node("ruler"))).isNotEmpty();
        desk.onFx(() -> {
            Tip.on(desk.node("ruler"), "another");
            return null;
        });
        desk.tip("stage");
        assertThat(desk.tip("ruler")).isEqualTo("another");
    }

    @Test
    void aNumberOfTheHistogramIsAskedWhy() {
        desk.click("card-0");
        desk.click("section-histogram");
        desk.quiet();
        focus("summary-mean-0");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("help-side-title")).startsWith("mean: grey, ");
        assertThat(desk.text("why-number")).isEqualTo(desk.text("summary-mean-0"));
        assertThat(desk.has("why-source-1")).isTrue();
        focus("summary-count-0");
        desk.keys(KeyCode.SHIFT, KeyCode.F1);
        assertThat(desk.text("why-number")).isEqualTo("120,000 px");
    }

    private static <S> void focusSecondColumn(TableView<S> table, int row) {
        table.getFocusModel().focus(row, table.getColumns().get(1));
    }
}
