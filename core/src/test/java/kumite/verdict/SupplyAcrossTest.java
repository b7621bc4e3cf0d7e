package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.IntStream;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.circuit.PowerCode;
import kumite.files.BuildFile;
import kumite.files.Demo;
import kumite.finding.Severity;
import kumite.finding.Station;
import kumite.loom.Serves;
import kumite.loom.Strand;
import kumite.measure.Placement;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.supply.SupplyCode;
import kumite.wiring.NetCode;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One source for two boards: parts of any seat feed parts and boards of any other. */
public class SupplyAcrossTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();
  private static final Build TWO = two();

  private static Build two() {
    try {
      return BuildFile.parse(
          BuildFile.text(Demo.open("lantern-duel", CATALOGUE))
              .replace("encoder-12-rail", "native-3v3-26"),
          "two",
          CATALOGUE);
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  @DataProvider
  Object[][] seeds() {
    return IntStream.range(0, 40).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static SeatId seat(SplittableRandom random) {
    return TWO.seats().get(random.nextInt(2)).id();
  }

  /** A jack, switches and strips behind it, each at either seat; both boards live on them. */
  private static Build draw(SplittableRandom random) {
    List<SupplyPart> parts = new ArrayList<>();
    List<ControlId> givers = new ArrayList<>();
    int number = 1 + random.nextInt(5);
    for (int i = 0; i <= number; i++) {
      boolean strip = i > 0 && random.nextInt(3) == 0;
      String kind = i == 0 ? "jack-5v" : strip ? "strip-30" : "switch-3a";
      Optional<ControlId> from =
          i == 0 ? Optional.empty() : Optional.of(givers.get(random.nextInt(givers.size())));
      SupplyPart part =
          SupplyPart.of(new ControlId("p" + i), "P" + i, kind, Placement.at(100 + 20 * i, 80), from)
              .withSeat(Optional.of(seat(random)));
      parts.add(strip ? part.withCount(8) : part);
      if (!strip) {
        givers.add(part.id());
      }
    }
    SupplyBook book = new SupplyBook(parts, Map.of());
    for (Seat seat : TWO.seats()) {
      if (random.nextInt(3) > 0) {
        book = book.feeding(seat.id(), Optional.of(givers.get(random.nextInt(givers.size()))));
      }
    }
    return TWO.with(SupplyBook.PART, book);
  }

  private static Build at(Build build, Seat seat) {
    return build.facing(Aspect.of(seat));
  }

  private static Build with(Build build, SupplyPart part) {
    return build.with(SupplyBook.PART, build.get(SupplyBook.PART).with(part));
  }

  /** What a place of one seat's papers is called in the whole build. */
  private static String whole(Joint joint, Seat seat) {
    boolean capital = Character.isUpperCase(joint.part().charAt(0));
    boolean fed = joint.part().matches("p\\d");
    Joint named =
        joint.part().equals(Joint.BOARD)
            ? new Joint(Joint.boardOf(seat.id()), joint.tab())
            : capital || !fed ? joint : joint.at(seat.id());
    return named.toString();
  }

  /** Each part hangs by as many wires as it has sides, over all papers, and both ends see one. */
  @Test(dataProvider = "seeds")
  public void eachFeedIsOneWire(int seed) {
    Build build = draw(new SplittableRandom(seed));
    SupplyBook book = build.get(SupplyBook.PART);
    Map<Set<String>, List<Strand>> seen = new HashMap<>();
    int cut = 0;
    for (Seat seat : build.seats()) {
      for (Strand strand : Bench.of(at(build, seat), CATALOGUE).loom().strands()) {
        if (strand.serves() == Serves.FEED || strand.serves() == Serves.FEED_ACROSS) {
          Set<String> ends =
              Set.of(whole(strand.from().place(), seat), whole(strand.to().place(), seat));
          seen.computeIfAbsent(ends, e -> new ArrayList<>()).add(strand);
          cut += strand.cutHere() ? 1 : 0;
        }
      }
    }
    long wanted = 2L * book.boards().size();
    for (SupplyPart part : book.parts()) {
      wanted += part.kind().equals("strip-30") ? 2 : part.from().isPresent() ? 1 : 0;
    }
    assertThat(seen).as("%s", seen.keySet()).hasSize((int) wanted);
    assertThat(cut).isEqualTo((int) wanted);
    seen.values()
        .forEach(
            strands -> {
              boolean across = strands.get(0).crosses();
              assertThat(strands).hasSize(across ? 2 : 1);
              assertThat(strands)
                  .extracting(Strand::lengthMm)
                  .containsOnly(strands.get(0).lengthMm());
              assertThat(strands).extracting(Strand::id).containsOnly(strands.get(0).id());
              assertThat(strands).extracting(Strand::colour).containsOnly(strands.get(0).colour());
            });
  }

  /** A board is fed while every switch from it up to its source is closed, at whichever seat. */
  @Test(dataProvider = "seeds")
  public void whatIsOpenKillsBothSeats(int seed) {
    SplittableRandom random = new SplittableRandom(100 + seed);
    Build build = draw(random);
    Bench closed = Bench.of(build, CATALOGUE);
    assertThat(closed.findings())
        .noneMatch(f -> f.severity() == Severity.STOP && f.code() instanceof SupplyCode);
    for (SupplyPart part : build.get(SupplyBook.PART).parts()) {
      if (part.kind().equals("switch-3a")) {
        Build open = with(build, part.opened(true));
        Bench next = closed.next(open);
        assertThat(next.findings()).isEqualTo(Bench.of(open, CATALOGUE).findings());
        for (Seat seat : open.seats()) {
          boolean behind = false;
          SupplyBook book = open.get(SupplyBook.PART);
          Optional<SupplyPart> up =
              Optional.ofNullable(book.boards().get(seat.id())).flatMap(book::part);
          while (up.isPresent()) {
            behind |= up.get().id().equals(part.id());
            up = up.get().from().flatMap(book::part);
          }
          assertThat(
                  Bench.of(at(open, seat), CATALOGUE)
                      .circuit()
                      .orElseThrow()
                      .inputs()
                      .dead()
                      .isPresent())
              .as("%s behind %s", seat.id(), part)
              .isEqualTo(behind);
        }
      }
    }
  }

  /** A wire of such a feed that is left out, in the list of either seat, is told once by name. */
  @Test(dataProvider = "seeds")
  public void aFeedLeftOutIsTold(int seed) {
    SplittableRandom random = new SplittableRandom(300 + seed);
    Build build = draw(random);
    for (Seat seat : build.seats()) {
      Build here = at(build, seat);
      for (Strand strand : Bench.of(here, CATALOGUE).loom().strands()) {
        if (strand.serves() != Serves.FEED_ACROSS) {
          continue;
        }
        Build without =
            at(
                here.withLoom(here.loom().withLeftOut(strand.wire())),
                build.seats().get(random.nextInt(2)));
        Bench bench = Bench.of(without, CATALOGUE);
        assertThat(
                bench.findings().stream()
                    .filter(f -> f.severity() == Severity.STOP && f.station() == Station.LOOM))
            .as("%s left out at %s", strand.wire(), seat.id())
            .isNotEmpty();
        assertThat(bench.findings().stream().filter(f -> f.code() == NetCode.NOT_REACHED))
            .hasSizeLessThan(2);
      }
    }
  }

  /** A short of the one source, made at either seat, is told once, and no port is blamed. */
  @Test(dataProvider = "seeds")
  public void aShortIsToldOnce(int seed) {
    SplittableRandom random = new SplittableRandom(200 + seed);
    Build drawn = draw(random);
    for (Seat seat : drawn.seats()) {
      drawn =
          drawn.with(
              SupplyBook.PART,
              drawn.get(SupplyBook.PART).feeding(seat.id(), Optional.of(new ControlId("p0"))));
    }
    Seat seat = drawn.seats().get(random.nextInt(2));
    Build here = at(drawn, seat);
    Jumper slip = Jumper.parse("board:5V - board:GND.2");
    Build shorted = here.withLoom(here.loom().withAdded(slip));
    Bench bench = Bench.of(at(shorted, drawn.seats().get(0)), CATALOGUE);
    assertThat(bench.findings().stream().filter(f -> f.code() == NetCode.SUPPLY_ON_GROUND))
        .hasSize(1);
    assertThat(bench.findings()).noneMatch(f -> f.code() == PowerCode.OVER_BUDGET);
    for (Seat other : drawn.seats()) {
      assertThat(Bench.of(at(shorted, other), CATALOGUE).circuit().orElseThrow().inputs().dead())
          .isPresent();
    }
  }

  /** Two sources that a slip joins are told once, by what they are called. */
  @Test
  public void twoSourcesAreToldOnce() {
    Seat one = TWO.seats().get(0);
    Seat other = TWO.seats().get(1);
    SupplyBook book = SupplyBook.EMPTY;
    Set<String> labels = new TreeSet<>();
    for (Seat seat : TWO.seats()) {
      SupplyPart jack =
          SupplyPart.of(
                  new ControlId("jack-" + seat.id()),
                  "Jack " + seat.id(),
                  "jack-5v",
                  Placement.at(100, 80),
                  Optional.empty())
              .withSeat(Optional.of(seat.id()));
      book = book.with(jack).feeding(seat.id(), Optional.of(jack.id()));
      labels.add(jack.label());
    }
    Build build = TWO.with(SupplyBook.PART, book);
    Build joined =
        build.withLinks(
            List.of(
                kumite.build.Link.parse(one.id() + ":5V - " + other.id() + ":5V"),
                kumite.build.Link.parse(one.id() + ":GND - " + other.id() + ":GND")));
    assertThat(Bench.of(build, CATALOGUE).findings())
        .noneMatch(f -> f.code() == SupplyCode.SOURCES_JOINED);
    assertThat(
            Bench.of(joined, CATALOGUE).findings().stream()
                .filter(f -> f.code() == SupplyCode.SOURCES_JOINED))
        .singleElement()
        .satisfies(f -> assertThat(f.title()).endsWith(String.join(" and ", labels)));
  }

  /** A part at a seat without a board is wired nowhere; that is a stop, and a board mends it. */
  @Test
  public void aSeatWithoutABoardGivesNothing() {
    Seat other = TWO.seats().get(1);
    SupplyPart jack =
        SupplyPart.of(
                new ControlId("jack"), "Jack", "jack-5v", Placement.at(100, 80), Optional.empty())
            .withSeat(Optional.of(other.id()));
    Build fed =
        TWO.with(
            SupplyBook.PART,
            SupplyBook.EMPTY.with(jack).feeding(TWO.seats().get(0).id(), Optional.of(jack.id())));
    assertThat(Bench.of(fed, CATALOGUE).findings())
        .noneMatch(f -> f.code() == SupplyCode.NO_BOARD_THERE);
    Build bare = at(fed, other).withBoard(Optional.empty());
    assertThat(Bench.of(at(bare, TWO.seats().get(0)), CATALOGUE).findings())
        .anyMatch(f -> f.code() == SupplyCode.NO_BOARD_THERE);
  }
}
