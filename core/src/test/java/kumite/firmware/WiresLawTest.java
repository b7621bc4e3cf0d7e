package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.build.loom.Topology;
import kumite.circuit.Seen;
import kumite.loom.ContactSite;
import kumite.loom.Look;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The wires in an exported folder are those of the workbench: whatever hands hold and whatever was
 * spoiled, each look reads the same, to the last code.
 */
public class WiresLawTest {
  private static final int HANDS = 80;

  @DataProvider(parallel = true)
  public Object[][] builds() {
    List<Object[]> all = new ArrayList<>();
    SplittableRandom random = new SplittableRandom(31);
    for (Topology way : Topology.CHOSEN) {
      Build build = RandomBuilds.sharing(way, random.nextInt(3, 20), random);
      for (int spoilt = 0; spoilt < 2; spoilt++) {
        Build wired = spoilt == 0 ? build : RandomBuilds.spoiled(build, random);
        Exported.blueprint(wired)
            .filter(b -> b.inputs().dead().isEmpty())
            .ifPresent(b -> all.add(new Object[] {way + (wired == build ? "" : " spoilt"), b}));
      }
    }
    for (int i = 0; i < 4; i++) { // pads that talk in frames, keyboards too
      Exported.blueprint(FramedBuilds.draw(random))
          .filter(b -> b.inputs().dead().isEmpty())
          .ifPresent(b -> all.add(new Object[] {"framed " + all.size(), b}));
    }
    for (int i = 0; i < 2; i++) { // USB pads
      Exported.blueprint(FramedBuilds.hosted(random))
          .filter(b -> b.inputs().dead().isEmpty())
          .ifPresent(b -> all.add(new Object[] {"hosted " + all.size(), b}));
    }
    IntStream.range(0, 4)
        .mapToObj(i -> ProgrammableBuilds.draw(random))
        .filter(b -> b.inputs().dead().isEmpty())
        .forEach(b -> all.add(new Object[] {"drawn " + all.size(), b}));
    return all.toArray(Object[][]::new);
  }

  @Test(dataProvider = "builds")
  public void everyLookReadsTheSame(String name, Blueprint blueprint) throws IOException {
    Path folder =
        Exported.write(
            "wires-" + name.replace(' ', '-'),
            Firmware.of(blueprint).files(Firmware.Target.PORTABLE, List.of()));
    Targets.standIn(folder, "wires", "wires.c");
    Exported.run(
        folder,
        "",
        "sh",
        "-c",
        Exported.QUICK
            + " -Icore -Ihost -o wired core/*.c host/world.c host/pads.c host/keyboard.c host/told_pad.c"
            + " host/ways.c host/solve.c host/world_tables.c wires/wires.c -lm");
    SplittableRandom random = new SplittableRandom(name.hashCode());
    StringBuilder lines = new StringBuilder();
    StringBuilder wanted = new StringBuilder();
    for (int i = 0; i < HANDS; i++) {
      Map<ContactId, Double> hands = hands(blueprint, i, random);
      for (ContactSite site : blueprint.loom().sites()) {
        lines.append(hands.get(site.id())).append(' ');
      }
      lines.append('\n');
      wanted.append(read(blueprint, hands)).append('\n');
    }
    assertThat(Exported.run(folder, lines.toString(), "./wired")).isEqualTo(wanted.toString());
  }

  /** Nothing, everything, halves and quarters, where a code lies on an edge, and chance. */
  private static Map<ContactId, Double> hands(
      Blueprint blueprint, int round, SplittableRandom random) {
    Map<ContactId, Double> hands = new TreeMap<>();
    int share = random.nextInt(1, 6);
    for (ContactSite site : blueprint.loom().sites()) {
      double travel =
          round < 5
              ? round / 4.0
              : random.nextInt(share) > 0
                  ? 0
                  : site.contact().type().analog()
                      ? random.nextBoolean() ? random.nextInt(9) / 8.0 : random.nextDouble()
                      : 1;
      hands.put(site.id(), travel);
    }
    return hands;
  }

  private static String read(Blueprint blueprint, Map<ContactId, Double> hands) {
    Map<Look, Seen> seen = blueprint.inputs().see(c -> hands.getOrDefault(c, 0.0));
    StringBuilder levels = new StringBuilder();
    StringBuilder codes = new StringBuilder();
    for (Look look : blueprint.looks().all()) {
      boolean travels = look.measured() && !(look.how() instanceof Look.Step);
      levels.append(!travels && seen.get(look).pressed() ? '1' : '0');
      codes.append(travels ? " " + seen.get(look).code() : "");
    }
    return levels.append(codes).toString();
  }
}
