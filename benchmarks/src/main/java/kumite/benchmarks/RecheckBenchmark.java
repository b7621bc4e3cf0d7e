package kumite.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.map.Mapping;
import kumite.build.panel.Panel;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.map.Proposal;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;
import kumite.working.Source;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The full re-check after an edit: one control is moved, then everything is worked out again. Aims:
 * under 3 ms for the demo, 8 ms for 64 contacts, 16 ms for 256.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
public class RecheckBenchmark {
  /** Contacts of the build; 17 is the demo. */
  @Param({"17", "64", "256"})
  public int contacts;

  private Catalogue catalogue;
  private Build[] edits;
  private int at;

  /** Makes the builds: the same one with one control moved a little each time. */
  @Setup
  public void makeBuilds() throws BuildFileException {
    catalogue = Catalogue.standard();
    Build build = contacts == 17 ? Demo.open(Demo.USUAL, catalogue) : generated(contacts);
    edits = new Build[16];
    ControlId moved = build.controls().get(build.controls().size() / 2).id();
    for (int i = 0; i < edits.length; i++) {
      double dx = i * 0.1;
      edits[i] =
          build.withControl(
              moved,
              c ->
                  c.withPlacement(
                      c.placement().movedTo(c.placement().xMm() + dx, c.placement().yMm())));
    }
  }

  private Build generated(int count) {
    int columns = (int) Math.ceil(Math.sqrt(count * 2.0));
    List<Control> controls = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      controls.add(
          Control.of(
              new ControlId("b" + i),
              "B" + i,
              "button-24",
              Placement.at(45 + 34.0 * (i % columns), 45 + 34.0 * (i / columns))));
    }
    BoardKind board = board(count + 8);
    catalogue = catalogue.with(board);
    Build empty = Build.empty("Generated");
    Panel panel = empty.panel().withSize(90 + 34.0 * columns, 90 + 34.0 * columns / 2);
    Build build =
        empty
            .withPanel(panel)
            .withControls(controls)
            .withBoard(
                Optional.of(
                    new BoardChoice(
                        board.id(), Placement.at(panel.widthMm() / 2, panel.heightMm() / 2))));
    Mapping mapping = Proposal.rest(build, catalogue);
    return build.withMapping(mapping);
  }

  private static BoardKind board(int inputs) {
    List<Terminal> terminals = new ArrayList<>();
    for (int i = 0; i < inputs; i++) {
      boolean left = i % 2 == 0;
      terminals.add(
          new Terminal(
              "T" + i,
              Terminal.Role.INPUT,
              new Point(left ? -9 : 9, (i / 2 - inputs / 4) * 2.54),
              left ? Terminal.Side.LEFT : Terminal.Side.RIGHT,
              Set.of(Terminal.Ability.DIGITAL, Terminal.Ability.PULL_UP),
              Optional.empty(),
              Optional.empty(),
              0));
    }
    terminals.add(
        new Terminal(
            "GND",
            Terminal.Role.GROUND,
            new Point(0, 0),
            Terminal.Side.LEFT,
            Set.of(),
            Optional.empty(),
            Optional.empty(),
            0));
    return new BoardKind(
        "long",
        "Long",
        "generated",
        22,
        inputs * 1.27,
        3.3,
        false,
        Common.GROUND,
        0.8,
        2.0,
        Source.common("generated"),
        20_000,
        50_000,
        0,
        false,
        terminals,
        BoardKind.Seating.BARE,
        BoardKind.Brain.PLAIN,
        BoardKind.Current.USUAL);
  }

  /** {@return the bench after the next edit} */
  @Benchmark
  public Bench recheck() {
    at = (at + 1) % edits.length;
    return Bench.of(edits[at], catalogue);
  }
}
