package kumite;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.NullMarked;
import org.testng.annotations.Test;

/** Dependencies of the core point one way; it has no interface, no clock and no network. */
public class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("kumite");

  @Test
  public void packagesHaveNoCycles() {
    slices().matching("kumite.(*)..").should().beFreeOfCycles().check(CORE);
  }

  @Test
  public void packagesDependDownward() {
    String[] order = {
      "json",
      "table",
      "working",
      "measure",
      "codec",
      "name",
      "kind",
      "lead",
      "ringout",
      "component",
      "signal",
      "build",
      "finding",
      "parts",
      "room",
      "brief",
      "hid",
      "map",
      "panel",
      "power",
      "loom",
      "wiring",
      "circuit",
      "timing",
      "program",
      "device",
      "firmware",
      "meaning",
      "leads",
      "ports",
      "plan",
      "bill",
      "bringup",
      "supply",
      "verdict",
      "files",
      "sheet",
      "station"
    };
    var layers = layeredArchitecture().consideringOnlyDependenciesInLayers();
    for (String name : order) {
      layers = layers.layer(name).definedBy("kumite." + name + "..");
    }
    for (int i = 0; i < order.length; i++) {
      String[] above = java.util.Arrays.copyOfRange(order, i + 1, order.length);
      layers =
          above.length == 0
              ? layers.whereLayer(order[i]).mayNotBeAccessedByAnyLayer()
              : layers.whereLayer(order[i]).mayOnlyBeAccessedByLayers(above);
    }
    layers.check(CORE);
  }

  /** What may be null says so; all else never is. */
  @Test
  public void everyPackageSaysThatNothingIsNull() {
    com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes()
        .that()
        .haveSimpleName("package-info")
        .should()
        .beAnnotatedWith(NullMarked.class)
        .check(CORE);
    Set<String> packages =
        CORE.stream().map(JavaClass::getPackageName).collect(Collectors.toCollection(TreeSet::new));
    CORE.stream()
        .filter(type -> type.getSimpleName().equals("package-info"))
        .forEach(type -> packages.remove(type.getPackageName()));
    assertThat(packages).as("packages that say nothing of themselves").isEmpty();
  }

  /**
   * What one station decided knows no other station's, but who plays what on what, and for whom.
   */
  @Test
  public void theRoomsOfABuildKnowOneAnotherOneWay() {
    slices().matching("kumite.build.(*)..").should().beFreeOfCycles().check(CORE);
    Map<String, List<String>> may =
        Map.of(
            "brief", List.of("panel"),
            "panel", List.of(),
            "loom", List.of(),
            "map", List.of("brief"),
            "lead", List.of(),
            "port", List.of("map"),
            "plan", List.of("panel"),
            "bringup", List.of());
    may.forEach(
        (room, others) -> {
          String[] not =
              may.keySet().stream()
                  .filter(other -> !other.equals(room) && !others.contains(other))
                  .map(other -> "kumite.build." + other + "..")
                  .toArray(String[]::new);
          noClasses()
              .that()
              .resideInAPackage("kumite.build." + room + "..")
              .should()
              .dependOnClassesThat()
              .resideInAnyPackage(not)
              .check(CORE);
        });
  }

  /** Rooms are found as services, so nothing but themselves names them. */
  @Test
  public void nothingNamesARoom() {
    noClasses()
        .that()
        .resideOutsideOfPackage("kumite.station..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("kumite.station..")
        .check(CORE);
  }

  /** Chance comes from a seed that is handed in; the hour too. */
  @Test
  public void theCoreHasNoClockAndNoChanceOfItsOwn() {
    noClasses()
        .should()
        .callMethod(Math.class, "random")
        .orShould()
        .callConstructor(java.util.Random.class)
        .orShould()
        .callConstructor(java.util.SplittableRandom.class)
        .orShould()
        .callMethod(java.util.Collections.class, "shuffle", List.class)
        .orShould()
        .callMethod(java.util.UUID.class, "randomUUID")
        .orShould()
        .dependOnClassesThat()
        .belongToAnyOf(java.util.concurrent.ThreadLocalRandom.class, java.time.Clock.class)
        .orShould()
        .callMethod(java.time.Instant.class, "now")
        .orShould()
        .callMethod(java.time.LocalDateTime.class, "now")
        .check(CORE);
  }

  @Test
  public void theCoreHasNoInterfaceNoClockAndNoNetwork() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..", "java.net..")
        .orShould()
        .callMethod(System.class, "currentTimeMillis")
        .orShould()
        .callMethod(System.class, "nanoTime")
        .orShould()
        .callMethod(java.time.LocalDate.class, "now")
        .check(CORE);
  }
}
