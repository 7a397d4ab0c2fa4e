package keentally.desk;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "keentally", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule NOBODY_SEES_THE_DESK = noClasses()
            .that()
            .resideOutsideOfPackage("keentally.desk..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("keentally.desk..", "javafx..");

    @ArchTest
    static final ArchRule THE_MODEL_HAS_NO_WINDOW = noClasses()
            .that()
            .resideInAPackage("keentally.desk.model..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "javafx.scene..",
                    "javafx.stage..",
                    "javafx.application..",
                    "keentally.desk.view..",
                    "keentally.desk.stage..");

    @ArchTest
    static final ArchRule NO_PACKAGE_CYCLES =
            slices().matching("keentally.desk.(*)..").should().beFreeOfCycles();
}
