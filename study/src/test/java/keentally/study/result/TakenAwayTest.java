package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.zip.ZipFile;
import javax.xml.parsers.DocumentBuilderFactory;
import keentally.core.draw.ShapeRenderer;
import keentally.core.geometry.Ellipse;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.measure.Formula;
import keentally.core.measure.Measure;
import keentally.core.measure.OwnColumn;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.step.StepDescription;
import keentally.core.step.Steps;
import keentally.core.view.Layers;
import keentally.core.view.Look;
import keentally.core.view.ObjectColours;
import keentally.core.view.Pyramid;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.caution.Background;
import keentally.study.caution.Captions;
import keentally.study.caution.PictureCautions;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.picture.PictureReader;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRun;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Document;

/** Files of one sample, read back by others' readers or by our own. */
class TakenAwayTest {
    private static final int WIDTH = 80;
    private static final int HEIGHT = 50;

    @TempDir
    private Path folder;

    private TakenAway taken;

    /** Two discs, the first with a hole. */
    @BeforeEach
    void run() throws Exception {
        taken = run(Optional.of(Scale.of("2 um/px")));
    }

    private static TakenAway run(Optional<Scale> scale) throws Exception {
        PlaneF discs = new ShapeRenderer(WIDTH, HEIGHT)
                .add(Ellipse.disc(20, 20, 12))
                .add(Ellipse.disc(60, 30, 9))
                .plane(20, 200);
        PlaneF hole =
                new ShapeRenderer(WIDTH, HEIGHT).add(Ellipse.disc(20, 20, 3)).coverage();
        byte[] values = new byte[WIDTH * HEIGHT];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.round(discs.values()[i] * (1 - 0.9 * hole.values()[i]));
        }
        StepDescription threshold = Steps.find("threshold").orElseThrow();
        Values cut = Values.NONE
                .withTree(threshold.setting("rule").orElseThrow(), "manual")
                .withTree(threshold.setting("cut").orElseThrow(), 110);
        Method method = Method.empty("Discs", LengthUnit.UM)
                .add(0, threshold, cut)
                .measuring(List.of(Measure.AREA, Measure.ECD, Measure.MEAN_RED))
                .withOwn(List.of(new OwnColumn("bulk", Formula.of("area * ecd"))));
        Sample sample = Sample.of("discs", Picture.grey(Plane8.of(WIDTH, HEIGHT, values)), List.of(), scale);
        Runner runner = new Runner(Workers.alone(), new StateCache(0));
        SampleOrder order =
                new SampleOrder("discs", sample, new Background(OptionalInt.of(40), Optional.empty()), false);
        return new TakenAway(SampleRun.of(order, method, runner, new PictureCautions(new Captions()), new Cancel()));
    }

    /** What has no scale is told in pixels in every file, whatever unit the method names. */
    @Test
    void withoutAScaleEverythingIsInPixels() throws Exception {
        TakenAway unscaled = run(Optional.empty());
        Path csv = folder.resolve("t.csv");
        unscaled.table(csv);
        assertThat(Files.readString(csv))
                .startsWith("sample,object,phase,area_px2,ecd_px,mean_red,bulk_px3\r\n")
                .contains("discs,2,1," + (long) area(1) + ",");
        Path book = folder.resolve("t.xlsx");
        unscaled.table(book);
        assertThat(entry(book, "xl/sharedStrings.xml")).contains("Area, px", "lengths are in pixels");
        Path outlines = folder.resolve("o.geojson");
        unscaled.outlines(outlines);
        assertThat(Files.readString(outlines)).contains("\"area_px2\"").doesNotContain("_um");
    }

    private double area(int row) {
        return taken.readings().objects().orElseThrow().at(row, 0);
    }

    private static String entry(Path book, String name) throws IOException {
        try (ZipFile zip = new ZipFile(book.toFile())) {
            return new String(zip.getInputStream(zip.getEntry(name)).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void theWorkbookHoldsNumbersAsNumbersAndWhereTheyComeFrom() throws Exception {
        Path book = folder.resolve("t.xlsx");
        taken.table(book);
        String strings = entry(book, "xl/sharedStrings.xml")
                .replace("&#xb5;", "µ")
                .replace("&#xb2;", "²")
                .replace("&#xb3;", "³");
        assertThat(strings)
                .contains(
                        "Area, µm²",
                        "bulk, µm³",
                        "Objects",
                        "Caution: lossy",
                        "Blocks and ripples of the packing",
                        "2 um/px")
                .contains("rule manual, keep bright, cut 110");
        String objects = entry(book, "xl/worksheets/sheet1.xml");
        assertThat(objects).contains("<v>" + area(0) * 4 + "</v>").doesNotContain("NaN");
        assertThat(entry(book, "xl/workbook.xml")).contains("Objects", "Phases", "Method and cautions");
        Path csv = folder.resolve("t.csv");
        taken.table(csv);
        assertThat(Files.readString(csv)).startsWith("sample,object,phase,area_um2,ecd_um,mean_red,bulk_um3\r\n");
    }

    /** Their areas less those of their holes are the objects' pixels. */
    @Test
    void outlinesHoldTheObjectsPixels() throws Exception {
        Path file = folder.resolve("o.geojson");
        taken.outlines(file);
        Map<?, ?> tree = (Map<?, ?>) Json.read(file);
        List<?> features = (List<?>) tree.get("features");
        assertThat(features).hasSize(2);
        for (int i = 0; i < 2; i++) {
            Map<?, ?> feature = (Map<?, ?>) features.get(i);
            Map<?, ?> properties = (Map<?, ?>) feature.get("properties");
            assertThat(properties.get("object")).isEqualTo(i + 1);
            assertThat(((Number) properties.get("area_um2")).doubleValue()).isEqualTo(area(i) * 4);
            assertThat(properties.get("mean_red")).isNull();
            List<?> polygons = (List<?>) ((Map<?, ?>) feature.get("geometry")).get("coordinates");
            assertThat(polygons).hasSize(1);
            List<?> rings = (List<?>) polygons.getFirst();
            assertThat(rings).hasSize(i == 0 ? 2 : 1);
            double sum = ringArea((List<?>) rings.getFirst());
            for (Object hole : rings.subList(1, rings.size())) {
                sum -= ringArea((List<?>) hole);
            }
            assertThat(sum).isEqualTo(area(i));
        }
    }

    private static double ringArea(List<?> ring) {
        assertThat(ring.getFirst()).isEqualTo(ring.getLast());
        List<Point> corners = ring.subList(1, ring.size()).stream()
                .map(p -> (List<?>) p)
                .map(p -> new Point(((Number) p.get(0)).doubleValue(), ((Number) p.get(1)).doubleValue()))
                .toList();
        return new Polygon(corners).area();
    }

    private Picture read(Path file) throws FileFault {
        return PictureReader.read(file).picture();
    }

    @Test
    void mapsMasksAndTheBlankedPictureReadBack() throws Exception {
        Path labels = folder.resolve("l.tif");
        taken.labels(labels);
        assertThat(read(labels).single().orElseThrow().at(60, 30)).isEqualTo(2);
        Path mask = folder.resolve("m.png");
        taken.mask(mask);
        assertThat(read(mask).single().orElseThrow().at(60, 30)).isEqualTo(255);
        assertThat(read(mask).single().orElseThrow().at(20, 20)).isZero();
        Path phases = folder.resolve("p.png");
        taken.phases(phases);
        assertThat(read(phases).single().orElseThrow().at(60, 30)).isEqualTo(1);
        Path blanked = folder.resolve("b.tif");
        taken.blanked(blanked);
        assertThat(read(blanked).single().orElseThrow().at(60, 30)).isEqualTo(200);
        assertThat(read(blanked).single().orElseThrow().at(1, 1)).isEqualTo(255);
        Path state = folder.resolve("s.tif");
        TakenAway.state(state, taken.run().stations().getFirst());
        assertThat(read(state).single().orElseThrow().at(60, 30)).isEqualTo(255);
    }

    private Layers layers() {
        var objects = taken.readings().state().objects().orElseThrow();
        Look look =
                new Look(Look.Overlay.OUTLINES, Set.of(Look.Mark.NUMBERS, Look.Mark.DOTS, Look.Mark.BOXES), 0.4, false);
        return Layers.of(
                        Pyramid.of(taken.run().sample().picture(), Work.alone()),
                        taken.run().sample().field(),
                        look)
                .with(objects.mask())
                .with(objects, ObjectColours.of(objects));
    }

    @Test
    void theMarkedPictureIsPixelsOrShapes() throws Exception {
        MarkedPicture marked = new MarkedPicture(layers(), Work.alone());
        Path png = folder.resolve("a.png");
        marked.write(png);
        assertThat(read(png).width()).isEqualTo(WIDTH);
        assertThat(read(png).isColour()).isTrue();
        Path svg = folder.resolve("a.svg");
        marked.write(svg);
        Document document =
                DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(svg.toFile());
        assertThat(document.getElementsByTagName("path").getLength()).isEqualTo(2);
        assertThat(document.getElementsByTagName("rect").getLength()).isEqualTo(2);
        assertThat(document.getElementsByTagName("circle").getLength()).isEqualTo(2);
        assertThat(document.getElementsByTagName("text").item(1).getTextContent())
                .isEqualTo("2");
        assertThat(document.getElementsByTagName("image").getLength()).isEqualTo(1);
    }

    @Test
    void objectsAreCutOutIntoAFolderOfTheirOwn() throws Exception {
        Path cuts = folder.resolve("cuts");
        Pyramid ground = Pyramid.of(taken.run().sample().picture(), Work.alone());
        var objects = taken.readings().state().objects().orElseThrow();
        assertThat(CutOuts.write(cuts, ground, objects, Optional.empty(), Work.alone()))
                .isEqualTo(2);
        assertThat(read(cuts.resolve("object-002.png")).width()).isBetween(18 + 8, 20 + 8);
        assertThatThrownBy(() -> CutOuts.write(cuts, ground, objects, Optional.empty(), Work.alone()))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("holds other files");
    }
}
