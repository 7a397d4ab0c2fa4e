package keentally.desk.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keentally.core.colour.ChannelPlane;
import keentally.core.picture.Field;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.region.ObjectSet;
import keentally.core.run.Readings;
import keentally.core.stats.Bins;
import keentally.core.stats.Histogram;
import keentally.core.stats.ValueSummary;
import keentally.core.work.Work;
import keentally.desk.look.Texts;
import keentally.study.plot.HistogramPlot;

/**
 * What histograms are asked for, and what they come to.
 *
 * @param ofs one or two
 * @param bins as many as are wanted; 0 for as many as there are levels
 */
record HistogramRequest(List<Of> ofs, boolean logarithmic, boolean shares, int bins) {
    private static final int USUAL_BINS = 256;

    /** One channel in one region. */
    record Of(String channel, String region) {}

    /**
     * What the stage holds.
     *
     * @param patch drawn on it
     * @param readings of the whole method, where it could be done
     */
    record Ground(
            Picture picture, Field field, List<Field.Part> patch, Optional<Readings> readings, Set<Integer> selected) {
        /** The regions that there are: the whole, the field, a patch, each phase, the selected objects. */
        List<String> regions() {
            List<String> regions = new ArrayList<>(List.of("whole", "field", "patch"));
            readings.flatMap(Readings::phases).ifPresent(map -> {
                for (int i = 0; i < map.names().size(); i++) {
                    regions.add("phase:" + i);
                }
            });
            if (readings.flatMap(r -> r.state().objects()).isPresent()) {
                regions.add("selected");
            }
            return regions;
        }

        /** What a region is called. */
        String name(String region) {
            if (!region.startsWith("phase:")) {
                return Texts.of("region." + region);
            }
            int phase = Integer.parseInt(region.substring(6));
            String name = readings.flatMap(Readings::phases)
                    .filter(m -> phase < m.names().size())
                    .map(m -> m.names().get(phase))
                    .orElse(String.valueOf(phase));
            return Texts.of("region.phase", name);
        }
    }

    /**
     * What came of it.
     *
     * @param summaries one a histogram
     * @param angles whether each is of angles, which lie on a circle
     */
    record Result(HistogramPlot plot, List<ValueSummary> summaries, List<Boolean> angles) {}

    /** @throws IllegalArgumentException in a sentence, where a region holds nothing or there is no such channel */
    Result made(Ground ground, Work work) {
        List<Plane> planes = new ArrayList<>();
        List<Histogram> histograms = new ArrayList<>();
        List<ValueSummary> summaries = new ArrayList<>();
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (Of of : ofs) {
            Plane plane = ChannelPlane.of(ground.picture, of.channel, work)
                    .orElseThrow(() -> new IllegalArgumentException(Texts.of("histogram.no-channel", of.channel)));
            Field region = region(ground, of.region);
            Histogram histogram = Histogram.of(plane, region, work);
            if (histogram.total() == 0) {
                throw new IllegalArgumentException(Texts.of("histogram.no-values", ground.name(of.region)));
            }
            planes.add(plane);
            histograms.add(histogram);
            boolean angles = ChannelPlane.isAngle(ground.picture, of.channel);
            summaries.add(angles ? ValueSummary.ofAngles(plane, region) : ValueSummary.of(plane, region, work));
            low = Math.min(low, angles ? 0 : summaries.getLast().least());
            high = Math.max(high, angles ? 360 : summaries.getLast().most());
        }
        boolean whole = planes.stream().allMatch(p -> p.depth().isWhole());
        int wanted = bins > 0 ? bins : USUAL_BINS;
        List<HistogramPlot.Series> series = new ArrayList<>();
        for (int i = 0; i < ofs.size(); i++) {
            String name = ofs.get(i).channel + ", " + ground.name(ofs.get(i).region);
            series.add(new HistogramPlot.Series(name, Bins.of(histograms.get(i), low, high, whole, wanted)));
        }
        return new Result(
                new HistogramPlot(
                        series,
                        logarithmic,
                        shares,
                        ofs.size() > 2
                                ? Texts.of("histogram.axis.all")
                                : Texts.of("histogram.axis", ofs.getFirst().channel)),
                summaries,
                ofs.stream()
                        .map(of -> ChannelPlane.isAngle(ground.picture, of.channel))
                        .toList());
    }

    private static Field region(Ground ground, String region) {
        int width = ground.picture.width();
        int height = ground.picture.height();
        return switch (region) {
            case "whole" -> Field.whole(width, height);
            case "field" -> ground.field;
            case "patch" -> {
                if (ground.patch.isEmpty()) {
                    throw new IllegalArgumentException(Texts.of("histogram.no-patch"));
                }
                try {
                    yield Field.of(width, height, ground.patch);
                } catch (IllegalArgumentException e) {
                    throw new IllegalArgumentException(Texts.of("histogram.empty-patch"), e);
                }
            }
            case "selected" -> {
                ObjectSet objects = ground.readings
                        .flatMap(r -> r.state().objects())
                        .filter(o -> !ground.selected.isEmpty())
                        .orElseThrow(() -> new IllegalArgumentException(Texts.of("histogram.none-selected")));
                yield Field.of(objects.regions().mask(ground.selected::contains));
            }
            default -> Field.of(phase(ground, Integer.parseInt(region.substring(6))));
        };
    }

    private static Mask phase(Ground ground, int phase) {
        PhaseMap map = ground.readings
                .flatMap(Readings::phases)
                .filter(m -> phase < m.names().size())
                .orElseThrow(() -> new IllegalArgumentException(Texts.of("histogram.no-phase")));
        int width = map.map().width();
        long[] words = new long[Mask.stride(width) * map.map().height()];
        byte[] values = map.map().values();
        for (int i = 0; i < values.length; i++) {
            if ((values[i] & 0xff) == phase) {
                words[i / width * Mask.stride(width) + (i % width >>> 6)] |= 1L << i % width;
            }
        }
        return Mask.of(width, map.map().height(), words);
    }
}
