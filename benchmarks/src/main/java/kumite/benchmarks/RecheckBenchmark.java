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
import kumite.build.map.Target;
import kumite.build.panel.Panel;
import kumite.files.BuildFileException;
import kumite.files.Demo;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.Terminal;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.map.Proposal;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
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
 * A check from nothing, and a re-check after one edit of each kind: a control moved, a wire put in
 * by hand, a meaning changed. Aims, as parts of the cold check of the demo in the same run: a
 * quarter, half and the whole of it for 17, 64 and 256 contacts.
 *
 * <p>{@code ./kumite benchmarks RecheckBenchmark} runs it as the application runs; with {@code
 * -jvmArgs -XX:-TieredCompilation} after it, with the whole compiler.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
public class RecheckBenchmark {
  private static final int EDITS = 16;

  /** Contacts of the build; 17 is the demo. */
  @Param({"17", "64", "256"})
  public int contacts;

  private Catalogue catalogue;
  private Build[] moves;
  private Build[] wires;
  private Build[] maps;
  private Bench last;
  private int at;

  /** Makes the builds: the same one with one thing done to it each time. */
  @Setup
  public void makeBuilds() throws BuildFileException {
    catalogue = Catalogue.standard();
    Build build = contacts == 17 ? Demo.open(Demo.USUAL, catalogue) : generated(contacts);
    moves = new Build[EDITS];
    wires = new Build[EDITS];
    maps = new Build[EDITS];
    ControlId moved = build.controls().get(build.controls().size() / 2).id();
    List<Strand> strands = Loom.of(build, catalogue).strands();
    List<ContactId> mapped = List.copyOf(build.mapping().entries().keySet());
    for (int i = 0; i < EDITS; i++) {
      double dx = i * 0.1;
      moves[i] =
          build.withControl(
              moved,
              c ->
                  c.withPlacement(
                      c.placement().movedTo(c.placement().xMm() + dx, c.placement().yMm())));
      wires[i] = build.withLoom(build.loom().withLeftOut(strands.get(i % strands.size()).wire()));
      maps[i] =
          build.withMapping(
              build
                  .mapping()
                  .with(
                      mapped.get(i % mapped.size()),
                      new Mapping.Entry(new Target.Button(1 + i), "")));
    }
    last = Bench.of(build, catalogue);
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
        BoardKind.Current.USUAL,
        java.util.Optional.empty());
  }

  private int turn() {
    at = (at + 1) % EDITS;
    return at;
  }

  private Bench next(Build[] edits) {
    last = last.next(edits[turn()]);
    return last;
  }

  /** {@return a bench from nothing: what opening a file costs} */
  @Benchmark
  public Bench cold() {
    return Bench.of(moves[turn()], catalogue);
  }

  /** {@return the bench after a control was moved} */
  @Benchmark
  public Bench nextAfterMove() {
    return next(moves);
  }

  /** {@return the bench after a wire was left out by hand} */
  @Benchmark
  public Bench nextAfterWire() {
    return next(wires);
  }

  /** {@return the bench after a contact was mapped otherwise} */
  @Benchmark
  public Bench nextAfterMap() {
    return next(maps);
  }
}
