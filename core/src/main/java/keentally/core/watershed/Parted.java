package keentally.core.watershed;

import java.util.Arrays;
import keentally.core.picture.Mask;
import keentally.core.region.RegionBuilder;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/**
 * What a flood has parted.
 *
 * @param regions one from each marker, numbered by their first pixel in reading order
 * @param markers where the regions began, in reading order: row times the picture's width, and column
 */
public record Parted(Regions regions, int[] markers) {
    /** Where a flood begins: places, in reading order. */
    @FunctionalInterface
    interface Seeds {
        int[] of(Basins basins);
    }

    /** One more than the number of the part that a place belongs to; 0 for none. */
    @FunctionalInterface
    interface Label {
        int of(int place);
    }

    static Parted of(Mask mask, Terrain terrain, Seeds seeds, Work work) {
        Basins basins = new Basins(terrain, work);
        int[] places = seeds.of(basins);
        int[] label = Flood.of(terrain, basins, places, work);
        return of(mask, terrain, places, place -> label[place], work);
    }

    /** @param places where the parts begin, in their order */
    static Parted of(Mask mask, Terrain terrain, int[] places, Label label, Work work) {
        RegionBuilder builder = new RegionBuilder(mask.width(), mask.height());
        for (int i = 0; i < places.length; i++) {
            builder.next();
        }
        for (Numbers part : work.map(terrain.parts(), part -> alike(terrain, label, part))) {
            for (int i = 0; i < part.count(); i += 2) {
                int from = part.at(i);
                int x = terrain.x(from);
                builder.add(label.of(from) - 1, terrain.y(from), x, x + part.at(i + 1) - from);
            }
        }
        return new Parted(
                builder.regions(), Arrays.stream(places).map(terrain::pixel).toArray());
    }

    /** Where the label stays the same: the first place, and that behind the last, in turn. */
    private static Numbers alike(Terrain terrain, Label label, int part) {
        Numbers found = new Numbers();
        terrain.stretches(part, (from, to) -> {
            int start = from;
            int own = label.of(from);
            for (int place = from + 1; place <= to; place++) {
                int next = place == to ? 0 : label.of(place);
                if (place == to || next != own) {
                    if (own != 0) {
                        found.add(start);
                        found.add(place);
                    }
                    start = place;
                    own = next;
                }
            }
        });
        return found;
    }
}
