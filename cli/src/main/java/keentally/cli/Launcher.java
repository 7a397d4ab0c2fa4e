package keentally.cli;

import java.util.List;

/** How this program is started. */
final class Launcher {
    private Launcher() {}

    /** The words before those of a command: the script that it was started by, else Java itself. */
    static List<String> words() {
        String script = System.getProperty("keentally.launcher");
        if (script != null) {
            return List.of(script);
        }
        String java = ProcessHandle.current().info().command().orElse("java");
        return List.of(
                java,
                "-Djava.awt.headless=true",
                "--enable-native-access=ALL-UNNAMED",
                "-cp",
                System.getProperty("java.class.path"),
                Main.class.getName());
    }
}
