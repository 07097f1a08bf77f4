package loesscape.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Dependencies point one way: server, formats, core; and in core from editing, wording and evaluation to the model. */
class ModulesTest {

    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("loesscape");

    @Test
    void coreKnowsNothingButItselfAndJava() {
        classes()
                .that()
                .resideInAPackage("loesscape.core..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "loesscape.core..",
                        "java..",
                        "org.jspecify.annotations..",
                        "com.google.re2j..",
                        "com.google.i18n..",
                        "ch.obermuhlner.math.big..",
                        "com.ibm.icu..",
                        "org.logicng..",
                        "org.apache.commons.validator..")
                .check(ALL);
    }

    @Test
    void formatsKnowNoServer() {
        noClasses()
                .that()
                .resideInAPackage("loesscape.formats..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("loesscape.server..", "org.springframework..", "java.sql..", "jakarta..")
                .check(ALL);
    }

    @Test
    void packagesHaveNoCycles() {
        slices().matching("loesscape.core.(*)..").should().beFreeOfCycles().check(ALL);
        slices().matching("loesscape.formats.(*)..").should().beFreeOfCycles().check(ALL);
        slices().matching("loesscape.server.(*)..").should().beFreeOfCycles().check(ALL);
    }
}
