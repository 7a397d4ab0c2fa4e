package keentally.study;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "keentally.study", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule NO_WINDOW = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("javafx..", "keentally.desk..", "keentally.cli..", "keentally.samples..");

    @ArchTest
    static final ArchRule NO_PACKAGE_CYCLES =
            slices().matching("keentally.study.(*)..").should().beFreeOfCycles();
}
