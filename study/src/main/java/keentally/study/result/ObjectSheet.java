package keentally.study.result;

import java.util.ArrayList;
import java.util.List;
import keentally.core.measure.Column;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.PixelSize;
import keentally.study.file.Sheet;
import keentally.study.run.ObjectRows;
import keentally.study.run.SampleRecord;
import keentally.study.run.SampleRecord.Numbers;

/**
 * {@code objects.csv}: one row an object.
 *
 * @param unit what lengths and areas are told in
 * @param sorted whether it has a column for the classes that objects were given by hand
 */
record ObjectSheet(Method method, LengthUnit unit, boolean sorted) implements RecordTable {
    /** Without classes. */
    ObjectSheet(Method method, LengthUnit unit) {
        this(method, unit, false);
    }

    @Override
    public List<String> header() {
        List<String> header = new ArrayList<>(List.of("sample", "object", "phase"));
        if (sorted) {
            header.add("class");
        }
        for (Column column : method.columns()) {
            header.add(Sheet.column(column.id(), column.unitId(unit)));
        }
        return header;
    }

    @Override
    public List<List<String>> rows(SampleRecord record) {
        return record.numbers()
                .flatMap(Numbers::objects)
                .map(objects -> rows(record, objects))
                .orElse(List.of());
    }

    private List<List<String>> rows(SampleRecord record, ObjectRows objects) {
        PixelSize size = record.told(unit);
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < objects.count(); i++) {
            List<String> row = new ArrayList<>();
            row.add(Sheet.text(record.sample()));
            row.add(String.valueOf(i + 1));
            row.add(String.valueOf(objects.phase(i)));
            if (sorted) {
                row.add(Sheet.text(objects.classOf(i)));
            }
            for (int c = 0; c < objects.columns().size(); c++) {
                row.add(Sheet.number(objects.told(i, c, size)));
            }
            rows.add(row);
        }
        return rows;
    }
}
