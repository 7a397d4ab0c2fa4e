package keentally.desk;

import java.util.List;
import javafx.application.Application;
import keentally.desk.view.FileQuestions;
import keentally.desk.view.Preferences;
import keentally.study.Program;

/** The first class of the program: says how large everything is to be drawn before the toolkit starts, which reads it then and never again. */
public final class Start {
    private Start() {}

    /** @param words as {@link Desk} takes them */
    public static void main(String[] words) {
        enlarge(new Preferences(Program.home(), FileQuestions.SYSTEM).sizePercent());
        Application.launch(Desk.class, words);
    }

    private static void enlarge(int percent) {
        if (percent != 100) {
            for (String toolkit : List.of("glass.gtk.uiScale", "glass.win.uiScale")) {
                System.setProperty(toolkit, percent + "%");
            }
        }
    }
}
