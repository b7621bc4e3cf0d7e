package kumite.bill;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import kumite.bill.Item.Group;
import kumite.bill.Item.Unit;
import kumite.box.BoxPlan;
import kumite.box.Nest;
import kumite.box.ScrewLine;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.plan.PlanBook;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.ControlKind;
import kumite.kind.Landing;
import kumite.kind.ScrewHole;
import kumite.kind.SupplyKind;
import kumite.lead.End;
import kumite.lead.Lead;
import kumite.lead.Plugs;
import kumite.loom.CutList;
import kumite.loom.Strand;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import kumite.parts.SupplyFile;
import kumite.plan.Act;
import kumite.plan.Plan;
import kumite.plan.SeatWork;
import kumite.signal.PortKind;
import kumite.working.Working;

/**
 * All that a build takes, counted: controls, boards, wire by gauge and colour, joints by kind,
 * fixings, leads, small parts and what is used up. What is there already or not used is left out.
 *
 * <p>Spares are common practice, no source: a tenth of each wire, two of each small part.
 *
 * @param items in the order of groups
 */
public record Bill(List<Item> items) {
  /** Beyond what is needed, of what is small and cheap. */
  private static final int SMALL_SPARE = 2;

  private static final double MM_IN_M = 1000;
  private static final double TUBE_MM = 20;

  /** Solder of one joint, in g: common practice, no source. */
  private static final double JOINT_G = 0.15;

  public Bill {
    items = List.copyOf(items);
  }

  /** {@return the bill of a build} */
  public static Bill of(
      Build build, Catalogue catalogue, List<SeatWork> seats, Plan plan, BoxPlan box) {
    return new Bill(new Counter(build, catalogue, seats, plan, box).items());
  }

  /** {@return the row of that id, if there is one} */
  public Optional<Item> item(String id) {
    return items.stream().filter(item -> item.id().equals(id)).findFirst();
  }

  private static final class Counter {
    private final Build build;
    private final Catalogue catalogue;
    private final List<SeatWork> seats;
    private final Plan plan;
    private final BoxPlan box;
    private final PlanBook book;
    private final List<Item> items = new ArrayList<>();
    private double soldered;

    Counter(Build build, Catalogue catalogue, List<SeatWork> seats, Plan plan, BoxPlan box) {
      this.build = build;
      this.catalogue = catalogue;
      this.seats = seats;
      this.plan = plan;
      this.box = box;
      this.book = build.get(PlanBook.PART);
    }

    List<Item> items() {
      controls();
      boards();
      supplies();
      box();
      wire();
      leads();
      smallParts();
      consumables();
      items.sort(Comparator.comparing(Item::group));
      return items;
    }

    private boolean needed(String id) {
      return !book.already().contains(id) && !book.unused().contains(id);
    }

    private void each(Group group, String id, String what, double need, double spare) {
      items.add(new Item(id, group, what, Unit.EACH, need, spare));
    }

    // ---- what feeds it

    private void supplies() {
      Map<String, Integer> counts = new LinkedHashMap<>();
      Map<String, Integer> lamps = new TreeMap<>();
      for (SupplyPart part : build.get(SupplyBook.PART).parts()) {
        if (needed(part.id().text())) {
          counts.merge(part.kind(), 1, Integer::sum);
          lamps.merge(part.kind(), part.count(), Integer::sum);
        }
      }
      counts.forEach(
          (id, count) -> {
            SupplyKind kind = SupplyFile.find(id).orElseThrow();
            String what = kind.name() + ": " + kind.trait();
            if (kind.does() instanceof SupplyKind.Strip strip) {
              double metres = lamps.get(id) * strip.pitchMm() / 1000;
              items.add(new Item(id, Group.SUPPLIES, what, Unit.METRE, metres, 0));
            } else {
              each(Group.SUPPLIES, id, what, count, 0);
            }
          });
    }

    // ---- the case, where one was decided; screws of controls and boards are counted with those

    private void box() {
      if (!box.spoken()) {
        return;
      }
      Map<String, Integer> sheets = new LinkedHashMap<>();
      for (Nest.Laid laid : box.nest().sheets()) {
        sheets.merge(
            String.format(
                Locale.ROOT,
                "%s, %s mm, %.0f x %.0f mm",
                laid.material().words(),
                Working.number(laid.thicknessMm(), 1),
                laid.sheet().widthMm(),
                laid.sheet().heightMm()),
            1,
            Integer::sum);
      }
      int number = 1;
      for (Map.Entry<String, Integer> sheet : sheets.entrySet()) {
        each(Group.CASE, "case-sheet-" + number++, sheet.getKey(), sheet.getValue(), 0);
      }
      Map<String, Integer> screws = new LinkedHashMap<>();
      for (ScrewLine line : box.screws()) {
        boolean counted =
            line.holds() == ScrewLine.Holds.CONTROL || line.holds() == ScrewLine.Holds.BOARD;
        if (!counted) {
          screws.merge(
              line.size() + " screws" + (line.with().isEmpty() ? "" : ", " + line.with()),
              line.count(),
              Integer::sum);
        }
      }
      number = 1;
      for (Map.Entry<String, Integer> screw : screws.entrySet()) {
        each(Group.CASE, "case-screw-" + number++, screw.getKey(), screw.getValue(), SMALL_SPARE);
      }
      if (box.box().feetMm() > 0) {
        each(
            Group.CASE,
            "case-feet",
            "feet of " + Working.number(box.box().feetMm(), 1) + " mm",
            4,
            0);
      }
    }

    // ---- controls and what holds them

    private void controls() {
      Map<String, Integer> counts = new LinkedHashMap<>();
      Map<String, Integer> screws = new TreeMap<>();
      for (Control control : build.controls()) {
        if (needed(control.id().text())) {
          counts.merge(control.kind(), 1, Integer::sum);
          for (ScrewHole hole : catalogue.kindOf(control).screws()) {
            screws.merge(hole.screw(), 1, Integer::sum);
          }
        }
      }
      counts.forEach(
          (id, count) -> {
            ControlKind kind = catalogue.control(id).orElseThrow();
            items.add(
                new Item(
                    id,
                    Group.CONTROLS,
                    kind.name() + ": " + kind.trait(),
                    Unit.EACH,
                    count,
                    0,
                    List.of(),
                    others(kind)));
          });
      screws.forEach(
          (screw, count) ->
              each(
                  Group.FIXINGS,
                  "screw-" + word(screw),
                  screw + " screws with nuts, for controls",
                  count,
                  SMALL_SPARE));
    }

    /** Kinds that go into the same hole, no deeper, with as many contacts of the same types. */
    private List<String> others(ControlKind kind) {
      return catalogue.controls().stream()
          .filter(other -> !other.id().equals(kind.id()) && other.alike(kind))
          .filter(other -> other.cutout().equals(kind.cutout()))
          .filter(other -> other.screws().equals(kind.screws()))
          .filter(other -> other.bodyDepthMm() <= kind.bodyDepthMm())
          .filter(other -> other.lit() == kind.lit())
          .filter(
              other ->
                  other.contacts().stream()
                      .map(c -> c.type())
                      .toList()
                      .equals(kind.contacts().stream().map(c -> c.type()).toList()))
          .map(ControlKind::id)
          .toList();
    }

    private void boards() {
      Map<String, Integer> counts = new LinkedHashMap<>();
      int standoffs = 0;
      for (SeatWork seat : seats) {
        if (seat.board().isPresent() && needed("board-" + seat.build().seat().id())) {
          BoardKind board = seat.board().get();
          counts.merge(board.id(), 1, Integer::sum);
          standoffs += board.seating().standoffs().size();
        }
      }
      counts.forEach(
          (id, count) ->
              each(
                  Group.BOARDS,
                  id,
                  catalogue.board(id).map(b -> b.name() + ": " + b.trait()).orElse(id),
                  count,
                  0));
      if (standoffs > 0) {
        each(
            Group.FIXINGS,
            "standoff",
            "standoffs with two screws each, for boards",
            standoffs,
            SMALL_SPARE);
      }
    }

    // ---- wire and its joints

    private void wire() {
      Map<String, List<Integer>> lengths = new TreeMap<>();
      Map<String, String> words = new LinkedHashMap<>();
      Map<String, Integer> joints = new TreeMap<>();
      Map<String, String> jointWords = new LinkedHashMap<>();
      int tubes = 0;
      for (SeatWork seat : seats) {
        Set<Joint> joined = new HashSet<>(); // wires that share a tab share its joint
        for (Strand strand : seat.loom().strands()) {
          if (!strand.cutHere() || unused(strand)) {
            continue;
          }
          String id = "wire-" + strand.gaugeAwg() + "-" + strand.colour();
          lengths.computeIfAbsent(id, i -> new ArrayList<>()).add(strand.lengthMm());
          words.put(
              id,
              strand.gaugeAwg() + " AWG " + strand.colour().words() + " (" + strand.colour() + ")");
          for (Strand.End end : List.of(strand.from(), strand.to())) {
            Landing landing = end.landing();
            soldered += landing.soldered() ? 1 : 0;
            tubes += landing.how() == Landing.How.LEAD ? 1 : 0;
            boolean bought =
                landing.how() == Landing.How.PUSH_ON
                    || landing.how() == Landing.How.HEADER_PIN
                    || landing.how() == Landing.How.JUNCTION;
            if (bought && joined.add(end.place())) {
              String joint = "joint-" + word(landing.words());
              joints.merge(joint, 1, Integer::sum);
              jointWords.put(joint, landing.words() + " for " + strand.gaugeAwg() + " AWG");
            }
          }
        }
      }
      lengths.forEach(
          (id, all) -> {
            double metres = all.stream().mapToInt(mm -> mm).sum() / MM_IN_M;
            items.add(
                new Item(
                    id,
                    Group.WIRE,
                    words.get(id),
                    Unit.METRE,
                    metres,
                    metres * CutList.SPARE,
                    all,
                    List.of()));
          });
      joints.forEach((id, count) -> each(Group.JOINTS, id, jointWords.get(id), count, SMALL_SPARE));
      if (tubes > 0) {
        double metres = tubes * TUBE_MM / MM_IN_M;
        items.add(
            new Item(
                "tube", Group.JOINTS, "shrink tube", Unit.METRE, metres, metres * CutList.SPARE));
      }
    }

    /** A wire of what is not used is not made. */
    private boolean unused(Strand strand) {
      return book.unused().contains(strand.from().place().part())
          || book.unused().contains(strand.to().place().part());
    }

    // ---- leads

    private void leads() {
      Plugs plugs = Plugs.standard().with(build.leads().connectors(), build.leads().pinouts());
      Map<String, Integer> plugCount = new TreeMap<>();
      Map<String, String> plugWords = new LinkedHashMap<>();
      for (Lead lead : build.leads().leads()) {
        if (!needed(lead.name())) {
          continue;
        }
        if (lead.cable().bought()) {
          each(Group.LEADS, "lead-" + word(lead.name()), lead.name() + ", bought as it is", 1, 0);
          continue;
        }
        for (End end : List.of(lead.from(), lead.to())) {
          if (end instanceof End.Plug plug) {
            String id = "plug-" + word(plug.connector() + " " + plug.gender().name());
            plugCount.merge(id, 1, Integer::sum);
            plugWords.put(
                id,
                plugs.connector(plug.connector()).map(c -> c.name()).orElse(plug.connector())
                    + ", "
                    + plug.gender().name().toLowerCase(Locale.ROOT));
          }
        }
        double metres = lead.cable().lengthMm() / MM_IN_M;
        soldered += 2 * lead.cores().size();
        items.add(
            new Item(
                "cable-" + word(lead.name()),
                Group.LEADS,
                lead.cable().cores()
                    + " cores of "
                    + lead.cable().gaugeAwg()
                    + " AWG for "
                    + lead.name(),
                Unit.METRE,
                metres,
                metres * CutList.SPARE));
      }
      for (var port : build.ports().ports()) {
        Optional<PortKind> kind = catalogue.port(port.kind());
        if (kind.isPresent() && needed(port.id().text())) {
          String id = "socket-" + word(kind.get().pinout());
          plugCount.merge(id, 1, Integer::sum);
          plugWords.put(id, "socket " + kind.get().pinout().replace('-', ' '));
        }
      }
      plugCount.forEach((id, count) -> each(Group.LEADS, id, plugWords.get(id), count, 0));
    }

    // ---- small parts, and what is used up

    private void smallParts() {
      Map<String, Integer> counts = new TreeMap<>();
      for (SeatWork seat : seats) {
        for (Component part : seat.loom().parts()) {
          boolean left = part.ends().stream().anyMatch(e -> book.unused().contains(e.part()));
          if (part.fitted() && !left) {
            counts.merge(part.words(), 1, Integer::sum);
            soldered += part.ends().size();
          }
        }
        Optional<Circuit> circuit = seat.board().flatMap(BoardKind::circuit);
        if (circuit.isPresent()) {
          circuit
              .get()
              .chips()
              .forEach(chip -> counts.merge(chip.what() + " with its socket", 1, Integer::sum));
          int inputs = seat.board().get().terminals(kumite.kind.Terminal.Role.INPUT).size();
          counts.merge("resistor 10 kohm", inputs, Integer::sum);
          counts.merge("capacitor 100 nF", Math.max(1, circuit.get().chips().size()), Integer::sum);
        }
      }
      counts.forEach(
          (what, count) -> each(Group.SMALL_PARTS, "part-" + word(what), what, count, SMALL_SPARE));
    }

    private void consumables() {
      if (soldered > 0) {
        items.add(
            new Item(
                "solder",
                Group.CONSUMABLES,
                "solder",
                Unit.GRAM,
                Math.ceil(soldered * JOINT_G),
                Math.ceil(soldered * JOINT_G * CutList.SPARE)));
      }
      used(Act.PAINT, "paint", "paint and primer for the panel");
      used(Act.LAY_COVER, "cover", "clear cover for the art");
      used(Act.GLUE_DOWN, "glue", "hot glue sticks");
      used(Act.GLUE_DOWN, "alcohol", "isopropyl alcohol, takes glue and flux off");
      used(Act.RELIEF, "ties", "cable ties and tape");
      used(Act.CUT_WIRE, "labels", "sheet of wire labels");
    }

    private void used(Act act, String id, String what) {
      boolean wanted =
          plan.steps().stream()
              .anyMatch(
                  step ->
                      step.act() == act
                          && step.state() != kumite.plan.Step.State.ALREADY
                          && step.state() != kumite.plan.Step.State.UNUSED);
      if (wanted) {
        each(Group.CONSUMABLES, id, what, 1, 0);
      }
    }

    private static String word(String text) {
      return text.toLowerCase(Locale.ROOT)
          .replace(".", "-")
          .replaceAll("[^a-z0-9]+", "-")
          .replaceAll("^-|-$", "");
    }
  }
}
