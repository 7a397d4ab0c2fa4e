package keentally.desk.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The list of licences is that of what the program runs with; {@code build/licences} makes it again. */
class LicencesTest {
    private static final Pattern JAR = Pattern.compile("(.+?)-(\\d[\\w.]*)(-linux)?\\.jar");

    /** Comes with the tests alone. */
    private static final List<String> OF_TESTS = List.of(
            "junit",
            "assertj",
            "testfx",
            "archunit",
            "opentest4j",
            "apiguardian",
            "byte-buddy",
            "hamcrest",
            "surefire",
            "osgi");

    private static Map<String, String> listed() {
        return HelpText.licences()
                .lines()
                .filter(l -> l.matches("[a-z][\\w.-]+ \\d[\\w.]*: .+"))
                .collect(Collectors.toMap(
                        l -> l.substring(0, l.indexOf(' ')), l -> l.substring(l.indexOf(' ') + 1, l.indexOf(':'))));
    }

    @Test
    void everyLibraryIsListedWithItsVersion() {
        String paths =
                System.getProperty("java.class.path") + File.pathSeparator + System.getProperty("jdk.module.path", "");
        Map<String, String> listed = listed();
        Set<String> wrong = new TreeSet<>();
        Stream.of(paths.split(File.pathSeparator))
                .map(p -> new File(p).getName())
                .forEach(name -> {
                    Matcher jar = JAR.matcher(name);
                    boolean ours = !jar.matches()
                            || List.of("core", "study", "samples").contains(jar.group(1));
                    if (!ours
                            && OF_TESTS.stream().noneMatch(name::contains)
                            && !jar.group(2).equals(listed.get(jar.group(1)))) {
                        wrong.add(name);
                    }
                });
        assertThat(wrong).as("run build/licences").isEmpty();
        assertThat(listed).hasSizeGreaterThan(45);
    }
}
