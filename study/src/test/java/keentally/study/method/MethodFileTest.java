package keentally.study.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.core.method.MethodFault;
import keentally.core.method.MethodStep;
import keentally.core.method.MethodTree;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane8;
import keentally.core.setting.Reference;
import keentally.core.step.StepFault;
import keentally.study.document.Approval;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import keentally.study.picture.PictureWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MethodFileTest {
    private static final String STARCH = """
            {"format": "keen-tally-method", "version": 1, "name": "Starch granules", "unit": "um",
             "steps": [{"step": "channel", "of": "grey"}, {"step": "smooth", "by": "gaussian", "sigma": "1.5 px"},
                       {"step": "threshold", "rule": "otsu", "keep": "bright"},
                       {"step": "gate", "measure": "area", "atLeast": "35 um2"}],
             "measures": ["area", "ecd", "circularity", "mean"], "signal": "grey"}
            """;

    @TempDir
    private Path folder;

    private Method read(String text) throws IOException, FileFault, MethodFault {
        Path file = folder.resolve("a.method.json");
        Files.writeString(file, text);
        return MethodFile.read(file);
    }

    @Test
    void aWrittenMethodReadsBackWithTheSameHash() throws IOException, FileFault, MethodFault {
        Method method = read(STARCH);
        Path copy = folder.resolve("copy.method.json");
        MethodFile.write(copy, method);
        assertThat(MethodTree.write(MethodFile.read(copy))).isEqualTo(MethodTree.write(method));
        assertThat(MethodFile.hash(MethodFile.read(copy)))
                .isEqualTo(MethodFile.hash(method))
                .hasSize(64);
    }

    @Test
    void aLockIsReadBackAndFailsWhereTheMethodWasChangedBehindIt() throws IOException, FileFault, MethodFault {
        Path file = folder.resolve("locked.method.json");
        Approval approval = new Approval("Ana", Instant.parse("2026-11-30T10:11:12Z"));
        MethodFile.write(file, read(STARCH), Optional.of(approval));
        assertThat(MethodFile.approval(file)).contains(approval);
        assertThat(MethodFile.hash(MethodFile.read(file))).isEqualTo(MethodFile.hash(read(STARCH)));
        assertThat(MethodFile.approval(folder.resolve("a.method.json"))).isEmpty();
        Files.writeString(file, Files.readString(file).replace("otsu", "triangle"));
        assertThatThrownBy(() -> MethodFile.approval(file))
                .isInstanceOf(MethodFault.class)
                .hasMessageContaining("is not the one any more that Ana approved");
        Files.writeString(file, STARCH.replace("\"version\": 1,", "\"version\": 1, \"approved\": {\"by\": 3},"));
        assertThatThrownBy(() -> MethodFile.approval(file))
                .isInstanceOf(MethodFault.class)
                .hasMessageContaining("must say \"by\" whom");
    }

    @Test
    void spacingOrderAndDefaultsMakeNoDifferenceToTheHash() throws IOException, FileFault, MethodFault {
        String hash = MethodFile.hash(read(STARCH));
        assertThat(MethodFile.hash(
                        read(STARCH.replace("\"by\": \"gaussian\", ", "").replace("\n", " "))))
                .isEqualTo(hash);
        assertThat(MethodFile.hash(read(STARCH.replace(
                        "{\"step\": \"channel\", \"of\": \"grey\"}",
                        "{\"id\": \"x\", \"of\": \"grey\", \"save\": true, \"step\": \"channel\"}"))))
                .isEqualTo(hash);
        assertThat(MethodFile.hash(read(STARCH.replace("1.5 px", "1.6 px")))).isNotEqualTo(hash);
    }

    /** What is in the file counts, not where it lies. */
    @Test
    void aReferenceIsKnownByWhatIsInIt() throws IOException, FileFault, MethodFault, StepFault {
        String text = """
                {"format": "keen-tally-method", "version": 1,
                 "steps": [{"step": "flatten", "by": "reference", "reference": "light/blank.png"}]}
                """;
        assertThatThrownBy(() -> read(text)).hasMessageContaining("blank.png cannot be read");
        Path blank = folder.resolve("light/blank.png");
        Files.createDirectories(blank.getParent());
        PictureWriter.png(blank, Plane8.of(2, 1, new byte[] {7, 9}));
        Method method = read(text);
        String hash = MethodFile.hash(method);
        Path copy = folder.resolve("light/deep/copy.method.json");
        Files.createDirectories(copy.getParent());
        MethodFile.write(copy, method);
        assertThat(Files.readString(copy)).contains("\"../blank.png\"").contains(Sha256.of(blank));
        assertThat(MethodFile.hash(MethodFile.read(copy))).isEqualTo(hash);
        Picture read = new ReferenceFiles().picture(reference(method));
        assertThat(read.single().orElseThrow().at(1, 0)).isEqualTo(9);
        PictureWriter.png(blank, Plane8.of(2, 1, new byte[] {7, 8}));
        assertThat(MethodFile.hash(read(text))).isNotEqualTo(hash);
        assertThatThrownBy(() -> MethodFile.read(copy)).hasMessageContaining("is not the file that it was made with");
        assertThatThrownBy(() -> new ReferenceFiles().picture(reference(method)))
                .hasMessageContaining("has changed since it was chosen");
        Files.delete(blank);
        assertThatThrownBy(() -> new ReferenceFiles().picture(reference(method)))
                .hasMessageContaining("which is missing");
    }

    private static Reference reference(Method method) {
        MethodStep step = method.steps().getFirst();
        return (Reference) step.values()
                .find(step.description().setting("reference").orElseThrow())
                .orElseThrow();
    }

    @Test
    void whatIsNoJsonNamesFileAndLine() {
        assertThatThrownBy(() -> read("{\"format\": \n oops}"))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining("a.method.json is not well-formed JSON at line 2");
        assertThatThrownBy(() -> read("{\"format\": 1, \"format\": 2}")).isInstanceOf(FileFault.class);
        assertThatThrownBy(() -> MethodFile.read(folder.resolve("none.json")))
                .hasMessageEndingWith("none.json does not exist.");
        assertThatThrownBy(() -> read("[1]")).isInstanceOf(MethodFault.class);
    }
}
