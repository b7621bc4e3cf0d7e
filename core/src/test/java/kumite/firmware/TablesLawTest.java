package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.build.map.Profile;
import kumite.loom.Look;
import kumite.map.TargetText;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The tables say what the build says, in code, on the screen and as a script. */
public class TablesLawTest {
  private static final Pattern TABLE =
      Pattern.compile("(?s)const \\w+ (\\w+)\\[] ROM = \\{(.*?)};");
  private static final Pattern NAME = Pattern.compile("\\s+(\\w+) = (\\d+)");
  private static final Pattern LINE = Pattern.compile("(\\w+)\\[(\\d+)] = (\\w+)");

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 60).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Blueprint drawn(int seed) {
    return ProgrammableBuilds.draw(new SplittableRandom(9000 + seed));
  }

  /** The tables of a file of C, read by their text, names put for their numbers. */
  private static Map<String, List<String>> tables(Map<String, String> files) {
    Map<String, List<String>> tables = new HashMap<>();
    Matcher table = TABLE.matcher(files.get("core/device_tables.c"));
    while (table.find()) {
      String rows = table.group(2).replaceAll("(?s)/\\*.*?\\*/", "");
      tables.put(
          table.group(1),
          List.of(rows.strip().split("\\s*,\\s*")).stream().map(String::strip).toList());
    }
    return tables;
  }

  private static Map<String, Integer> numbers(Map<String, String> files) {
    Map<String, Integer> numbers = new HashMap<>();
    Matcher name = NAME.matcher(files.get("core/device_config.h"));
    while (name.find()) {
      assertThat(numbers.put(name.group(1), Integer.parseInt(name.group(2)))).isNull();
    }
    return numbers;
  }

  /** Every line of a trail stands so in the code, and leads to the build's terminal and meaning. */
  @Test(dataProvider = "seeds")
  public void aTrailLeadsFromTheRowToTheCode(int seed) {
    Blueprint blueprint = drawn(seed);
    Firmware firmware = Firmware.of(blueprint);
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    Map<String, List<String>> tables = tables(files);
    Map<String, Integer> numbers = numbers(files);
    List<Trail> trails = firmware.trails();
    assertThat(trails).hasSameSizeAs(blueprint.looks().all());
    for (int i = 0; i < trails.size(); i++) {
      Trail trail = trails.get(i);
      Look look = blueprint.looks().all().get(i);
      assertThat(trail.contact()).isEqualTo(look.contact());
      assertThat(numbers).containsEntry(trail.name(), i);
      for (Trail.Line line : trail.lines()) {
        Matcher code = LINE.matcher(line.code());
        assertThat(code.matches()).as(line.code()).isTrue();
        assertThat(tables.get(code.group(1)).get(Integer.parseInt(code.group(2))))
            .as(line.code())
            .isEqualTo(code.group(3));
      }
      int terminal = Integer.parseInt(tables.get("look_terminal").get(i));
      assertThat(firmware.score().terminals().get(terminal)).isEqualTo(look.read().name());
      Set<String> said = trail.lines().stream().map(Trail.Line::words).collect(Collectors.toSet());
      for (Profile profile : blueprint.profiles()) {
        profile
            .base()
            .of(look.contact().orElseThrow())
            .ifPresent(
                entry ->
                    assertThat(said)
                        .anyMatch(words -> words.startsWith(TargetText.of(entry.target()))));
      }
    }
  }

  /** Tables of one thing are of one length, and as long as the sizes say. */
  @Test(dataProvider = "seeds")
  public void tablesOfOneThingAreOfOneLength(int seed) {
    Score score = Firmware.of(drawn(seed)).score();
    Map<String, Integer> lengths =
        score.tables().stream().collect(Collectors.toMap(Table::name, t -> t.rows().size()));
    for (String prefix : List.of("look_", "travel_", "shape_", "pulse_", "repeat_", "axis_")) {
      Set<Integer> of = new HashSet<>();
      lengths.forEach(
          (name, rows) -> {
            if (name.startsWith(prefix)) {
              of.add(rows);
            }
          });
      assertThat(of).as(prefix).hasSizeLessThanOrEqualTo(1);
    }
    assertThat(lengths.get("look_kind")).isEqualTo(score.size("N_LOOKS"));
    assertThat(lengths.get("terminal_use")).isEqualTo(score.size("N_TERMINALS"));
    assertThat(lengths.get("profiles")).isEqualTo(21 * score.size("N_PROFILES"));
    assertThat(score.table("look_order").orElseThrow().rows().stream().map(Table.Row::value))
        .containsExactlyInAnyOrderElementsOf(
            IntStream.range(0, score.size("N_LOOKS")).boxed().toList());
    int bytes = score.tables().stream().mapToInt(t -> t.bytes(score.small())).sum();
    assertThat(score.tableBytes()).isEqualTo(bytes);
  }

  /** Whatever is left out of it, the script is one that an interpreter takes. */
  @Test
  public void everyScriptIsTaken() throws IOException {
    StringBuilder all = new StringBuilder();
    for (int seed = 0; seed < 60; seed++) {
      Firmware firmware = Firmware.of(drawn(seed));
      if (firmware.why(Firmware.Target.SCRIPT).isEmpty()) {
        Map<String, String> files = firmware.files(Firmware.Target.SCRIPT, List.of());
        Exported.writeOver("scripts/" + seed, files);
        all.append("scripts/" + seed + "/code.py scripts/" + seed + "/boot.py ");
      }
    }
    Path folder = Exported.writeOver("scripts/all", Map.of("names", all.toString()));
    Exported.run(
        folder.resolve("../.."),
        "",
        "sh",
        "-c",
        "python3 -c \"import ast; [ast.parse(open(f).read(), f)"
            + " for f in open('scripts/all/names').read().split()]\"");
  }

  /** The state that is counted is the state that the compiler lays out, byte for byte. */
  @Test
  public void theMemoryIsCountedAsTheCompilerLaysItOut() throws IOException {
    for (int seed = 0; seed < 12; seed++) {
      Firmware firmware = Firmware.of(drawn(seed));
      Path folder =
          Exported.write("ram-" + seed, firmware.files(Firmware.Target.PORTABLE, List.of()));
      String symbols =
          Exported.run(
              folder, "", "sh", "-c", "cd core && gcc -std=c99 -O0 -c *.c && nm -S --radix=d *.o");
      int bytes =
          symbols
              .lines()
              .map(line -> line.split("\\s+"))
              .filter(words -> words.length == 4 && words[2].matches("[bBdDC]"))
              .mapToInt(words -> Integer.parseInt(words[1]))
              .sum();
      // On 8-bit parts two small tables of constants lie there too.
      int constants =
          (firmware.score().size("USE_HATS") > 0 ? 9 : 0)
              + (firmware.score().size("N_PULSES") > 0 ? 4 : 0);
      assertThat(Footprint.most(firmware.score()).ramBytes() - constants)
          .as("seed " + seed + symbols)
          .isEqualTo(bytes);
    }
  }

  /** Whatever is typed for labels, names are different and plain. */
  @Test
  public void namesAreDifferentAndPlain() {
    SplittableRandom random = new SplittableRandom(17);
    int[][] ranges = {
      {' ', '~'}, {0xA0, 0x24F}, {0x370, 0x5FF}, {0x3040, 0x30FF}, {0x1F300, 0x1F6FF}
    };
    for (int round = 0; round < 200; round++) {
      Names names = new Names("CONTACT_");
      List<String> given = new ArrayList<>();
      for (int i = 0; i < 20; i++) {
        StringBuilder label = new StringBuilder();
        for (int c = random.nextInt(5); c > 0; c--) {
          int[] range = ranges[random.nextInt(ranges.length)];
          label.appendCodePoint(random.nextInt(range[0], range[1] + 1));
        }
        given.add(names.of(label.toString()));
        assertThat(Names.plain(label.toString())).matches("[ -~]*").doesNotContain("*/", "?");
      }
      assertThat(given).doesNotHaveDuplicates().allMatch(n -> n.matches("CONTACT_[A-Z0-9_]+"));
    }
  }

  /** The folder's chances are those of the workbench, split ones too. */
  @Test
  public void chancesAreTheSame() throws IOException {
    Blueprint blueprint = drawn(0);
    Path folder =
        Exported.write("chance", Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Exported.writeOver(
        "chance",
        Map.of(
            "chance.c",
            """
            #include <stdio.h>
            #include "host.h"
            int main(void) {
              for (long long seed = -3; seed < 40; seed++) {
                struct chance one = chance_of(seed * 7919 * 104729);
                for (int i = 1; i < 30; i++) {
                  struct chance other = chance_split(&one);
                  int below = (int)chance_below(&one, i * i);
                  int split = (int)chance_below(&other, 1 << (i % 30));
                  printf("%d %d %a ", below, split, chance_share(&one));
                }
                printf("\\n");
              }
              return 0;
            }
            """));
    Exported.run(
        folder, "", "sh", "-c", "gcc -std=c99 -Icore -Ihost -o chances chance.c host/chance.c");
    StringBuilder wanted = new StringBuilder();
    for (long seed = -3; seed < 40; seed++) {
      SplittableRandom one = new SplittableRandom(seed * 7919 * 104729);
      for (int i = 1; i < 30; i++) {
        SplittableRandom other = one.split();
        wanted.append(one.nextInt(i * i)).append(' ').append(other.nextInt(1 << (i % 30)));
        wanted.append(' ').append(one.nextDouble()).append(' ');
      }
      wanted.append('\n');
    }
    StringBuilder given = new StringBuilder();
    for (String line : Exported.run(folder, "", "./chances").split("\n")) {
      for (String word : line.strip().split(" ")) {
        given.append(word.contains("x") ? Double.toString(Double.parseDouble(word)) : word);
        given.append(' ');
      }
      given.append('\n');
    }
    assertThat(given.toString()).isEqualTo(wanted.toString());
  }

  /** What a program holds and leaves out is everything it can do, each once. */
  @Test(dataProvider = "seeds")
  public void contentsAreWhole(int seed) {
    Blueprint blueprint = drawn(seed);
    Contents contents = Firmware.of(blueprint).contents();
    assertThat(contents.holds().size() + contents.leaves().size()).isEqualTo(24);
    int looks = blueprint.looks().all().size();
    assertThat(contents.holds()).contains(looks + (looks == 1 ? " contact" : " contacts"));
    boolean chords = blueprint.profiles().stream().anyMatch(p -> !p.chords().isEmpty());
    assertThat(contents.leaves().contains("chords")).isEqualTo(!chords);
    Set<ContactId> measured = new HashSet<>();
    blueprint.looks().all().stream()
        .filter(look -> look.measured() && !(look.how() instanceof Look.Step))
        .forEach(look -> measured.add(look.contact().orElseThrow()));
    assertThat(contents.leaves().contains("measured travels")).isEqualTo(measured.isEmpty());
  }
}
