package yellowrail.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaFieldAccess;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.session.Event;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Events;
import yellowrail.core.session.stops.Stops;

/** Keeps frameworks, clocks and cycles out of the core. Mathematics from a library is welcome: it is no framework. */
@AnalyzeClasses(packages = "yellowrail.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreRulesTest {
    @ArchTest
    static final ArchRule PLAIN_JAVA_ONLY = classes()
            .that()
            .resideInAPackage("yellowrail.core..")
            .and()
            .resideOutsideOfPackage("yellowrail.core.table")
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

    /** A stop is a file: nobody else asks which stop it is. */
    @ArchTest
    static final ArchRule STOPS_SPEAK_FOR_THEMSELVES = noClasses()
            .that()
            .resideOutsideOfPackage("yellowrail.core.session.stops..")
            .should()
            .accessFieldWhere(new DescribedPredicate<>("one stop of the rail is meant") {
                @Override
                public boolean test(JavaFieldAccess access) {
                    return access.getTargetOwner().isEquivalentTo(Stops.class)
                            && !access.getTarget().getName().equals("RAIL");
                }
            });

    /** Every event and every way of taking current that is written is listed. */
    @ArchTest
    static void everyFileOfAListIsListed(JavaClasses classes) {
        assertThat(written(classes, Event.class))
                .containsExactlyInAnyOrderElementsOf(
                        Events.KINDS.stream().map(k -> k.type().getName()).toList());
        assertThat(written(classes, SensingMethod.class))
                .containsExactlyInAnyOrderElementsOf(
                        Ways.ALL.stream().map(w -> w.type().getName()).toList());
        assertThat(written(classes, Stop.class))
                .containsExactlyInAnyOrderElementsOf(Stops.RAIL.stops().stream()
                        .map(stop -> stop.getClass().getName())
                        .toList());
    }

    private static List<String> written(JavaClasses classes, Class<?> type) {
        return classes.stream()
                .filter(c -> c.isAssignableTo(type) && !c.isInterface() && !c.isEquivalentTo(type))
                .map(JavaClass::getName)
                .toList();
    }
}
