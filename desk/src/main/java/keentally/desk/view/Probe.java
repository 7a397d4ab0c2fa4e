package keentally.desk.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import keentally.core.geometry.Point;
import keentally.core.measure.ObjectTable;
import keentally.core.picture.Picture;
import keentally.core.quantity.PixelSize;
import keentally.core.quantity.Scale;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.step.State;
import keentally.core.words.Figures;
import keentally.core.words.Words;
import keentally.desk.help.Topic;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.stage.StageModel;
import keentally.study.run.SampleRun;

/** What there is to tell of the pixel under the pointer, and why it is so. */
final class Probe {
    private final DeskModel desk;
    private final StageModel stage;

    Probe(DeskModel desk, StageModel stage) {
        this.desk = desk;
        this.stage = stage;
    }

    /** One thing that is told of a pixel. @param why what it is, in a sentence; asked for far less often than the mouse moves */
    private record Part(String told, Supplier<String> why) {}

    /** A pixel of the picture. */
    private record Spot(Point at, int x, int y, Picture picture) {}

    /** All on one line; empty beside the picture. */
    String told() {
        return spot().map(s -> parts(s).stream().map(Part::told).collect(Collectors.joining(Texts.of("probe.between"))))
                .orElse("");
    }

    Optional<Topic> why() {
        return spot().map(this::why);
    }

    private Optional<Spot> spot() {
        Optional<Picture> picture = desk.open().get().map(o -> o.file().picture());
        return stage.pixel()
                .flatMap(at -> picture.map(p -> new Spot(at, (int) Math.floor(at.x()), (int) Math.floor(at.y()), p)))
                .filter(Probe::inside);
    }

    private static boolean inside(Spot spot) {
        Picture picture = spot.picture();
        return spot.x() >= 0 && spot.y() >= 0 && spot.x() < picture.width() && spot.y() < picture.height();
    }

    private List<Part> parts(Spot spot) {
        int x = spot.x();
        int y = spot.y();
        List<Part> parts = new ArrayList<>(List.of(place(spot.at())));
        spot.picture().channels().forEach(c -> {
            String name = Words.spoken(c.name());
            String value = Figures.number(c.plane().at(x, y));
            parts.add(new Part(Texts.of("probe.value", name, value), () -> Texts.of("why.pixel.value", name)));
        });
        prepared(x, y).ifPresent(parts::add);
        Optional<Readings> readings = readings();
        readings.flatMap(r -> r.state().mask())
                .ifPresent(m -> parts.add(new Part(
                        Texts.of(m.at(x, y) ? "probe.chosen" : "probe.rest"), () -> Texts.of("why.pixel.chosen"))));
        readings.flatMap(Readings::objects).flatMap(t -> object(t, x, y)).ifPresent(parts::add);
        return parts;
    }

    private Part place(Point at) {
        String px = Texts.of("probe.px", Figures.fixed(at.x(), 0), Figures.fixed(at.y(), 0));
        String real = desk.scale()
                .map(s -> Texts.of(
                        "probe.real", real(at.x(), s), real(at.y(), s), s.unit().symbol()))
                .orElse("");
        return new Part(px + real, () -> Texts.of("why.pixel.place"));
    }

    private static String real(double px, Scale scale) {
        double value = px * scale.amount();
        return Figures.fixed(value, scale.amount() >= 1 ? 1 : 3);
    }

    /** What the stations up to the selected one made of it. */
    private Optional<Part> prepared(int x, int y) {
        String stepId = desk.station().get();
        Optional<Run.Station> reached = desk.reached(stepId); // also one that was just taken out of the method
        return reached.flatMap(s -> value(s.after(), x, y)).map(v -> {
            int number = desk.method().indexOf(stepId) + 1;
            String title = Words.title(reached.get().step().description());
            return new Part(
                    Texts.of("probe.prepared", Figures.number(v)), () -> Texts.of("why.pixel.prepared", number, title));
        });
    }

    /** Of a picture that is no longer the one that was opened. */
    private static Optional<Float> value(State state, int x, int y) {
        return state.current() == state.original()
                ? Optional.empty()
                : state.current().single().map(p -> p.at(x, y));
    }

    private Optional<Readings> readings() {
        return desk.shown().get().flatMap(SampleRun::readings);
    }

    private Optional<Part> object(ObjectTable table, int x, int y) {
        ObjectSet objects = table.objects();
        int region = objects.regions().at(x, y);
        if (region < 0) {
            return Optional.empty();
        }
        if (!objects.isKept(region)) {
            String by = objects.droppedBy(region);
            String title = desk.method()
                    .step(by)
                    .map(s -> Words.title(s.description()))
                    .orElse(by);
            return Optional.of(new Part(Texts.of("probe.dropped", title), () -> Texts.of("why.pixel.dropped")));
        }
        String kind = objects.classOf(region);
        long pixels = objects.regions().pixels(region);
        String told = Texts.of(
                kind.isEmpty() ? "probe.object" : "probe.object.class",
                String.valueOf(objects.number(region)),
                Figures.area(pixels, desk.pixelSize()),
                kind);
        return Optional.of(new Part(told, () -> Texts.of("why.pixel.object", Figures.number(pixels))));
    }

    private Topic why(Spot spot) {
        List<Part> parts = parts(spot);
        return new Topic.OfNumber(
                Texts.of("why.pixel"),
                parts.stream().map(Part::told).collect(Collectors.joining("\n")),
                parts.stream().map(p -> p.why().get()).toList(),
                Topic.Whose.shown(desk),
                upTo(),
                again(spot));
    }

    /** The station that gave the last of what is told; empty where the whole method did. */
    private String upTo() {
        String station = desk.station().get();
        String reached = desk.reached(station).isPresent() ? station : DeskModel.PICTURE;
        return readings().isPresent() ? "" : reached;
    }

    /** The area of the object that lies there, where any does. */
    private Optional<Topic.Again> again(Spot spot) {
        boolean none = readings()
                .flatMap(Readings::objects)
                .filter(t -> t.objects().regions().at(spot.x(), spot.y()) >= 0)
                .isEmpty();
        if (none) {
            return Optional.empty();
        }
        PixelSize size = desk.pixelSize();
        DoubleFunction<String> words = pixels ->
                pixels > 0 ? Texts.of("why.pixel.area", Figures.area(pixels, size)) : Texts.of("why.pixel.none");
        Topic.Reading reading = (run, trials, sample, cancel) -> trials.ending(run, cancel).objects().stream()
                .mapToDouble(o -> pixels(o, spot))
                .findAny();
        return Optional.of(new Topic.Again(reading, words));
    }

    private static double pixels(ObjectSet objects, Spot spot) {
        int region = objects.regions().at(spot.x(), spot.y());
        return region >= 0 && objects.isKept(region) ? objects.regions().pixels(region) : 0;
    }
}
