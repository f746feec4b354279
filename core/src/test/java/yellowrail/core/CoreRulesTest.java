package yellowrail.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Keeps frameworks, clocks and cycles out of the core. Mathematics from a library is welcome: it is no framework. */
@AnalyzeClasses(packages = "yellowrail.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreRulesTest {
    @ArchTest
    static final ArchRule PLAIN_JAVA_ONLY = classes()
            .that()
            .resideInAPackage("yellowrail.core..")
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "yellowrail.core..",
                    "java.lang..",
                    "java.util..",
                    "java.math..",
                    "java.text..",
                    "org.hipparchus..");

    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("yellowrail.core.(*)..").should().beFreeOfCycles();
}
