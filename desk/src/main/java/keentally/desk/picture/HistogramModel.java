package keentally.desk.picture;

import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import keentally.core.picture.Picture;
import keentally.desk.picture.HistogramRequest.Of;
import keentally.study.plot.HistogramPlot;

/** Which histograms are looked at; stays while samples and sections change. */
final class HistogramModel {
    private final List<ObjectProperty<Of>> ofs =
            List.of(new SimpleObjectProperty<>(new Of("", "field")), new SimpleObjectProperty<>(new Of("", "whole")));
    private final BooleanProperty comparing = new SimpleBooleanProperty();
    private final BooleanProperty logarithmic = new SimpleBooleanProperty();
    private final BooleanProperty all = new SimpleBooleanProperty();
    private final BooleanProperty shares = new SimpleBooleanProperty();
    private final IntegerProperty bins = new SimpleIntegerProperty();

    ObjectProperty<Of> of(int place) {
        return ofs.get(place);
    }

    BooleanProperty comparing() {
        return comparing;
    }

    BooleanProperty logarithmic() {
        return logarithmic;
    }

    BooleanProperty shares() {
        return shares;
    }

    /** 0 for as many as are usual. */
    IntegerProperty bins() {
        return bins;
    }

    boolean asks(String region) {
        return ofs.get(0).get().region().equals(region)
                || !all.get() && comparing.get() && ofs.get(1).get().region().equals(region);
    }

    /** Another picture may not have the channel or the region that was looked at. */
    void fit(int place, List<String> channels, List<String> regions) {
        Of of = ofs.get(place).get();
        String channel = of.channel() != null && channels.contains(of.channel()) ? of.channel() : channels.getFirst();
        String region = of.region() != null && regions.contains(of.region()) ? of.region() : "field";
        ofs.get(place).set(new Of(channel, region));
    }

    /** Whether all channels are looked at together. */
    BooleanProperty all() {
        return all;
    }

    HistogramRequest wish(Picture picture) {
        String region = ofs.getFirst().get().region();
        List<Of> channels = picture.channels().stream()
                .limit(HistogramPlot.MOST)
                .map(c -> new Of(c.name(), region))
                .toList();
        List<Of> wanted = all.get()
                ? channels
                : comparing.get()
                        ? List.of(ofs.get(0).get(), ofs.get(1).get())
                        : List.of(ofs.get(0).get());
        return new HistogramRequest(wanted, logarithmic.get(), shares.get(), bins.get());
    }
}
