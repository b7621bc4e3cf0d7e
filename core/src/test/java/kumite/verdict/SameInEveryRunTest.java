package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.files.BuildFile;
import kumite.files.Tables;
import kumite.finding.Finding;
import kumite.lead.RandomLeads;
import kumite.parts.Catalogue;
import org.testng.annotations.Test;

/**
 * One build has one verdict, in every run of the machine: sets of the platform's own have another
 * order in each (Javadoc of {@code java.util.Set}: "iteration order ... is unspecified and is
 * subject to change").
 */
public class SameInEveryRunTest {
  private static final int BUILDS = 6;

  /** A set of two has one of two orders, by chance: all alike by chance in one run of 8. */
  private static final int MACHINES = 4;

  /** What is said of builds, to be compared between two machines. */
  public static void main(String[] args) {
    StringBuilder said = new StringBuilder();
    for (int seed = 0; seed < BUILDS; seed++) {
      SplittableRandom random = new SplittableRandom(seed * 6_151L);
      Build build = RandomBuilds.layered(RandomBuilds.any(random), random);
      build = seed % 2 == 0 ? RandomBuilds.seated(build, random) : build;
      build = build.withLeads(RandomLeads.book(build, random));
      Bench bench = Bench.of(build, Catalogue.standard());
      for (Finding finding : bench.findings()) {
        said.append(finding.code())
            .append(finding.named())
            .append(finding.title())
            .append(finding.detail())
            .append('\n');
      }
      said.append(BuildFile.text(build)).append(Tables.wiring(bench)).append(Tables.drill(bench));
      bench.wiring().ifPresent(wiring -> said.append(Tables.netlist(wiring)));
    }
    System.out.writeBytes(said.toString().getBytes(StandardCharsets.UTF_8));
    System.out.flush();
  }

  private static Process machine(Path into) throws Exception {
    String classes =
        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path"));
    List<String> command = new ArrayList<>();
    command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    command.addAll(List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-cp", classes));
    command.add(SameInEveryRunTest.class.getName());
    return new ProcessBuilder(command)
        .redirectOutput(into.toFile())
        .redirectError(new File(into + ".err"))
        .start();
  }

  @Test(timeOut = 300_000)
  public void allMachinesSayTheSame() throws Exception {
    Path folder = Files.createTempDirectory("machines");
    List<Path> files = new ArrayList<>();
    List<Process> machines = new ArrayList<>();
    for (int i = 0; i < MACHINES; i++) {
      files.add(folder.resolve("machine" + i));
      machines.add(machine(files.get(i)));
    }
    for (Process machine : machines) {
      assertThat(machine.waitFor(240, TimeUnit.SECONDS)).isTrue();
      assertThat(machine.exitValue()).isZero();
    }
    String one = Files.readString(files.get(0));
    assertThat(one).hasSizeGreaterThan(10_000).contains("LD-", "LM-", "PN-");
    for (Path file : files) {
      assertThat(Files.readString(file)).isEqualTo(one);
    }
  }
}
