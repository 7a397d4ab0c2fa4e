package keentally.study.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.classify.Classifier;
import keentally.core.classify.Classifier.ClassLabel;
import keentally.core.classify.Examples;
import keentally.core.classify.FeatureGroup;
import keentally.core.classify.FeatureSet;
import keentally.core.classify.Forest;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LinearModel;
import keentally.core.classify.LinearPlan;
import keentally.core.colour.Rgb;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.core.setting.Reference;
import keentally.core.step.ClassifyStep;
import keentally.core.work.Work;
import keentally.study.file.FileFault;
import keentally.study.file.Sha256;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ModelFileTest {
    private static final FeatureSet SET = new FeatureSet(List.of(FeatureGroup.MEDIAN, FeatureGroup.VALUE), false, 1.5);

    @TempDir
    Path folder;

    private Path file;
    private Classifier classifier;

    @BeforeEach
    void aModel() throws FileFault {
        float[][] values = {{0, 1, 2, 3, 4, 5, 6, 7}, {1, 0, 1, 0, 1, 0, 1, 0}};
        Examples examples = new Examples(values, new int[] {0, 0, 1, 1, 0, 0, 1, 1}, 2, new int[8]);
        Forest forest = Forest.grown(examples, new ForestPlan(3, 5, 1, 7), Work.alone());
        classifier = new Classifier(
                SET,
                List.of(new ClassLabel("dough", Rgb.of("#102030")), new ClassLabel("air", Rgb.of("#405060"))),
                forest,
                Optional.of(Scale.of("0.85 um/px")));
        file = folder.resolve("a.model.json");
        ModelFile.write(file, classifier, Map.of("seed", 7));
    }

    @Test
    void aModelReadsBackTheSame() throws FileFault {
        Classifier read = ModelFile.read(file);
        assertThat(read.features()).isEqualTo(SET);
        assertThat(read.classes()).isEqualTo(classifier.classes());
        assertThat(read.trainedAt()).isEqualTo(classifier.trainedAt());
        float[][] asked = {{0.5f, 2.5f, 6}, {1, 0, 1}};
        assertThat(read.learnt().probabilities(asked, 3))
                .isEqualTo(classifier.learnt().probabilities(asked, 3));
        Path again = folder.resolve("b.model.json");
        ModelFile.write(again, read, Map.of("seed", 7));
        assertThat(again).hasSameBinaryContentAs(file);
    }

    /** As the forest's, for the other learner. */
    @Test
    void aLinearModelReadsBackTheSameOrIsRefused() throws Exception {
        float[][] values = {{0, 1, 2, 3, 4, 5, 6, 7}, {1, 0, 1, 0, 1, 0, 1, 0}};
        Examples examples = new Examples(values, new int[] {0, 0, 0, 0, 1, 1, 1, 1}, 2, new int[8]);
        Classifier linear = new Classifier(
                SET, classifier.classes(), LinearPlan.USUAL.learn(examples, Work.alone()), classifier.trainedAt());
        ModelFile.write(file, linear, Map.of());
        Classifier read = ModelFile.read(file);
        assertThat(read.learnt().probabilities(values, 8))
                .isEqualTo(linear.learnt().probabilities(values, 8));
        assertThat(((LinearModel) read.learnt()).converged()).isTrue();
        damaged("\"means\" : \"[^\"]*\"", "\"means\" : \"\"", "its weights do not go with its features");
        damaged("\"spreads\" : \"[^\"]*\"", "\"spreads\" : 3", "is a damaged model");
    }

    private void damaged(String from, String to, String says) throws Exception {
        Path broken = folder.resolve("broken.model.json");
        String text = Files.readString(file);
        assertThat(text.replaceFirst(from, to)).isNotEqualTo(text);
        Files.writeString(broken, text.replaceFirst(from, to));
        assertThatThrownBy(() -> ModelFile.read(broken))
                .isInstanceOf(FileFault.class)
                .hasMessageContaining(says);
    }

    @Test
    void whatIsDamagedNewerOrNoModelIsRefused() throws Exception {
        damaged("keen-tally-model", "something", "is no model");
        damaged("\"version\" : 1", "\"version\" : 9", "which a newer program made");
        damaged("\"value\"", "\"smell\"", "is a damaged model");
        damaged("\"air\"", "\"dough\"", "two classes have one name");
        String nowhere = Base64.getEncoder().encodeToString(new byte[] {99, 0, 0, 0});
        damaged("\"feature\" : \"[^\"]*\"", "\"feature\" : \"" + nowhere + "\"", "is a damaged model");
        damaged("\"shares\" : \"[^\"]*\"", "\"shares\" : \"\"", "a tree leads nowhere");
        damaged("\"left\" : \"[^\"]*\"", "\"left\" : \"\"", "a tree is torn");
        damaged("\"edge\" : \"[^\"]*\"", "\"edge\" : \"\"", "a tree is torn");
        damaged("\"left\" : \"[^\"]*\"", "\"left\" : \"?\"", "is a damaged model");
        Files.writeString(file, "[1]");
        assertThatThrownBy(() -> ModelFile.read(file)).hasMessageContaining("is no model");
    }

    @Test
    void aMethodFindsItsModelAndNoticesAnother() throws Exception {
        ReferenceFiles files = new ReferenceFiles();
        Reference reference = new Reference(file.toString(), Sha256.of(file));
        assertThat(files.classifier(reference)).isSameAs(files.classifier(reference));
        Reference changed = new Reference(file.toString(), "0".repeat(64));
        assertThatThrownBy(() -> files.classifier(changed)).hasMessageContaining("has changed since it was chosen");
        Reference gone = new Reference(folder.resolve("c.model.json").toString(), "1".repeat(64));
        assertThatThrownBy(() -> files.classifier(gone))
                .hasMessageContaining("refers to the model")
                .hasMessageContaining("missing");
    }

    @Test
    void aModelIsHeldInsideAMethodWhereverThatGoes() throws Exception {
        String text = ModelFile.text(classifier, Map.of("seed", 7));
        Reference held = new Reference("trained here", Sha256.of(text), Optional.of(text));
        Method method =
                Method.empty("Held", LengthUnit.PX).then("classify").with("classify-1", ClassifyStep.MODEL, held);
        Path written = folder.resolve("a/held.method.json");
        Files.createDirectories(written.getParent());
        MethodFile.write(written, method);
        Path moved = Files.move(written, folder.resolve("held.method.json"));
        Method read = MethodFile.read(moved);
        assertThat(MethodFile.hash(read)).isEqualTo(MethodFile.hash(method));
        Reference model = read.step("classify-1").orElseThrow().values().get(ClassifyStep.MODEL);
        assertThat(model).isEqualTo(held);
        assertThat(new ReferenceFiles().classifier(model).names()).containsExactly("dough", "air");
        Reference beside = new Reference(file.toString(), Sha256.of(file));
        assertThat(beside.sha256()).as("the same model, as a file").isEqualTo(held.sha256());
        assertThat(MethodFile.hash(method.with("classify-1", ClassifyStep.MODEL, beside)))
                .isEqualTo(MethodFile.hash(method));
        Reference other = new Reference("trained here", "0".repeat(64), Optional.of(text));
        assertThatThrownBy(() -> new ReferenceFiles().classifier(other))
                .hasMessageContaining("is not what its SHA-256 says");
        Reference torn = new Reference("trained here", Sha256.of("{"), Optional.of("{"));
        assertThatThrownBy(() -> new ReferenceFiles().classifier(torn))
                .hasMessageContaining("holds a model that cannot be used");
    }
}
