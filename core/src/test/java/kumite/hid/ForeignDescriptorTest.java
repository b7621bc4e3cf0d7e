package kumite.hid;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.build.Build;
import kumite.build.map.AxisName;
import kumite.build.map.Target;
import kumite.device.Holds;
import kumite.device.SignalPath;
import kumite.files.Demo;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Descriptors of random mappings, read by a parser that shares no code with the product. It follows
 * the Device Class Definition for HID 1.11: short items 6.2.2.2, main items 6.2.2.4 to 6.2.2.6,
 * global items 6.2.2.7 with push and pop, local items 6.2.2.8 (from memory).
 */
public class ForeignDescriptorTest {

  /** One field of an input report. */
  private record Field(
      int report,
      int bit,
      int size,
      int page,
      int least,
      int most,
      int low,
      int high,
      boolean constant,
      boolean array) {}

  /** What a host knows after parsing. */
  private record Parsed(
      List<Field> fields, Map<Integer, Integer> bits, List<Integer> collections) {}

  /** The global state of 6.2.2.7; copied by push. */
  private static final class Globals implements Cloneable {
    int page;
    int low;
    int high;
    int size;
    int count;
    int report;

    @Override
    public Globals clone() {
      try {
        return (Globals) super.clone();
      } catch (CloneNotSupportedException e) {
        throw new AssertionError(e);
      }
    }
  }

  private static Parsed parse(byte[] bytes) {
    Globals now = new Globals();
    Deque<Globals> stack = new ArrayDeque<>();
    List<Integer> usages = new ArrayList<>();
    int[] range = {-1, -1};
    Map<Integer, Integer> bits = new HashMap<>();
    List<Field> fields = new ArrayList<>();
    List<Integer> collections = new ArrayList<>();
    int depth = 0;
    int at = 0;
    while (at < bytes.length) {
      int prefix = bytes[at] & 0xff;
      int length = new int[] {0, 1, 2, 4}[prefix & 3];
      int type = prefix >> 2 & 3;
      int tag = prefix >> 4;
      int unsigned = 0;
      for (int i = 0; i < length; i++) {
        unsigned |= (bytes[at + 1 + i] & 0xff) << 8 * i;
      }
      int signed =
          length == 0 || length == 4 ? unsigned : unsigned << 32 - 8 * length >> 32 - 8 * length;
      at += 1 + length;
      if (type == 1) {
        switch (tag) {
          case 0 -> now.page = unsigned;
          case 1 -> now.low = signed;
          case 2 -> now.high = signed;
          case 7 -> now.size = unsigned;
          case 8 -> now.report = unsigned;
          case 9 -> now.count = unsigned;
          case 10 -> stack.push(now.clone());
          case 11 -> now = stack.pop();
          default -> {
            // units and physical ranges say nothing about places
          }
        }
        continue;
      }
      if (type == 2) {
        switch (tag) {
          case 0 -> usages.add(unsigned);
          case 1 -> range[0] = unsigned;
          case 2 -> range[1] = unsigned;
          default -> {
            // designators and strings
          }
        }
        continue;
      }
      if (tag == 10) {
        depth++;
        collections.add(unsigned);
      } else if (tag == 12) {
        depth--;
        assertThat(depth).as("a collection ends that began").isNotNegative();
      } else if (tag == 8) {
        input(now, usages, range, unsigned, bits, fields);
      }
      usages.clear();
      range[0] = -1;
      range[1] = -1;
    }
    assertThat(depth).as("every collection ends").isZero();
    assertThat(stack).isEmpty();
    return new Parsed(fields, bits, collections);
  }

  private static void input(
      Globals now,
      List<Integer> usages,
      int[] range,
      int flags,
      Map<Integer, Integer> bits,
      List<Field> fields) {
    boolean constant = (flags & 1) != 0;
    boolean array = (flags & 2) == 0;
    List<Integer> all = new ArrayList<>(usages);
    if (range[0] >= 0) {
      for (int usage = range[0]; usage <= range[1]; usage++) {
        all.add(usage);
      }
    }
    for (int i = 0; i < now.count; i++) {
      int bit = bits.merge(now.report, now.size, Integer::sum) - now.size;
      int usage = constant || all.isEmpty() ? 0 : all.get(Math.min(i, all.size() - 1));
      int most = array && !all.isEmpty() ? all.get(all.size() - 1) : usage;
      fields.add(
          new Field(
              now.report,
              bit,
              now.size,
              now.page,
              array && !all.isEmpty() ? all.get(0) : usage,
              most,
              now.low,
              now.high,
              constant,
              array));
    }
  }

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 150).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static List<Target> targets(SplittableRandom random) {
    List<Target> targets = new ArrayList<>();
    for (int i = 1 + random.nextInt(24); i > 0; i--) {
      AxisName axis = AxisName.values()[random.nextInt(AxisName.values().length)];
      targets.add(
          switch (random.nextInt(6)) {
            case 0 -> new Target.Axis(axis);
            case 1 -> new Target.AxisEnd(axis, random.nextBoolean());
            case 2 -> new Target.Hat(Target.Direction.values()[random.nextInt(4)]);
            case 3 -> new Target.Key(random.nextInt(0x04, 0xE8));
            default -> new Target.Button(random.nextInt(1, 129));
          });
    }
    return targets;
  }

  /** Every meaning has its place, no place has two, every report is whole bytes. */
  @Test(dataProvider = "seeds")
  public void theForeignReaderFindsEveryMeaningWhereTheProductPutsIt(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Target> targets = targets(random);
    int most = new int[] {255, 1023, 4095, 65535}[random.nextInt(4)];
    ReportLayout layout = ReportLayout.of(targets, Map.of(), most);
    Parsed parsed = parse(layout.descriptor());
    assertThat(parsed.collections()).as("an application collection leads").startsWith(1);
    assertThat(parsed.bits().keySet()).isEqualTo(new HashSet<>(layout.reportIds()));
    parsed
        .bits()
        .forEach(
            (report, bits) -> {
              assertThat(bits % 8).as("report %d is whole bytes", report).isZero();
              int id = report == 0 ? 0 : 1;
              assertThat(layout.blank(report)).hasSize(bits / 8 + id);
              assertThat(layout.lengthBytes(report) * 8).isIn(bits, bits + 8 * id);
            });
    for (Target target : targets) {
      InputField field = layout.fieldOf(target).orElseThrow();
      Usage usage = ReportLayout.usageOf(target);
      List<Field> found =
          parsed.fields().stream()
              .filter(f -> !f.constant() && f.page() == usage.page())
              .filter(f -> f.least() <= usage.id() && usage.id() <= f.most())
              .toList();
      assertThat(found).as("%s has a place", target).isNotEmpty();
      if (!found.get(0).array()) {
        assertThat(found).as("%s has one place", target).hasSize(1);
        Field only = found.get(0);
        assertThat(only.report()).isEqualTo(field.reportId());
        assertThat(only.size()).isEqualTo(field.bits());
        assertThat(only.low()).isEqualTo(field.logicalMinimum());
        assertThat(only.high()).isEqualTo(field.logicalMaximum());
        writtenAlone(layout, parsed, field, only, random);
      }
    }
  }

  /** A value written by the product is read by the foreign reader, and nothing else changes. */
  private static void writtenAlone(
      ReportLayout layout, Parsed parsed, InputField field, Field place, SplittableRandom random) {
    byte[] transfer = layout.blank(field.reportId());
    int value =
        field.bits() == 1 ? 1 : random.nextInt(field.logicalMinimum(), field.logicalMaximum() + 1);
    byte[] before = transfer.clone();
    field.write(transfer, value);
    assertThat(read(transfer, place)).isEqualTo(value);
    for (Field other : parsed.fields()) {
      if (other.report() == place.report() && other.bit() != place.bit()) {
        assertThat(read(transfer, other)).isEqualTo(read(before, other));
      }
    }
  }

  private static int read(byte[] transfer, Field field) {
    int start = field.bit() + (field.report() == 0 ? 0 : 8);
    int value = 0;
    for (int i = 0; i < field.size(); i++) {
      int bit = start + i;
      value |= (transfer[bit / 8] >> bit % 8 & 1) << i;
    }
    boolean negative = field.low() < 0 && field.size() < 32 && (value >> field.size() - 1 & 1) == 1;
    return negative ? value - (1 << field.size()) : value;
  }

  /** Bits of one report follow one another: the reader's fields leave no gap and no overlap. */
  @Test(dataProvider = "seeds")
  public void fieldsTileTheirReport(int seed) {
    List<Target> targets = targets(new SplittableRandom(seed));
    Parsed parsed = parse(ReportLayout.of(targets, Map.of(), 4095).descriptor());
    Map<Integer, List<Field>> byReport =
        parsed.fields().stream().collect(Collectors.groupingBy(Field::report));
    byReport.forEach(
        (report, fields) -> {
          int end = 0;
          for (Field field : fields) {
            assertThat(field.bit()).isEqualTo(end);
            end += field.size();
          }
          assertThat(end).isEqualTo(parsed.bits().get(report));
        });
  }

  /** The foreign reader is held against the standard's own two samples first. */
  @Test
  public void theForeignReaderReadsTheStandardsSamples() {
    Parsed keyboard = parse(DescriptorReaderTest.KEYBOARD);
    assertThat(keyboard.bits()).isEqualTo(Map.of(0, 64));
    assertThat(keyboard.fields().stream().filter(Field::array)).hasSize(6 + 1);
    Parsed mouse = parse(DescriptorReaderTest.MOUSE);
    assertThat(mouse.bits()).isEqualTo(Map.of(0, 24));
    assertThat(mouse.collections()).containsExactly(1, 0);
    Set<Integer> axes =
        mouse.fields().stream()
            .filter(f -> f.page() == 1 && !f.constant())
            .map(Field::least)
            .collect(Collectors.toSet());
    assertThat(axes).containsExactlyInAnyOrder(0x30, 0x31);
  }

  /**
   * Four pads at ports are four gamepads of one device: a host that parses the descriptor for
   * itself finds each press as one button, or the hat, of the report that is that pad's alone.
   */
  @Test
  public void aPadAtEachPortIsAGamepadOfItsOwn() throws Exception {
    Build build = Demo.open("attic-pads", Catalogue.standard());
    Bench bench = Bench.of(build, Catalogue.standard());
    Parsed parsed = parse(bench.layout().descriptor());
    assertThat(parsed.collections().stream().filter(kind -> kind == 1)).hasSize(4);
    Map<String, Set<Integer>> reportsOf = new HashMap<>();
    for (SignalPath path : bench.paths()) {
      if (path.site().pad().isEmpty()) {
        continue;
      }
      Map<Integer, byte[]> rest = reports(bench, Holds.NONE);
      Map<Integer, byte[]> held = reports(bench, Holds.NONE.with(path.id(), 1));
      int moved = 0;
      for (Field field : parsed.fields()) {
        int before = read(rest.get(field.report()), field);
        if (!field.constant() && read(held.get(field.report()), field) != before) {
          moved++;
          assertThat(field.page() == 9 || field.size() == 4).as("button or hat").isTrue();
          reportsOf
              .computeIfAbsent(path.id().control().text(), pad -> new HashSet<>())
              .add(field.report());
        }
      }
      assertThat(moved).as(path.id().toString()).isEqualTo(1);
    }
    assertThat(reportsOf.values()).hasSize(4).allMatch(reports -> reports.size() == 1);
    assertThat(new HashSet<>(reportsOf.values())).as("no two pads in one").hasSize(4);
  }

  private static Map<Integer, byte[]> reports(Bench bench, Holds holds) {
    Map<Integer, byte[]> reports = new HashMap<>();
    bench.device().steady(holds).forEach(report -> reports.put(report.id(), report.toBytes()));
    return reports;
  }
}
