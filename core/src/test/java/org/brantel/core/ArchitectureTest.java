package org.brantel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The core depends on nothing but the JDK and one small library for JSON, and writes to no source. */
@AnalyzeClasses(packages = "org.brantel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule DEPENDS_ON_THE_JDK_AND_JSON_ALONE = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "java..",
                    "org.brantel.core..",
                    "tools.jackson..",
                    "com.fasterxml.jackson.annotation..",
                    "com.sun.nio.file..");

    @ArchTest
    static final ArchRule JSON_LIBRARY_IN_ONE_PLACE = noClasses()
            .that()
            .resideOutsideOfPackage("org.brantel.core.json..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("tools.jackson..");

    @ArchTest
    static final ArchRule NO_DATABASE =
            noClasses().should().dependOnClassesThat().resideInAnyPackage("java.sql..", "javax..");

    @ArchTest
    static final ArchRule NETWORK_FOR_EXPORTS_ALONE = noClasses()
            .that()
            .resideOutsideOfPackage("org.brantel.core.source.nbd")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("java.net..");

    @ArchTest
    static final ArchRule PACKAGES_FORM_NO_CIRCLES =
            slices().matching("org.brantel.core.(*)..").should().beFreeOfCycles();

    /** Only the map of an image and the unpacking of a simulated device write; neither is a source. */
    @ArchTest
    static final ArchRule SOURCES_OPEN_FOR_READING_ONLY = noClasses()
            .that()
            .resideInAPackage("org.brantel.core.source")
            .and()
            .haveSimpleNameNotContaining("MapJournal")
            .and()
            .haveSimpleNameNotContaining("SimulatedSource")
            .should()
            .accessField(java.nio.file.StandardOpenOption.class, "WRITE")
            .orShould()
            .callMethod(java.nio.channels.FileChannel.class, "write", java.nio.ByteBuffer.class);
}
