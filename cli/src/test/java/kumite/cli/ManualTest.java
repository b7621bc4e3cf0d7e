package kumite.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import picocli.CommandLine;

/** The manual is run: its examples work as written, and it names every option there is. */
public class ManualTest {

  private static String manual() throws Exception {
    return Files.readString(Path.of("../docs/cli.md"));
  }

  @DataProvider
  Object[][] examples() throws Exception {
    String text = manual();
    String block = text.substring(text.indexOf("## EXAMPLES"));
    return block
        .lines()
        .filter(line -> line.startsWith("kumite "))
        .map(line -> new Object[] {line})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "examples")
  public void everyExampleRuns(String example) {
    List<String> words = new ArrayList<>();
    Matcher match =
        Pattern.compile("\"([^\"]*)\"|(\\S+)").matcher(example.substring("kumite ".length()));
    while (match.find()) {
      String word = match.group(1) != null ? match.group(1) : match.group(2);
      words.add(word.startsWith("demo/") ? "../" + word : word);
    }
    StringWriter out = new StringWriter();
    CommandLine line = KumiteCommand.commandLine();
    line.setOut(new PrintWriter(out, true));
    int exit = line.execute(words.toArray(String[]::new));
    assertThat(exit).as(example).isIn(0, 1);
    assertThat(out.toString()).as(example).isNotBlank();
  }

  @Test
  public void everyCommandAndOptionIsInTheManual() throws Exception {
    String text = manual();
    List<String> missing = new ArrayList<>();
    collect(KumiteCommand.commandLine(), text, missing);
    assertThat(missing).isEmpty();
  }

  private static void collect(CommandLine line, String text, List<String> missing) {
    line.getSubcommands()
        .forEach(
            (name, sub) -> {
              if (!text.contains(name)) {
                missing.add(name);
              }
              sub.getCommandSpec().options().stream()
                  .map(option -> option.longestName())
                  .filter(option -> !option.equals("--help") && !option.equals("--version"))
                  .filter(option -> !text.contains(option))
                  .forEach(option -> missing.add(name + " " + option));
              collect(sub, text, missing);
            });
  }

  @Test
  public void theWorkbenchWithoutACommandIsExplained() {
    StringWriter out = new StringWriter();
    CommandLine line = KumiteCommand.commandLine();
    line.setOut(new PrintWriter(out, true));
    assertThat(line.execute()).isZero();
    assertThat(out.toString()).contains("the workbench opens").contains("Exit codes");
  }
}
