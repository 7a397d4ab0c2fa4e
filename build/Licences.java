import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;

/** Lists the licences of jars, as their projects' descriptions in the local repository state them: one line a library. */
class Licences {
    private final Path repository;

    Licences(Path repository) {
        this.repository = repository;
    }

    /** @param args the local repository, then folders with jars */
    public static void main(String[] args) throws Exception {
        Licences licences = new Licences(Path.of(args[0]));
        TreeMap<String, String> lines = new TreeMap<>();
        for (String folder : List.of(args).subList(1, args.length)) {
            try (Stream<Path> jars = Files.list(Path.of(folder))) {
                for (Path jar : jars.filter(f -> f.toString().endsWith(".jar")).toList()) {
                    licences.add(jar.getFileName().toString(), lines);
                }
            }
        }
        lines.values().forEach(System.out::println);
    }

    private void add(String jar, TreeMap<String, String> lines) throws IOException, ParserConfigurationException, SAXException {
        Optional<Path> there;
        try (Stream<Path> all = Files.walk(repository)) {
            there = all.filter(f -> f.getFileName().toString().equals(jar)).findFirst();
        }
        if (there.isEmpty() || there.get().toString().contains("/keentally/")) {
            return; // our own
        }
        Path version = there.get().getParent();
        String artifact = version.getParent().getFileName().toString();
        Path pom = version.resolve(artifact + "-" + version.getFileName() + ".pom");
        String line = artifact + " " + version.getFileName() + ": " + String.join(" or ", licences(pom));
        lines.put(artifact, line);
    }

    /** Of a project, or of the nearest parent that states any. */
    private List<String> licences(Path pom) throws IOException, ParserConfigurationException, SAXException {
        Document document = DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(pom.toFile());
        List<String> names = new ArrayList<>();
        for (Element licence : children(document.getDocumentElement(), "licenses")) {
            for (Element one : children(licence, "license")) {
                names.add(text(one, "name").orElse("see its jar") + text(one, "url").map(u -> ", " + u).orElse(""));
            }
        }
        if (!names.isEmpty()) {
            return names;
        }
        for (Element parent : children(document.getDocumentElement(), "parent")) {
            String group = text(parent, "groupId").orElseThrow().replace('.', '/');
            String artifact = text(parent, "artifactId").orElseThrow();
            String version = text(parent, "version").orElseThrow();
            return licences(repository.resolve(group).resolve(artifact).resolve(version).resolve(artifact + "-" + version + ".pom"));
        }
        throw new IOException(pom + " states no licence, and has no parent that does.");
    }

    private static Optional<String> text(Element of, String name) {
        return children(of, name).stream().map(e -> e.getTextContent().strip().replaceAll("\\s+", " ")).findFirst();
    }

    private static List<Element> children(Element of, String name) {
        List<Element> found = new ArrayList<>();
        NodeList all = of.getChildNodes();
        for (int i = 0; i < all.getLength(); i++) {
            Node node = all.item(i);
            if (node instanceof Element element && element.getTagName().equals(name)) {
                found.add(element);
            }
        }
        return found;
    }
}
