package keentally.study.result;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keentally.core.geometry.Point;
import keentally.core.measure.Column;
import keentally.core.measure.ObjectTable;
import keentally.core.region.Outline;
import keentally.study.Program;
import keentally.study.file.Json;
import keentally.study.file.Sheet;

/**
 * Outlines of kept objects as GeoJSON (RFC 7946 in form; a picture has no place on earth, so coordinates are its pixels, x right, y down).
 * Each object is a MultiPolygon along the sides of its pixels, with its number, phase and columns as properties.
 */
final class OutlineFile {
    private OutlineFile() {}

    static String json(TakenAway of) {
        List<Object> features = new ArrayList<>();
        of.readings().objects().ifPresent(table -> {
            for (int i = 0; i < table.rows(); i++) {
                features.add(feature(of, table, i));
            }
        });
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("type", "FeatureCollection");
        tree.put("sample", of.record().sample());
        tree.put("program", Program.NAME + " " + Program.VERSION);
        tree.put("coordinates", "pixels of the picture, x right, y down");
        tree.put("width_px", of.run().sample().picture().width());
        tree.put("height_px", of.run().sample().picture().height());
        of.run().sample().scale().ifPresent(s -> tree.put("scale", s.toString()));
        tree.put("features", features);
        return Json.compact(tree);
    }

    private static Map<String, Object> feature(TakenAway of, ObjectTable table, int row) {
        Map<String, Object> geometry = new LinkedHashMap<>();
        geometry.put("type", "MultiPolygon");
        geometry.put(
                "coordinates",
                Outline.of(table.objects().regions(), table.objects().region(row)).stream()
                        .map(OutlineFile::polygon)
                        .toList());
        Map<String, Object> feature = new LinkedHashMap<>();
        feature.put("type", "Feature");
        feature.put("id", row + 1);
        feature.put("properties", properties(of, table, row));
        feature.put("geometry", geometry);
        return feature;
    }

    private static List<Object> polygon(Outline.Part part) {
        List<Object> rings = new ArrayList<>(List.of(ring(part.outer())));
        part.holes().forEach(h -> rings.add(ring(h)));
        return rings;
    }

    /** Closed by its first corner. */
    private static List<Object> ring(List<Point> corners) {
        List<Object> ring = new ArrayList<>();
        corners.forEach(p -> ring.add(List.of((long) p.x(), (long) p.y())));
        ring.add(ring.getFirst());
        return ring;
    }

    private static Map<String, Object> properties(TakenAway of, ObjectTable table, int row) {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("object", row + 1);
        properties.put("phase", of.readings().objectPhases()[row]);
        for (int c = 0; c < table.columns().size(); c++) {
            Column column = table.columns().get(c);
            double value = column.told(table.at(row, c), of.size());
            String name = Sheet.column(column.id(), column.unitId(of.size().unit()));
            properties.put(name, Double.isFinite(value) ? value : null);
        }
        return properties;
    }
}
