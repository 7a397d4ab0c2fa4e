package keentally.desk.view;

import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import keentally.core.colour.ChannelPlane;
import keentally.core.geometry.Segment;
import keentally.core.picture.Channel;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.stats.LineProfile;
import keentally.core.words.Figures;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.picture.PictureModel;
import keentally.desk.stage.StageModel;

/** Under the stage while the ruler is in the hand: the line's length, and the brightness along it. */
final class ProfileStrip extends Pane {
    private static final double HEIGHT = 118;
    private static final double LEFT = 62;
    private static final double TOP = 30;
    private static final double BOTTOM = 10;

    private final DeskModel desk;
    private final PictureModel picture;
    private final StageModel stage;
    private final Label length = new Label();
    private final Label high = new Label();
    private final Label low = new Label();
    private final Path curve = new Path();
    private Optional<LineProfile> profile = Optional.empty();
    private final Newest newest;
    private Picture looked;
    private String lookedChannel = "";
    private Optional<Plane> plane = Optional.empty();

    ProfileStrip(DeskModel desk, PictureModel picture, StageModel stage) {
        this.desk = desk;
        this.picture = picture;
        this.stage = stage;
        this.newest = new Newest(desk, Platform::runLater);
        setId("profile");
        getStyleClass().add("profile");
        length.setId("ruler-length");
        length.getStyleClass().addAll("figure", "ruler-length");
        high.getStyleClass().add("axis");
        low.getStyleClass().add("axis");
        curve.getStyleClass().add("profile-curve");
        getChildren().addAll(length, high, low, curve);
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        managedProperty().bind(visibleProperty());
        visibleProperty().bind(picture.ruling());
        picture.moved().addListener(o -> ask());
        picture.ruler().line().addListener(o -> ask());
        picture.ruling().addListener(o -> ask());
        stage.channel().addListener(o -> ask());
        desk.study().addListener(o -> ask());
    }

    private void ask() {
        Optional<Segment> line = picture.ruler().line().get();
        Optional<Picture> open = desk.open().get().map(o -> o.file().picture());
        if (line.isEmpty() || open.isEmpty() || !picture.ruling().get()) {
            newest.drop();
            length.setText(Texts.of("ruler.draw"));
            profile = Optional.empty();
            requestLayout();
            return;
        }
        String channel = stage.channel()
                .get()
                .orElse(
                        open.get().isColour()
                                ? Channel.GREY
                                : open.get().channels().getFirst().name());
        length.setText(describe(line.get()) + Texts.of("ruler.channel", channel));
        newest.ask(work -> {
            Optional<LineProfile> made = plane(open.get(), channel, work).map(p -> LineProfile.of(p, line.get()));
            return () -> {
                profile = made;
                requestLayout();
            };
        });
    }

    /** Made once for all the places that the line is dragged to; in the idle lane alone. */
    private Optional<Plane> plane(Picture picture, String channel, Work work) {
        if (!picture.equals(looked) || !channel.equals(lookedChannel)) {
            looked = picture;
            lookedChannel = channel;
            plane = ChannelPlane.of(picture, channel, work);
        }
        return plane;
    }

    private String describe(Segment line) {
        String px = Texts.of("ruler.px", Figures.fixed(line.length(), 1), Figures.fixed(line.angleDegrees(), 1));
        return desk.scale()
                .map(s -> Texts.of(
                                "ruler.real",
                                Figures.number(line.length() * s.amount()),
                                s.unit().symbol())
                        + px)
                .orElse(px);
    }

    @Override
    protected void layoutChildren() {
        length.resizeRelocate(12, 6, getWidth() - 24, 20);
        curve.getElements().clear();
        boolean there = profile.isPresent();
        high.setVisible(there);
        low.setVisible(there);
        if (!there) {
            return;
        }
        float[] values = profile.get().values();
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (float v : values) {
            least = Math.min(least, v);
            most = Math.max(most, v);
        }
        double range = most > least ? most - least : 1;
        double width = getWidth() - LEFT - 14;
        double bottom = getHeight() - BOTTOM;
        for (int i = 0; i < values.length; i++) {
            double x = LEFT + width * i / Math.max(1, values.length - 1);
            double y = bottom - (values[i] - least) / range * (bottom - TOP);
            curve.getElements().add(i == 0 ? new MoveTo(x, y) : new LineTo(x, y));
        }
        curve.getElements().add(new LineTo(LEFT + width, bottom));
        curve.getElements().add(new LineTo(LEFT, bottom));
        curve.getElements().add(new ClosePath());
        high.setText(Figures.number(most));
        low.setText(Figures.number(least));
        high.resizeRelocate(4, TOP - 8, LEFT - 10, 16);
        low.resizeRelocate(4, bottom - 12, LEFT - 10, 16);
    }
}
