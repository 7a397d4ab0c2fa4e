package keentally.study.series;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import keentally.core.measure.Column;
import keentally.core.stats.Averages;
import keentally.study.file.Json;
import keentally.study.run.RecordFile;
import keentally.study.series.ObjectSums.ColumnSum;

/** Rows as text; what is not a number is null. */
public final class RowText {
    private static final List<String> AVERAGES =
            List.of("count", "mean", "median", "sd", "least", "greatest", "vector");

    private RowText() {}

    public static String write(LedgerRow row) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("key", row.key());
        tree.put("record", Json.parse(RecordFile.text(row.record())));
        row.objects().ifPresent(o -> tree.put("objects", objects(o)));
        tree.put("scaleFrom", row.scaleFrom());
        tree.put("fieldFrom", row.fieldFrom());
        tree.put("tallies", row.tallies());
        return Json.compact(tree);
    }

    private static Map<String, Object> objects(ObjectSums sums) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("count", sums.count());
        tree.put("keptPixels", sums.keptPixels());
        tree.put("classes", sums.classes());
        List<Object> columns = new ArrayList<>();
        for (ColumnSum sum : sums.columns()) {
            Map<String, Object> of = new LinkedHashMap<>(RecordFile.column(sum.column()));
            Averages px = sum.px();
            double[] numbers = {px.count(), px.mean(), px.median(), px.sd(), px.least(), px.greatest(), px.vector()};
            for (int i = 0; i < numbers.length; i++) {
                of.put(AVERAGES.get(i), Double.isFinite(numbers[i]) ? numbers[i] : null);
            }
            columns.add(of);
        }
        tree.put("columns", columns);
        return tree;
    }

    /** @throws IllegalArgumentException where the text is no row */
    public static LedgerRow read(String text) {
        try {
            Map<?, ?> tree = (Map<?, ?>) Json.parse(text);
            TreeMap<String, Integer> tallies = new TreeMap<>();
            ((Map<?, ?>) tree.get("tallies")).forEach((c, n) -> tallies.put((String) c, ((Number) n).intValue()));
            return new LedgerRow(
                    (String) tree.get("key"),
                    RecordFile.readTree((Map<?, ?>) tree.get("record")),
                    Optional.ofNullable((Map<?, ?>) tree.get("objects")).map(RowText::readObjects),
                    (String) tree.get("scaleFrom"),
                    (String) tree.get("fieldFrom"),
                    tallies);
        } catch (ClassCastException | NullPointerException e) {
            throw new IllegalArgumentException("not a row of the ledger", e);
        }
    }

    private static ObjectSums readObjects(Map<?, ?> tree) {
        List<ColumnSum> columns = new ArrayList<>();
        for (Object each : (List<?>) tree.get("columns")) {
            Map<?, ?> of = (Map<?, ?>) each;
            Column column = RecordFile.readColumn(of);
            double[] px = AVERAGES.stream().mapToDouble(a -> number(of.get(a))).toArray();
            columns.add(new ColumnSum(column, new Averages((long) px[0], px[1], px[2], px[3], px[4], px[5], px[6])));
        }
        TreeMap<String, Integer> classes = new TreeMap<>();
        ((Map<?, ?>) tree.get("classes")).forEach((c, n) -> classes.put((String) c, ((Number) n).intValue()));
        return new ObjectSums(
                ((Number) tree.get("count")).intValue(),
                ((Number) tree.get("keptPixels")).longValue(),
                columns,
                classes);
    }

    private static double number(Object tree) {
        return tree == null ? Double.NaN : ((Number) tree).doubleValue();
    }
}
