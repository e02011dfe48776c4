package org.pendrik.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/**
 * The core stays plain: it depends on the language and a few libraries, calls no clock and rolls no
 * dice.
 */
public class CorePurityTest {
    private final JavaClasses core =
            new ClassFileImporter()
                    .withImportOption(new ImportOption.DoNotIncludeTests())
                    .importPackages("org.pendrik.core");

    @Test
    public void dependsOnlyOnTheLanguageAndFourLibraries() {
        classes()
                .that()
                .resideInAPackage("org.pendrik.core..")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage(
                        "org.pendrik.core..",
                        "java.lang..",
                        "java.util..",
                        "java.time..",
                        "java.io",
                        "java.math",
                        "java.nio.charset",
                        "org.ejml..",
                        "org.locationtech.jts..",
                        "org.apache.commons.csv",
                        "org.jspecify.annotations")
                .check(core);
    }

    @Test
    public void readsNoClockAndRollsNoDice() {
        noClasses().should().callMethod(java.time.Instant.class, "now").check(core);
        noClasses().should().callMethod(java.time.LocalDate.class, "now").check(core);
        noClasses().should().callMethod(System.class, "currentTimeMillis").check(core);
        noClasses().should().callMethod(System.class, "nanoTime").check(core);
        noClasses().should().callMethod(Math.class, "random").check(core);
        noClasses()
                .should()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.util.Random")
                .check(core);
    }

    @Test
    public void packagesAreFreeOfCycles() {
        slices().matching("org.pendrik.core.(*)..").should().beFreeOfCycles().check(core);
    }

    @Test
    public void theBasePackagesDependOnNoOther() {
        for (String p : new String[] {"units", "colour"}) {
            classes()
                    .that()
                    .resideInAPackage("org.pendrik.core." + p)
                    .should()
                    .onlyDependOnClassesThat()
                    .resideInAnyPackage("org.pendrik.core." + p, "java..", "org.jspecify..")
                    .check(core);
        }
    }
}
