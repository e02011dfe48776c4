package org.pendrik.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaCall;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchRule;
import java.util.Set;
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
    public void dependsOnlyOnTheLanguageAndFiveLibraries() {
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
                        "com.google.ortools..",
                        // the solver's messages
                        "com.google.protobuf",
                        "org.locationtech.jts..",
                        "org.apache.commons.csv",
                        "org.jspecify.annotations")
                .check(core);
    }

    /** A method or constructor whose answer is another one each time that it is asked. */
    private static final DescribedPredicate<JavaCall<?>> IMPURE =
            DescribedPredicate.describe(
                    "a clock, dice, or what the machine is set to",
                    call -> {
                        String owner = call.getTargetOwner().getName();
                        String name = call.getTarget().getName();
                        boolean unseeded = call.getTarget().getRawParameterTypes().isEmpty();
                        return switch (owner) {
                            case "java.lang.System" ->
                                    Set.of("currentTimeMillis", "nanoTime", "getProperty", "getenv")
                                            .contains(name);
                            case "java.lang.Math", "java.lang.StrictMath" -> name.equals("random");
                            case "java.util.UUID" -> name.equals("randomUUID");
                            case "java.util.concurrent.ThreadLocalRandom",
                                    "java.security.SecureRandom" ->
                                    true;
                            case "java.util.Random", "java.util.SplittableRandom" ->
                                    name.equals("<init>") && unseeded;
                            case "java.util.random.RandomGenerator" ->
                                    Set.of("of", "getDefault").contains(name);
                            case "java.util.random.RandomGeneratorFactory" ->
                                    name.equals("create") && unseeded;
                            case "java.util.Collections" ->
                                    name.equals("shuffle")
                                            && call.getTarget().getRawParameterTypes().size() == 1;
                            case "java.util.Date" -> name.equals("<init>") && unseeded;
                            case "java.util.Calendar" -> name.equals("getInstance");
                            case "java.util.Locale", "java.util.TimeZone" ->
                                    name.equals("getDefault");
                            case "java.time.ZoneId" -> name.equals("systemDefault");
                            case "java.time.Clock" ->
                                    name.startsWith("system") || name.startsWith("tick");
                            default -> owner.startsWith("java.time.") && name.equals("now");
                        };
                    });

    private static ArchRule pure() {
        return noClasses().should().callCodeUnitWhere(IMPURE).allowEmptyShould(true);
    }

    @Test
    public void readsNoClockAndRollsNoDice() {
        pure().check(core);
    }

    @Test
    public void theRuleCatchesWhatItForbids() {
        JavaClasses impure = new ClassFileImporter().importClasses(Impure.class);
        assertEquals(
                pure().evaluate(impure).getFailureReport().getDetails().size(),
                Impure.class.getDeclaredMethods().length);
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
