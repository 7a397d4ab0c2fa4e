package keentally.desk.view;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Rectangle2D;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.stage.Window;
import keentally.core.quantity.LengthUnit;
import keentally.core.reader.Language;
import keentally.core.setting.ChoiceSetting;
import keentally.desk.look.Theme;
import keentally.study.file.FileFault;
import keentally.study.file.Json;
import keentally.study.file.WholeFile;
import org.slf4j.LoggerFactory;

/** What the desk remembers of a person between two starts: language, theme, size and place of the window. */
public final class Preferences {
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private static final double MEMORY = 60;
    private static final int RECENT = 10;

    /** No window is smaller, and no screen larger. */
    private static final double LEAST = 200;

    private static final double MOST = 20_000;

    /** The unit that a scale comes in. */
    static final String AUTO_UNIT = "auto";

    static final List<Integer> SIZES = List.of(100, 125, 150, 175, 200);

    static final int LEAST_MEMORY = 25;
    static final int MOST_MEMORY = 85;

    /** The decimal mark: that of the language, or one whatever the language. */
    enum Mark {
        USUAL,
        POINT,
        COMMA
    }

    private final Path file;
    private final FileQuestions questions;
    private final Map<String, Object> kept = new LinkedHashMap<>();

    /**
     * @param folder where they are kept
     * @param questions asks for files
     */
    public Preferences(Path folder, FileQuestions questions) {
        this.file = folder.resolve("desk.json");
        this.questions = questions;
        try {
            if (Files.exists(file) && Json.read(file) instanceof Map<?, ?> map) {
                map.forEach((k, v) -> kept.put(String.valueOf(k), v));
            }
        } catch (FileFault e) {
            kept.clear();
        }
    }

    /** The folder that they are kept in. */
    Path home() {
        return file.getParent();
    }

    File choose(FileChooser chooser, Window window) {
        return questions.toWrite(chooser, window);
    }

    /** Asks for a folder that is there. */
    File chooseFolder(DirectoryChooser chooser, Window window) {
        return questions.folder(chooser, window);
    }

    /** Asks for a file that is there. */
    File chooseToRead(FileChooser chooser, Window window) {
        return questions.toRead(chooser, window);
    }

    double width() {
        return number("width", WIDTH, LEAST, MOST);
    }

    double height() {
        return number("height", HEIGHT, LEAST, MOST);
    }

    /** @param fallback where there is none, or one that nobody can have set */
    private double number(String key, double fallback, double least, double most) {
        double kept = this.kept.get(key) instanceof Number n ? n.doubleValue() : fallback;
        return kept >= least && kept <= most ? kept : fallback;
    }

    Theme theme() {
        return "dark".equals(kept.get("theme")) ? Theme.DARK : Theme.LIGHT;
    }

    void remember(Theme theme) {
        kept.put("theme", theme == Theme.DARK ? "dark" : "light");
        save();
    }

    /** The unit that a first scale turns a method to: {@code auto} for the scale's own, or a unit's id. */
    String unit() {
        return kept.get("unit") instanceof String s && LengthUnit.find(s).isPresent() ? s : AUTO_UNIT;
    }

    /** How much of the machine's memory the program may take from its next start on. */
    int memoryPercent() {
        return (int) number("memory", MEMORY, LEAST_MEMORY, MOST_MEMORY);
    }

    /** How large everything is drawn, in per cent, from its next start on. */
    public int sizePercent() {
        return (int) number("size", 100, SIZES.getFirst(), SIZES.getLast());
    }

    public Language language() {
        return choice("language", Language.class, Language.ENGLISH);
    }

    /** With which mark decimals are shown. */
    Mark mark() {
        return choice("mark", Mark.class, Mark.USUAL);
    }

    public boolean decimalComma() {
        return mark() == Mark.COMMA || mark() == Mark.USUAL && language() != Language.ENGLISH;
    }

    /** Whether tables in files have decimal commas, and semicolons between columns. */
    public boolean commaTables() {
        return Boolean.TRUE.equals(kept.get("commaTables"));
    }

    /** What the reader chose, from now on for what is said, from the next start on for what stands there. */
    void remember(Language language, Mark mark, boolean commaTables) {
        kept.put("language", ChoiceSetting.word(language));
        kept.put("mark", ChoiceSetting.word(mark));
        kept.put("commaTables", commaTables);
        save();
    }

    private <E extends Enum<E>> E choice(String key, Class<E> of, E fallback) {
        return Arrays.stream(of.getEnumConstants())
                .filter(c -> ChoiceSetting.word(c).equals(kept.get(key)))
                .findFirst()
                .orElse(fallback);
    }

    void remember(String unit, int memoryPercent, int sizePercent) {
        kept.put("size", sizePercent);
        kept.put("unit", unit);
        kept.put("memory", memoryPercent);
        save();
        try {
            // read by the script that starts the program
            WholeFile.write(file.resolveSibling("memory-percent"), memoryPercent + "\n");
        } catch (FileFault e) {
            LoggerFactory.getLogger(Preferences.class).warn("the share of memory is not kept", e);
        }
    }

    /** Studies opened lately, the last first. */
    List<Path> recent() {
        return kept.get("recent") instanceof List<?> list
                ? list.stream()
                        .map(String::valueOf)
                        .flatMap(f -> path(f).stream())
                        .toList()
                : List.of();
    }

    private static Optional<Path> path(String name) {
        try {
            return Optional.of(Path.of(name));
        } catch (InvalidPathException noPath) {
            return Optional.empty();
        }
    }

    void opened(Path study) {
        List<String> recent =
                new ArrayList<>(recent().stream().map(Path::toString).toList());
        recent.remove(study.toString());
        recent.addFirst(study.toString());
        kept.put("recent", List.copyOf(recent.subList(0, Math.min(RECENT, recent.size()))));
        save();
    }

    /** Where it stood last, if a screen is still there. */
    void place(Stage window) {
        double x = number("x", Double.NaN, -MOST, MOST);
        double y = number("y", Double.NaN, -MOST, MOST);
        boolean seen = Screen.getScreens().stream()
                .map(Screen::getVisualBounds)
                .anyMatch(b -> !Double.isNaN(x + y) && b.contains(new Rectangle2D(x, y, 100, 40)));
        if (seen) {
            window.setX(x);
            window.setY(y);
        }
        window.setMaximized(Boolean.TRUE.equals(kept.get("maximized")));
    }

    void remember(Stage window) {
        kept.put("maximized", window.isMaximized());
        if (!window.isMaximized()) {
            kept.put("x", window.getX());
            kept.put("y", window.getY());
            kept.put("width", window.getScene().getWidth());
            kept.put("height", window.getScene().getHeight());
        }
        save();
    }

    /** Preferences that cannot be kept are no reason to trouble anybody. */
    private void save() {
        try {
            Files.createDirectories(file.getParent());
            WholeFile.write(file, Json.pretty(kept));
        } catch (FileFault | IOException e) {
            LoggerFactory.getLogger(Preferences.class).warn("preferences not kept", e);
        }
    }
}
