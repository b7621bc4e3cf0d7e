package kumite.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kumite.build.Build;
import kumite.build.bringup.Held;
import kumite.build.bringup.Power;
import kumite.circuit.Element;
import kumite.circuit.Meter;
import kumite.circuit.Shown;
import kumite.circuit.Solves;
import kumite.component.Component;
import kumite.kind.BoardKind;
import kumite.loom.Looks;
import kumite.loom.Loom;
import kumite.name.ContactId;
import kumite.name.Joint;
import kumite.parts.Catalogue;
import kumite.wiring.Net;
import kumite.wiring.Place;
import kumite.wiring.Wiring;

/**
 * Readings of a meter between places of random builds, held against the circuit simulator of the
 * machine ({@code ngspice}): the deck is written here from nets and parts alone, knows nothing of
 * Kumite's solver, and is of the whole wiring. Aim: below 1 mV, and beeps alike.
 *
 * <p>Arguments: how many builds (100), the seed of the first (1).
 */
public final class ReadingCheck {
  private static final Pattern VOLTS = Pattern.compile("(?m)^v\\(probe,black\\)\\s*=\\s*(\\S+)");

  private ReadingCheck() {}

  /** Prints the largest difference. */
  public static void main(String[] args) throws Exception {
    int builds = args.length > 0 ? Integer.parseInt(args[0]) : 100;
    long seed = args.length > 1 ? Long.parseLong(args[1]) : 1;
    Catalogue catalogue = Catalogue.standard();
    int compared = 0;
    int beeps = 0;
    int left = 0;
    double worst = 0;
    String where = "";
    for (int i = 0; i < builds; i++) {
      SplittableRandom random = new SplittableRandom(seed + i);
      Build build = RandomWiring.of(catalogue, random);
      Optional<BoardKind> board = catalogue.boardOf(build);
      Loom loom = Loom.of(build, catalogue);
      Wiring wiring = Wiring.asBuilt(build, board.orElseThrow(), loom);
      Looks looks = Looks.of(board.get(), loom);
      if (wiring.parts().stream().anyMatch(ReadingCheck::live)) {
        left++;
        continue;
      }
      Meter meter = Meter.of(wiring, looks, new Solves());
      List<Joint> places = List.copyOf(wiring.nets().places().keySet());
      List<ContactId> contacts =
          wiring.parts().stream().flatMap(p -> p.moved().stream()).distinct().toList();
      for (int k = 0; k < 6; k++) {
        Joint red = places.get(random.nextInt(places.size()));
        Joint black = places.get(random.nextInt(places.size()));
        Held held =
            contacts.isEmpty() || random.nextBoolean()
                ? Held.NONE
                : Held.of(contacts.get(random.nextInt(contacts.size())));
        Power power = random.nextBoolean() ? Power.UNPOWERED : Power.SUPPLY;
        if (red.equals(black) || power == Power.SUPPLY && !allLit(wiring)) {
          continue;
        }
        Shown shown = meter.shows(red, black, power, held);
        Optional<Double> volts = simulate(wiring, red, black, power, held);
        if (volts.isEmpty() || shown.trouble().isPresent()) {
          continue;
        }
        compared++;
        if (power == Power.SUPPLY) {
          double off = Math.abs(volts.get() - shown.volts().orElseThrow());
          if (off > worst) {
            worst = off;
            where = "build " + (seed + i) + " " + red + " " + black + " " + held;
          }
        } else {
          double amps = (0.3 - volts.get()) / 1000;
          boolean beep = amps > 0 && 0.3 / amps - 1000 < 50;
          beeps += beep == shown.beeps() ? 0 : 1;
          if (beep != shown.beeps()) {
            System.out.println("beeps otherwise: build " + (seed + i) + " " + red + " " + black);
          }
        }
      }
    }
    System.out.printf(
        Locale.ROOT,
        "%d readings compared (%d builds with chips or sensors left out): volts differ by %.6f V at"
            + " most (%s), beeps %d times%n",
        compared,
        left,
        worst,
        where,
        beeps);
  }

  private static boolean live(Component part) {
    return part instanceof Component.Register
        || part instanceof Component.Multiplexer
        || part instanceof Component.Output;
  }

  /** Whether every supply feeds a lamp or nothing at all, so that the feed is plain to say. */
  private static boolean allLit(Wiring wiring) {
    return wiring.nets().all().stream().filter(n -> n.source().isPresent() && !n.grounded()).count()
            <= 1
        && wiring.parts().stream().anyMatch(Component.Light.class::isInstance);
  }

  private static Optional<Double> simulate(
      Wiring wiring, Joint red, Joint black, Power power, Held held) throws Exception {
    StringBuilder deck = new StringBuilder("reading\n");
    int number = 0;
    for (Net net : wiring.nets().all()) {
      boolean live = power == Power.SUPPLY;
      String node = "n" + net.number();
      if (live && net.grounded() && net.source().isPresent()) {
        return Optional.empty();
      }
      if (live && net.grounded()) {
        deck.append("Vg").append(net.number()).append(' ').append(node).append(" 0 0\n");
      } else if (live && net.source().isPresent()) {
        Place source = net.source().get();
        deck.append("Vs")
            .append(net.number())
            .append(' ')
            .append(node)
            .append(" 0 ")
            .append(source.volts())
            .append('\n');
      } else {
        deck.append("Rtiny").append(net.number()).append(' ').append(node).append(" 0 1e13\n");
      }
    }
    List<String> models = new ArrayList<>();
    for (Component part : wiring.parts()) {
      number = part(wiring, part, held, number, deck, models);
    }
    models.forEach(model -> deck.append(model).append('\n'));
    String one = node(wiring, red);
    String other = node(wiring, black);
    if (power == Power.SUPPLY) {
      deck.append("Rprobe ").append(one).append(" probe 1e-3\n");
      deck.append("Rmeter probe ").append(other).append(" 10e6\n");
    } else {
      deck.append("Vtest drive ").append(other).append(" 0.3\nRtest drive probe 1000\n");
      deck.append("Rprobe probe ").append(one).append(" 1e-6\n");
    }
    deck.append("Rblack black ").append(other).append(" 1e-6\n");
    deck.append(
        ".options gmin=1e-14 reltol=1e-6 abstol=1e-15\n.control\nop\nprint v(probe,black)\n.endc\n.end\n");
    Path file = Files.createTempFile("reading", ".cir");
    try {
      Files.writeString(file, deck);
      Process process =
          new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
      String out = new String(process.getInputStream().readAllBytes());
      process.waitFor();
      Matcher match = VOLTS.matcher(out);
      return match.find() ? Optional.of(Double.parseDouble(match.group(1))) : Optional.empty();
    } finally {
      Files.delete(file);
    }
  }

  private static String node(Wiring wiring, Joint place) {
    return "n" + wiring.nets().of(place).orElseThrow().number();
  }

  private static int part(
      Wiring wiring, Component part, Held held, int from, StringBuilder deck, List<String> models) {
    int number = from;
    double travel = part.moved().map(c -> held.at(c, part.rest())).orElse(0.0);
    if (part instanceof Component.Pole pole) {
      Joint to = travel >= 0.5 ? pole.open() : pole.closed();
      deck.append(ohm(++number, node(wiring, pole.common()), node(wiring, to), 0.1));
    } else if (part instanceof Component.Selector selector) {
      int tap = (int) Math.rint(travel * (selector.taps().size() - 1));
      deck.append(
          ohm(
              ++number,
              node(wiring, selector.wiper()),
              node(wiring, selector.taps().get(tap)),
              0.1));
    } else if (part instanceof Component.Pot pot) {
      deck.append(
          ohm(
              ++number,
              node(wiring, pot.low()),
              node(wiring, pot.wiper()),
              Math.max(1, pot.ohm() * travel)));
      deck.append(
          ohm(
              ++number,
              node(wiring, pot.wiper()),
              node(wiring, pot.high()),
              Math.max(1, pot.ohm() * (1 - travel))));
    } else if (part instanceof Component.Resistor resistor) {
      deck.append(
          ohm(++number, node(wiring, resistor.a()), node(wiring, resistor.b()), resistor.ohm()));
    } else if (part instanceof Component.Diode diode) {
      diode(
          ++number,
          node(wiring, diode.anode()),
          node(wiring, diode.cathode()),
          Element.Model.SIGNAL_DIODE,
          deck,
          models);
    } else if (part instanceof Component.Light light) {
      diode(
          ++number,
          node(wiring, light.anode()),
          node(wiring, light.cathode()),
          Element.Model.lamp(
              light.lamp().forwardVolts(),
              light.lamp().milliamps() / 1000,
              light.lamp().insideOhm()),
          deck,
          models);
    } else if (part instanceof Component.Skin skin && travel >= 0.5) {
      deck.append(ohm(++number, node(wiring, skin.pad()), node(wiring, skin.person()), 5.5e5));
    }
    return number;
  }

  private static String ohm(int number, String a, String b, double ohm) {
    return a.equals(b) ? "" : "R" + number + " " + a + " " + b + " " + ohm + "\n";
  }

  private static void diode(
      int number,
      String a,
      String b,
      Element.Model model,
      StringBuilder deck,
      List<String> models) {
    if (!a.equals(b)) {
      deck.append("D" + number + " " + a + " " + b + " m" + number + "\n");
      models.add(
          ".model m"
              + number
              + " D(IS="
              + model.saturationAmps()
              + " N="
              + model.emission()
              + " RS="
              + model.seriesOhm()
              + ")");
    }
  }
}
