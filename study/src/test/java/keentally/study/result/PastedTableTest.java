package keentally.study.result;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class PastedTableTest {
    @Test
    void headingsNamesAndNumbersAreFound() {
        PastedTable table = PastedTable.parse("image\tremark\tcount\tarea\na.tif\tgood\t12\t3,5\nB\tpoor\t\t4\n");
        assertThat(table.columns()).containsExactly("count", "area");
        assertThat(table.find("A", 0)).hasValue(12);
        assertThat(table.find("a.tif", 1)).hasValue(3.5);
        assertThat(table.find("b", 0)).isEqualTo(OptionalDouble.empty());
        assertThat(table.unknown(List.of("a"))).containsExactly("B");
    }

    @Test
    void withoutHeadingsColumnsAreNumbered() {
        PastedTable table = PastedTable.parse("a,1,2.5\r\nb,2,3\r\n");
        assertThat(table.columns()).containsExactly("column 2", "column 3");
        assertThat(table.find("b", 1)).hasValue(3);
        assertThat(PastedTable.parse("x;1,5\n").find("x", 0)).hasValue(1.5);
    }

    @Test
    void whatIsNoTableIsRefused() {
        for (String text : List.of("", "  \n", "just words\nand more", "a,b\nc,d\n", "name,count\n")) {
            assertThatThrownBy(() -> PastedTable.parse(text)).isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> PastedTable.parse("a,1\na,2\n")).hasMessage("more than one row is called a");
        assertThatThrownBy(() -> PastedTable.parse("\"a,1\n")).hasMessageContaining("not closed");
    }
}
