package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import kumite.files.Demo;
import kumite.verdict.Export;
import kumite.verdict.Rooms;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The documents say what is there: every command, export, package, link and demo. */
public class DocsTest {
  private static final Path ROOT = Path.of("..");

  private static String read(String file) throws Exception {
    return Files.readString(ROOT.resolve(file));
  }

  @Test
  public void theReadmeNamesEveryCommandAndExport() throws Exception {
    String readme = read("README.md");
    KumiteCommand.commandLine()
        .getSubcommands()
        .keySet()
        .forEach(command -> assertThat(readme).contains("./kumite " + command));
    for (Export export : Rooms.standard().exports()) {
      assertThat(readme).as(export.word()).contains(export.word());
      assertThat(read("docs/cli.md")).as(export.word()).contains("`" + export.word() + "`");
    }
  }

  /** Whatever is neither a file nor one of the launcher's own words goes to the command line. */
  @Test
  public void theLauncherPassesEveryCommandOn() throws Exception {
    Matcher word = Pattern.compile("(?m)^  ([a-z -]+)\\)$").matcher(read("kumite"));
    Set<String> own = new TreeSet<>();
    while (word.find()) {
      own.add(word.group(1));
    }
    assertThat(own).containsExactly("benchmarks", "demo", "test");
    assertThat(KumiteCommand.commandLine().getSubcommands().keySet())
        .doesNotContainAnyElementsOf(own)
        .allMatch(command -> command.matches("[a-z-]+"));
  }

  @DataProvider
  public Object[][] pages() throws Exception {
    try (Stream<Path> files = Files.walk(ROOT.resolve("docs"))) {
      List<Object[]> pages = new ArrayList<>();
      files
          .filter(file -> file.toString().endsWith(".md"))
          .map(file -> ROOT.relativize(file).toString())
          .sorted()
          .forEach(file -> pages.add(new Object[] {file}));
      for (String top : List.of("README.md", "CONTRIBUTING.md", "CHANGELOG.md")) {
        pages.add(new Object[] {top});
      }
      return pages.toArray(Object[][]::new);
    }
  }

  /** No page points to a file that is not there, and none to this or that machine. */
  @Test(dataProvider = "pages")
  public void everyLinkLeadsSomewhere(String page) throws Exception {
    Matcher link = Pattern.compile("\\]\\(([^)#\\s]+)(#[^)]*)?\\)").matcher(read(page));
    while (link.find()) {
      String to = link.group(1);
      if (!to.startsWith("http")) {
        Path target = ROOT.resolve(page).getParent().resolve(to).normalize();
        assertThat(target).as("%s in %s", to, page).exists();
      }
    }
    assertThat(read(page))
        .doesNotContain("/work/")
        .doesNotContain("/home/")
        .doesNotContain("/tmp/");
  }

  /** The table of packages in the architecture is the tree of the core. */
  @Test
  public void theArchitectureNamesEveryPackageOfTheCore() throws Exception {
    Set<String> there = new TreeSet<>();
    try (Stream<Path> folders = Files.list(ROOT.resolve("core/src/main/java/kumite"))) {
      folders
          .filter(Files::isDirectory)
          .forEach(folder -> there.add(folder.getFileName().toString()));
    }
    Set<String> named = new TreeSet<>();
    Matcher row = Pattern.compile("(?m)^\\| `([a-z]+)` \\|").matcher(read("docs/architecture.md"));
    while (row.find()) {
      named.add(row.group(1));
    }
    assertThat(named).isEqualTo(there);
  }

  /** Classes that the architecture sends a newcomer to are there. */
  @Test
  public void theArchitectureSendsToClassesThatAreThere() throws Exception {
    Set<String> classes = new HashSet<>();
    for (String module : List.of("core", "cli", "desktop")) {
      try (Stream<Path> files = Files.walk(ROOT.resolve(module + "/src/main/java"))) {
        files
            .filter(file -> file.toString().endsWith(".java"))
            .forEach(file -> classes.add(file.getFileName().toString().replace(".java", "")));
      }
    }
    Matcher row =
        Pattern.compile("(?m)^\\| `[a-z]+` \\|.*\\| ([^|]+) \\|$")
            .matcher(read("docs/architecture.md"));
    int rows = 0;
    while (row.find()) {
      rows++;
      Matcher name = Pattern.compile("`([A-Z][A-Za-z]+)`").matcher(row.group(1));
      while (name.find()) {
        assertThat(classes).contains(name.group(1));
      }
    }
    assertThat(rows).isGreaterThan(15);
  }

  /** Decisions are numbered without a gap, and each says what was decided and why. */
  @Test
  public void decisionsAreNumberedWithoutAGap() throws Exception {
    try (Stream<Path> files = Files.list(ROOT.resolve("docs/decisions"))) {
      List<Path> all = files.sorted().toList();
      for (int i = 0; i < all.size(); i++) {
        assertThat(all.get(i).getFileName().toString()).startsWith(String.format("%04d-", i + 1));
        assertThat(Files.readString(all.get(i))).startsWith("# ").hasSizeGreaterThan(300);
      }
    }
  }

  /** Every picture of a view is made anew by the application, and shown somewhere. */
  @Test
  public void everyPictureIsShown() throws Exception {
    String shown = read("README.md");
    StringBuilder making = new StringBuilder();
    try (Stream<Path> files = Files.walk(ROOT.resolve("desktop/src/main/java"))) {
      for (Path file :
          files.filter(f -> f.toString().matches(".*(StationRoom|Pictures)\\.java")).toList()) {
        making.append(Files.readString(file));
      }
    }
    String made = making.toString();
    try (Stream<Path> files = Files.list(ROOT.resolve("docs/screenshots"))) {
      List<String> names = files.map(f -> f.getFileName().toString()).toList();
      assertThat(names).hasSizeLessThan(20);
      for (String name : names) {
        assertThat(shown).as("%s is linked", name).contains("docs/screenshots/" + name);
        assertThat(made).as("%s is made", name).contains("\"" + name.replace(".png", "") + "\"");
      }
    }
  }

  /** The demos that ship are those in the folder. */
  @Test
  public void theDemosAreThoseOfTheFolder() throws Exception {
    try (Stream<Path> files = Files.list(ROOT.resolve("demo"))) {
      assertThat(
              files
                  .map(f -> f.getFileName().toString())
                  .filter(f -> f.endsWith(".kumite.json"))
                  .map(f -> f.replace(".kumite.json", "")))
          .containsExactlyInAnyOrderElementsOf(Demo.names());
    }
  }
}
