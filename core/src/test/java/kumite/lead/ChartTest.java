package kumite.lead;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import kumite.lead.LeadPart.Place;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a chart tells to do and to test, for any lead. */
public class ChartTest {
  private static final Plugs PLUGS = Plugs.standard();

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 200).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
  }

  private static Lead lead(int seed) {
    return RandomLeads.any(new SplittableRandom(seed));
  }

  @Test(dataProvider = "seeds")
  public void thereIsARowForEachCoreInOrder(int seed) {
    Lead lead = lead(seed);
    Chart chart = Chart.of(lead, PLUGS);
    assertThat(chart.rows()).hasSameSizeAs(lead.cores());
    ConnectorKind from = PLUGS.connector(lead.from()).orElseThrow();
    ConnectorKind to = PLUGS.connector(lead.to()).orElseThrow();
    int before = -1;
    for (Chart.Row row : chart.rows()) {
      assertThat(from.order(row.from())).isGreaterThanOrEqualTo(before);
      before = from.order(row.from());
      assertThat(lead.cores())
          .anyMatch(
              c ->
                  c.from().equals(row.from())
                      && c.to().equals(row.to())
                      && c.colour().equals(row.colour()));
      assertThat(row.stripFromMm())
          .isEqualTo(from.wired(((End.Plug) lead.from()).wired()).stripMm());
      assertThat(row.stripToMm()).isEqualTo(to.wired(((End.Plug) lead.to()).wired()).stripMm());
      if (row.fromWords().startsWith("screw")) {
        assertThat(row.fromWords()).isEqualTo("screw " + row.from());
      }
    }
  }

  private static Place place(String words) {
    String pin = words.substring(4, words.indexOf(" of the "));
    return new Place(words.endsWith("first end") ? Where.FROM : Where.TO, pin);
  }

  /** What must beep is joined and what must be silent is not; every pin with a core is tested. */
  @Test(dataProvider = "seeds")
  public void testsAreWhatTheLeadJoins(int seed) {
    Lead lead = lead(seed);
    LeadNets nets = LeadNets.of(lead);
    Set<Place> tested = new HashSet<>();
    for (Chart.Test test : Chart.of(lead, PLUGS).tests()) {
      Place one = place(test.one());
      Place other = place(test.other());
      boolean across =
          lead.parts().stream()
              .filter(LeadPart.ResistorAcross.class::isInstance)
              .anyMatch(
                  p ->
                      p.places().stream().anyMatch(nets.of(one)::contains)
                          && p.places().stream().anyMatch(nets.of(other)::contains));
      boolean joined = nets.of(one).contains(other);
      assertThat(test.joined()).as("%s", test).isEqualTo(joined || across);
      tested.add(one);
      tested.add(other);
    }
    for (Core core : lead.cores()) {
      assertThat(tested)
          .contains(new Place(Where.FROM, core.from()), new Place(Where.TO, core.to()));
    }
    // Beeps alone join all that is joined: the tests leave no core out.
    for (Set<Place> net : nets.all()) {
      long beeps =
          Chart.of(lead, PLUGS).tests().stream()
              .filter(Chart.Test::joined)
              .filter(test -> net.contains(place(test.one())))
              .filter(test -> net.contains(place(test.other())))
              .count();
      boolean cored =
          lead.cores().stream().anyMatch(c -> net.contains(new Place(Where.FROM, c.from())));
      assertThat(beeps).isEqualTo(cored ? net.size() - 1 : 0);
    }
  }

  private static int step(List<String> steps, String words) {
    return IntStream.range(0, steps.size())
        .filter(i -> steps.get(i).contains(words))
        .findFirst()
        .orElse(-1);
  }

  private static int last(List<String> steps, String words) {
    return IntStream.range(0, steps.size())
        .filter(i -> steps.get(i).contains(words))
        .max()
        .orElse(-1);
  }

  /** TRADE section 10: tube and boots go on the wire before the joint; test before closing. */
  @Test(dataProvider = "seeds")
  public void theOrderOfWorkForgetsNothing(int seed) {
    Lead lead = lead(seed);
    List<String> steps = Chart.of(lead, PLUGS).steps();
    List<Where> made =
        Stream.of(Where.values())
            .filter(
                w ->
                    !((End.Plug) lead.end(w)).wired().equals(Optional.of(Wired.How.MOULDED))
                        || PLUGS.needed(((End.Plug) lead.end(w)).connector()).bare())
            .toList();
    if (made.isEmpty()) {
      assertThat(steps).hasSize(2);
      return;
    }
    assertThat(steps.get(0)).startsWith("Cut the cable");
    int slide = last(steps, "Slide on first");
    int joint = step(steps, "Put each core on");
    int dry = step(steps, "Dry fit");
    int test = step(steps, "Go through the list of tests");
    int close = step(steps, "go through the list again");
    if (joint >= 0) {
      assertThat(slide).isLessThan(joint);
      assertThat(joint).isLessThan(dry);
    }
    for (int i = 0; i < steps.size(); i++) {
      if (steps.get(i).startsWith("Push a piece of thin tube")) {
        assertThat(steps.get(i + 1)).startsWith("Put each core on");
      }
    }
    assertThat(dry).isLessThan(test);
    assertThat(test).isLessThan(close);
    for (Slip slip : lead.slips().stream().filter(s -> made.contains(s.end())).toList()) {
      assertThat(steps.subList(0, joint < 0 ? steps.size() : joint))
          .anyMatch(s -> s.contains(slip.kind().words()));
    }
    for (LeadPart part : lead.parts()) {
      assertThat(steps.subList(0, test)).anyMatch(s -> s.contains(part.words()));
    }
  }

  @Test(dataProvider = "seeds")
  public void theCutListIsEnough(int seed) {
    Lead lead = lead(seed);
    List<Chart.Cut> cuts = Chart.of(lead, PLUGS).cuts();
    List<Chart.Cut> cable = cuts.stream().filter(c -> c.what().contains("-core")).toList();
    assertThat(cable).as("a bought cable is there").hasSize(lead.cable().bought() ? 0 : 1);
    assertThat(cable)
        .allMatch(c -> c.lengthMm() >= lead.cable().lengthMm())
        .allMatch(c -> c.what().contains(lead.cable().cores() + "-core"));
    for (Where where : Where.values()) {
      End.Plug plug = (End.Plug) lead.end(where);
      boolean soldered = PLUGS.needed(plug.connector()).wired(plug.wired()).how().soldered();
      long joints = lead.cores().stream().map(core -> Lead.pin(core, where)).distinct().count();
      Optional<Chart.Cut> tubes =
          cuts.stream()
              .filter(c -> c.what().contains("thin tube") && c.what().contains(where.words()))
              .findFirst();
      assertThat(tubes.map(Chart.Cut::count).orElse(0)).isEqualTo(soldered ? (int) joints : 0);
    }
  }

  // ---- parts of joined leads

  private static double series(Lead lead, String from, String to) {
    return lead.parts().stream()
        .filter(LeadPart.Series.class::isInstance)
        .map(LeadPart.Series.class::cast)
        .filter(s -> s.from().equals(from) && s.to().equals(to))
        .mapToDouble(LeadPart.Series::ohm)
        .sum();
  }

  /** Resistors in cores that follow each other add up; parts to a rail keep to their net. */
  @Test(dataProvider = "seeds")
  public void partsOfJoinedLeadsAreKept(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Lead> pair = new ArrayList<>();
    List<Map<String, Double>> ohms = new ArrayList<>();
    Pinout nine = PLUGS.neededPinout("nine-pin-direct");
    for (int i = 0; i < 2; i++) {
      Lead lead = Making.turning(new Turn(random.nextInt(4), random.nextBoolean()), nine, PLUGS);
      List<LeadPart> parts = new ArrayList<>();
      for (Core core : lead.cores()) {
        if (random.nextInt(3) == 0) {
          parts.add(new LeadPart.Series(core.from(), core.to(), random.nextInt(1, 1000)));
        }
      }
      Place hung =
          new Place(
              RandomLeads.pick(Where.values(), random), String.valueOf(random.nextInt(1, 10)));
      parts.add(new LeadPart.CapacitorToGround(hung, 1e-9 * (i + 1)));
      pair.add(lead.withParts(parts));
      ohms.add(
          lead.withParts(parts).cores().stream()
              .collect(
                  Collectors.toMap(
                      Core::from, c -> series(pair.get(pair.size() - 1), c.from(), c.to()))));
    }
    Lead joined = Making.joined(LeadLawTest.plugged(pair));
    for (Core core : joined.cores()) {
      String middle = LeadNets.of(pair.get(0)).carried(core.from()).get(0);
      assertThat(series(joined, core.from(), core.to()))
          .isEqualTo(ohms.get(0).get(core.from()) + ohms.get(1).get(middle));
    }
    List<LeadPart> hung = joined.parts().stream().filter(p -> p.hanging().isPresent()).toList();
    assertThat(hung).hasSize(2);
    for (int i = 0; i < 2; i++) {
      double farad = 1e-9 * (i + 1);
      LeadPart.CapacitorToGround was =
          (LeadPart.CapacitorToGround) pair.get(i).parts().get(pair.get(i).parts().size() - 1);
      LeadPart.CapacitorToGround is =
          hung.stream()
              .map(LeadPart.CapacitorToGround.class::cast)
              .filter(p -> p.farad() == farad)
              .findFirst()
              .orElseThrow();
      Set<String> net = reaches(pair, i, was.at());
      assertThat(net).contains((is.at().end() == Where.FROM ? "from " : "to ") + is.at().pin());
    }
  }

  /** The ends of two leads, one after the other, that a pin of one of them reaches. */
  private static Set<String> reaches(List<Lead> pair, int which, Place at) {
    LeadNets first = LeadNets.of(pair.get(0));
    LeadNets second = LeadNets.of(pair.get(1));
    Set<String> ends = new HashSet<>();
    for (String from : PLUGS.needed("nine-pin").names()) {
      for (String middle : first.carried(from)) {
        for (String to : second.carried(middle)) {
          boolean here =
              which == 0
                  ? at.pin().equals(at.end() == Where.FROM ? from : middle)
                  : at.pin().equals(at.end() == Where.FROM ? middle : to);
          if (here) {
            ends.add("from " + from);
            ends.add("to " + to);
          }
        }
      }
    }
    return ends;
  }

  // ---- in words

  @DataProvider
  public Object[][] words() {
    return new Object[][] {
      {"1>1 2>2 3>3 4>4 5>5 6>6 7>7 8>8 9>9", "a plain extension"},
      {
        "1>3 2>4 3>2 4>1 5>5 6>6 7>7 8>8 9>9",
        "turns the stick a quarter to the left (counter-clockwise)"
      },
      {
        "1>4 2>3 3>1 4>2 5>5 6>6 7>7 8>8 9>9",
        "turns the stick three quarters to the left, which is a quarter to the right"
      },
      {"1>2 2>1 3>3 4>4 5>5 6>6 7>7 8>8 9>9", "mirrors up and down"},
      {"1>1 2>2 3>3 4>4 8>8", "a plain extension; leaves out pot y, fire, supply, pot x"},
      {"1>1 2>2 3>3 4>4 5>6 6>5 7>7 8>8 9>9", "pot y arrives as fire; fire arrives as pot y"},
      {"1>5 2>2 3>3 4>4 5>1 6>6 7>7 8>8 9>9", "up arrives as pot y; pot y arrives as up"},
    };
  }

  @Test(dataProvider = "words")
  public void whatALeadDoesIsToldInWords(String pins, String words) {
    ConnectorKind nine = PLUGS.needed("nine-pin");
    Optional<Pinout> direct = PLUGS.pinout("nine-pin-direct");
    Lead lead =
        Making.between(
            "L",
            End.Plug.of("nine-pin", Gender.MALE),
            End.Plug.of("nine-pin", Gender.FEMALE),
            new LeadTable(nine, direct, nine, direct).readShort(pins),
            PLUGS);
    assertThat(Told.of(lead, PLUGS).words()).isEqualTo(words);
  }
}
