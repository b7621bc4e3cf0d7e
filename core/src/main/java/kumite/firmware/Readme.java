package kumite.firmware;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.build.supply.Shows;
import kumite.build.supply.SupplyPart;
import kumite.kind.BoardKind;
import kumite.kind.Terminal;
import kumite.loom.Console;
import kumite.loom.Supplied;
import kumite.loom.Talk;
import kumite.name.ContactId;
import kumite.signal.Asking;
import kumite.signal.UsbReport;
import kumite.working.Working;

/** What stands in a folder of code, in plain words: what to wire, to put on the board, to check. */
final class Readme {
  private static final int WIDE = 96;

  private final Firmware firmware;
  private final StringBuilder out = new StringBuilder();

  private Readme(Firmware firmware) {
    this.firmware = firmware;
  }

  static String of(Firmware firmware, Firmware.Target target, List<String> stops) {
    Readme readme = new Readme(firmware);
    readme.write(target, stops);
    return readme.out.toString();
  }

  private void write(Firmware.Target target, List<String> stops) {
    Blueprint blueprint = firmware.blueprint();
    head(blueprint.title() + ": " + target.title());
    line("Made for the board \"" + blueprint.board().name() + "\", seat " + blueprint.seat() + ".");
    if (!stops.isEmpty()) {
      head("Warning: this build does not work yet");
      line(
          "The code does what the plan says, but the workbench found what stops the build. Mend this"
              + " first, then export again:");
      stops.forEach(stop -> item(stop));
    }
    wiring();
    frames();
    keyboards(target);
    tellingPads(target);
    serial(target);
    consoles(target);
    strips(target);
    switch (target) {
      case PORTABLE -> {
        if (blueprint.header()) {
          header();
        } else {
          portable();
        }
      }
      case SKETCH -> sketch();
      case SCRIPT -> script();
    }
    check(target);
    profiles();
    size();
    names();
    cautions();
  }

  private void head(String text) {
    out.append(out.isEmpty() ? "" : "\n").append(text).append('\n');
    out.append("-".repeat(Math.min(WIDE, text.length()))).append('\n');
  }

  private void line(String text) {
    wrapped("", text);
  }

  private void item(String text) {
    wrapped("- ", text);
  }

  private void wrapped(String lead, String text) {
    StringBuilder row = new StringBuilder(lead);
    for (String word : text.split(" ")) {
      if (row.length() + word.length() + 1 > WIDE) {
        out.append(row.toString().stripTrailing()).append('\n');
        row = new StringBuilder(" ".repeat(lead.length()));
      }
      row.append(word).append(' ');
    }
    out.append(row.toString().stripTrailing()).append('\n');
  }

  // ---- what to wire

  private void wiring() {
    head("What to wire");
    line(
        "Wire by the workbench's wiring chart (export it with --what wiring-csv or bench-sheet). The"
            + " program uses these terminals:");
    Score score = firmware.score();
    for (int t = 0; t < score.terminals().size(); t++) {
      item(score.terminals().get(t) + ": " + use(score, t));
    }
    List<String> grounds =
        firmware.blueprint().board().terminals(Terminal.Role.GROUND).stream()
            .map(Terminal::name)
            .toList();
    if (!grounds.isEmpty()) {
      line("Ground is " + String.join(", ", grounds) + ".");
    }
  }

  private static String use(Score score, int terminal) {
    int use = score.table("terminal_use").orElseThrow().at(terminal);
    String words =
        List.of(
                "read, with the pull-up of the board",
                "read, with the pull-down of the board",
                "read, held by a resistor of the wiring",
                "a touch pad",
                "measured",
                "a row, driven low in its turn",
                "driven all the time",
                "drives lamps",
                "tells a strip its colours",
                "a line of the board's own USB host or serial port")
            .get(use);
    Table reads = score.table("look_terminal").orElseThrow();
    String contacts =
        java.util.stream.IntStream.range(0, score.contacts().size())
            .filter(i -> reads.at(i) == terminal)
            .mapToObj(i -> score.labels().get(i) + " (" + score.contacts().get(i) + ")")
            .collect(Collectors.joining(", "));
    return (contacts.isEmpty() ? words : contacts + "; " + words);
  }

  /** Each pad that is asked in frames, with its lines, and how often. */
  private void frames() {
    Blueprint blueprint = firmware.blueprint();
    List<Talk> pads = FrameRows.pads(blueprint);
    if (pads.isEmpty()) {
      return;
    }
    head("Pads that it asks in frames");
    boolean acknowledged = false;
    for (Talk pad : pads) {
      Asking asking = FrameRows.asking(pad);
      int scanUs = blueprint.timing().scanUs();
      int every = asking.everyLooks(1000L * scanUs, Talk.SETTLE_NS);
      acknowledged |= pad.lines().containsKey("acknowledge");
      item(
          pad.pad().port().label()
              + ", "
              + pad.kind().title()
              + ", each "
              + Working.number(every * scanUs / 1000.0, 1)
              + " ms: "
              + pad.lines().entrySet().stream()
                  .map(line -> line.getKey().replace('_', ' ') + " at " + line.getValue().name())
                  .collect(Collectors.joining(", ")));
    }
    if (acknowledged) {
      line(
          "Its acknowledge line is wired for programs that wait for it. This one waits as long as the"
              + " slowest pad takes, and does not look at it.");
    }
  }

  /** Each keyboard that it listens to, and how its edges come in. */
  private void keyboards(Firmware.Target target) {
    List<Talk> keyboards = KeyboardRows.keyboards(firmware.blueprint());
    if (keyboards.isEmpty()) {
      return;
    }
    head("Keyboards that it listens to");
    for (int k = 0; k < keyboards.size(); k++) {
      Talk keyboard = keyboards.get(k);
      item(
          keyboard.pad().port().label()
              + ", number "
              + k
              + ": "
              + keyboard.lines().entrySet().stream()
                  .map(line -> line.getKey() + " at " + line.getValue().name())
                  .collect(Collectors.joining(", ")));
    }
    line(
        target == Firmware.Target.SKETCH
            ? "The falls of their clocks come in by interrupts (edges.h). Each of those terminals must"
                + " have one; your board's page says which do."
            : "Call device_key_clock at each fall of a keyboard's clock, from an interrupt: data is"
                + " valid for some 40 us from there on.");
    if (!firmware.blueprint().loom().strips(firmware.blueprint().board()).isEmpty()) {
      line(
          "While a strip is told its colours interrupts wait, some 30 us a lamp: a byte that comes"
              + " meanwhile is lost, and its key stays as it was until it moves again. Give strip and"
              + " keyboard boards of their own where that matters.");
    }
  }

  /** Each pad that tells reports with its number, and how they come in. */
  private void tellingPads(Firmware.Target target) {
    List<Talk> pads = ToldRows.pads(firmware.blueprint());
    if (pads.isEmpty()) {
      return;
    }
    head("Pads that it takes reports of");
    for (int p = 0; p < pads.size(); p++) {
      Talk pad = pads.get(p);
      UsbReport report = ToldRows.layout(pad);
      item(
          pad.pad().port().label()
              + ", number "
              + p
              + ToldRows.baud(pad).map(baud -> ", " + baud + " baud").orElse("")
              + ": reports of "
              + report.size()
              + (report.size() == 1 ? " byte" : " bytes")
              + (report.id() == 0 ? "" : ", the first of them " + report.id()));
    }
    if (pads.stream().anyMatch(talk -> talk.pad().hosted())) {
      line(
          "The board's own USB host library asks the pad. Call device_pad_report with a pad's number"
              + " and all bytes of each report that it brings, and device_pad_gone when the pad is"
              + " pulled out, both from the loop that calls device_tick and not from an interrupt."
              + " Reports of another length, or whose first byte is another, are passed over.");
      line(
          "That library is none of this export: it belongs to the board. Until it calls, all buttons"
              + " of the pad are up and its axes stand in the middle.");
    }
    if (pads.stream().anyMatch(talk -> talk.pad().serial())) {
      line(
          target == Firmware.Target.SKETCH
              ? "Bytes come over the platform's port at the receiving terminal: Serial1, or what you"
                  + " define SERIAL_PORT to be."
              : "Set the board's serial port to the rate above, eight bits, no parity, one stop bit, and"
                  + " call device_serial_byte with a pad's number and each byte that comes, from the"
                  + " loop that calls device_tick. Frames whose sum is wrong are passed over.");
    }
  }

  /** What goes to another board over a serial wire, or comes from one. */
  private void serial(Firmware.Target target) {
    Blueprint blueprint = firmware.blueprint();
    boolean sketch = target == Firmware.Target.SKETCH;
    String port = " at " + SerialSource.BAUD + " baud, eight bits, no parity, one stop bit";
    if (blueprint.tells()) {
      head("Over the serial wire");
      line(
          "This board is no device of its own. It tells another one its reports, each in a frame with"
              + " a check, and once more each 50 ms in turn, so that what is lost on the way comes"
              + " late. Wire its sending terminal to the other's receiving one, and both grounds.");
      line(
          sketch
              ? "They go out over the platform's port at the sending terminal: Serial, or what you"
                  + " define SERIAL_PORT to be. Over USB the same bytes are to be seen: pull that plug"
                  + " where its bridge and the other board would both drive a line."
              : "Set the board's port up"
                  + port
                  + ", and supply serial_write (serial/serial.h) in place"
                  + " of hw_send; call serial_tick in the loop in place of device_tick.");
      line(
          "The other board needs the half that hears. Kumite puts it into that board's own program"
              + " where both are in one build; a press shows only once both are loaded.");
    }
    if (!blueprint.heard().isEmpty()) {
      head("Boards whose reports it passes on");
      List<Heard> heard = blueprint.heard();
      for (int at = 0; at < heard.size(); at++) {
        item(
            "Seat "
                + heard.get(at).seat()
                + (sketch ? "" : ", number " + at)
                + ": "
                + heard.get(at).layout().reportIds().size()
                + (heard.get(at).layout().reportIds().size() == 1 ? " report" : " reports"));
      }
      line(
          sketch
              ? "Their bytes come over the platform's port at the receiving terminal: Serial1, or what"
                  + " you define SERIAL_PORT to be. The host sees them beside this board's own reports,"
                  + " under ids that follow those."
              : "Set the receiving port up"
                  + port
                  + ". Call heard_byte with a board's number and each byte that comes, and heard_tick"
                  + " in the loop; heard_forget where you call device_forget. Supply hw_pass"
                  + " (serial/serial.h): it sends a report to the host over an interface of its own,"
                  + " whose descriptor is in serial/descriptors.h.");
      line(
          "A board that falls silent for half a second is let go: all that it told is told as at"
              + " rest.");
    }
  }

  /** Each console with its lines, and how its edges come in. */
  private void consoles(Firmware.Target target) {
    List<Console> consoles = ConsoleRows.answered(firmware.blueprint());
    if (consoles.isEmpty()) {
      return;
    }
    head("Consoles that it answers");
    for (Console console : consoles) {
      item(
          console.port().label()
              + ", "
              + console.kind().title()
              + ": "
              + console.kind().lines().stream()
                  .map(
                      line ->
                          line.name().replace('_', ' ')
                              + " at "
                              + ConsoleRows.terminal(firmware.blueprint(), console, line)
                                  .orElseThrow()
                                  .name())
                  .collect(Collectors.joining(", ")));
    }
    line(
        target == Firmware.Target.SKETCH
            ? "Their edges come in by interrupts (edges.h). Each of those terminals must have one;"
                + " your board's page says which do."
            : "Call device_edge at each edge of a latch, select line or clock, best from an"
                + " interrupt, and drive a line in hw_answer without a wait: the console looks"
                + " microseconds later.");
    if (consoles.stream().anyMatch(Console::bytes)) {
      line(
          target == Firmware.Target.SKETCH
              ? "Bytes go out over the platform's port at the sending terminal: "
                  + (firmware.blueprint().alone() ? "Serial" : "Serial1")
                  + ", or what you define SERIAL_PORT to be."
              : "Supply hw_serial: it hands bytes to the port of the sending terminal, "
                  + ConsoleRows.baud(consoles.stream().filter(Console::bytes).findFirst().get())
                      .orElseThrow()
                  + " baud, eight bits, no parity, one stop bit.");
    }
    if (consoles.stream().anyMatch(c -> !c.kind().axes().isEmpty())) {
      line("Its axes stand in the middle: this program gives a console buttons only.");
    }
    line(
        "Play with the USB plug out, or leave the supply core of the console out while it is in: two"
            + " supplies must not feed one board.");
  }

  /** Each strip, and who sends its bits. */
  private void strips(Firmware.Target target) {
    Blueprint blueprint = firmware.blueprint();
    List<Supplied> strips = blueprint.loom().strips(blueprint.board());
    if (strips.isEmpty()) {
      return;
    }
    head("Strips that it tells their colours");
    for (Supplied strip : strips) {
      SupplyPart part = strip.part();
      Shows shows = part.shows();
      StringBuilder words = new StringBuilder(part.label());
      words.append(": ").append(part.count()).append(" lamps, ").append(shows.usual().text());
      shows.profiles().forEach((name, c) -> words.append(", ").append(c.text() + " in " + name));
      shows.held().ifPresent(c -> words.append(", ").append(c.text() + " while anything is held"));
      item(words.toString());
    }
    line(
        target == Firmware.Target.SKETCH
            ? "Their bits are sent by strip.h: it has the call for 8-bit boards at 16 MHz; for others"
                + " it says what to put there."
            : "Supply hw_colours: it sends all lamps of a strip one colour. It is called after a"
                + " report, and only where the colour is new.");
    line(
        "Join the grounds of board and strip before its data wire. At full white they take more than"
            + " at the colours above: the Supply page of the workbench says how much.");
  }

  // ---- what to do with it

  private void portable() {
    head("What is here");
    item("core/: the program, in C of 1999. device.h says which calls your board has to supply.");
    item("core/device_tables.c: this build as tables. Nothing else changes from build to build.");
    item("host/: the same program on this computer, before simulated wires.");
    item("check/: scripts, and the reports that they have to give.");
    if (!firmware.blueprint().scripts().isEmpty()) {
      item("scripts/: the plays that the build keeps, to be given to ./device-host.");
    }
    head("Try it on this computer first");
    line("With a C compiler and make:");
    item("make");
    item("make check");
    item("echo \"" + firstContact() + "@0+80ms\" | ./device-host --seed 1");
    head("Put it on a board");
    item(
        "Write the calls of device.h with what your board's maker supplies: read and drive a"
            + " terminal, "
            + (firmware.score().size("USE_CONVERTER") > 0 ? "read the converter, " : "")
            + "microseconds, "
            + (firmware.blueprint().tells()
                ? "write bytes to the port."
                : firmware.blueprint().alone()
                    ? "and a hw_send that gives true: its only host is the console."
                    : "send a report."));
    item(
        "Before the first look set up each terminal as device_terminal_use says, then call"
            + " device_power_up.");
    if (firmware.blueprint().tells()) {
      item("Call serial_tick in an endless loop. No host asks this board what it is.");
    } else if (firmware.blueprint().alone()) {
      item("Call device_tick in an endless loop. No host asks this board what it is.");
    } else {
      item("Give the host the bytes of device_descriptor_byte as the report descriptor.");
      item("Call device_tick in an endless loop.");
    }
    if (firmware.blueprint().board().brain().link() == BoardKind.Link.RADIO) {
      radio();
    }
  }

  /** What a radio wants beside that, and how hosts are joined to it. */
  private void radio() {
    Blueprint blueprint = firmware.blueprint();
    head("Over the radio");
    line(
        "radio/service.c is the HID service as low-energy hosts know it: report map, reports with"
            + " their references, the cell, the control point. It supplies hw_send itself.");
    item(
        "Write the calls of radio/radio.h with what your board's maker supplies: add an entry to the"
            + " table of services, notify, show itself to hosts (pair), whether one is there"
            + " (connected), what is left in the cell (battery level), and sleep.");
    item(
        "Call radio_services once after device_power_up, and radio_tick in the loop in place of"
            + " device_tick. Nothing is given as a report descriptor elsewhere.");
    item(
        "Hosts want what is marked encrypted only after pairing: let the radio's own code ask for"
            + " that, with keys that it keeps over power-off.");
    int longest = RadioSource.longest(blueprint);
    if (longest > RadioSource.SMALL_PACKET) {
      item(
          "Its longest report has "
              + longest
              + " bytes: ask the host for larger packets, or it is cut at "
              + RadioSource.SMALL_PACKET
              + ".");
    }
    item(
        "Ask for a slot of "
            + Working.number(blueprint.timing().pollUs() / 1000.0, 2)
            + " ms; the host decides, and a press waits for the next one. After "
            + RadioSource.SLEEP_MINUTES
            + " minutes without a press it sleeps, and the first press after that is told when the"
            + " host is back, which takes up to two seconds (common practice).");
    head("Join it to a host");
    item(
        "A computer: open its settings for wireless devices, let it look, choose \""
            + RadioSource.name(blueprint)
            + "\", accept.");
    item(
        "A phone: the same. Keys hide its own keyboard on the screen; a gamepad is seen only by"
            + " programs that ask for one.");
    item(
        "A console: many take only pads that they know by a maker's number, which this has not."
            + " Ask before you build; a board with USB or a ready-made program may serve it.");
    item(
        "To change the host, have the first one forget it, then let it be found anew"
            + " (radio_pair with anew).");
    head("The cell");
    line(
        "How many hours a cell lasts with this build's own currents, the Power station works out.");
    item("A lithium cell: one with a protection circuit in a holder; never solder to a cell.");
    item("Charge it with a charger made for that cell, not unattended, away from what burns.");
    item("Never a bare cell loose in a case; nothing sharp beside it, and room for it to swell.");
    item("Plugged into USB and fed by a cell at once only where the board is made for both.");
  }

  private void header() {
    head("What is here");
    item(
        "keys.txt: which line each terminal is, and which key each contact gives. A table to read and to correct.");
    item("core/: what a contact means, in C of 1999; device_tables.c is this build.");
    item(
        "header/: the reader. It takes the lines by the system's own calls for them and tells the system of keys.");
    item(
        "host/: the same reader on this computer, before simulated wires; check/: scripts, and the keys that they have to give.");
    List<String> unknown = HeaderSource.unknown(firmware.blueprint());
    if (!unknown.isEmpty()) {
      line("Left out, since such systems have no key for it: " + String.join(", ", unknown) + ".");
    }
    head("Try it on this computer first");
    line("With a C compiler and make:");
    item("make");
    item("make check");
    item("echo \"" + firstContact() + "@0+80ms\" | ./device-host --seed 1");
    head("Put it on the computer whose header it is");
    item(
        "Copy this folder onto it. Its system must give its lines and take keys by the calls of its kernel (linux/gpio.h, the second version of its calls, and linux/uinput.h).");
    item(
        "Have the system list its lines, and hold keys.txt against that list: the number behind each terminal is the line of the chip.");
    item("make key-reader");
    item(
        "./key-reader, with the file of the chip and that of made keys behind it where they are others than /dev/gpiochip0 and /dev/uinput. You must be allowed to open both; give your user that right rather than run it as root.");
    item("Try it in an empty text first, then have the system start it when it starts up.");
    line(
        "Nothing goes over USB: the computer is the host itself, so no device shows and nothing is to be assigned but the keys.");
  }

  private String firstContact() {
    return firmware.blueprint().loom().sites().get(0).id().toString();
  }

  private void sketch() {
    head("Put it on the board");
    item(
        "Open the folder "
            + SketchSource.name(firmware.blueprint())
            + " in the editor that came with your board; the folder and the .ino file keep their name.");
    item(
        "Hold pins.h against the drawing of your board: it says which pin each terminal is. A line"
            + " that begins with #error asks you to fill one in.");
    item("Choose your board and its port in the editor, and upload.");
    item(
        "If the board is not found any more, press its reset button twice quickly and upload again:"
            + " a board that is busy being a device can miss the first call.");
    if (firmware.score().size("USE_TOUCH") > 0) {
      item(
          "Touch pads are read as plain levels; if your board senses touch, put its call into hw_touched.");
    }
  }

  private void script() {
    head("Put it on the board");
    item(
        "The board must run a script interpreter with the modules board, digitalio, analogio,"
            + " microcontroller, supervisor and usb_hid. Put its interpreter on it as its maker says; it then shows up as a drive.");
    item("Copy boot.py and code.py onto that drive.");
    item(
        "Hold TERMINALS in code.py against the names on your board: a name with only digits was given"
            + " a D before it.");
    item("Pull the plug and put it back: what the board is to the host is said only at power-up.");
    if (firmware.blueprint().profiles().size() > 1) {
      item(
          "boot.py chooses the profile once and notes it in the first byte of the board's own memory"
              + " (nvm); code.py takes it from there, also after a reload. On a board without nvm code.py"
              + " chooses anew: hold the same contacts until it runs.");
    }
    line(
        "A script looks less often than compiled code; where every millisecond counts take the sketch or"
            + " the portable program.");
  }

  private void check(Firmware.Target target) {
    head("What to check first");
    item("Nothing plugged in: the meter shows no short between supply and ground.");
    item("Plugged in without controls pressed: no button shows on the host's test page.");
    item("Press each control once: the one you pressed shows, and no other.");
    String how =
        switch (target) {
          case PORTABLE -> "compile with -DSELF_TEST=1 and supply hw_text";
          case SKETCH -> "set SELF_TEST in device_config.h to 1 and open the serial monitor";
          case SCRIPT -> "set SELF_TEST in code.py to True and open its serial console";
        };
    item(
        "If a control does not show, "
            + how
            + ": the board then prints what it reads, where it changes. self-test.md beside this page says"
            + " how to read it; \"kumite self-test\" and the workbench's Firmware tab read it back.");
  }

  private void profiles() {
    List<Profile> profiles = firmware.blueprint().profiles();
    if (profiles.size() < 2) {
      return;
    }
    head("Profiles");
    for (int p = 0; p < profiles.size(); p++) {
      Profile profile = profiles.get(p);
      item(profile.name() + ": " + chosen(profile.choice(), p));
    }
  }

  private static String chosen(Choice choice, int at) {
    if (choice instanceof Choice.Running running) {
      return (at == 0 ? "when no other is chosen; to come back to it" : "while it runs")
          + ", hold "
          + String.join(" and ", running.contacts().stream().map(ContactId::toString).toList())
          + " for 2 s and let go; the board keeps that over power-off and is plugged in anew by"
          + " itself";
    } else if (at == 0) {
      return "when no other is chosen";
    } else if (choice instanceof Choice.Held held) {
      return "while plugging in, hold "
          + String.join(" and ", held.contacts().stream().map(ContactId::toString).toList());
    } else if (choice instanceof Choice.Switched by) {
      return "with " + by.contact() + (by.closed() ? " on" : " off") + " while plugging in";
    }
    return "nothing chooses it";
  }

  private void size() {
    Footprint footprint = firmware.footprint();
    head("What it takes");
    line(
        String.format(
            Locale.ROOT,
            "On an 8-bit part: %s%d bytes of code and tables (%d of them tables), %d bytes of memory, and"
                + " about %d more while it runs.",
            footprint.exact() ? "" : "at most about ",
            footprint.flashBytes(),
            footprint.tableBytes(),
            footprint.ramBytes(),
            Footprint.STACK_BYTES));
    if (footprint.cycles().isPresent()) {
      Footprint.Cycles cycles = footprint.cycles().get();
      line(
          "One look takes "
              + cycles.least()
              + " to "
              + cycles.most()
              + " clock cycles, "
              + cycles.mean()
              + " in the mean: "
              + Footprint.Cycles.millis(cycles.mean())
              + " at 16 MHz. Measured on a simulator of such a part on "
              + footprint.measured()
              + ", without the time that its terminals need.");
    } else {
      line(
          "Worked out from what other builds took on a simulator of such a part on "
              + footprint.measured()
              + "; this build itself was not measured, and its speed is not known.");
    }
    firmware
        .blueprint()
        .board()
        .brain()
        .memory()
        .ifPresent(
            memory ->
                line(
                    "A board of this class has about "
                        + memory.flashBytes()
                        + " and "
                        + memory.ramBytes()
                        + " bytes; its own USB code takes some thousand of them."));
  }

  private void names() {
    List<String> twins = firmware.score().twins();
    if (!twins.isEmpty()) {
      head("Names");
      line("These labels could not be their own name in the code:");
      twins.forEach(this::item);
    }
  }

  private void cautions() {
    List<String> cautions = new ArrayList<>();
    cautions.add("Unplug before you change a wire.");
    cautions.add(
        "Never join a board's 5 V to a terminal that bears 3.3 V; the workbench's findings say where that"
            + " would happen.");
    cautions.add(
        "A device that types keys or moves the mouse does so in whatever window is open: try it in an empty"
            + " text first.");
    cautions.add(
        "Never let a home-made device be the only way to stop a machine or a vehicle; local rules and a"
            + " qualified person come first there.");
    head("Cautions");
    cautions.forEach(this::item);
  }
}
