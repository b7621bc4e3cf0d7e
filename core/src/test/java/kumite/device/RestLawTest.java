package kumite.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import kumite.Builds;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.AxisName;
import kumite.build.map.AxisTuning;
import kumite.build.map.Mapping;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.hid.DescriptorReader;
import kumite.hid.InputField;
import kumite.kind.BoardKind;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.Terminal;
import kumite.measure.Placement;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What springs back rests in the middle: in the report by the range that its descriptor declares,
 * on the strip, in volts, and after it was let go; what does not, rests where its travel begins.
 */
public class RestLawTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  public Object[][] kinds() {
    List<Object[]> rows = new ArrayList<>();
    for (BoardKind board : CATALOGUE.boards()) {
      boolean measures =
          board.terminals(Terminal.Role.INPUT).stream()
                  .filter(t -> t.can(Terminal.Ability.ANALOG))
                  .count()
              > 1;
      if (board.fixedMap() || !measures || board.brain().link() == BoardKind.Link.SERIAL) {
        continue;
      }
      for (ControlKind kind : CATALOGUE.controls()) {
        boolean wiper = kind.contacts().stream().anyMatch(c -> c.type() == ContactKind.Type.WIPER);
        if (wiper && kind.feed().isEmpty()) {
          rows.add(new Object[] {board.id(), kind.id(), false});
          rows.add(new Object[] {board.id(), kind.id(), true});
        }
      }
    }
    assertThat(rows).hasSizeGreaterThan(40);
    return rows.toArray(Object[][]::new);
  }

  @Test(dataProvider = "kinds")
  public void whatSpringsBackRestsInTheMiddle(String board, String kind, boolean tunedCentre) {
    ControlKind of = CATALOGUE.control(kind).orElseThrow();
    Build build =
        Builds.wired(
            Builds.buttons(40, 50)
                .withControl(
                    Control.of(new ControlId("stick"), "Stick", kind, Placement.at(150, 90))),
            board);
    Mapping mapping = Mapping.EMPTY;
    List<ContactId> wipers = new ArrayList<>();
    for (ContactKind contact : of.contacts()) {
      if (contact.type() == ContactKind.Type.WIPER) {
        ContactId id = new ContactId(new ControlId("stick"), contact.name());
        mapping =
            mapping.with(
                id, new Mapping.Entry(new Target.Axis(AxisName.values()[wipers.size()]), "Steer"));
        wipers.add(id);
        if (tunedCentre) {
          AxisTuning centred = AxisTuning.STRAIGHT.measured(20, OptionalInt.of(505), 980);
          build = build.withTuning(build.tuning().withAxis(id, Optional.of(centred)));
        }
      }
    }
    Bench bench = Bench.of(build.withMapping(mapping), CATALOGUE);
    List<Trace.Report> rest = bench.device().steady(Holds.NONE);
    for (ContactId id : wipers) {
      boolean sprung = tunedCentre || of.contacts().stream().anyMatch(c -> c.rest() > 0);
      InputField field = bench.path(id).orElseThrow().field().orElseThrow();
      InputField declared =
          DescriptorReader.inputFields(bench.layout().descriptor()).stream()
              .filter(f -> f.usage().equals(field.usage()))
              .findFirst()
              .orElseThrow();
      int middle = (declared.logicalMinimum() + declared.logicalMaximum() + 1) / 2;
      int wanted = sprung ? middle : declared.logicalMinimum();
      // A centre in thousandths falls between two codes of a converter.
      int off = tunedCentre ? 2 : 0;
      assertThat(declared.read(rest.get(0).toBytes()))
          .as("%s at rest", id)
          .isBetween(wanted - off, wanted + off);
      // Moved to either end and let go, it is there again.
      for (double end : new double[] {0, 1}) {
        Script play =
            new Script("there and back", List.of(new Script.Move(id, end, 10_000, 50_000)));
        Trace trace = bench.device().play(play, 3);
        assertThat(declared.read(trace.reports().get(trace.reports().size() - 1).toBytes()))
            .as("let go from %s", end)
            .isBetween(wanted - off, wanted + off);
        assertThat(trace.reports().size()).isGreaterThan(sprung || end > 0 ? 1 : 0);
      }
      double volts = bench.circuit().orElseThrow().inputs().levels().get(id).idleVolts();
      double supply = bench.board().orElseThrow().logicVolts();
      assertThat(volts / supply).isBetween(sprung ? 0.45 : 0.0, sprung ? 0.55 : 0.02);
      Hop contact =
          bench.hops(bench.path(id).orElseThrow(), Holds.NONE, Optional.empty()).stream()
              .filter(h -> h.stage() == Hop.Stage.CONTACT)
              .findFirst()
              .orElseThrow();
      assertThat(contact.measure())
          .isIn(sprung ? List.of("50 %", "51 %", "50.5 %") : List.of("0 %"));
    }
  }
}
