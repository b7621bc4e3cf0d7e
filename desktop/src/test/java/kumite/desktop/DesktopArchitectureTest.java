package kumite.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** The shell knows no station, no station knows another, and none is named but as a service. */
public class DesktopArchitectureTest {
  private static final JavaClasses DESKTOP =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("kumite.desktop");

  private static final String[] STATIONS = {
    "brief", "panel", "loom", "power", "map", "leads", "log"
  };

  @Test
  public void packagesHaveNoCycles() {
    slices().matching("kumite.desktop.(*)..").should().beFreeOfCycles().check(DESKTOP);
  }

  @Test
  public void noStationIsNamedFromOutside() {
    for (String station : STATIONS) {
      noClasses()
          .that()
          .resideOutsideOfPackage("kumite.desktop." + station)
          .should()
          .dependOnClassesThat()
          .resideInAPackage("kumite.desktop." + station)
          .check(DESKTOP);
    }
  }

  @Test
  public void fieldsAndPlansKnowNoWorkbench() {
    noClasses()
        .that()
        .resideInAnyPackage("kumite.desktop.field", "kumite.desktop.plan")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("kumite.desktop.shell")
        .check(DESKTOP);
  }
}
