package kumite.firmware;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Chord;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.device.Trace;
import kumite.files.Tables;
import kumite.finding.Finding;
import kumite.finding.Severity;
import kumite.hid.HostView;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.kind.BoardKind;
import kumite.kind.Settable;
import kumite.map.MapCode;
import kumite.map.TargetText;
import kumite.map.Within;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * The table of a settable encoder: written and read back it is the same, an encoder played from its
 * rows alone gives what the simulation gives, and what it cannot say is named.
 */
public class SocketTableTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final List<BoardKind> BOARDS =
      CATALOGUE.boards().stream().filter(b -> b.settable().isPresent()).toList();

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 120).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  /** Any meaning that a hand can give with a button, whether the table can say it or not. */
  private static Target meaning(SplittableRandom random) {
    return switch (random.nextInt(6)) {
      case 0 -> new Target.Key(random.nextInt(4, 40));
      case 1 -> new Target.Media(0xCD);
      case 2, 3 -> new Target.Button(random.nextInt(1, 20));
      case 4 -> new Target.Hat(Target.Direction.values()[random.nextInt(4)]);
      default -> new Target.MouseButton(random.nextInt(1, 4));
    };
  }

  private static Mapping mapping(List<ContactId> contacts, SplittableRandom random) {
    Map<ContactId, Mapping.Entry> entries = new TreeMap<>();
    for (ContactId contact : contacts) {
      if (random.nextInt(5) > 0) {
        entries.put(contact, new Mapping.Entry(meaning(random), ""));
      }
    }
    return new Mapping(entries);
  }

  private static Build draw(SplittableRandom random) {
    BoardKind board = BOARDS.get(random.nextInt(BOARDS.size()));
    Build build = Build.empty("table");
    List<ContactId> contacts = new ArrayList<>();
    int most = random.nextInt(2, 12);
    for (int i = 0; i < most; i++) {
      ControlId id = new ControlId("b" + i);
      contacts.add(new ContactId(id, ""));
      build =
          build.withControl(
              Control.of(
                  id, "B " + i, "button-24", Placement.at(30 + 40 * (i % 6), 40 + 50 * (i / 6))));
    }
    List<Layer> layers = new ArrayList<>();
    for (int i = random.nextInt(3); i > 0; i--) {
      Layer.Reach reach = Layer.Reach.values()[random.nextInt(2)];
      Set<ContactId> by = new TreeSet<>();
      by.add(contacts.get(random.nextInt(contacts.size())));
      if (random.nextInt(4) == 0) {
        by.add(contacts.get(random.nextInt(contacts.size())));
      }
      layers.add(new Layer("L" + i, reach, by, mapping(contacts, random)));
    }
    List<Chord> chords = new ArrayList<>();
    if (random.nextInt(4) == 0) {
      chords.add(
          new Chord(
              Layer.BASE,
              Set.of(contacts.get(0), contacts.get(1)),
              50,
              true,
              new Mapping.Entry(meaning(random), "")));
    }
    Mapping base = mapping(contacts, random);
    return build
        .withBoard(Optional.of(new BoardChoice(board.id(), Placement.at(200, 150))))
        .withProfile(p -> p.withBase(base).withLayers(layers).withChords(chords));
  }

  private static SocketTable table(Bench bench) {
    return SocketTable.of(bench.build().profile(), bench.board().orElseThrow(), bench.loom());
  }

  @Test(dataProvider = "seeds")
  public void whatIsWrittenReadsBackTheSame(int seed) {
    Bench bench = Bench.of(draw(new SplittableRandom(seed)), CATALOGUE);
    SocketTable table = table(bench);
    SocketTable back = SocketTable.read(Tables.sockets(bench), bench.board().orElseThrow());
    assertThat(back).isEqualTo(table);
    assertThat(table.otherwise(back)).isEmpty();
    assertThat(table.rows()).hasSizeGreaterThanOrEqualTo(12);
    // Taken into the map it is the same table again, and nothing is left that it cannot say.
    Build taken = bench.build().withProfile(p -> back.in(p, bench.loom()));
    Bench after = Bench.of(taken.withLoom(locked(bench)), CATALOGUE);
    assertThat(table(after)).isEqualTo(table);
    assertThat(after.findings())
        .noneMatch(f -> f.code() == MapCode.TABLE_CANNOT_SAY || f.code() == MapCode.LAYERS_IN_VAIN);
  }

  /** Other meanings may move contacts to other sockets; here each stays at its own. */
  private static kumite.build.loom.LoomSettings locked(Bench bench) {
    var loom = bench.build().loom();
    for (var choice : bench.loom().plan().choices().entrySet()) {
      loom = loom.withLock(choice.getKey(), choice.getValue().terminal().name());
    }
    return loom;
  }

  /** Played by hand from rows: with the shift the second meaning where there is one. */
  @Test(dataProvider = "seeds")
  public void theSimulatedEncoderIsItsTable(int seed) {
    SplittableRandom random = new SplittableRandom(500 + seed);
    Bench bench = Bench.of(draw(random), CATALOGUE);
    Map<String, SocketTable.Row> rows = new HashMap<>();
    table(bench).rows().forEach(row -> rows.put(row.socket(), row));
    Map<ContactId, SocketTable.Row> at = new TreeMap<>();
    bench
        .loom()
        .plan()
        .choices()
        .forEach((contact, pin) -> at.put(contact, rows.get(pin.terminal().name())));
    Optional<ContactId> shift =
        at.entrySet().stream()
            .filter(e -> e.getValue().shift().isPresent())
            .map(Map.Entry::getKey)
            .findFirst();
    for (int play = 0; play < 6; play++) {
      boolean shifted = shift.isPresent() && random.nextBoolean();
      StringBuilder moves = new StringBuilder();
      if (shifted) {
        boolean held = at.get(shift.get()).shift().get() == Settable.Shift.HELD;
        moves.append(shift.get()).append(held ? "@1ms " : "@1ms+60ms ");
      }
      Set<Target> wanted = new HashSet<>();
      for (Map.Entry<ContactId, SocketTable.Row> entry : at.entrySet()) {
        if (random.nextBoolean() && shift.filter(entry.getKey()::equals).isEmpty()) {
          moves.append(entry.getKey()).append("@200ms ");
          SocketTable.Row row = entry.getValue();
          (shifted && row.second().isPresent() ? row.second() : row.first()).ifPresent(wanted::add);
        }
      }
      if (!moves.isEmpty()) {
        Trace trace = bench.device().play(Script.parse("play", moves.toString()), seed);
        assertThat(given(bench.layout(), trace)).as(moves.toString()).isEqualTo(usages(wanted));
      }
    }
  }

  private static Set<String> given(ReportLayout layout, Trace trace) {
    Set<String> given = new TreeSet<>();
    for (int id : layout.reportIds()) {
      trace
          .last(id)
          .ifPresent(
              report -> {
                HostView seen = HostView.of(layout.fields(), report.toBytes());
                seen.on().forEach(usage -> given.add(layout.part(id) + " " + usage));
                seen.values()
                    .forEach(
                        (usage, value) -> {
                          if (usage.equals(Usage.HAT) && value < 8) {
                            given.add("hat " + value);
                          }
                        });
              });
    }
    return given;
  }

  private static Set<String> usages(Set<Target> targets) {
    Set<String> usages = new TreeSet<>();
    int north = 0;
    int east = 0;
    for (Target target : targets) {
      if (target instanceof Target.Hat hat) {
        north += hat.direction() == Target.Direction.N ? 1 : 0;
        north -= hat.direction() == Target.Direction.S ? 1 : 0;
        east += hat.direction() == Target.Direction.E ? 1 : 0;
        east -= hat.direction() == Target.Direction.W ? 1 : 0;
      } else {
        ReportLayout.Part part =
            target instanceof Target.Key
                ? ReportLayout.Part.KEYBOARD
                : target instanceof Target.Media
                    ? ReportLayout.Part.MEDIA
                    : target instanceof Target.MouseButton
                        ? ReportLayout.Part.MOUSE
                        : ReportLayout.Part.GAMEPAD;
        usages.add(part + " " + ReportLayout.usageOf(target));
      }
    }
    if (north != 0 || east != 0) {
      // 0 to 7 clockwise from north (HID Usage Tables, hat switch).
      usages.add("hat " + Math.floorMod(Math.round(Math.atan2(east, north) / (Math.PI / 4)), 8));
    }
    return usages;
  }

  /** Every meaning, layer and chord that the table leaves out is named, and nothing else. */
  @Test(dataProvider = "seeds")
  public void whatTheTableCannotSayIsNamed(int seed) {
    Bench bench = Bench.of(draw(new SplittableRandom(900 + seed)), CATALOGUE);
    Settable settable = bench.board().orElseThrow().settable().orElseThrow();
    Profile asked = bench.build().profile();
    Profile known = Within.of(asked, bench.board());
    Set<String> lost = new TreeSet<>();
    asked
        .mappings()
        .forEach(
            m ->
                m.entries()
                    .forEach(
                        (contact, entry) -> {
                          if (!Within.gives(settable, entry.target())) {
                            lost.add(contact.toString());
                          }
                        }));
    List<Finding> said =
        bench.findings().stream().filter(f -> f.code() == MapCode.TABLE_CANNOT_SAY).toList();
    assertThat(said).hasSize(lost.isEmpty() ? 0 : 1);
    said.forEach(
        f -> {
          assertThat(f.severity()).isEqualTo(Severity.STOP);
          assertThat(f.named()).containsExactlyInAnyOrderElementsOf(lost);
        });
    long vain = bench.findings().stream().filter(f -> f.code() == MapCode.LAYERS_IN_VAIN).count();
    assertThat(vain)
        .isEqualTo(asked.layers().size() - known.layers().size() + asked.chords().size());
    for (Finding finding : bench.findings()) {
      if (finding.code() == MapCode.LAYERS_IN_VAIN) {
        finding
            .fix()
            .map(fix -> fix.edit().apply(bench.build()))
            .ifPresent(
                mended ->
                    assertThat(bench.next(mended).findings()).noneMatch(f -> f.same(finding)));
      }
    }
  }

  @DataProvider
  Object[][] broken() {
    return new Object[][] {
      {"", "line 1"},
      {"socket,means\nS1,Key A\n", "line 1"},
      {"socket,first\nS1,Key A\nS1,Key B\n", "line 3: socket \"S1\" is there twice"},
      {"socket,first\nS99,Key A\n", "there is no socket \"S99\""},
      {"socket,first\nS1,Button 1\n", "Button 1 cannot be set"},
      {"socket,first\nS1,Nonsense\n", "line 2, first"},
      {"socket,first,second\nS1,Key A,Key B\n", "no socket is the shift"},
      {"socket,first,second,shift\nS1,,,held\nS2,,,held\n", "a second shift"},
      {"socket,first,second,shift\nS1,,,sideways\n", "\"sideways\" is no shift"},
      {"socket,first,second,shift\nS1,Key A,,held\n", "the shift gives nothing itself"},
      {"socket,first\nS1,Key A,Key B,held,more\n", "more cells"},
    };
  }

  @Test(dataProvider = "broken")
  public void aBrokenTableIsRefusedByItsLine(String text, String word) {
    BoardKind keys = CATALOGUE.board("encoder-set-keys-20").orElseThrow();
    assertThatThrownBy(() -> SocketTable.read(text, keys))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(word);
  }

  @Test
  public void aBoardOfOneMeaningTakesNoSecond() {
    BoardKind pad = CATALOGUE.board("encoder-set-pad-12").orElseThrow();
    assertThatThrownBy(() -> SocketTable.read("socket,first,second\nP1,Button 1,Button 2\n", pad))
        .hasMessageContaining("one each");
    assertThatThrownBy(() -> SocketTable.read("socket,first,shift\nP1,,held\n", pad))
        .hasMessageContaining("there is no shift");
    BoardKind fixed = CATALOGUE.board("encoder-12-ground").orElseThrow();
    assertThatThrownBy(() -> SocketTable.read("socket,first\n", fixed))
        .hasMessageContaining("takes no table");
    assertThat(
            TargetText.of(
                SocketTable.read("socket;first\nP1;Button 3\n", pad)
                    .rows()
                    .get(0)
                    .first()
                    .orElseThrow()))
        .isEqualTo("Button 3");
  }
}
