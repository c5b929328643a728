package org.jalousie.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.jalousie.core.wording.Rooms;
import org.springframework.data.jpa.repository.JpaRepository;

/** Features keep their tables to themselves and don't go in circles. */
@AnalyzeClasses(packages = "org.jalousie.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule noCircles =
            slices().matching("org.jalousie.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule repositoriesArePrivate =
            classes().that().areAssignableTo(JpaRepository.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule controllersSpeakToServicesOnly = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .and()
            .resideOutsideOfPackage("..postroom..")
            .should()
            .dependOnClassesThat()
            .areAssignableTo(JpaRepository.class);

    @ArchTest
    static final ArchRule noClockButTheOneHandedIn = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");

    @ArchTest
    static final ArchRule aWordingIsSeenByItsFace =
            noClasses().should().dependOnClassesThat().resideInAnyPackage(Rooms.BEHIND_THE_FACE);
}
