package zapateo.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;
import zapateo.part.Reason;
import zapateo.server.problems.ProblemWords;
import zapateo.server.problems.ReasonWords;
import zapateo.server.problems.StrokeWords;

/** The server's packages, one for each noun, and who may know whom. */
class ServerArchitectureTest {

    private static final JavaClasses SERVER = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("zapateo.server");

    @Test
    void nouns_know_only_what_they_stand_on() {
        layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("problems")
                .definedBy("zapateo.server.problems")
                .layer("players")
                .definedBy("zapateo.server.players")
                .layer("charts")
                .definedBy("zapateo.server.charts")
                .layer("figures")
                .definedBy("zapateo.server.figures")
                .layer("arrangements")
                .definedBy("zapateo.server.arrangements")
                .layer("righthand")
                .definedBy("zapateo.server.righthand")
                .layer("colours")
                .definedBy("zapateo.server.colours")
                .layer("songs")
                .definedBy("zapateo.server.songs")
                .layer("practice")
                .definedBy("zapateo.server.practice")
                .layer("form")
                .definedBy("zapateo.server.form")
                .layer("sets")
                .definedBy("zapateo.server.sets")
                .layer("keeping")
                .definedBy("zapateo.server.keeping")
                .layer("work")
                .definedBy("zapateo.server.work")
                .whereLayer("problems")
                .mayNotAccessAnyLayer()
                .whereLayer("work")
                .mayOnlyAccessLayers("problems")
                .whereLayer("players")
                .mayOnlyAccessLayers("problems")
                .whereLayer("charts")
                .mayOnlyAccessLayers("problems", "work")
                .whereLayer("figures")
                .mayOnlyAccessLayers("problems", "players")
                .whereLayer("arrangements")
                .mayOnlyAccessLayers("problems", "work", "players", "charts", "figures")
                .whereLayer("righthand")
                .mayOnlyAccessLayers("problems", "work", "players", "arrangements")
                .whereLayer("colours")
                .mayOnlyAccessLayers("problems", "work", "players", "charts", "arrangements")
                .whereLayer("practice")
                .mayOnlyAccessLayers("problems", "work", "players", "arrangements")
                .whereLayer("form")
                .mayOnlyAccessLayers("problems", "work", "players", "charts", "arrangements")
                .whereLayer("sets")
                .mayOnlyAccessLayers("problems", "work", "players", "arrangements", "songs")
                .whereLayer("keeping")
                .mayOnlyAccessLayers("problems", "work", "players", "figures", "songs", "sets")
                .whereLayer("songs")
                .mayOnlyAccessLayers("problems", "work", "players", "figures", "arrangements")
                .check(SERVER);
    }

    @Test
    void no_two_of_them_know_each_other() {
        slices().matching("zapateo.server.(*)..").should().beFreeOfCycles().check(SERVER);
    }

    /**
     * A reason's arguments fill the gaps of sentences and decide nothing: only the classes that make words, and the
     * answer that hands them on, read them.
     */
    @Test
    void only_words_read_what_a_reason_says() {
        noClasses()
                .that()
                .doNotBelongToAnyOf(ReasonWords.class, StrokeWords.class, ProblemWords.class)
                .and(JavaClass.Predicates.simpleNameEndingWith("ReasonView").negate())
                .should()
                .callMethod(Reason.class, "args")
                .check(SERVER);
    }
}
