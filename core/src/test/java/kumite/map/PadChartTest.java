package kumite.map;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import kumite.build.brief.Host;
import kumite.build.map.AxisName;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.name.ContactId;
import kumite.name.ControlId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PadChartTest {
  /**
   * The grammar of a mapping line of the controller database (SDL, comment in its public header,
   * from memory): 32 hexadecimal digits, a name, then key:source pairs, each ended by a comma;
   * sources are b and a number, a and a number, or h, a number, a point and a mask.
   */
  private static final Pattern LINE =
      Pattern.compile("[0-9a-f]{32},[^,]+,((?:[a-z0-9]+:[^,:]+,)*)platform:[A-Za-z ]+,");

  private static final Pattern SOURCE = Pattern.compile("b(\\d+)|a(\\d+)|h(\\d+)\\.(1|2|4|8)");

  private static final Set<String> KEYS =
      Set.of(
          "a",
          "b",
          "x",
          "y",
          "back",
          "start",
          "guide",
          "leftshoulder",
          "rightshoulder",
          "leftstick",
          "rightstick",
          "dpup",
          "dpdown",
          "dpleft",
          "dpright",
          "leftx",
          "lefty",
          "rightx",
          "righty",
          "lefttrigger",
          "righttrigger",
          "misc1",
          "paddle1",
          "paddle2",
          "paddle3",
          "paddle4");

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 80).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Profile any(SplittableRandom random) {
    Mapping mapping = Mapping.EMPTY;
    for (int i = random.nextInt(1, 25); i > 0; i--) {
      Target target =
          switch (random.nextInt(5)) {
            case 0 -> new Target.Hat(Target.Direction.values()[random.nextInt(4)]);
            case 1 -> new Target.Axis(AxisName.values()[random.nextInt(8)]);
            case 2 -> new Target.AxisEnd(AxisName.values()[random.nextInt(8)], true);
            case 3 -> new Target.OnPad(2, new Target.Button(random.nextInt(1, 9)));
            default -> new Target.Button(random.nextInt(1, 20));
          };
      mapping =
          mapping.with(
              new ContactId(new ControlId("c" + i), ""), new Mapping.Entry(target, "F" + i));
    }
    return Profile.empty("Any, odd", Host.COMPUTER).withBase(mapping);
  }

  /**
   * Any profile gives a line of that grammar, each key once, each source where the report has it.
   */
  @Test(dataProvider = "seeds")
  public void theMappingLineKeepsToItsGrammar(int seed) {
    Profile profile = any(new SplittableRandom(seed));
    ReportLayout layout =
        ReportLayout.of(profile.entries().map(Mapping.Entry::target).toList(), Map.of(), 1023);
    String line = PadChart.of(profile).line("Desk, odd", layout);
    Matcher whole = LINE.matcher(line);
    assertThat(whole.matches()).as(line).isTrue();
    Set<String> seen = new HashSet<>();
    List<InputField> axes = new ArrayList<>();
    int pad = layout.fieldOf(new Target.Button(1)).map(InputField::reportId).orElse(-1);
    layout.fields().stream()
        .filter(f -> f.usage().page() == 1 && f.usage().id() >= 0x30 && f.usage().id() <= 0x37)
        .forEach(axes::add);
    for (String pair : whole.group(1).isEmpty() ? new String[0] : whole.group(1).split(",")) {
      String[] parts = pair.split(":");
      assertThat(KEYS).contains(parts[0]);
      assertThat(seen.add(parts[0])).as("%s once", parts[0]).isTrue();
      Matcher source = SOURCE.matcher(parts[1]);
      assertThat(source.matches()).as(pair).isTrue();
      if (source.group(1) != null) {
        int button = Integer.parseInt(source.group(1)) + 1;
        assertThat(layout.fieldOf(new Target.Button(button))).isPresent();
      } else if (source.group(2) != null) {
        assertThat(Integer.parseInt(source.group(2))).isLessThan(axes.size());
      }
    }
    assertThat(pad).isGreaterThanOrEqualTo(-1);
  }

  /** By hand: the first axis in the report is a0, the fifth button b4; a hat up is bit 1. */
  @Test
  public void aLineWorkedByHand() {
    Mapping mapping = Mapping.EMPTY;
    Map<String, Target> meanings = new HashMap<>();
    meanings.put("jump", new Target.Button(1));
    meanings.put("grab", new Target.Button(5));
    meanings.put("go", new Target.Button(8));
    meanings.put("up", new Target.Hat(Target.Direction.N));
    meanings.put("left", new Target.Hat(Target.Direction.W));
    meanings.put("wheel", new Target.Axis(AxisName.X));
    meanings.put("gas", new Target.Axis(AxisName.Z));
    for (Map.Entry<String, Target> entry : meanings.entrySet()) {
      mapping =
          mapping.with(ContactId.parse(entry.getKey()), new Mapping.Entry(entry.getValue(), ""));
    }
    Profile profile = Profile.empty("P", Host.COMPUTER).withBase(mapping);
    ReportLayout layout = ReportLayout.of(meanings.values(), Map.of(), 255);
    assertThat(PadChart.of(profile).line("Desk", layout))
        .isEqualTo(
            "03000000000000000000000000000000,Desk,dpup:h0.1,dpleft:h0.8,start:b7,a:b0,"
                + "leftshoulder:b4,leftx:a0,rightx:a1,platform:Linux,");
    assertThat(PadChart.of(profile).rows().keySet())
        .as("directions, start, select, faces, shoulders, sticks")
        .containsExactly(
            PadRole.DPUP,
            PadRole.DPLEFT,
            PadRole.START,
            PadRole.A,
            PadRole.LEFTSHOULDER,
            PadRole.LEFTX,
            PadRole.RIGHTX);
  }
}
