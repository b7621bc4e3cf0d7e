package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.Builds;
import kumite.RandomBuilds;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.map.Mapping;
import kumite.build.map.Target;
import kumite.build.port.Port;
import kumite.measure.Placement;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * A radio board's reports go over the HID service: a stand-in of a host puts them together again
 * from notifications and references, and they are those of the simulation, byte for byte.
 */
public class RadioTest {
  @DataProvider(parallel = true)
  public Object[][] seeds() {
    return IntStream.range(0, 10).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Build onRadio(Build build) {
    Build next = build;
    for (Port port : build.ports().ports()) {
      next = next.without(port.id());
    }
    return next.withBoard(Optional.of(new BoardChoice("radio-3v3-21", Placement.at(40, 40))));
  }

  @Test(dataProvider = "seeds")
  public void whatIsNotifiedAreTheReportsOfTheSimulation(int seed) throws IOException {
    SplittableRandom random = new SplittableRandom(7_000 + seed);
    Optional<Blueprint> blueprint = Optional.empty();
    while (blueprint.isEmpty()) {
      blueprint =
          Exported.blueprint(onRadio(RandomBuilds.layered(RandomBuilds.any(random), random)))
              .filter(b -> b.inputs().dead().isEmpty())
              .filter(b -> RadioSource.why(b).isEmpty());
    }
    Firmware firmware = Firmware.of(blueprint.get());
    Map<String, String> files = firmware.files(Firmware.Target.PORTABLE, List.of());
    assertThat(files).containsKeys("radio/radio.h", "radio/service.c", "radio/radio_config.h");
    assertThat(files.get("README.txt")).contains("Join it to a host", "never solder to a cell");
    Path folder = Exported.write("radio-" + seed, files);
    List<Exported.Play> plays = Exported.plays(blueprint.get(), 30, random);
    String lines = plays.stream().map(Exported.Play::line).collect(Collectors.joining());
    String given = Targets.portable(folder, lines, seed < 2);
    assertThat(Exported.difference(plays, given)).isEmpty();
  }

  /** What a value of the table cannot hold is refused with the way out, not cut. */
  @Test
  public void aReportMapTooLargeIsRefused() {
    Build build =
        onRadio(Builds.buttons(30, 30, 75, 30, 120, 30, 165, 30, 210, 30, 255, 30, 300, 30));
    Mapping mapping = Mapping.EMPTY;
    int pad = 1;
    for (ContactId contact :
        List.of("b1", "b2", "b3", "b4", "b5", "b6", "b7").stream().map(ContactId::parse).toList()) {
      mapping =
          mapping.with(
              contact, new Mapping.Entry(new Target.OnPad(++pad, new Target.Button(128)), ""));
    }
    Mapping wide = mapping;
    Blueprint blueprint =
        Exported.blueprint(build.withProfile(p -> p.withBase(wide))).orElseThrow();
    int bytes = blueprint.layout(blueprint.profiles().get(0)).descriptor().length;
    Firmware firmware = Firmware.of(blueprint);
    if (bytes > RadioSource.MOST_VALUE) {
      assertThatThrownBy(() -> firmware.files(Firmware.Target.PORTABLE, List.of()))
          .hasMessageContaining("report map")
          .hasMessageContaining("512");
    } else {
      assertThat(firmware.files(Firmware.Target.PORTABLE, List.of())).isNotEmpty();
      assertThat(bytes).isPositive();
    }
    assertThat(RadioSource.longest(blueprint)).isEqualTo(16);
  }
}
