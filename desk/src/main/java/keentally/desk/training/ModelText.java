package keentally.desk.training;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.classify.ForestPlan;
import keentally.core.classify.LearnerPlan;
import keentally.core.setting.Reference;
import keentally.desk.look.Texts;
import keentally.study.document.Study;
import keentally.study.file.Sha256;
import keentally.study.method.ModelFile;
import keentally.study.method.Provenance;

/** What was learnt as the text of a model. Safe for any thread; made on the interface thread. @param names of the samples, by their ids */
record ModelText(Map<String, String> names) {
    ModelText {
        names = Map.copyOf(names);
    }

    static ModelText of(Study study) {
        Map<String, String> names = new HashMap<>();
        study.samples().forEach(id -> study.sample(id).ifPresent(s -> names.put(id, s.name())));
        return new ModelText(names);
    }

    /** To be kept inside a method. */
    Reference held(Learned learned) {
        String text = ModelFile.text(learned.classifier(), provenance(learned));
        return new Reference(Texts.of("training.held"), Sha256.of(text), Optional.of(text));
    }

    /** From what it was learnt, how, and how well it did. */
    Map<String, Object> provenance(Learned learned) {
        List<Map<String, Object>> from = learned.from().strokes().entrySet().stream()
                .map(e -> Map.<String, Object>of(
                        "sample",
                        names.getOrDefault(e.getKey(), e.getKey()),
                        "strokes",
                        e.getValue().list().size()))
                .toList();
        LearnerPlan plan = learned.from().plan().learner() instanceof ForestPlan forest
                ? forest.of(learned.trees())
                : learned.from().plan().learner();
        return Provenance.of(from, learned.examples().count(), Course.SEED, plan, learned.scores());
    }
}
