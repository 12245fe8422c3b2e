package zapateo;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.KosarajuStrongConnectivityInspector;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.SimpleDirectedGraph;
import org.junit.jupiter.api.Test;
import zapateo.part.Reason;

/** The rooms of the house and who may know whom. */
class ArchitectureTest {

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("zapateo");

    @Test
    void a_song_walks_through_the_rooms_in_one_direction() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("refusal")
                .definedBy("zapateo.refusal")
                .layer("pitch")
                .definedBy("zapateo.pitch")
                .layer("rhythm")
                .definedBy("zapateo.rhythm")
                .layer("search")
                .definedBy("zapateo.search")
                .layer("harmony")
                .definedBy("zapateo.harmony")
                .layer("song")
                .definedBy("zapateo.song")
                .layer("part")
                .definedBy("zapateo.part")
                .layer("hand")
                .definedBy("zapateo.hand")
                .layer("choice")
                .definedBy("zapateo.choice")
                .layer("colour")
                .definedBy("zapateo.colour")
                .layer("lefthand")
                .definedBy("zapateo.lefthand")
                .layer("righthand")
                .definedBy("zapateo.righthand")
                .layer("critic")
                .definedBy("zapateo.critic")
                .layer("arrangement")
                .definedBy("zapateo.arrangement")
                .layer("format")
                .definedBy("zapateo.format")
                .whereLayer("refusal")
                .mayNotAccessAnyLayer()
                .whereLayer("pitch")
                .mayOnlyAccessLayers("refusal")
                .whereLayer("rhythm")
                .mayOnlyAccessLayers("refusal")
                .whereLayer("search")
                .mayOnlyAccessLayers("refusal")
                .whereLayer("harmony")
                .mayOnlyAccessLayers("refusal", "pitch", "search")
                .whereLayer("choice")
                .mayOnlyAccessLayers("refusal", "rhythm")
                .whereLayer("song")
                .mayOnlyAccessLayers("refusal", "pitch", "harmony", "rhythm")
                .whereLayer("part")
                .mayOnlyAccessLayers("refusal", "pitch", "rhythm")
                .whereLayer("hand")
                .mayOnlyAccessLayers("refusal", "pitch", "rhythm", "part", "search")
                .whereLayer("colour")
                .mayOnlyAccessLayers("refusal", "pitch", "rhythm", "search", "harmony", "song")
                .whereLayer("lefthand")
                .mayOnlyAccessLayers(
                        "choice", "refusal", "pitch", "harmony", "rhythm", "song", "search", "part", "hand")
                .whereLayer("righthand")
                .mayOnlyAccessLayers(
                        "choice", "refusal", "pitch", "harmony", "rhythm", "song", "search", "part", "hand")
                .whereLayer("critic")
                .mayOnlyAccessLayers("refusal", "pitch", "harmony", "rhythm", "song", "part", "hand")
                .whereLayer("arrangement")
                .mayOnlyAccessLayers(
                        "choice",
                        "critic",
                        "refusal",
                        "pitch",
                        "harmony",
                        "rhythm",
                        "song",
                        "search",
                        "part",
                        "hand",
                        "colour",
                        "lefthand",
                        "righthand")
                .whereLayer("format")
                .mayOnlyAccessLayers(
                        "refusal",
                        "pitch",
                        "harmony",
                        "rhythm",
                        "song",
                        "search",
                        "part",
                        "hand",
                        "arrangement",
                        "lefthand",
                        "righthand")
                .whereLayer("format")
                .mayNotBeAccessedByAnyLayer()
                .check(CORE);
    }

    @Test
    void what_names_values_knows_nothing() {
        classes()
                .that()
                .resideInAPackage("zapateo.names")
                .should()
                .onlyDependOnClassesThat()
                .resideInAnyPackage("java..", "zapateo.names")
                .check(CORE);
    }

    /** Decisions are made by what a stroke is; reasons only become words, at the server's edge. */
    @Test
    void nothing_is_decided_by_a_reason() {
        noClasses()
                .that()
                .doNotBelongToAnyOf(Reason.class)
                .should()
                .callMethod(Reason.class, "args")
                .orShould()
                .callMethod(Reason.class, "code")
                .check(CORE);
    }

    @Test
    void no_two_rooms_know_each_other() {
        slices().matching("zapateo.(*)..").should().beFreeOfCycles().check(CORE);
    }

    /**
     * A file is a class with all that is written in it. The slices of ArchUnit miss circles among so many; strong
     * components do not.
     */
    @Test
    void no_two_files_know_each_other() {
        Graph<String, DefaultEdge> files = new SimpleDirectedGraph<>(DefaultEdge.class);
        CORE.forEach(each -> each.getDirectDependenciesFromSelf().forEach(dependency -> {
            String from = file(each);
            String to = file(dependency.getTargetClass());
            if (!from.equals(to) && to.startsWith("zapateo.")) {
                files.addVertex(from);
                files.addVertex(to);
                files.addEdge(from, to);
            }
        }));
        assertThat(files.vertexSet()).hasSizeGreaterThan(200);
        assertThat(new KosarajuStrongConnectivityInspector<>(files).stronglyConnectedSets())
                .filteredOn(each -> each.size() > 1)
                .isEmpty();
    }

    private static String file(JavaClass javaClass) {
        JavaClass file = javaClass.getBaseComponentType();
        while (file.getEnclosingClass().isPresent()) {
            file = file.getEnclosingClass().get();
        }
        return file.getFullName();
    }

    @Test
    void the_core_knows_no_framework_no_database_no_clock_and_no_chance() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "java.time..", "java.net..")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.util.Random")
                .check(CORE);
    }
}
