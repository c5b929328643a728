package org.jalousie.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import org.jalousie.core.wording.Rooms;

/** The core stays free of frameworks, and its packages depend on each other in one direction only. */
@AnalyzeClasses(packages = "org.jalousie.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule noFramework = noClasses()
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "org.springframework..",
                    "jakarta..",
                    "org.hibernate..",
                    "java.sql..",
                    "javax.sql..",
                    "java.net.http..");

    @ArchTest
    static final ArchRule noClock = noClasses()
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(java.time.LocalDate.class, "now");

    @ArchTest
    static final ArchRule oneDirection =
            slices().matching("org.jalousie.core.(*)..").should().beFreeOfCycles();

    /** Only the proof looks into files beside a wording's own parts. */
    @ArchTest
    static final ArchRule aWordingIsSeenByItsFace = noClasses()
            .that()
            .resideOutsideOfPackages("org.jalousie.core.wording..", "org.jalousie.core.proof..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(Rooms.BEHIND_THE_FACE);

    @ArchTest
    static final ArchRule whatHappensToAWordingHasAnOrder = layeredArchitecture()
            .consideringOnlyDependenciesInLayers()
            .layer("face")
            .definedBy("org.jalousie.core.wording")
            .layer("docx")
            .definedBy("org.jalousie.core.wording.docx..")
            .layer("tags")
            .definedBy("org.jalousie.core.wording.tags..")
            .layer("clause")
            .definedBy("org.jalousie.core.wording.clause..")
            .layer("compile")
            .definedBy("org.jalousie.core.wording.compile..")
            .layer("merge")
            .definedBy("org.jalousie.core.wording.merge..")
            .layer("edit")
            .definedBy("org.jalousie.core.wording.edit..")
            .layer("write")
            .definedBy("org.jalousie.core.wording.write..")
            .whereLayer("merge")
            .mayOnlyBeAccessedByLayers("face")
            .whereLayer("compile")
            .mayOnlyBeAccessedByLayers("face", "merge")
            .whereLayer("clause")
            .mayOnlyBeAccessedByLayers("compile")
            .whereLayer("tags")
            .mayOnlyBeAccessedByLayers("face", "clause", "compile", "merge", "edit")
            .whereLayer("edit")
            .mayNotBeAccessedByAnyLayer()
            .whereLayer("write")
            .mayNotBeAccessedByAnyLayer();
}
