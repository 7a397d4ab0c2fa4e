package keentally.study.result;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import keentally.core.picture.Mask;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.region.ObjectSet;
import keentally.core.region.Regions;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.step.State;
import keentally.core.view.Layers;
import keentally.core.work.Work;
import keentally.study.file.WholeFile;
import keentally.study.picture.PictureWriter;
import keentally.study.run.SampleRun;

/** The pictures that a run writes of each sample: label map, phases, overlay, and the states that were to be saved. */
final class ResultPictures {
    private ResultPictures() {}

    /** Packing pictures takes longest of all, so each is packed by all hands. */
    static void write(String name, SampleRun ran, Optional<ChosenBar> bar, ResultSink folder, Work work)
            throws FolderFault {
        Run run = ran.run();
        Readings readings = ran.readings().orElseThrow();
        Picture picture = run.sample().picture();
        SequencedMap<String, WholeFile.Writer> files = new LinkedHashMap<>();
        Layers bare = Overlay.of(picture, readings, work);
        Layers overlay =
                bar.flatMap(b -> b.on(run.sample().scale())).map(bare::with).orElse(bare);
        files.put("overlay/" + name + ".png", new MarkedPicture(overlay, work).png());
        files.put(
                "labels/" + name + ".tif",
                PictureWriter.tiff(picture.width(), picture.height(), labels(picture, readings), work));
        readings.phases().ifPresent(p -> files.put("phases/" + name + ".png", PictureWriter.png(p.map(), work)));
        for (Run.Station station : run.stations()) {
            if (station.step().save()) {
                int number = run.method().indexOf(station.step().id()) + 1;
                files.put("after/" + name + "." + number + ".tif", state(station, work));
            }
        }
        for (Map.Entry<String, WholeFile.Writer> file : files.entrySet()) {
            folder.write(file.getKey(), file.getValue());
        }
    }

    static int[] labels(Picture picture, Readings readings) {
        int[] labels = new int[picture.width() * picture.height()];
        readings.state().objects().ifPresent(objects -> label(objects, picture.width(), labels));
        return labels;
    }

    private static void label(ObjectSet objects, int width, int[] labels) {
        Regions regions = objects.regions();
        for (int i = 0; i < objects.count(); i++) {
            int number = i + 1;
            regions.runs(objects.region(i), (y, from, to) -> {
                for (int x = from; x < to; x++) {
                    labels[y * width + x] = number;
                }
            });
        }
    }

    /** The picture, the phases, the mask (0 and 255) or the label map, by what the step gives. */
    static WholeFile.Writer state(Run.Station station, Work work) {
        State state = station.after();
        Picture current = state.current();
        return switch (station.step().gives()) {
            case PICTURE -> PictureWriter.tiff(current, work);
            case PHASES -> PictureWriter.tiff(Picture.grey(state.needPhases().map()), work);
            case MASK -> PictureWriter.tiff(Picture.grey(blackAndWhite(state.needMask())), work);
            case OBJECTS -> {
                int[] labels = new int[current.width() * current.height()];
                label(state.needObjects(), current.width(), labels);
                yield PictureWriter.tiff(current.width(), current.height(), labels, work);
            }
        };
    }

    static Plane8 blackAndWhite(Mask mask) {
        byte[] values = new byte[mask.width() * mask.height()];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) (mask.at(i % mask.width(), i / mask.width()) ? 255 : 0);
        }
        return Plane8.of(mask.width(), mask.height(), values);
    }
}
