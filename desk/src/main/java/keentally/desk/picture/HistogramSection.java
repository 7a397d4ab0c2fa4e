package keentally.desk.picture;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.collections.FXCollections;
import javafx.css.PseudoClass;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import keentally.core.colour.ChannelPlane;
import keentally.core.picture.Field;
import keentally.core.picture.Picture;
import keentally.core.stats.ValueSummary;
import keentally.core.words.Figures;
import keentally.desk.help.Topic;
import keentally.desk.help.Why;
import keentally.desk.look.Copies;
import keentally.desk.look.Pieces;
import keentally.desk.look.PlotImages;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Tip;
import keentally.desk.model.DeskModel;
import keentally.desk.model.Newest;
import keentally.desk.picture.HistogramRequest.Ground;
import keentally.desk.picture.HistogramRequest.Of;
import keentally.desk.picture.HistogramRequest.Result;

/** The picture's histogram, of any channel and region, and a second one to hold against it. */
final class HistogramSection implements PicturePanel.PanelSection {
    private static final int WIDTH = 300;
    private static final int HEIGHT = 190;

    private static final PseudoClass MANY = PseudoClass.getPseudoClass("many");

    private final DeskModel desk;
    private final PictureModel model;
    private final HistogramModel wishes;
    private final Newest newest;
    private final ImageView plot = new ImageView();
    private final Label complaint = Prose.complaint();
    private final GridPane numbers = new GridPane();
    private final TextField bins = new TextField();
    private final List<ComboBox<String>> channels = List.of(new ComboBox<>(), new ComboBox<>());
    private final List<ComboBox<String>> regions = List.of(new ComboBox<>(), new ComboBox<>());
    private final CheckBox compare = new CheckBox(Texts.of("histogram.compare"));
    private final HBox second;
    private final VBox node;
    private Optional<Result> result = Optional.empty();
    private boolean filling;

    HistogramSection(DeskModel desk, PictureModel model) {
        this.desk = desk;
        this.model = model;
        this.wishes = model.histogram();
        this.newest = new Newest(desk, Platform::runLater);
        plot.setId("histogram-plot");
        Copies.from(
                plot,
                () -> Copies.put(
                        Copies.plotWithCsv(plot, result.map(r -> r.plot().csv()).orElse(""))));
        numbers.setId("histogram-numbers");
        numbers.getStyleClass().add("numbers");
        CheckBox logarithmic = check(
                "histogram-log",
                "histogram.log",
                wishes.logarithmic().get(),
                v -> wishes.logarithmic().set(v));
        CheckBox shares = check(
                "histogram-shares",
                "histogram.shares",
                wishes.shares().get(),
                v -> wishes.shares().set(v));
        compare.setId("histogram-compare");
        compare.setSelected(wishes.comparing().get());
        compare.setOnAction(e -> {
            wishes.comparing().set(compare.isSelected());
            changed();
        });
        bins.setId("histogram-bins");
        bins.setAccessibleText(Texts.of("name.histogram-bins"));
        bins.setPrefColumnCount(4);
        bins.setPromptText(Texts.of("histogram.bins.prompt"));
        bins.setText(
                wishes.bins().get() == 0 ? "" : String.valueOf(wishes.bins().get()));
        bins.setOnAction(e -> takeBins());
        second = row(1);
        second.managedProperty().bind(second.visibleProperty());
        Label binsName = new Label(Texts.of("histogram.bins"));
        binsName.setMinWidth(Region.USE_PREF_SIZE);
        CheckBox all = check(
                "histogram-all",
                "histogram.all",
                wishes.all().get(),
                v -> wishes.all().set(v));
        Tip.on(all, Texts.of("histogram.all.help"));
        compare.disableProperty().bind(wishes.all());
        channels.getFirst().disableProperty().bind(wishes.all());
        HBox options = new HBox(10, logarithmic, shares, all);
        options.getStyleClass().add("row");
        HBox binsRow = new HBox(8, binsName, bins);
        binsRow.getStyleClass().add("row");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(
                6,
                compare,
                gap,
                Pieces.button("histogram-copy", "histogram.copy", this::copy),
                Pieces.button("histogram-save", "histogram.save", () -> model.save(result.map(Result::plot))));
        head.getStyleClass().add("row");
        node = new VBox(row(0), head, second, plot, complaint, options, binsRow, numbers);
        refresh();
    }

    private interface Take {
        void value(boolean on);
    }

    private CheckBox check(String id, String key, boolean on, Take take) {
        CheckBox box = new CheckBox(Texts.of(key));
        box.setId(id);
        box.setSelected(on);
        box.setOnAction(e -> {
            take.value(box.isSelected());
            changed();
        });
        return box;
    }

    private HBox row(int place) {
        ComboBox<String> channel = channels.get(place);
        channel.setId("histogram-channel-" + place);
        channel.setAccessibleText(Texts.of("name.histogram-channel"));
        channel.setOnAction(e -> chosen());
        ComboBox<String> region = regions.get(place);
        region.setId("histogram-region-" + place);
        region.setAccessibleText(Texts.of("name.histogram-region"));
        region.setOnAction(e -> chosen());
        region.setConverter(new StringConverter<>() {
            @Override
            public String toString(String key) {
                return key == null ? "" : ground().map(g -> g.name(key)).orElse(key);
            }

            @Override
            public String fromString(String text) {
                throw new UnsupportedOperationException("regions are chosen, not typed");
            }
        });
        channel.setPrefWidth(126);
        region.setPrefWidth(168);
        Label key = new Label(place == 0 ? "\u25a0" : "\u2501");
        key.getStyleClass().add(place == 0 ? "series-first" : "series-second");
        HBox row = new HBox(6, key, channel, region);
        row.getStyleClass().add("row");
        return row;
    }

    @Override
    public VBox node() {
        return node;
    }

    private Optional<Ground> ground() {
        return desk.open().get().map(o -> {
            Picture picture = o.file().picture();
            Field whole = Field.whole(picture.width(), picture.height());
            Field field = desk.shown().get().map(s -> s.run().sample().field()).orElse(whole);
            return new Ground(
                    picture,
                    field.width() == picture.width() && field.height() == picture.height() ? field : whole,
                    model.patch().parts().get(),
                    desk.shown().get().flatMap(s -> s.readings()),
                    desk.selection().get());
        });
    }

    private void chosen() {
        if (!filling) {
            for (int i = 0; i < 2; i++) {
                wishes.of(i)
                        .set(new Of(channels.get(i).getValue(), regions.get(i).getValue()));
            }
            changed();
        }
    }

    private void takeBins() {
        try {
            int wanted = bins.getText().isBlank()
                    ? 0
                    : Integer.parseInt(bins.getText().strip());
            if (wanted < 0 || wanted > 65536) {
                throw new NumberFormatException();
            }
            wishes.bins().set(wanted);
            changed();
        } catch (NumberFormatException e) {
            complaint.setText(Texts.of("histogram.bins.wrong"));
            complaint.setVisible(true);
        }
    }

    private void changed() {
        model.patching().set(wishes.asks("patch"));
        refresh();
    }

    @Override
    public void refresh() {
        Optional<Ground> ground = ground();
        second.setVisible(wishes.comparing().get() && !wishes.all().get());
        if (ground.isEmpty()) {
            plot.setImage(null);
            return;
        }
        fill(ground.get());
        model.patching().set(wishes.asks("patch"));
        ask(ground.get());
    }

    private void fill(Ground ground) {
        filling = true;
        List<String> names = ChannelPlane.wordsFor(ground.picture());
        List<String> places = ground.regions();
        for (int i = 0; i < 2; i++) {
            wishes.fit(i, names, places);
            if (!channels.get(i).getItems().equals(names)) {
                channels.get(i).setItems(FXCollections.observableArrayList(names));
            }
            if (!regions.get(i).getItems().equals(places)) {
                regions.get(i).setItems(FXCollections.observableArrayList(places));
            }
            channels.get(i).setValue(wishes.of(i).get().channel());
            regions.get(i).setValue(wishes.of(i).get().region());
        }
        filling = false;
    }

    private void ask(Ground ground) {
        HistogramRequest wish = wishes.wish(ground.picture());
        boolean dark = PlotImages.isDark(node.getScene());
        newest.ask(work -> {
            try {
                Result made = wish.made(ground, work);
                BufferedImage picture = made.plot().image(WIDTH, HEIGHT, 2, PlotImages.look(dark));
                return () -> came(made, picture);
            } catch (IllegalArgumentException e) {
                return () -> failed(Texts.fault(e));
            }
        });
    }

    private void came(Result made, BufferedImage picture) {
        result = Optional.of(made);
        complaint.setVisible(false);
        plot.setImage(PlotImages.of(picture));
        plot.setFitWidth(WIDTH);
        plot.setFitHeight(HEIGHT);
        numbers(made);
    }

    private void failed(String sentence) {
        result = Optional.empty();
        plot.setImage(null);
        numbers.getChildren().clear();
        complaint.setText(sentence);
        complaint.setVisible(true);
    }

    private void numbers(Result made) {
        numbers.getChildren().clear();
        List<String> keys = List.of("count", "mean", "median", "sd", "p1", "p99", "least", "most", "clipped");
        boolean named = made.summaries().size() > 2;
        numbers.pseudoClassStateChanged(MANY, named);
        for (int c = 0; named && c < made.summaries().size(); c++) {
            Label channel = new Label(made.plot().series().get(c).name().split(",")[0]);
            channel.getStyleClass().addAll("fact-name", "number");
            channel.setMaxWidth(Double.MAX_VALUE);
            numbers.add(channel, 1 + c, 0);
        }
        for (int i = 0; i < keys.size(); i++) {
            int row = named ? i + 1 : i;
            Label name = new Label(Texts.of("summary." + keys.get(i)));
            name.getStyleClass().add("fact-name");
            numbers.add(name, 0, row);
            for (int s = 0; s < made.summaries().size(); s++) {
                Label value = new Label(value(made.summaries().get(s), i));
                value.setId("summary-" + keys.get(i) + "-" + s);
                value.getStyleClass().addAll("figure", "number");
                if (!named) {
                    value.getStyleClass().add(s == 0 ? "of-first" : "of-second");
                }
                value.setMaxWidth(Double.MAX_VALUE);
                String key = "summary." + keys.get(i);
                String of = made.plot().series().get(s).name();
                boolean angles = made.angles().get(s);
                Why.ask(value, () -> why(key, of, value.getText(), angles));
                numbers.add(value, 1 + s, row);
            }
        }
    }

    private Optional<Topic> why(String key, String of, String told, boolean angles) {
        List<String> definition = new ArrayList<>(List.of(Texts.of("why." + key)));
        if (angles) {
            definition.add(Texts.of("why.summary.angles"));
        }
        return desk.sample()
                .map(sample -> new Topic.OfSeveral(
                        Texts.of("why.of", Texts.of(key), of),
                        key.equals("summary.count") ? told + " px" : angles && !told.endsWith("%") ? told + "°" : told,
                        definition,
                        List.of(Topic.Source.of(desk.sampleId().get(), sample.name(), ""))));
    }

    private static String value(ValueSummary s, int row) {
        return switch (row) {
            case 0 -> Figures.number(s.count());
            case 1 -> Figures.number(s.mean());
            case 2 -> Figures.number(s.median());
            case 3 -> Figures.number(s.sd());
            case 4 -> Figures.number(s.p1());
            case 5 -> Figures.number(s.p99());
            case 6 -> Figures.number(s.least());
            case 7 -> Figures.number(s.most());
            default -> Figures.percent(s.clippedPercent()) + " %";
        };
    }

    /** The bins as a table, for a spreadsheet. */
    private void copy() {
        result.ifPresent(r -> {
            Copies.put(Copies.csv(r.plot().csv()));
            desk.say(Texts.of("histogram.copied"));
        });
    }
}
