package kumite;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
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
      "name",
      "kind",
      "lead",
      "ringout",
      "component",
      "build",
      "finding",
      "brief",
      "parts",
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
      "verdict",
      "files",
      "sheet"
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
