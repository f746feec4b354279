package yellowrail.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Keeps the features apart: no cycles, and nobody depends on the pages or the JSON interface. */
@AnalyzeClasses(packages = "yellowrail.app", importOptions = ImportOption.DoNotIncludeTests.class)
class AppRulesTest {
    @ArchTest
    static final ArchRule NO_CYCLES =
            slices().matching("yellowrail.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NOBODY_USES_THE_INTERFACE = classes()
            .that()
            .resideInAPackage("..app.api..")
            .should()
            .onlyHaveDependentClassesThat()
            .resideInAPackage("..app.api..");
}
