package kumite.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The worked examples of docs/semantics.md, each worked by hand there, run as they are written. */
public class SemanticsTest {

  @DataProvider
  public Object[][] examples() throws Exception {
    List<Object[]> examples = new ArrayList<>();
    List<String> block = null;
    String said = "";
    for (String line : Files.readAllLines(Path.of("../docs/semantics.md"))) {
      if (line.startsWith("```example")) {
        block = new ArrayList<>();
      } else if (line.startsWith("```")) {
        examples.add(new Object[] {said, block});
        block = null;
      } else if (block != null) {
        block.add(line);
      } else if (!line.isBlank()) {
        said = line;
      }
    }
    assertThat(examples).hasSizeGreaterThan(15);
    return examples.toArray(Object[][]::new);
  }

  @Test(dataProvider = "examples")
  public void theExampleRunsAsWritten(String said, List<String> block) {
    Example example = Example.parse(block);
    toldAsWritten(said, example, example.run());
  }

  /** Holds what was sent against what the page says. */
  static void toldAsWritten(String said, Example example, List<Example.Sent> sent) {
    List<String> told = new ArrayList<>();
    List<String> reports = new ArrayList<>();
    for (String line : example.expected) {
      if (line.startsWith("report")) {
        reports.add(line);
      } else if (line.startsWith("axis")) {
        String[] words = line.split(" ");
        double ms = Double.parseDouble(words[1]);
        int last =
            sent.stream()
                .filter(s -> s.ms() <= ms)
                .mapToInt(s -> s.axes().values().iterator().next())
                .reduce((a, b) -> b)
                .orElseThrow();
        assertThat(last).as("%s: %s", said, line).isEqualTo(Integer.parseInt(words[2]));
      } else {
        int moved = sent.stream().mapToInt(s -> s.axes().get("Axis X")).sum();
        assertThat(moved).as(said).isEqualTo(Integer.parseInt(line.split(" ")[1]));
      }
    }
    if (!reports.isEmpty()) {
      for (Example.Sent one : sent) {
        List<String> words = new ArrayList<>(one.on());
        one.axes().forEach((axis, value) -> words.add(axis + " " + value));
        told.add(
            String.format(
                Locale.ROOT,
                "report %s %s",
                one.ms(),
                words.isEmpty() ? "-" : String.join(", ", words)));
      }
      assertThat(told).as(said).isEqualTo(reports);
    }
  }
}
