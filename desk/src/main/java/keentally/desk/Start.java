package keentally.desk;

import java.util.List;
import javafx.application.Application;
import keentally.core.reader.Reader;
import keentally.desk.view.FileQuestions;
import keentally.desk.view.Preferences;
import keentally.study.Program;
import keentally.study.file.Sheet;

/**
 * The first class of the program: says who reads, and how large everything is to be drawn, before the toolkit starts, which reads it then and
 * never again.
 */
public final class Start {
    /** A second: twice as many as most screens show, so that what was painted waits for the next no longer than need be. */
    private static final String PULSES = "120";

    private Start() {}

    /** @param words as {@link Desk} takes them */
    public static void main(String[] words) {
        Preferences preferences = new Preferences(Program.home(), FileQuestions.SYSTEM);
        enlarge(preferences.sizePercent());
        quicken();
        Reader.is(preferences.language(), preferences.decimalComma());
        Sheet.useCommas(preferences.commaTables());
        Application.launch(Desk.class, words);
    }

    static void quicken() {
        System.setProperty("javafx.animation.pulse", PULSES);
    }

    private static void enlarge(int percent) {
        if (percent != 100) {
            for (String toolkit : List.of("glass.gtk.uiScale", "glass.win.uiScale")) {
                System.setProperty(toolkit, percent + "%");
            }
        }
    }
}
