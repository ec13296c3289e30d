package org.brantel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.List;
import java.util.Set;

/** The core depends on nothing but the JDK and one small library for JSON, and writes to no source. */
@AnalyzeClasses(packages = "org.brantel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule DEPENDS_ON_THE_JDK_JSON_NUMERICS_AND_UNPACKERS_ALONE = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "java..",
                    "org.brantel.core..",
                    "tools.jackson..",
                    "com.fasterxml.jackson.annotation..",
                    "org.jspecify.annotations..",
                    "org.apache.commons.math3..",
                    "org.apache.commons.compress..",
                    "org.tukaani.xz..",
                    "com.github.luben.zstd..",
                    "com.sun.nio.file..");

    @ArchTest
    static final ArchRule UNPACKERS_IN_ONE_PLACE = noClasses()
            .that()
            .resideOutsideOfPackage("org.brantel.core.kind.archive..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.apache.commons.compress..", "org.tukaani.xz..", "com.github.luben.zstd..");

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
    static final ArchRule ROOMS_FORM_NO_CIRCLES =
            slices().matching("org.brantel.core.(*)..").should().beFreeOfCycles();

    /** Whatever their depth: each package is a slice of its own. */
    @ArchTest
    static final ArchRule PACKAGES_FORM_NO_CIRCLES =
            slices().matching("org.brantel.core.(**)").should().beFreeOfCycles();

    /** From the inside out: a room knows only rooms that stand before it. A new room takes its place here. */
    private static final List<String> RINGS = List.of(
            "bytes",
            "hash",
            "json",
            "files",
            "health",
            "source",
            "image",
            "opening",
            "imaging",
            "content",
            "kind",
            "kinds",
            "inside",
            "finding",
            "filesystem",
            "families",
            "volume",
            "copying",
            "carve",
            "scan",
            "explain",
            "layout",
            "recovery",
            "firstlook",
            "triage",
            "wanted",
            "spoken",
            "question",
            "estimate",
            "past",
            "manifest",
            "custody",
            "casefile");

    @ArchTest
    static void aRoomKnowsOnlyThoseWithinIt(JavaClasses engine) {
        assertThat(engine.stream()
                        .map(c -> c.getPackageName()
                                .replaceFirst("^org\\.brantel\\.core\\.?", "")
                                .split("\\.")[0])
                        .filter(room -> !room.isEmpty()))
                .as("rooms without a place in the rings")
                .allMatch(RINGS::contains);
        for (int i = 0; i < RINGS.size() - 1; i++) {
            String[] outside = RINGS.subList(i + 1, RINGS.size()).stream()
                    .map(room -> "org.brantel.core." + room + "..")
                    .toArray(String[]::new);
            noClasses()
                    .that()
                    .resideInAPackage("org.brantel.core." + RINGS.get(i) + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(outside)
                    .check(engine);
        }
    }

    /** What a room does not need to show stays within it. */
    @ArchTest
    static void lessThanHalfOfTheEngineIsPublic(JavaClasses engine) {
        List<JavaClass> all = engine.stream()
                .filter(c -> c.isTopLevelClass() && !c.getSimpleName().equals("package-info"))
                .toList();
        List<JavaClass> shown = all.stream()
                .filter(c -> c.getModifiers().contains(JavaModifier.PUBLIC))
                .toList();
        assertThat(shown).hasSizeLessThan(all.size() / 2);
    }

    /** Whatever the kind, and without exceptions by name: a source has no way to write. */
    @ArchTest
    static final ArchRule NOTHING_WRITES_TO_A_SOURCE =
            noClasses().that().resideInAPackage("org.brantel.core.source..").should(useAWritingInterface());

    /** The rule sees writing where there is some. */
    @ArchTest
    static void whatWritesIsSeen(JavaClasses engine) {
        for (String writing : List.of("files", "image", "imaging", "recovery", "manifest")) {
            assertThat(noClasses()
                            .that()
                            .resideInAPackage("org.brantel.core." + writing)
                            .should(useAWritingInterface())
                            .evaluate(engine)
                            .hasViolation())
                    .as(writing)
                    .isTrue();
        }
    }

    private static ArchCondition<JavaClass> useAWritingInterface() {
        return new ArchCondition<>("use a writing interface of the JDK") {
            @Override
            public void check(JavaClass in, ConditionEvents events) {
                in.getAccessesFromSelf().stream()
                        .filter(a -> isWriting(
                                a.getTargetOwner().getName(), a.getTarget().getName()))
                        .forEach(a -> events.add(SimpleConditionEvent.satisfied(in, a.getDescription())));
            }
        };
    }

    /** Of {@code Files}, only what looks; of channels and their options, only reading; no stream or file that writes. */
    private static boolean isWriting(String owner, String member) {
        return switch (owner) {
            case "java.nio.file.Files" ->
                !Set.of(
                                "exists",
                                "notExists",
                                "isRegularFile",
                                "isDirectory",
                                "isSymbolicLink",
                                "isReadable",
                                "isSameFile",
                                "size",
                                "list",
                                "walk",
                                "find",
                                "lines",
                                "readString",
                                "readAllBytes",
                                "readAllLines",
                                "readSymbolicLink",
                                "readAttributes",
                                "getAttribute",
                                "getFileStore",
                                "newInputStream",
                                "newBufferedReader",
                                "getLastModifiedTime",
                                "probeContentType")
                        .contains(member);
            case "java.nio.file.StandardOpenOption" -> !member.equals("READ");
            case "java.nio.channels.FileChannel", "java.nio.channels.SeekableByteChannel" ->
                Set.of("write", "truncate", "transferFrom", "map", "force").contains(member);
            case "java.io.FileOutputStream",
                    "java.io.FileWriter",
                    "java.io.RandomAccessFile",
                    "java.io.PrintWriter",
                    "java.lang.ProcessBuilder",
                    "java.lang.Runtime" -> true;
            case "java.io.File" -> !member.equals("toPath");
            default -> false;
        };
    }
}
