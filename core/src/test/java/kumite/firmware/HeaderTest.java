package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.device.Senses;
import kumite.finding.Finding;
import kumite.hid.KeyNames;
import kumite.hid.MediaNames;
import kumite.hid.Usage;
import kumite.map.MapCode;
import kumite.map.Proposal;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.timing.Delay;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A computer's own header: its reader tells the system of the same keys as the simulation, over the
 * system's own calls, played by thin stand-ins; no report is invented for it.
 */
public class HeaderTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final String BOARD = "header-40";

  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 12).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Build keyed(Build any) {
    Build build =
        any.withBoard(Optional.of(new BoardChoice(BOARD, Placement.at(40, 40))))
            .withProfile(
                p -> p.withBase(Mapping.EMPTY).withLayers(List.of()).withChords(List.of()));
    Build mapped = build.withMapping(Proposal.rest(build, CATALOGUE.with(build)));
    for (Map.Entry<ContactId, Mapping.Entry> entry : mapped.mapping().entries().entrySet()) {
      assertThat(entry.getValue().target())
          .as("%s is offered a key", entry.getKey())
          .isInstanceOf(Target.Key.class);
    }
    return mapped;
  }

  @Test(dataProvider = "seeds")
  public void theReaderTellsTheKeysOfTheSimulation(int seed) throws IOException {
    SplittableRandom random = new SplittableRandom(9_000 + seed);
    Optional<Blueprint> blueprint = Optional.empty();
    while (blueprint.isEmpty()) {
      Build build = keyed(RandomBuilds.any(random));
      build = random.nextBoolean() ? RandomBuilds.layered(build, random) : build;
      blueprint = Exported.blueprint(build);
    }
    Firmware firmware = Firmware.of(blueprint.get());
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    Path folder = Exported.write("header-" + seed, files);
    List<Exported.Play> plays = Exported.plays(blueprint.get(), 30, random);
    String lines = plays.stream().map(Exported.Play::line).collect(Collectors.joining());
    String given = Targets.portable(folder, lines, seed < 2);
    if (blueprint.get().inputs().dead().isPresent()) {
      assertThat(given).contains("a supply is shorted");
    } else {
      assertThat(Exported.difference(plays, given)).isEmpty();
    }
    if (seed < 2) {
      Exported.run(folder, "", "make", "-s", "key-reader", "OPTIMISE=-O0");
    }
    // Nothing that goes over USB: no word of a descriptor but the empty one.
    assertThat(files.get("core/device_tables.c"))
        .containsPattern("descriptors\\[\\] ROM = \\{\\s*0");
    assertThat(files).containsKey("keys.txt");
    for (String line : files.get("keys.txt").lines().toList()) {
      assertThat(line)
          .matches("|#.*|line \\S+ \\d+ \\S+ \\S+ \\S+ \\S+|key 0x.. 0x..(..)? \\d+ KEY_\\S+");
    }
  }

  /**
   * Keys are down when what is held says so: worked out by hand from the base, for plain buttons.
   */
  @Test
  public void eachButtonTypesItsKey() throws IOException {
    Build build = keyed(Builds.buttons(30, 30, 75, 30, 120, 30));
    Blueprint blueprint = Exported.blueprint(build).orElseThrow();
    Path folder =
        Exported.write(
            "header-plain", Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.quick(folder);
    String told = Exported.run(folder, "1 b2@5+60ms b1@20+60ms\n", "./device-host", "--each-line");
    // A and B have the codes 30 and 48 in every such system's table of keys.
    assertThat(told.lines().filter(l -> !l.isEmpty()).map(l -> l.replaceFirst("^\\d+ ", "")))
        .containsExactly("key 48 down", "key 30 down", "key 48 up", "key 30 up");
  }

  /** The table of codes is that of the kernel's own header, which the compiler asks for. */
  @Test
  public void codesAreThoseOfTheSystem() throws IOException {
    StringBuilder c = new StringBuilder("#include <linux/input.h>\n");
    Set<String> names = new TreeSet<>();
    Firmware.template("header/codes.txt")
        .lines()
        .filter(l -> !l.startsWith("#"))
        .map(l -> l.split(" "))
        .forEach(
            w -> {
              names.add(w[2]);
              c.append("_Static_assert(" + w[2] + " == " + w[3] + ", \"" + w[2] + "\");\n");
            });
    assertThat(names.size()).isGreaterThan(110);
    Path folder = Exported.write("codes", Map.of("codes.c", c.toString()));
    Exported.run(folder, "", "gcc", "-std=c11", "-c", "-o", "codes.o", "codes.c");
    for (int usage : KeyNames.all().keySet()) {
      assertThat(SystemKeys.of(new Usage(Usage.KEYBOARD, usage)))
          .as("key %s", KeyNames.of(usage))
          .isPresent();
    }
    for (int usage : MediaNames.all().keySet()) {
      assertThat(SystemKeys.of(new Usage(Usage.CONSUMER, usage)))
          .as("media %s", MediaNames.of(usage))
          .isPresent();
    }
  }

  @DataProvider
  Object[][] tables() {
    return new Object[][] {
      {"line H13", "row 1"},
      {"# nothing\nkey 7", "row 2"},
      {"line H13 many up low KEY_A b1", "row 1"},
      {"line H13 13", "has no row \"line "},
      {"", "has no row \"line "},
      {"key 0x07 0x04 99999 KEY_A", "row 1"},
      {"\u0001\u0002 x y", "row 1"}
    };
  }

  /** A broken table is refused with the row or with what is missing, and nothing is told. */
  @Test(dataProvider = "tables")
  public void aBrokenTableIsNamed(String table, String word) throws IOException {
    Build build = keyed(Builds.buttons(30, 30, 75, 30));
    Blueprint blueprint = Exported.blueprint(build).orElseThrow();
    Path folder =
        Exported.write(
            "header-bad-" + Integer.toHexString(table.hashCode()),
            Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.quick(folder);
    Files.writeString(folder.resolve("keys.txt"), table + "\n");
    assertThatThrownBy(() -> Exported.run(folder, "1 b1@5+60ms\n", "./device-host", "--each-line"))
        .hasMessageContaining("(2)")
        .hasMessageContaining("keys.txt")
        .hasMessageContaining(word);
  }

  /** Two terminals are never one line, even where a table says so. */
  @Test
  public void twoTerminalsAreNotOneLine() throws IOException {
    Build build = keyed(Builds.buttons(30, 30, 75, 30));
    Blueprint blueprint = Exported.blueprint(build).orElseThrow();
    Map<String, String> files = Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of());
    Path folder = Exported.write("header-twice", files);
    Targets.quick(folder);
    Files.writeString(
        folder.resolve("keys.txt"), files.get("keys.txt").replaceAll("(line \\S+) \\d+", "$1 5"));
    assertThatThrownBy(() -> Exported.run(folder, "1 b1@5+60ms\n", "./device-host", "--each-line"))
        .hasMessageContaining("one line");
  }

  /** What is no key is told, all of it, and its fix gives keys that nothing else gives. */
  @Test(dataProvider = "seeds")
  public void whatIsNoKeyIsTold(int seed) {
    SplittableRandom random = new SplittableRandom(400 + seed);
    Build build =
        RandomBuilds.layered(RandomBuilds.any(random), random)
            .withBoard(Optional.of(new BoardChoice(BOARD, Placement.at(40, 40))))
            .withSeat(seat -> seat.withProfiles(seat.profiles().subList(0, 1)));
    Bench bench = Bench.of(build, CATALOGUE);
    Set<ContactId> lost = new TreeSet<>();
    Set<ContactId> switches =
        bench.loom().sites().stream()
            .filter(s -> !s.contact().type().analog())
            .map(s -> s.id())
            .collect(Collectors.toSet());
    var profile = bench.build().profile();
    profile
        .mappings()
        .forEach(
            m ->
                m.entries()
                    .forEach(
                        (contact, entry) -> {
                          if (!Senses.isKey(entry.target()) && switches.contains(contact)) {
                            lost.add(contact);
                          }
                        }));
    profile.chords().stream()
        .filter(c -> !Senses.isKey(c.entry().target()))
        .filter(c -> c.contacts().stream().anyMatch(switches::contains))
        .forEach(c -> lost.addAll(c.contacts()));
    List<Finding> told =
        bench.findings().stream().filter(f -> f.code() == MapCode.KEYS_ONLY).toList();
    assertThat(told).hasSize(lost.isEmpty() ? 0 : 1);
    told.forEach(
        f -> assertThat(f.named()).containsAll(lost.stream().map(Object::toString).toList()));
    for (Finding finding : told) {
      finding
          .fix()
          .ifPresent(
              fix -> {
                Bench mended = bench.next(fix.edit().apply(bench.build()));
                assertThat(mended.findings()).noneMatch(f -> f.code() == MapCode.KEYS_ONLY);
              });
    }
  }

  /** The host wakes its reader and takes its keys: no report is waited for, no radio slot. */
  @Test
  public void theDelayHasPartsOfItsOwn() {
    Build build = keyed(Builds.buttons(30, 30));
    Bench bench = Bench.of(build, CATALOGUE);
    List<Delay.Kind> kinds =
        bench.paths().get(0).delay().parts().stream().map(Delay.Part::kind).toList();
    assertThat(kinds)
        .containsExactly(
            Delay.Kind.SCAN, Delay.Kind.DEBOUNCE, Delay.Kind.WAKE, Delay.Kind.HAND_OVER);
    assertThat(bench.layout().reportIds()).containsExactly(0);
    assertThat(bench.layout().fields()).isEmpty();
    for (Firmware.Target target : List.of(Firmware.Target.SKETCH, Firmware.Target.SCRIPT)) {
      assertThat(bench.firmware().why(target).orElseThrow()).contains("is the host itself");
    }
  }
}
