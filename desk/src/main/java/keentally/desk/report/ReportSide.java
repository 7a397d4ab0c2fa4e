package keentally.desk.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import keentally.core.setting.ChoiceSetting;
import keentally.core.words.Sentences;
import keentally.desk.look.Pieces;
import keentally.desk.look.Prose;
import keentally.desk.look.Texts;
import keentally.desk.look.Typed;
import keentally.study.document.ReportPlan;
import keentally.study.document.ReportPlan.Paper;
import keentally.study.document.ReportPlan.Part;
import keentally.study.report.Report;

/** What the report is to hold, and how it is headed; it all stays with the study. */
public final class ReportSide extends VBox {
    private static final int WORDS = 5;

    private final ReportModel model;
    private final TextField title = new TextField();
    private final TextField laboratory = new TextField();
    private final TextField by = new TextField();
    private final TextArea words = Pieces.area("");
    private final ObjectProperty<Paper> paper = new SimpleObjectProperty<>(Paper.A4);
    private final Button noLogo;
    private final VBox parts = new VBox(2);
    private final List<Runnable> lines = new ArrayList<>();
    private boolean filling;

    /** @param chooseLogo asks for a picture */
    public ReportSide(ReportModel model, Runnable chooseLogo) {
        super(8);
        this.model = model;
        setId("report-side");
        getStyleClass().add("station-panel");
        words.setPrefRowCount(WORDS);
        words.setWrapText(true);
        this.noLogo =
                Pieces.button("report-no-logo", "report.no-logo", () -> model.change(p -> p.with(Optional.empty())));
        HBox logo = new HBox(8, Pieces.button("report-logo", "report.logo", chooseLogo), noLogo);
        HBox sheets = new HBox(8, Pieces.name("report.paper"), Pieces.choices("report-paper", Paper.values(), paper));
        sheets.getStyleClass().add("row");
        parts.setId("report-parts");
        Label head = new Label(Texts.of("view.report"));
        head.getStyleClass().add("station-title");
        getChildren()
                .addAll(
                        head,
                        Prose.of(Texts.of("report.question"), "question"),
                        field(
                                title,
                                "title",
                                ReportPlan::title,
                                (p, t) -> p.headed(t, p.laboratory(), p.by(), p.words())),
                        field(
                                laboratory,
                                "laboratory",
                                ReportPlan::laboratory,
                                (p, t) -> p.headed(p.title(), t, p.by(), p.words())),
                        field(by, "by", ReportPlan::by, (p, t) -> p.headed(p.title(), p.laboratory(), t, p.words())),
                        field(
                                words,
                                "words",
                                ReportPlan::words,
                                (p, t) -> p.headed(p.title(), p.laboratory(), p.by(), t)),
                        logo,
                        sheets,
                        Pieces.head("report.parts"),
                        parts);
        paper.addListener((o, was, is) -> {
            if (!filling) {
                model.change(p -> p.on(is));
            }
        });
        model.desk().study().addListener(o -> fill());
        fill();
    }

    /** What is typed counts when it is left, or with Enter. */
    private VBox field(
            TextInputControl input,
            String name,
            Function<ReportPlan, String> of,
            BiFunction<ReportPlan, String, ReportPlan> change) {
        input.setId("report-" + name);
        input.setAccessibleText(Texts.of("name.report-" + name));
        input.setPromptText(Texts.of("report." + name + ".prompt"));
        Typed typed = Typed.in(
                input, () -> model.change(p -> change.apply(p, input.getText().strip())));
        lines.add(() -> typed.show(of.apply(model.plan())));
        return new VBox(2, Pieces.name("report." + name), input);
    }

    private void fill() {
        ReportPlan plan = model.plan();
        filling = true;
        lines.forEach(Runnable::run);
        paper.set(plan.paper());
        noLogo.setDisable(plan.logo().isEmpty());
        filling = false;
        parts.getChildren().setAll(model.parts().stream().map(this::part).toList());
    }

    private HBox part(Part part) {
        String id = "report-part-" + ChoiceSetting.word(part);
        int at = model.plan().parts().indexOf(part);
        CheckBox box = new CheckBox(Sentences.told(Report.title(part)));
        box.setId(id);
        box.setSelected(at >= 0);
        box.setOnAction(e -> model.include(part, box.isSelected()));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        Button up = Pieces.button(id + "-up", "report.up", () -> model.move(part, -1));
        Button down = Pieces.button(id + "-down", "report.down", () -> model.move(part, 1));
        up.setDisable(at < 1);
        down.setDisable(at < 0 || at == model.plan().parts().size() - 1);
        up.getStyleClass().add("small");
        down.getStyleClass().add("small");
        HBox row = new HBox(4, box, gap, up, down);
        row.getStyleClass().add("row");
        return row;
    }
}
