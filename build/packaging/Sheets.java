import java.io.File;
import java.io.IOException;
import javafx.css.Stylesheet;

/** Writes the binary form of style sheets beside them, which JavaFX reads at a start instead of parsing the text. */
public final class Sheets {
    private Sheets() {}

    /** @param sheets paths of .css files */
    public static void main(String[] sheets) throws IOException {
        for (String sheet : sheets) {
            Stylesheet.convertToBinary(new File(sheet), new File(sheet.replaceAll("css$", "bss")));
        }
    }
}
