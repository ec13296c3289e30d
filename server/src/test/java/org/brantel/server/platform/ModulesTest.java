package org.brantel.server.platform;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import jakarta.persistence.Entity;
import org.springframework.data.repository.Repository;
import org.springframework.web.bind.annotation.RestController;

/** A package per feature; features talk through their public face only, and in one direction. */
@AnalyzeClasses(packages = "org.brantel.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ModulesTest {

    @ArchTest
    static final ArchRule CONTROLLERS_ARE_NO_ONES_BUSINESS =
            classes().that().areAnnotatedWith(RestController.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule ENTITIES_STAY_IN_THEIR_FEATURE =
            classes().that().areAnnotatedWith(Entity.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule REPOSITORIES_STAY_IN_THEIR_FEATURE =
            classes().that().areAssignableTo(Repository.class).should().bePackagePrivate();

    @ArchTest
    static final ArchRule FEATURES_FORM_NO_CIRCLES =
            slices().matching("org.brantel.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule THE_PLATFORM_KNOWS_NO_FEATURE = noClasses()
            .that()
            .resideInAPackage("..server.platform..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "..server.intake..",
                    "..server.bench..",
                    "..server.scan..",
                    "..server.delivery..",
                    "..server.staff..");

    @ArchTest
    static final ArchRule CUSTODY_IS_WRITTEN_BY_ITS_SERVICE_ALONE = noClasses()
            .that()
            .resideOutsideOfPackage("..server.custody..")
            .should()
            .dependOnClassesThat()
            .haveSimpleNameStartingWith("CustodyRecord");
}
