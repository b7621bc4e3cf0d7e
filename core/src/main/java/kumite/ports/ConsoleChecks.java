package kumite.ports;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Seat;
import kumite.build.port.Port;
import kumite.circuit.Wired;
import kumite.finding.Finding;
import kumite.finding.Fix;
import kumite.finding.Severity;
import kumite.finding.Subject;
import kumite.kind.BoardKind;
import kumite.kind.Circuit;
import kumite.kind.Terminal;
import kumite.loom.Console;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.PinChoice;
import kumite.loom.Plugged;
import kumite.map.TargetText;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.name.SeatId;
import kumite.panel.Arrange;
import kumite.parts.Catalogue;
import kumite.signal.Answer;
import kumite.signal.Held;
import kumite.signal.Reading;
import kumite.signal.SignalLine;
import kumite.wiring.Neighbour;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.working.Working;

/** Checks of the consoles that the seat looked at answers. */
final class ConsoleChecks {
  private static final double SAME_VOLTS = 0.3;

  private final Build build;
  private final Catalogue catalogue;
  private final Loom loom;
  private final BoardKind board;
  private final Wired wired;
  private final List<Finding> findings = new ArrayList<>();

  private ConsoleChecks(Build build, Catalogue catalogue, Loom loom, BoardKind board, Wired wired) {
    this.build = build;
    this.catalogue = catalogue;
    this.loom = loom;
    this.board = board;
    this.wired = wired;
  }

  static List<Finding> of(
      Build build, Catalogue catalogue, Loom loom, BoardKind board, Wired wired) {
    ConsoleChecks checks = new ConsoleChecks(build, catalogue, loom, board, wired);
    loom.consoles().forEach(checks::console);
    checks.bothFeed();
    if (board.circuit().isPresent() && loom.consoles().isEmpty()) {
      checks.noPlug(board.circuit().get());
    }
    return checks.findings;
  }

  /** The circuit that answers it by itself, as a board to choose. */
  static Optional<Fix> circuit(Catalogue catalogue, Console console) {
    return catalogue
        .circuit(console.kind())
        .filter(kind -> console.number() == 1)
        .map(kind -> Fix.of("Answer with a " + name(kind), b -> Arrange.withBoard(b, kind)));
  }

  /** What answers it in time and at its volts: chips by themselves, else a board with a program. */
  static Optional<Fix> answer(Build build, Catalogue catalogue, Loom loom, Console console) {
    int wanted = loom.sites().size() + console.kind().lines().size();
    return circuit(catalogue, console)
        .or(
            () ->
                catalogue.boards().stream()
                    .filter(console::byProgram)
                    .filter(b -> Math.abs(b.logicVolts() - console.kind().volts()) < SAME_VOLTS)
                    .filter(b -> b.terminals(Terminal.Role.INPUT).size() >= wanted)
                    .filter(
                        b ->
                            Margin.of(console, b, build.timing())
                                .filter(margin -> margin.leftUs() <= 0)
                                .isEmpty())
                    .min(Comparator.comparingInt(b -> b.brain().costClass()))
                    .map(b -> Fix.of("Take a " + name(b), all -> Arrange.withBoard(all, b))));
  }

  private void noPlug(Circuit circuit) {
    Finding finding =
        Finding.of(
            PortCode.OTHER_CIRCUIT,
            List.of(),
            board.name() + " has no console",
            "Its lines go to no plug; add the port that it answers");
    Optional<Fix> fix =
        catalogue
            .port(circuit.answers())
            .map(kind -> Fix.of("Add its port", b -> Consoles.added(b, kind)));
    findings.add(fix.map(finding::mendedBy).orElse(finding));
  }

  private static String name(BoardKind kind) {
    return kind.name().substring(0, 1).toLowerCase(java.util.Locale.ROOT)
        + kind.name().substring(1);
  }

  private static List<Subject> about(Console console) {
    return List.of(Subject.of(console.port().id()));
  }

  private void console(Console console) {
    String label = console.port().label();
    boolean chips = console.byCircuit(board);
    if (!chips && !console.byProgram(board)) {
      boolean other = board.circuit().isPresent();
      boolean port = console.bytes() && board.brain().needsCode();
      Finding finding =
          Finding.of(
              other ? PortCode.OTHER_CIRCUIT : PortCode.NO_ANSWER,
              about(console),
              "Nothing answers " + label,
              other
                  ? board.name()
                      + (console.number() > 1
                          ? " answers one console, and that is another one"
                          : " does not speak " + console.kind().title())
                  : port
                      ? board.name() + " has no terminal that sends serial data: take one that has"
                      : board.brain().answerMicros() > 0 && board.brain().needsCode()
                          ? "Kumite plays "
                              + console.kind().title()
                              + ", but writes no program that answers it"
                          : board.name()
                              + " runs no program that answers a console; take one that does"
                              + (circuit(catalogue, console).isPresent()
                                  ? ", or logic chips"
                                  : ""));
      findings.add(finding.mendedBy(() -> answer(build, catalogue, loom, console)));
      return;
    }
    volts(console);
    if (!chips) {
      feeds(console);
    }
    boolean late = late(console);
    boolean wrong = !placed(console) || wrong(console);
    List<String> silent = silent(console, chips);
    if (!silent.isEmpty()) {
      findings.add(
          Finding.of(
                  PortCode.NO_BUTTON,
                  about(console),
                  "Nothing gives " + label + " its " + String.join(", ", silent),
                  chips
                      ? "A contact on that terminal gives it; an input without one stays high"
                      : "A contact that means it gives it: "
                          + TargetText.of(console.chart().target(silent.get(0))))
              .mendedBy(
                  Fix.of(
                      silent.size() == 1 ? "Add a button for it" : "Add a button for each",
                      b -> Consoles.given(b, catalogue, console, silent))));
    }
    if (!late && !wrong && silent.isEmpty()) {
      fine(console);
    }
  }

  // ---- volts

  /** What the console drives, or pulls up, a terminal must bear. */
  private void volts(Console console) {
    double volts = console.kind().volts();
    if (board.fiveVoltTolerant() || volts <= board.logicVolts()) {
      return;
    }
    boolean drives =
        console.kind().lines().stream().anyMatch(l -> l.from() == SignalLine.From.CONSOLE);
    if (!drives && console.kind().lines().stream().allMatch(l -> l.pull().isEmpty())) {
      return; // what only listens brings nothing
    }
    findings.add(
        Finding.of(
            PortCode.SENDS_TOO_MUCH,
            drives ? Severity.STOP : Severity.LOOK,
            about(console),
            console.port().label()
                + (drives ? " sends " : " pulls its lines to ")
                + volts(volts)
                + ", the board bears "
                + volts(board.logicVolts()),
            drives
                ? "Divide each line that it drives, or put a level shifter between; or take a board"
                    + " whose terminals bear it"
                : "Through its pull-ups little flows; a level shifter, or a board whose terminals"
                    + " bear it, is better"));
  }

  /** Whether its supply is wired to what the board is fed with: that core may be left out. */
  private boolean feedsBoard(Console console) {
    return console.fed()
        && wired.asBuilt().nets().of(console.pin(Plugged.SUPPLY)).stream()
            .flatMap(net -> net.places().stream())
            .anyMatch(
                place ->
                    place.role() == Place.Role.SUPPLY
                        && place.joint().part().equals(Joint.BOARD)
                        && place.volts() == console.kind().volts());
  }

  private void feeds(Console console) {
    if (feedsBoard(console) && board.brain().link() == BoardKind.Link.USB) {
      findings.add(
          Finding.of(
              PortCode.TWO_FEEDS,
              about(console),
              console.port().label() + " and a USB plug would both feed the board",
              "One feeds back into the other. Play with the USB plug out, or leave the supply core"
                  + " out while it is in"));
    }
  }

  /** Consoles that are plugged in at once push against each other where their supplies meet. */
  private void bothFeed() {
    Map<Net, List<Port>> together = new LinkedHashMap<>();
    for (Port port : build.ports().ports()) {
      feed(port)
          .flatMap(pin -> wired.asBuilt().nets().of(pin))
          .ifPresent(net -> together.computeIfAbsent(net, n -> new ArrayList<>()).add(port));
    }
    for (List<Port> meet : together.values()) {
      if (meet.size() > 1 && tells(meet)) {
        findings.add(
            Finding.of(
                PortCode.TWO_FEEDS,
                meet.stream().map(port -> Subject.of(port.id())).toList(),
                "The supplies of "
                    + String.join(" and ", meet.stream().map(Port::label).toList())
                    + " are joined",
                "The stronger one feeds the other backwards. Have one of them plugged in at a time,"
                    + " or leave the supply core of all but one out"));
      }
    }
  }

  /** {@return the pin by which a console feeds its pad, be it at a board that is joined to this} */
  private Optional<Joint> feed(Port port) {
    Optional<Joint> pin =
        catalogue
            .port(port.kind())
            .filter(kind -> !port.reads())
            .map(kind -> new Console(port, kind, 1))
            .filter(Console::fed)
            .map(console -> console.pin(Plugged.SUPPLY));
    SeatId seat = build.seatOf(port.control());
    if (seat.equals(build.seat().id())) {
      return pin;
    }
    return wired.asBuilt().neighbours().stream()
        .filter(Neighbour.OfSeat.class::isInstance)
        .map(Neighbour.OfSeat.class::cast)
        .filter(other -> other.seat().equals(seat))
        .findFirst()
        .flatMap(other -> pin.map(other::called));
  }

  /** Of several seats the first tells it. */
  private boolean tells(List<Port> meet) {
    return build.seats().stream()
        .map(Seat::id)
        .filter(id -> meet.stream().anyMatch(port -> build.seatOf(port.control()).equals(id)))
        .findFirst()
        .filter(build.seat().id()::equals)
        .isPresent();
  }

  private static String volts(double volts) {
    return Working.number(volts, 1) + " V";
  }

  // ---- time

  /** {@return whether the answer may come too late} */
  private boolean late(Console console) {
    Optional<Margin> margin = Margin.of(console, board, build.timing());
    if (margin.filter(m -> m.leftUs() <= 0).isEmpty()) {
      return false;
    }
    findings.add(
        Finding.of(
                PortCode.ANSWERS_LATE,
                about(console),
                console.port().label()
                    + (console.bytes()
                        ? " may think that nobody is there"
                        : " may look before the answer stands"),
                console.bytes()
                    ? "The board sends each "
                        + us(margin.get().answerUs())
                        + ", and the next frame is due within "
                        + us(margin.get().allowedUs())
                        + "; have it look more often (Map > Timing)"
                    : board.name()
                        + " answers within "
                        + us(margin.get().answerUs())
                        + ", the console looks "
                        + us(margin.get().allowedUs())
                        + " after "
                        + margin.get().edge()
                        + "; take a quicker board"
                        + (circuit(catalogue, console).isPresent() ? ", or logic chips" : ""))
            .mendedBy(() -> answer(build, catalogue, loom, console))
            .showing(margin.get().working()));
    return true;
  }

  private static String us(double us) {
    return Working.number(us, us < 1 ? 2 : 1) + " us";
  }

  // ---- wires

  private boolean placed(Console console) {
    return console.kind().lines().stream()
        .allMatch(line -> loom.pinOf(console, line, board).isPresent());
  }

  /** {@return whether the console reads other than what is held, over the wires as they are} */
  private boolean wrong(Console console) {
    List<String> told = new ArrayList<>();
    Set<Subject> about = new java.util.LinkedHashSet<>(about(console));
    read(console, Set.of(), Set.of(), "nothing").ifPresent(told::add);
    if (console.byCircuit(board)) {
      for (ContactSite site : loom.sites()) {
        Optional<String> button = gives(console, site);
        if (button.isPresent()) {
          read(console, Set.of(site.id()), Set.of(button.get()), site.label())
              .ifPresent(
                  words -> {
                    told.add(words);
                    about.add(Subject.of(site.id()));
                  });
        }
      }
    } else {
      for (String button : console.kind().buttons()) {
        read(console, Set.of(), Set.of(button), button).ifPresent(told::add);
      }
    }
    if (told.isEmpty()) {
      return false;
    }
    findings.add(
        Finding.of(
            PortCode.ANSWERS_WRONG,
            List.copyOf(about),
            console.port().label() + " does not read what is held",
            String.join("; ", told.stream().limit(3).toList())
                + (told.size() > 3 ? "; and " + (told.size() - 3) + " more" : "")
                + ". Compare the wires with the plan"));
    return true;
  }

  /** {@return the button that a contact is planned to give through the chips} */
  private Optional<String> gives(Console console, ContactSite site) {
    return loom.pinOf(site.id())
        .map(PinChoice::terminal)
        .flatMap(Terminal::fixed)
        .flatMap(means -> console.chart().button(TargetText.parse(means)));
  }

  private Optional<String> read(
      Console console, Set<ContactId> held, Set<String> wanted, String words) {
    Reading reading =
        ConsolePlay.first(
                loom,
                wired.asBuilt(),
                console,
                held::contains,
                new Held(wanted, java.util.Map.of()))
            .orElseThrow();
    boolean unclear = reading.buttons().values().stream().anyMatch(a -> a == Answer.UNCLEAR);
    if (reading.held().equals(wanted) && !unclear && reading.presence() != Answer.NO) {
      return Optional.empty();
    }
    String seen =
        reading.held().isEmpty() ? "nothing" : String.join(" and ", new TreeSet<>(reading.held()));
    return Optional.of(
        "with "
            + words
            + " held it reads "
            + seen
            + (unclear ? ", the rest unclear" : "")
            + (reading.presence() == Answer.NO ? ", and no pad" : ""));
  }

  // ---- buttons

  private List<String> silent(Console console, boolean chips) {
    Set<String> given = new HashSet<>();
    if (chips) {
      loom.sites().forEach(site -> gives(console, site).ifPresent(given::add));
    } else {
      build.seat().profiles().stream()
          .flatMap(profile -> profile.entries())
          .forEach(entry -> console.chart().button(entry.target()).ifPresent(given::add));
    }
    return console.kind().buttons().stream().filter(name -> !given.contains(name)).toList();
  }

  private void fine(Console console) {
    Optional<Margin> margin = Margin.of(console, board, build.timing());
    Finding finding =
        Finding.of(
            PortCode.ANSWERS,
            about(console),
            console.port().label() + " is answered",
            (console.byCircuit(board)
                    ? "Each button reads as itself over the wires as they are"
                    : "What the program tells arrives over the wires as they are"
                        + (console.kind().axes().isEmpty() ? "" : ", its axes in the middle"))
                + margin
                    .map(
                        m ->
                            ", "
                                + us(m.answerUs())
                                + " after "
                                + m.edge()
                                + " of "
                                + us(m.allowedUs())
                                + " allowed")
                    .orElse(""));
    findings.add(margin.map(m -> finding.showing(m.working())).orElse(finding));
  }
}
