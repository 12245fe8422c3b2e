package zapateo;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;
import zapateo.part.Reason;

/** The rooms of the house and who may know whom. */
class ArchitectureTest {

    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("zapateo");

    @Test
    void a_song_walks_through_the_rooms_in_one_direction() {
        layeredArchitecture().consideringOnlyDependenciesInLayers()
                .layer("pitch").definedBy("zapateo.pitch").layer("harmony").definedBy("zapateo.harmony").layer("rhythm").definedBy("zapateo.rhythm")
                .layer("song").definedBy("zapateo.song").layer("search").definedBy("zapateo.search").layer("part").definedBy("zapateo.part")
                .layer("hand").definedBy("zapateo.hand").layer("lefthand").definedBy("zapateo.lefthand").layer("righthand").definedBy("zapateo.righthand").layer("arrangement").definedBy("zapateo.arrangement")
                .layer("format").definedBy("zapateo.format")
                .whereLayer("pitch").mayNotAccessAnyLayer()
                .whereLayer("rhythm").mayNotAccessAnyLayer()
                .whereLayer("search").mayNotAccessAnyLayer()
                .whereLayer("harmony").mayOnlyAccessLayers("pitch", "search")
                .whereLayer("song").mayOnlyAccessLayers("pitch", "harmony", "rhythm")
                .whereLayer("part").mayOnlyAccessLayers("pitch", "rhythm")
                .whereLayer("hand").mayOnlyAccessLayers("pitch", "rhythm", "part", "search")
                .whereLayer("lefthand").mayOnlyAccessLayers("pitch", "harmony", "rhythm", "song", "search", "part", "hand")
                .whereLayer("righthand").mayOnlyAccessLayers("pitch", "harmony", "rhythm", "song", "search", "part", "hand")
                .whereLayer("format").mayNotBeAccessedByAnyLayer()
                .check(CORE);
    }

    /** Decisions are made by what a stroke is; reasons only become words, at the server's edge. */
    @Test
    void nothing_is_decided_by_a_reason() {
        noClasses().that().doNotBelongToAnyOf(Reason.class).should().callMethod(Reason.class, "args").orShould().callMethod(Reason.class, "code").check(CORE);
    }

    @Test
    void the_core_knows_no_framework_no_database_no_clock_and_no_chance() {
        noClasses().should().dependOnClassesThat().resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "java.time..", "java.net..")
                .orShould().dependOnClassesThat().haveFullyQualifiedName("java.util.Random").check(CORE);
    }
}
