package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.chart.LineChart;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import keentally.core.hand.Strokes;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.run.Progress;
import keentally.core.run.Runner;
import keentally.core.run.StateCache;
import keentally.core.step.Steps;
import keentally.core.trial.Axis;
import keentally.core.words.Figures;
import keentally.core.work.Cancel;
import keentally.core.work.Workers;
import keentally.desk.trial.TrialModel;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Into phases, by trying and comparing: strokes, clicks, trial sheet, stability, starters, at the real screen. */
class PhasesWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @AfterEach
    void close() {
        desk.close();
    }

    private double share(String id) {
        return Double.parseDouble(desk.text(id).replace("%", "").strip());
    }

    /** The stroke runs along a rye grain; there are 95 of them, 7.36 % of the tray. */
    @Test
    void oneStrokeOverOneGrainSelectsAllOfItsKind() throws Exception {
        desk = DeskDriver.demo(folder, "Grain tray", "colour-range-1");
        desk.click("clear-strokes");
        assertThat(share("share-0")).isGreaterThan(90);
        desk.dragPicture(197, 557, 211, 559);
        assertThat(share("share-0")).isBetween(5.5, 8.5);
        assertThat(desk.count()).isBetween(90, 100);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(share("share-0")).isGreaterThan(90);
        desk.keys(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        assertThat(share("share-0")).isBetween(5.5, 8.5);
    }

    @Test
    void theOtherButtonTakesAwayAndOutsideTheFieldThereIsNothing() throws Exception {
        desk = DeskDriver.demo(folder, "Grain tray", "colour-range-1");
        desk.click("clear-strokes");
        desk.dragPicture(20, 20, 60, 20);
        assertThat(desk.text("message")).contains("outside the field");
        desk.dragPicture(197, 557, 211, 559);
        double before = share("share-0");
        desk.dragPictureOther(198, 557, 210, 559);
        assertThat(share("share-0")).isLessThan(before);
    }

    /** Bars on upright bands, a range over red in one piece, in every space. */
    @Test
    void rangesAreSetOnBands() throws Exception {
        desk = DeskDriver.demo(folder, "Grain tray", "colour-range-1");
        desk.click("clear-strokes");
        desk.dragPicture(197, 557, 211, 559);
        String to = desk.text("band-saturation-to");
        double before = share("share-0");
        desk.press("band-saturation", 0.5, 0.95);
        desk.release();
        assertThat(desk.text("band-saturation-to")).isEqualTo(to);
        assertThat(Double.parseDouble(desk.text("band-saturation-from"))).isLessThan(0.05);
        assertThat(share("share-0")).isGreaterThan(before);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(share("share-0")).isEqualTo(before);

        desk.type("setting-hue", "340 to 20");
        assertThat(desk.text("band-hue-from")).isEqualTo("340");
        assertThat(desk.text("band-hue-to")).isEqualTo("20");
        desk.click("band-hue");
        desk.keys(KeyCode.SHIFT, KeyCode.DOWN);
        assertThat(desk.text("band-hue-to")).isNotEqualTo("20");
        for (String space : List.of("red, green, blue", "lightness, a, b")) {
            desk.choose("setting-space", space);
            assertThat(desk.has(space.startsWith("red") ? "band-blue" : "band-b"))
                    .isTrue();
        }
    }

    /** Of the sample on the stage there is something to see before the first alternative was worked out, and nothing once the sheet is closed. */
    @Test
    void tilesShowThePictureUntilTheyAreReady() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        desk.focusStage();
        for (int times = 0; times < 2; times++) {
            AtomicLong ready = new AtomicLong(-1);
            Runnable look = () -> {
                if (ready.get() < 0 && isPainted("tile-0") && isPainted("tile-11")) {
                    ready.set(desk.trials().tiles().get().stream()
                            .filter(t -> t.outcome().isPresent())
                            .count());
                }
            };
            desk.onFx(() -> {
                desk.node("desk").getScene().addPostLayoutPulseListener(look);
                return null;
            });
            desk.keys(KeyCode.T);
            assertThat(ready.get())
                    .as("tiles worked out before the first was seen")
                    .isBetween(0L, 6L);
            assertThat(desk.onFx(() -> isPainted("tile-plain"))).isTrue();
            desk.keys(KeyCode.T);
            assertThat(desk.onFx(() -> isPainted("tile-0") || isPainted("tile-plain")))
                    .isFalse();
            desk.onFx(() -> {
                desk.node("desk").getScene().removePostLayoutPulseListener(look);
                return null;
            });
        }
    }

    private boolean isPainted(String tile) {
        Node node = desk.node("desk").lookup("#" + tile);
        return node != null
                && node.lookupAll("*").stream().anyMatch(n -> n instanceof ImageView v && v.getImage() != null);
    }

    @Test
    void theTrialSheetComparesAndIsTakenByKeys() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        desk.focusStage();
        desk.keys(KeyCode.T);
        assertThat(desk.has("tile-11")).isTrue();
        List<TrialModel.Tile> tiles = desk.onFx(() -> desk.trials().tiles().get());
        assertThat(tiles).hasSize(12).allMatch(t -> t.outcome().isPresent());
        assertThat(tiles.stream().map(t -> t.number(TrialModel.Number.SHARE))).isSorted();
        assertThat(tiles.stream().filter(TrialModel.Tile::current)).hasSize(1);
        int chosen = desk.onFx(() -> desk.trials().chosen().get()).orElseThrow();
        desk.keys(KeyCode.RIGHT);
        assertThat(desk.onFx(() -> desk.trials().chosen().get())).isEqualTo(Optional.of(chosen + 1));
        String label = tiles.get(chosen + 1).label();
        desk.keys(KeyCode.ENTER);
        assertThat(desk.has("trial-panel")).isFalse();
        assertThat(desk.onFx(() -> desk.model().undoable()).orElseThrow()).contains(label);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("headline")).startsWith("cut at 14,914");
    }

    @Test
    void theRailSaysWhichViewIsSeenWhenTheTrialSheetWasOpen() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        desk.click("station-trial");
        desk.click("view-objects");
        assertThat(desk.has("trial-panel")).isFalse();
        assertThat(((ToggleButton) desk.node("view-objects")).isSelected()).isTrue();
        assertThat(((ToggleButton) desk.node("view-bench")).isSelected()).isFalse();
        assertThat(desk.has("objects")).isTrue();
    }

    @Test
    void theTrialSheetTakesValuesAndIsSaved() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "smooth-1");
        desk.click("station-trial");
        ComboBox<?> axes = (ComboBox<?>) desk.node("trial-axis");
        desk.onFx(() -> {
            List<Axis> all = desk.trials().axes();
            axes.getSelectionModel()
                    .select(all.indexOf(all.stream()
                            .filter(x -> x.id().equals("sigma"))
                            .findFirst()
                            .orElseThrow()));
            return null;
        });
        desk.quiet();
        desk.type("trial-values", "0.5; 1; 2");
        assertThat(desk.onFx(() -> desk.trials().tiles().get()).stream().map(TrialModel.Tile::label))
                .containsExactly("0.5 px", "1 px", "2 px");
        desk.type("trial-values", "1; many");
        assertThat(desk.text("trial-complaint")).contains("found \"many\"");
        desk.type("trial-values", "1; 3");
        assertThat(desk.onFx(() -> desk.trials().tiles().get())).hasSize(2);
        Path png = folder.resolve("sheet.png");
        desk.saveTo(png);
        desk.click("trial-save");
        assertThat(ImageIO.read(png.toFile()).getWidth()).isGreaterThan(300);
        assertThat(desk.onFx(() -> desk.trials().tiles().get()))
                .allSatisfy(t -> assertThat(t.number(TrialModel.Number.SHARE)).isBetween(20.0, 30.0))
                .allSatisfy(t -> assertThat(t.number(TrialModel.Number.DIFFERS)).isBetween(0.0, 5.0));
        assertThat(Files.readString(folder.resolve("sheet.csv")))
                .startsWith(
                        "sample,setting,share_percent,explained_percent,count,differs_percent,held_out_f1_percent,own_number,current,error\r\n"
                                + "Flour dispersion,1 px,");
        desk.click("trial-keep");
        assertThat(desk.onFx(() -> desk.model().study().get().sheets()).values())
                .singleElement()
                .satisfies(s -> assertThat(s.title()).contains("Flour dispersion"))
                .satisfies(s -> assertThat(s.table()).isEqualTo(Files.readString(folder.resolve("sheet.csv"))));
        desk.click("trial-close");
        assertThat(desk.has("trial-panel")).isFalse();
    }

    /** What comes back for a station that is not on the desk any more is let go. */
    @Test
    void leafingThroughSamplesFasterThanTheyAreWorkedOutLeavesNothingWrong() throws Exception {
        desk = DeskDriver.wholeDemo(folder);
        List<String> samples = desk.onFx(() -> desk.model().study().get().samples());
        for (int round = 0; round < 3; round++) {
            for (String sample : samples) {
                desk.onFx(() -> {
                    desk.model().show(sample);
                    desk.model()
                            .station()
                            .set(desk.model().method().steps().getLast().id());
                    return null;
                });
                desk.glance();
            }
        }
        desk.quiet();
        assertThat(desk.text("message")).doesNotContain("went wrong");
    }

    @Test
    void theStabilityCurveFollowsTheCut() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        assertThat(desk.text("steadiness")).startsWith("Share steady");
        assertThat(chosenNow()).isBetween(25.0, 26.0);
        assertThat(desk.text("count-steadiness")).isEqualTo("Count steady: 356 to 356 for 2 % either way.");
        desk.press("histogram", 0.8, 0.5);
        desk.dragTo("histogram", 0.8, 0.9);
        desk.release();
        assertThat(chosenNow()).isGreaterThan(30);
        assertThat(desk.text("steadiness")).startsWith("Share steep");
    }

    /** In a surrounding of 25 px the granules stand out well; k counts hundredths of half the range. */
    @Test
    void theStabilityOfALocalThresholdFollowsItsK() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        instead("local-threshold", m -> m.remove("threshold-1"));
        assertThat(desk.text("share-steadiness")).startsWith("Share steady").endsWith("for k from -9 to -1.");
        assertThat(desk.text("count-steadiness")).startsWith("Count ").contains("for k from -9 to -1.");
        desk.type("setting-k", "-60");
        assertThat(desk.text("share-steadiness")).contains("for k from -64 to -56.");
    }

    /** Each cut is dragged by itself and none passes another; the first drag sets them by hand. */
    @Test
    void severalCutsAreDraggedOnTheHistogram() throws Exception {
        desk = DeskDriver.demo(folder, "Flour dispersion", "threshold-1");
        instead("levels", m -> m.with(m.steps().subList(0, 1)));
        assertThat(desk.text("steadiness")).startsWith("Cut ").contains("% lie up to it");
        List<Double> before = cuts();
        assertThat(before).hasSize(2).isSorted();
        desk.press("histogram", 0.8, 0.05);
        desk.dragTo("histogram", 0.8, 0.1);
        desk.release();
        assertThat(desk.onFx(() -> desk.model().undoable())).contains("move the cut");
        List<Double> moved = cuts();
        assertThat(moved.getFirst()).isCloseTo(before.getFirst(), within(0.1));
        assertThat(moved.getLast()).isGreaterThan(before.getLast());
        assertThat(desk.text("steadiness")).startsWith("Cut " + Figures.number(moved.getLast()) + " ste");
        desk.press("histogram", 0.8, 0.12);
        desk.dragTo("histogram", 0.8, 0.95);
        desk.release();
        double beside = cuts().getLast();
        assertThat(beside).isBetween(before.getFirst() + 1, before.getFirst() + 100);
        desk.keys(KeyCode.UP);
        assertThat(cuts().getLast()).isGreaterThan(beside);
        for (int i = 0; i < 3; i++) {
            desk.keys(KeyCode.CONTROL, KeyCode.Z);
        }
        assertThat(cuts()).isEqualTo(before);
    }

    /** The cuts of a station of levels as the line below the histogram has them. */
    private List<Double> cuts() {
        return desk.onFx(
                () -> desk.model().reached("levels-1").orElseThrow().findings().cuts());
    }

    /** A station as the second one of a method that was made shorter before. */
    private void instead(String step, UnaryOperator<Method> shortened) {
        desk.onFx(() -> {
            var model = desk.model();
            model.change(step, m -> shortened.apply(m).add(1, Steps.find(step).orElseThrow()));
            model.station().set(step + "-1");
            return null;
        });
        desk.quiet();
    }

    /** What the curve shows in its middle, where the cut is. */
    private double chosenNow() {
        LineChart<?, ?> curve = (LineChart<?, ?>) desk.node("stability");
        return desk.onFx(
                () -> ((Number) curve.getData().getFirst().getData().get(3).getYValue()).doubleValue());
    }

    @Test
    void clicksAddColoursAndTakeThemAway() throws Exception {
        desk = DeskDriver.demo(folder, "Bran specks", "similar-colour-1");
        double before = share("share-0");
        assertThat(before).isBetween(0.5, 1.5);
        desk.clickPicture(500, 400);
        assertThat(share("share-0")).isGreaterThan(60);
        assertThat(desk.has("reach-1")).isTrue();
        desk.type("reach-1", "1");
        assertThat(share("share-0")).isLessThan(60);
        desk.click("remove-colour-1");
        assertThat(share("share-0")).isEqualTo(before);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.has("reach-1")).isTrue();
    }

    /** Connected, one speck is chosen where it was clicked; the places are kept with the sample and come back with undo. */
    @Test
    void clicksThatMustHangTogetherChooseOneThingAtATime() throws Exception {
        desk = DeskDriver.demo(folder, "Bran specks", "similar-colour-1");
        desk.click("setting-connected");
        assertThat(desk.text("fault")).contains("none were clicked on this sample");
        int[] first = speck(0);
        desk.clickPicture(first[0], first[1]);
        double one = share("share-0");
        assertThat(one).isBetween(1e-4, 0.2);
        int[] second = speck(1);
        desk.clickPicture(second[0], second[1]);
        assertThat(share("share-0")).isGreaterThan(one);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(share("share-0")).isEqualTo(one);
        desk.clickPictureOther(first[0], first[1]);
        assertThat(desk.text("fault")).contains("none were clicked on this sample");
    }

    /** The middle of the longest run of the object that is so-many-th by size, x and y. */
    private int[] speck(int object) {
        return desk.onFx(() -> {
            Method everywhere = desk.model().method();
            var step = everywhere.step("similar-colour-1").orElseThrow();
            var off = everywhere.with(
                    step.id(),
                    step.values()
                            .withTree(step.description().setting("connected").orElseThrow(), false));
            var sample = desk.model().shown().get().orElseThrow().run().sample();
            try (Workers workers = Workers.alone()) {
                Runner runner = new Runner(workers, new StateCache(0));
                var run = runner.run(off, sample, Integer.MAX_VALUE, new Cancel(), Progress.SILENT);
                var objects =
                        runner.readings(run, new Cancel()).state().objects().orElseThrow();
                var regions = objects.regions();
                int region = IntStream.range(0, regions.count())
                        .boxed()
                        .sorted(Comparator.comparingLong(i -> -regions.pixels(i)))
                        .toList()
                        .get(object);
                int[] longest = new int[3];
                regions.runs(region, (y, from, to) -> {
                    if (to - from > longest[2]) {
                        longest[0] = (from + to) / 2;
                        longest[1] = y;
                        longest[2] = to - from;
                    }
                });
                return longest;
            }
        });
    }

    @Test
    void strokesStayWithTheirSampleAndClearedOnesComeBackWithUndo() throws Exception {
        desk = DeskDriver.demo(folder, "Grain tray", "colour-range-1");
        desk.dragPicture(197, 557, 211, 559);
        assertThat(strokes()).isEqualTo(1);
        desk.dragPicture(200, 558, 211, 559);
        assertThat(strokes()).isEqualTo(2);
        desk.click("clear-strokes");
        assertThat(strokes()).isZero();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(strokes()).isEqualTo(2);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(strokes()).isEqualTo(1);
    }

    /** A picture of the side light on nothing, typed by its path; a wrong path leaves the one before. */
    @Test
    void aPictureOfNothingEvensOutTheLight() throws Exception {
        desk = DeskDriver.demo(folder, "Side light", "flatten-1");
        desk.choose("setting-by", "reference picture");
        assertThat(desk.text("fault")).contains("needs a reference picture");
        Path blank = folder.resolve("blank.png");
        BufferedImage light = new BufferedImage(1200, 900, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < 900; y++) {
            for (int x = 0; x < 1200; x++) {
                light.getRaster().setSample(x, y, 0, 200 - x / 10);
            }
        }
        ImageIO.write(light, "png", blank.toFile());
        desk.type("reference-reference", blank.toString());
        assertThat(desk.text("fault")).isEmpty();
        assertThat(desk.fieldText("reference-reference")).isEqualTo("blank.png");
        desk.type("reference-reference", folder.resolve("none.png").toString());
        assertThat(desk.text("message")).contains("none.png does not exist");
        assertThat(desk.text("fault")).isEmpty();
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("fault")).contains("needs a reference picture");
    }

    private int strokes() {
        return desk.onFx(
                () -> desk.model().study().get().handFor(desk.model().methodId(), "colour-range-1").values().stream()
                        .mapToInt(h -> ((Strokes) h).taken().size())
                        .sum());
    }

    @Test
    void clustersAreSuggestedNamedAndSwitchedOff() throws Exception {
        desk = DeskDriver.demo(folder, "Crust chart", "cluster-1");
        assertThat(desk.text("cluster-reason")).contains("k = 5").contains("±");
        assertThat(share("share-0")).isBetween(5.5, 6.5);
        int[] all = desk.colours("stage");
        CheckBox burnt = (CheckBox) desk.node("phase-on-0");
        assertThat(desk.onFx(burnt::isSelected)).isTrue();
        desk.click("phase-on-0");
        assertThat(desk.colours("stage")).isNotEqualTo(all);
        desk.type("phase-name-0", "coal");
        assertThat(desk.onFx(() -> desk.model().undoable())).isPresent();
        assertThat(desk.onFx(() -> desk.model()
                        .shown()
                        .get()
                        .orElseThrow()
                        .readings()
                        .orElseThrow()
                        .fractions()
                        .getFirst()
                        .name()))
                .isEqualTo("coal");
        desk.click("phases-mean");
        assertThat(desk.colours("stage")).isNotEqualTo(all);
        desk.focusStage();
        desk.keys(KeyCode.T);
        assertThat(desk.onFx(() -> desk.trials().number().get())).isEqualTo(TrialModel.Number.EXPLAINED);
        assertThat(desk.onFx(() -> desk.trials().tiles().get()))
                .allSatisfy(t -> assertThat(t.number(TrialModel.Number.SHARE)).isNaN())
                .anySatisfy(
                        t -> assertThat(t.number(TrialModel.Number.EXPLAINED)).isBetween(98.0, 100.0));
    }

    @Test
    void phasesHaveColoursAndDensitiesOfTheirOwn() throws Exception {
        desk = DeskDriver.demo(folder, "Crust chart", "cluster-1");
        int[] usual = desk.colours("stage");
        desk.click("phase-colour-0");
        desk.clickInPopup("colour-choice-8");
        assertThat(desk.colours("stage")).isNotEqualTo(usual);
        desk.type("sample-mass", "100 g");
        double mass = Double.parseDouble(desk.text("mass-0").replace(" g", ""));
        assertThat(mass).isCloseTo(share("share-0"), within(0.05));
        desk.type("density-0", "2");
        double heavier = Double.parseDouble(desk.text("mass-0").replace(" g", ""));
        assertThat(heavier).isCloseTo(100 * 2 * mass / (100 + mass), within(0.05));
        desk.type("density-0", "-1");
        assertThat(desk.text("message")).contains("above 0");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.text("mass-0")).isEqualTo(Figures.number(mass) + " g");
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.colours("stage")).isEqualTo(usual);
    }

    @Test
    void aDyeIsTakenFromAStrokeAndSeenAlone() throws Exception {
        desk = DeskDriver.demo(folder, "Dyed dough", "unmix-dyes-1");
        int[] all = desk.colours("stage");
        desk.click("see-dye-2");
        assertThat(desk.colours("stage")).isNotEqualTo(all);
        desk.click("see-dye-0");
        String before = desk.fieldText("setting-vectors");
        desk.click("stroke-dye-1");
        int[] violet = desk.onFx(
                () -> violet(desk.model().open().get().orElseThrow().file().picture()));
        desk.dragPicture(violet[0] - 2, violet[1], violet[0] + 4, violet[1]);
        assertThat(desk.fieldText("setting-vectors")).isNotEqualTo(before);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.fieldText("setting-vectors")).isEqualTo(before);
    }

    /** A place well inside a granule that the other dye does not cover. */
    private static int[] violet(Picture picture) {
        var red = picture.channels().get(0).plane();
        var blue = picture.channels().get(2).plane();
        for (int y = 200; y < picture.height() - 200; y += 3) {
            for (int x = 300; x < picture.width() - 300; x += 3) {
                boolean all = true;
                for (int d = -5; d <= 7; d++) {
                    all &= blue.at(x + d, y) > red.at(x + d, y) + 8;
                }
                if (all) {
                    return new int[] {x, y};
                }
            }
        }
        throw new AssertionError("no place is violet");
    }

    @Test
    void startersTryTheirQuestionsOnAPictureNobodyHasSeen() throws Exception {
        BufferedImage drawn = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = drawn.createGraphics();
        pen.setColor(new Color(0xd8cfc0));
        pen.fillRect(0, 0, 400, 300);
        pen.setColor(new Color(0x7a2f25));
        pen.fillRect(50, 50, 150, 100);
        pen.dispose();
        Path file = folder.resolve("tile.png");
        ImageIO.write(drawn, "png", file.toFile());
        desk = DeskDriver.start(folder);
        desk.open(file);
        assertThat(desk.text("starter-dark-number")).isEqualTo("12.5 % of the field");
        assertThat(desk.text("starter-colour-number")).isEqualTo("12.5 % of the field");
        assertThat(desk.text("starter-shades-number")).isEqualTo("2 shades");
        desk.click("section-scale");
        desk.dragPicture(50, 200, 150, 200);
        desk.type("scale-real", "10 um");
        assertThat(desk.text("scale-shown")).endsWith("µm/px");
        desk.click("section-facts");
        desk.click("starter-colour");
        assertThat(desk.onFx(() -> desk.model().method().steps().stream()
                        .map(s -> s.description().id())
                        .toList()))
                .containsExactly("smooth", "similar-colour");
        assertThat(share("share-0")).isEqualTo(12.5);
        desk.keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.onFx(() -> desk.model().method().steps())).isEmpty();
        assertThat(desk.onFx(() -> desk.node("starters").isVisible())).isTrue();
    }
}
