package kumite;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import kumite.build.BoardChoice;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.box.Box;
import kumite.build.box.BoxBook;
import kumite.build.box.Cutout;
import kumite.build.box.Face;
import kumite.build.box.Making;
import kumite.build.box.Through;
import kumite.build.brief.Brief;
import kumite.build.brief.Hand;
import kumite.build.brief.Host;
import kumite.build.brief.HostFunction;
import kumite.build.loom.Hookup;
import kumite.build.loom.Laying;
import kumite.build.loom.LoomSettings;
import kumite.build.loom.Topology;
import kumite.build.loom.WireSort;
import kumite.build.map.AxisName;
import kumite.build.map.AxisTuning;
import kumite.build.map.Choice;
import kumite.build.map.Chord;
import kumite.build.map.FourWay;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Opposed;
import kumite.build.map.OppositesRule;
import kumite.build.map.PressAt;
import kumite.build.map.Profile;
import kumite.build.map.Pulses;
import kumite.build.map.Ramp;
import kumite.build.map.Repeat;
import kumite.build.map.Script;
import kumite.build.map.Target;
import kumite.build.map.Timing;
import kumite.build.map.Tuning;
import kumite.build.panel.CaseInside;
import kumite.build.panel.Datum;
import kumite.build.panel.Material;
import kumite.build.panel.Panel;
import kumite.build.port.Port;
import kumite.build.supply.SupplyBook;
import kumite.build.supply.SupplyPart;
import kumite.kind.BoardKind;
import kumite.kind.Common;
import kumite.kind.ContactKind;
import kumite.kind.ControlKind;
import kumite.kind.SupplyKind;
import kumite.kind.WireColour;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.measure.LengthUnit;
import kumite.measure.Placement;
import kumite.measure.Point;
import kumite.name.ContactId;
import kumite.name.ControlId;
import kumite.name.Joint;
import kumite.name.Jumper;
import kumite.name.SeatId;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;
import kumite.parts.SupplyFile;
import kumite.signal.PortFile;
import kumite.signal.PortKind;

/** Builds that nobody thought of. All are invented; the same seed gives the same build. */
public final class RandomBuilds {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  private RandomBuilds() {}

  /** {@return any build that a file can hold, however odd} */
  public static Build any(SplittableRandom random) {
    double width = random.nextDouble(60, 700);
    double height = random.nextDouble(60, 400);
    Panel panel =
        new Panel(
            width,
            height,
            random.nextDouble(0, Math.min(width, height) / 2),
            random.nextDouble(0.5, 20),
            pick(Material.values(), random),
            new CaseInside(random.nextDouble(0, 30), random.nextDouble(5, 150)),
            pick(Datum.values(), random));
    Build build =
        Build.empty("Random \"build\" ä " + random.nextInt())
            .withPanel(panel)
            .withBrief(
                new Brief(
                    "Any",
                    random.nextDouble(1, 12),
                    Hand.AVERAGE.withReach(random.nextDouble(20, 300)),
                    pick(LengthUnit.values(), random)))
            .withProfile(
                p ->
                    p.withHost(pick(Host.values(), random))
                        .withFunctions(
                            List.of(
                                new HostFunction("One", pick(HostFunction.Wants.values(), random)),
                                new HostFunction(
                                    "Two", pick(HostFunction.Wants.values(), random)))))
            .withTiming(
                new Timing(
                    random.nextInt(50, 5000),
                    pick(Timing.Debounce.values(), random),
                    random.nextInt(0, 20_000),
                    random.nextInt(1000, 10_000)));
    build = build.withControls(controls(random, width, height));
    build = cased(build);
    build = build.withMapping(mapping(build, random));
    if (random.nextInt(6) > 0) {
      String board = CATALOGUE.boards().get(random.nextInt(CATALOGUE.boards().size())).id();
      build =
          build.withBoard(
              Optional.of(
                  new BoardChoice(
                      board,
                      new Placement(
                          random.nextDouble(width),
                          random.nextDouble(height),
                          random.nextInt(4) * 90))));
    }
    Build wired = build.withLoom(loom(build, random));
    // Of its own seed, so that what else a seed gives stays as it was.
    wired =
        width > 600 // one in six: leads on paper take their time
            ? wired.withLeads(
                kumite.lead.RandomLeads.book(wired, new SplittableRandom((long) (width * 1e6))))
            : wired;
    wired =
        height > 330 // one in five
            ? ported(wired, new SplittableRandom((long) (height * 1e6)))
            : wired;
    wired =
        width < 190 // one in five
            ? fed(wired, new SplittableRandom((long) (height * 1e6)))
            : wired;
    return random.nextInt(3) == 0 ? spoiled(wired, random) : wired;
  }

  /** {@return the build with a tree of what feeds it, its board perhaps too} */
  public static Build fed(Build build, SplittableRandom random) {
    List<String> kinds = SupplyFile.standard().stream().map(SupplyKind::id).toList();
    SupplyBook book = SupplyBook.EMPTY;
    List<ControlId> givers = new ArrayList<>();
    for (int i = 1 + random.nextInt(5); i > 0; i--) {
      String kind = kinds.get(random.nextInt(kinds.size()));
      SupplyKind.Does does = SupplyFile.find(kind).orElseThrow().does();
      boolean source = does instanceof SupplyKind.Source;
      Optional<ControlId> from =
          source || givers.isEmpty()
              ? Optional.empty()
              : Optional.of(givers.get(random.nextInt(givers.size())));
      ControlId id = new ControlId("fed-" + i);
      Placement place =
          new Placement(
              random.nextDouble(build.panel().widthMm()),
              random.nextDouble(build.panel().heightMm()),
              random.nextInt(4) * 90);
      SupplyPart part =
          SupplyPart.of(id, "Fed " + i, kind, place, from)
              .opened(does instanceof SupplyKind.Through && random.nextInt(4) == 0);
      book =
          book.with(does instanceof SupplyKind.Strip ? part.withCount(random.nextInt(60)) : part);
      if (!does.out().isEmpty()) {
        givers.add(id);
      }
    }
    for (Seat seat : build.seats()) {
      if (!givers.isEmpty() && random.nextBoolean()) {
        book = book.feeding(seat.id(), Optional.of(givers.get(random.nextInt(givers.size()))));
      }
    }
    return build.with(SupplyBook.PART, book);
  }

  /** {@return the build with pads at ports, most of whose buttons mean something} */
  public static Build ported(Build build, SplittableRandom random) {
    List<PortKind> kinds = PortFile.standard();
    Build next = build;
    int ports = random.nextInt(1, 4);
    int button = 1;
    for (int i = 1; i <= ports; i++) {
      // Two of a kind share their lines.
      PortKind kind = kinds.get(random.nextInt(i == 1 ? kinds.size() : 5));
      ControlId id = next.freshId("Pad " + i);
      Placement at = Placement.at(random.nextInt(200), random.nextInt(200));
      Port port = Port.of(id, "Pad " + i, kind.id(), at);
      if (random.nextInt(4) == 0) {
        port = port.withFeed(Optional.of(random.nextBoolean() ? 3.3 : 5.0));
      }
      if (next.seats().size() > 1) {
        port =
            port.withSeat(Optional.of(next.seats().get(random.nextInt(next.seats().size())).id()));
      }
      boolean here = next.seatOf(port.control()).equals(next.seat().id());
      if (random.nextInt(4) == 0) {
        port = port.doing(Port.Does.ANSWERS);
        Optional<BoardKind> chips = Catalogue.standard().circuit(kind);
        if (here && chips.isPresent() && random.nextBoolean()) {
          next = Arrange.withBoard(next, chips.get());
        }
      }
      next = next.withPorts(next.ports().with(port));
      if (port.reads() && here) {
        Mapping mapping = next.mapping();
        for (PortKind.Bit bit : kind.contacts()) {
          if (random.nextInt(5) > 0 && button <= 64) {
            Target.Button to = new Target.Button(button++);
            mapping = mapping.with(new ContactId(id, bit.contact()), new Mapping.Entry(to, ""));
          }
        }
        next = next.withMapping(mapping);
      }
    }
    return next;
  }

  /** {@return a build of switches on a board that takes them all, wired in one way} */
  public static Build sharing(Topology topology, int contacts, SplittableRandom random) {
    double[] places = new double[2 * contacts];
    for (int i = 0; i < contacts; i++) {
      places[2 * i] = 30 + 45 * (i % 8) + random.nextDouble(3);
      places[2 * i + 1] = 30 + 45 * (i / 8) + random.nextDouble(3);
    }
    Build build = Builds.wired(Builds.buttons(places), "native-3v3-48");
    Panel panel = build.panel().withSize(420, 60 + 45 * (contacts / 8 + 1));
    List<ContactId> all = build.controls().stream().map(c -> new ContactId(c.id(), "")).toList();
    return build
        .withPanel(panel)
        .withLoom(build.loom().withGroup(new ControlId("keys"), topology, all));
  }

  /** {@return the build with one thing done to it, such as a builder does in one step} */
  public static Build edited(Build build, SplittableRandom random) {
    List<Control> controls = build.controls();
    int what = random.nextInt(controls.isEmpty() ? 2 : 12);
    Control one = controls.isEmpty() ? null : controls.get(random.nextInt(controls.size()));
    return switch (what) {
      case 0 ->
          build.withControl(
              Control.of(
                  build.freshId("more"),
                  "More " + random.nextInt(1000),
                  pick(CATALOGUE.controls().toArray(ControlKind[]::new), random).id(),
                  Placement.at(random.nextDouble(20, 280), random.nextDouble(20, 180))));
      case 1 ->
          build.withBoard(
              Optional.of(
                  new BoardChoice(
                      pick(CATALOGUE.boards().toArray(kumite.kind.BoardKind[]::new), random).id(),
                      Placement.at(random.nextDouble(40, 260), random.nextDouble(40, 160)))));
      case 2 -> build.without(one.id());
      case 3, 4 ->
          build.withControl(
              one.withPlacement(
                  Placement.at(
                      one.placement().xMm() + random.nextDouble(-9, 9),
                      one.placement().yMm() + random.nextDouble(-9, 9))));
      case 5 -> build.withControl(one.withHookup(h -> h.withRestsClosed(!h.restsClosed())));
      case 6 -> build.withControl(one.withHookup(h -> h.withLampShares(!h.lampShares())));
      case 7 -> build.withControl(one.withLabel("L " + random.nextInt(1000)));
      case 8 -> build.withLoom(loom(build, random));
      case 9 -> build.withMapping(mapping(build, random));
      case 10 ->
          build.withTiming(
              new Timing(
                  random.nextInt(50, 5000), pick(Timing.Debounce.values(), random), 900, 1000));
      default -> spoiled(build, random);
    };
  }

  /** {@return the build with a wire of its plan left out, moved to another place, or one added} */
  public static Build spoiled(Build build, SplittableRandom random) {
    List<Strand> strands = Loom.of(build, CATALOGUE.with(build)).strands();
    if (strands.isEmpty()) {
      return build;
    }
    Strand one = strands.get(random.nextInt(strands.size()));
    Strand other = strands.get(random.nextInt(strands.size()));
    LoomSettings loom = build.loom();
    if (random.nextInt(3) > 0) {
      loom = loom.withLeftOut(one.wire());
    }
    if (random.nextBoolean() && !one.from().place().equals(other.to().place())) {
      loom = loom.withAdded(new Jumper(one.from().place(), other.to().place()));
    }
    return build.withLoom(loom);
  }

  /** Every third has a case, made this way or that; no draw of its own, as above. */
  private static Build cased(Build build) {
    int way = (int) (build.panel().widthMm() * 10);
    double t = 0.5 + build.panel().thicknessMm() / 2;
    List<Making> makings =
        List.of(
            new Making.Boards(t, 3),
            new Making.Laser(t, 0.15, 0.05),
            new Making.Printed(t, 220, 220, 250),
            new Making.Bought(t, 100, 80, 60));
    if (way % 3 != 0) {
      return build;
    }
    Box box =
        new Box(makings.get(way / 3 % makings.size())).withOverhang(way % 7).withFeet(way % 5);
    for (Through through : Through.values()) {
      if ((way + through.ordinal()) % 4 == 0) {
        Face face = Face.values()[(way + through.ordinal()) % Face.values().length];
        Point at = new Point(way % 300, build.panel().heightMm() / (1 + way % 6));
        box = box.with(new Cutout(through.name(), face, at, through));
      }
    }
    return build.with(BoxBook.PART, new BoxBook(box));
  }

  private static List<Control> controls(SplittableRandom random, double width, double height) {
    List<Control> controls = new ArrayList<>();
    int count = random.nextInt(16);
    for (int i = 0; i < count; i++) {
      ControlKind kind = CATALOGUE.controls().get(random.nextInt(CATALOGUE.controls().size()));
      controls.add(
          new Control(
              new ControlId("c" + i),
              "C " + i,
              kind.id(),
              new Placement(
                  random.nextDouble(-20, width + 20),
                  random.nextDouble(-20, height + 20),
                  random.nextInt(4) == 0 ? random.nextDouble(-180, 180) : 0),
              new Hookup(
                  random.nextInt(8) == 0
                      ? Optional.of(pick(Common.values(), random))
                      : Optional.empty(),
                  random.nextInt(12) == 0,
                  random.nextInt(4) == 0
                      ? OptionalDouble.of(random.nextDouble(1, 1000))
                      : OptionalDouble.empty(),
                  random.nextInt(3) == 0,
                  random.nextInt(6) == 0
                      ? Optional.of(random.nextBoolean() ? "5V" : "3V3")
                      : Optional.empty())));
      if (i % 7 == 6) { // no draw of its own, so that all else is drawn as before
        Face face = Face.values()[(int) (width + i) % Face.values().length];
        controls.set(i, controls.get(i).on(Optional.of(face)));
      }
    }
    return controls;
  }

  private static Mapping mapping(Build build, SplittableRandom random) {
    Mapping mapping = Mapping.EMPTY;
    for (Control control : build.controls()) {
      for (ContactKind contact : CATALOGUE.kindOf(control).contacts()) {
        if (random.nextInt(5) > 0) {
          mapping =
              mapping.with(
                  new ContactId(control.id(), contact.name()),
                  new Mapping.Entry(target(random), random.nextBoolean() ? "One" : ""));
        }
      }
    }
    return mapping;
  }

  /** {@return the build with layers, chords, rules, tuning, another profile and a script} */
  public static Build layered(Build build, SplittableRandom random) {
    List<ContactId> contacts = contacts(build);
    if (contacts.size() < 3) {
      return build;
    }
    Profile profile = profile(build, build.profile(), contacts, random);
    Build next = build.withProfile(p -> profile);
    if (random.nextBoolean()) {
      Profile other =
          profile(build, Profile.empty("Other", pick(Host.values(), random)), contacts, random)
              .withBase(mapping(build, random))
              .chosen(
                  random.nextInt(3) == 0
                      ? new Choice.Running(some(contacts, 1, random))
                      : random.nextBoolean()
                          ? new Choice.Held(some(contacts, 1, random))
                          : new Choice.Switched(contacts.get(0), random.nextBoolean()));
      Profile first =
          random.nextInt(4) == 0
              ? profile.chosen(new Choice.Running(some(contacts, 1, random)))
              : profile;
      Seat seat = next.seat();
      next = next.withSeats(List.of(seat.withProfiles(List.of(first, other))));
    }
    Tuning tuning = Tuning.NONE;
    for (ContactId contact : some(contacts, 3, random)) {
      tuning =
          tuning
              .withAxis(contact, Optional.of(tuned(random)))
              .withPress(contact, Optional.of(new PressAt(600, random.nextInt(601))))
              .withPulses(contact, Optional.of(new Pulses(80, 4, random.nextBoolean())));
      if (random.nextInt(3) == 0) {
        tuning = tuning.withRepeat(contact, Optional.of(new Repeat(random.nextInt(1, 90), 40)));
      }
    }
    Script script =
        new Script(
            "Play",
            some(contacts, 4, random).stream()
                .map(c -> new Script.Move(c, 1, random.nextInt(90_000), random.nextInt(90_000)))
                .toList());
    return next.withTuning(tuning).withScripts(List.of(script));
  }

  /** {@return the build at two seats, its controls shared out, each with a board or none} */
  public static Build seated(Build build, SplittableRandom random) {
    SeatId right = new SeatId("right");
    Seat first = build.seat();
    String board = CATALOGUE.boards().get(random.nextInt(CATALOGUE.boards().size())).id();
    Seat other =
        new Seat(
            right,
            random.nextInt(5) == 0
                ? Optional.empty()
                : Optional.of(new BoardChoice(board, Placement.at(random.nextDouble(200), 60))),
            LoomSettings.USUAL,
            first.profiles(),
            first.timing());
    Build two = build.withSeats(List.of(first, other));
    SupplyBook book = two.get(SupplyBook.PART);
    for (SupplyPart part : book.parts()) {
      if (part.label().hashCode() % 2 == 0) { // of no draw of its own, as above
        book = book.with(part.withSeat(Optional.of(right)));
      }
    }
    two = two.with(SupplyBook.PART, book);
    return two.withControls(
        two.controls().stream()
            .map(c -> random.nextBoolean() ? c.withSeat(Optional.of(right)) : c)
            .toList());
  }

  /** {@return any tuning of an axis} */
  public static AxisTuning tuned(SplittableRandom random) {
    int least = random.nextInt(0, 400);
    int most = random.nextInt(least + 1, 1001);
    int dead = random.nextInt(0, 400);
    return new AxisTuning(
        least,
        random.nextBoolean()
            ? OptionalInt.of(random.nextInt(least, most + 1))
            : OptionalInt.empty(),
        most,
        dead,
        random.nextInt(dead + 1, 1001),
        random.nextInt(-100, 101),
        random.nextBoolean(),
        random.nextInt(8),
        random.nextBoolean());
  }

  private static Profile profile(
      Build build, Profile from, List<ContactId> contacts, SplittableRandom random) {
    Profile profile = from;
    List<Layer> layers = new ArrayList<>();
    for (int i = random.nextInt(3); i > 0; i--) {
      layers.add(
          new Layer(
              "Layer " + i,
              pick(Layer.Reach.values(), random),
              some(contacts, random.nextInt(3), random),
              mapping(build, random)));
    }
    profile = profile.withLayers(layers);
    for (int i = random.nextInt(4); i > 0; i--) {
      java.util.Set<ContactId> members = some(contacts, 2 + random.nextInt(2), random);
      profile =
          profile.withChord(
              new Chord(
                  layers.isEmpty() || random.nextBoolean() ? Layer.BASE : layers.get(0).name(),
                  members,
                  random.nextInt(1, 200),
                  random.nextBoolean(),
                  new Mapping.Entry(new Target.Button(random.nextInt(1, 129)), "")));
    }
    for (Control control : build.controls()) {
      if (CATALOGUE.kindOf(control).family() == ControlKind.Family.LEVER) {
        profile =
            profile
                .withOpposites(
                    new Opposed.Lever(control.id(), random.nextBoolean()),
                    Optional.of(pick(OppositesRule.values(), random)))
                .withFourWay(control.id(), Optional.of(pick(FourWay.values(), random)));
      }
    }
    return profile
        .withOpposites(
            new Opposed.HatPair(random.nextBoolean()),
            Optional.of(pick(OppositesRule.values(), random)))
        .withOpposites(
            new Opposed.AxisPair(AxisName.X), Optional.of(pick(OppositesRule.values(), random)))
        .withRamp(AxisName.X, Optional.of(new Ramp(random.nextInt(300), random.nextInt(300))))
        .telling(pick(Profile.Keys.values(), random));
  }

  private static List<ContactId> contacts(Build build) {
    List<ContactId> contacts = new ArrayList<>();
    for (Control control : build.controls()) {
      for (ContactKind contact : CATALOGUE.kindOf(control).contacts()) {
        contacts.add(new ContactId(control.id(), contact.name()));
      }
    }
    return contacts;
  }

  private static java.util.Set<ContactId> some(
      List<ContactId> contacts, int count, SplittableRandom random) {
    java.util.Set<ContactId> some = new java.util.TreeSet<>();
    while (some.size() < Math.min(count, contacts.size())) {
      some.add(contacts.get(random.nextInt(contacts.size())));
    }
    return some;
  }

  private static Target target(SplittableRandom random) {
    return switch (random.nextInt(12)) {
      case 7 -> new Target.Media(random.nextInt(1, 1024));
      case 8 -> new Target.MouseButton(random.nextInt(1, 9));
      case 9 ->
          random.nextBoolean()
              ? new Target.Motion(pick(Target.MouseAxis.values(), random))
              : new Target.MotionEnd(pick(Target.MouseAxis.values(), random), random.nextBoolean());
      case 10 ->
          new Target.OnPad(
              random.nextInt(2, 9),
              random.nextBoolean()
                  ? new Target.Button(random.nextInt(1, 129))
                  : new Target.Hat(pick(Target.Direction.values(), random)));
      case 0 -> new Target.Axis(pick(AxisName.values(), random));
      case 1 -> new Target.AxisEnd(pick(AxisName.values(), random), random.nextBoolean());
      case 2 -> new Target.Hat(pick(Target.Direction.values(), random));
      case 3 -> new Target.Key(random.nextInt(0x04, 0xE8));
      case 4 -> new Target.Steps(random.nextInt(1, 129));
      default -> new Target.Button(random.nextInt(1, 129));
    };
  }

  /** Other wire for some uses, by a chance of its own, so that all else is drawn as before. */
  private static Laying sorted(Laying laying) {
    SplittableRandom random = new SplittableRandom(Double.doubleToLongBits(laying.slackMm()));
    Laying next = laying;
    for (WireSort.Use use : WireSort.Use.values()) {
      if (random.nextInt(5) == 0) {
        WireSort sort = WireSort.USUAL.withGauge(java.util.OptionalInt.of(random.nextInt(18, 31)));
        if (use != WireSort.Use.SIGNAL && random.nextBoolean()) {
          sort = sort.withColour(Optional.of(pick(WireColour.Hue.values(), random)));
        }
        if (random.nextInt(3) == 0) {
          sort =
              sort.withJumpers(java.util.Set.of(random.nextInt(50, 600)))
                  .withCores(random.nextInt(12));
        }
        next = next.withSort(use, sort);
      }
    }
    return next;
  }

  private static LoomSettings loom(Build build, SplittableRandom random) {
    LoomSettings loom =
        LoomSettings.USUAL.withLaying(
            new Laying(
                pick(Laying.CommonShape.values(), random),
                random.nextDouble(0, 100),
                random.nextDouble(0, 300),
                random.nextInt(10, 37),
                random.nextBoolean(),
                random.nextInt(4) == 0
                    ? java.util.Set.of(pick(WireColour.Hue.values(), random))
                    : java.util.Set.of(),
                java.util.Map.of()));
    loom = loom.withLaying(sorted(loom.laying()));
    List<ContactId> contacts = new ArrayList<>(build.mapping().entries().keySet());
    if (random.nextInt(3) == 0 && contacts.size() > 2) {
      loom =
          loom.withGroup(
              new ControlId("shared"),
              Topology.CHOSEN.get(random.nextInt(Topology.CHOSEN.size())),
              contacts.subList(0, random.nextInt(1, contacts.size())));
    }
    if (random.nextInt(4) == 0 && !contacts.isEmpty()) {
      ContactId one = contacts.get(random.nextInt(contacts.size()));
      loom =
          loom.withAdded(
              new Jumper(
                  new Joint(one.control().text(), "NO"),
                  Joint.board(pick(new String[] {"GND", "5V", "3V3", "D5", "COM"}, random))));
    }
    if (random.nextInt(3) == 0 && !contacts.isEmpty()) {
      loom = loom.withDone(Jumper.parse(contacts.get(0).control() + ":NO - board:D3"), true);
    }
    for (ContactId contact : build.mapping().entries().keySet()) {
      if (random.nextInt(8) == 0) {
        loom = loom.withLock(contact, "D" + random.nextInt(24));
      }
      if (random.nextInt(8) == 0) {
        loom = loom.withColour(contact, WireColour.of(pick(WireColour.Hue.values(), random)));
      }
    }
    return loom;
  }

  private static <T> T pick(T[] values, SplittableRandom random) {
    return values[random.nextInt(values.length)];
  }
}
