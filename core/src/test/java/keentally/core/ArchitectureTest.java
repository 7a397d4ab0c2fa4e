package keentally.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

@AnalyzeClasses(packages = "keentally.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule NO_FILES_AND_NO_WINDOW = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "java.io..", "java.nio.file..", "java.awt..", "javax..", "javafx..", "java.net..", "java.sql..");

    @ArchTest
    static final ArchRule NOTHING_BUT_JAVA_ITSELF_TABLES_OF_STATISTICS_AND_A_LINEAR_SOLVER = noClasses()
            .should()
            .dependOnClassesThat()
            .resideOutsideOfPackages(
                    "java..", "keentally.core..", "org.apache.commons.statistics..", "de.bwaldvogel.liblinear..");

    @ArchTest
    static final ArchRule NO_PACKAGE_CYCLES =
            slices().matching("keentally.core.(*)..").should().beFreeOfCycles();
}
