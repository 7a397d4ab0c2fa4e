package keentally.samples;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keentally.core.draw.ShapeRenderer;
import keentally.core.filter.Gaussian;
import keentally.core.geometry.Point;
import keentally.core.geometry.Polygon;
import keentally.core.measure.Measure;
import keentally.core.measure.SampleNumber;
import keentally.core.measure.SampleNumber.Limits;
import keentally.core.method.Held;
import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.run.Holding;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.run.Sample;
import keentally.core.run.StateCache;
import keentally.core.setting.Values;
import keentally.core.work.Cancel;
import keentally.core.work.Work;
import keentally.core.work.Workers;
import keentally.study.document.SlideLabel;

/**
 * Slices of one dough baked after six times of proving, three fields of each: dark pores in crumb, and a strip of the bright plate that they
 * lie on, which is no crumb. The cuts between the three are held over one field of each time.
 */
final class ProvingSeries {
    static final int TIMES = 6;
    static final int FIELDS = 3;

    private static final int WIDTH = 640;
    private static final int HEIGHT = 480;
    private static final int MINUTES = 15;
    private static final float PORE = 58;
    private static final float CRUMB = 150;
    private static final float PLATE = 232;
    private static final LocalDate DAY = LocalDate.of(2026, 11, 28);
    private static final String STATION = "levels-1";

    private final Work work;
    private final List<Drawing> drawings = new ArrayList<>();
    private Optional<Method> held = Optional.empty();

    ProvingSeries(Work work) {
        this.work = work;
    }

    private record Drawing(Picture picture, Truth truth) {}

    int count() {
        return TIMES * FIELDS;
    }

    /** @param place from 0: the fields of the first time, then those of the next */
    DemoSample draw(int place) {
        while (drawings.size() < count()) {
            drawings.add(drawing(drawings.size()));
        }
        int minutes = place / FIELDS * MINUTES;
        int field = place % FIELDS + 1;
        Drawing drawing = drawings.get(place);
        return new DemoSample(
                        "proving-" + minutes + "-" + field,
                        title(place),
                        drawing.picture(),
                        new Scale(25, LengthUnit.UM),
                        List.of(),
                        drawing.truth(),
                        method())
                .tagged(minutes + " min", new SlideLabel.Amount(minutes, "min"));
    }

    private static String title(int place) {
        return "Proving " + place / FIELDS * MINUTES + " min, field " + (place % FIELDS + 1);
    }

    /** The longer the dough has proved, the more and the larger its pores. */
    private Drawing drawing(int place) {
        int time = place / FIELDS;
        Chance chance = new Chance(20261128 + 31L * place);
        double slant = chance.between(-10, 10);
        Polygon crumb = new Polygon(List.of(
                new Point(0, 0), new Point(556 + slant, 0), new Point(556 - slant, HEIGHT), new Point(0, HEIGHT)));
        Scatter pores = new Scatter(WIDTH, HEIGHT, 4);
        pores.within(crumb);
        Scatter.Kind kind = new Scatter.Kind(60, 3, 1.8, 0.2);
        double grown = 1 + 0.22 * time;
        pores.lay(kind, chance, 2 + 2 * time, 17 * grown, 24 * grown);
        pores.lay(kind, chance, 20 + 5 * time, 8 * grown, 13 * grown);
        pores.lay(kind, chance, 70 + 4 * time, 4.5, 7.5);
        ShapeRenderer dark = new ShapeRenderer(WIDTH, HEIGHT);
        pores.outlines().forEach(dark::add);
        PlaneF coverage = dark.coverage();
        ShapeRenderer slice = new ShapeRenderer(WIDTH, HEIGHT);
        slice.add(crumb);
        PlaneF inside = slice.coverage();
        double porePercent = FlourDispersion.percent(coverage);
        double slicePercent = FlourDispersion.percent(inside);
        Truth truth = new Truth(
                0,
                false,
                List.of(
                        new Truth.Share("pores", 0, porePercent),
                        new Truth.Share("crumb", 1, slicePercent - porePercent),
                        new Truth.Share("plate", 2, 100 - slicePercent)),
                List.of());
        return new Drawing(Picture.grey(expose(coverage, inside, place)), truth);
    }

    private Plane8 expose(PlaneF pores, PlaneF inside, int place) {
        PlaneF grain = Texture.noise(WIDTH, HEIGHT, 3, 911 + place, work);
        PlaneF sensor = Texture.noise(WIDTH, HEIGHT, 0, 971 + place, work);
        float[] scene = new float[WIDTH * HEIGHT];
        for (int i = 0; i < scene.length; i++) {
            float crumb = CRUMB + 4 * grain.values()[i];
            float slice = crumb + (PORE + 2 * grain.values()[i] - crumb) * pores.values()[i];
            scene[i] = PLATE + (slice - PLATE) * inside.values()[i];
        }
        float[] blurred =
                Gaussian.of(PlaneF.of(WIDTH, HEIGHT, scene), 0.7, work).values();
        byte[] values = new byte[scene.length];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) Math.clamp(Math.round(blurred[i] + 2.2 * sensor.values()[i]), 0, 255);
        }
        return Plane8.of(WIDTH, HEIGHT, values);
    }

    private Method method() {
        if (held.isEmpty()) {
            held = Optional.of(hold(found()));
        }
        return held.get();
    }

    private static Method found() {
        SampleNumber porosity =
                SampleNumber.of("porosity", "area of pores / (area of pores + area of crumb)", List.of(), Limits.NONE);
        return new MethodMaker("Porosity of crumb", LengthUnit.MM)
                .step("smooth", "sigma", "0.8 px")
                .step("levels", "by", "otsu", "count", 2, "names", List.of("pores", "crumb", "plate"))
                .make(List.of(Measure.AREA, Measure.ECD))
                .withNumbers(List.of(porosity));
    }

    /** At what is found over the first field of each time, taken together. */
    private Method hold(Method method) {
        Holding holding = new Holding(
                method.step(STATION).orElseThrow(), new Runner(Workers.alone(), new StateCache(0)), new Cancel());
        List<String> names = new ArrayList<>();
        try {
            for (int time = 0; time < TIMES; time++) {
                Picture picture = drawings.get(time * FIELDS).picture();
                holding.add(method, Sample.of("proving-" + time, picture, List.of(), Optional.empty()));
                names.add(title(time * FIELDS));
            }
            Values found = holding.found(method);
            return method.hold(
                    STATION, found, new Held(method.step(STATION).orElseThrow().values(), names, DAY));
        } catch (RunFault e) {
            throw new IllegalStateException("the proving series has three levels", e);
        }
    }
}
