package loesscape.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Dependencies point one way: server, formats, core; and in core from editing, wording and evaluation to the model. Names are one type. */
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

    /** Who reads a name knows which type it is. Variants are read with the name of what they are variants of; the rest is local. */
    @Test
    void aNameOfAFileIsTheNameOfNothingElse() {
        Map<String, List<String>> named = ALL.stream()
                .map(JavaClass::reflect)
                .filter(each -> !each.getSimpleName().isEmpty() && !each.isSynthetic())
                .filter(each -> !Modifier.isPrivate(each.getModifiers()) && !isVariant(each))
                .collect(Collectors.groupingBy(
                        Class::getSimpleName, TreeMap::new, Collectors.mapping(Class::getName, Collectors.toList())));
        assertThat(named).hasSizeGreaterThan(500);
        assertThat(named.values().stream()
                        .filter(of -> of.size() > 1 && of.stream().anyMatch(name -> !name.contains("$")))
                        .filter(of -> !of.getFirst().endsWith("package-info"))
                        .toList())
                .isEmpty();
    }

    private static boolean isVariant(Class<?> type) {
        return type.isMemberClass()
                && (Arrays.stream(type.getInterfaces()).anyMatch(Class::isSealed)
                        || (type.getSuperclass() != null && type.getSuperclass().isSealed()));
    }
}
