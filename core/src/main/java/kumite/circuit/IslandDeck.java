package kumite.circuit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import kumite.component.Component;
import kumite.loom.Look;
import kumite.name.ContactId;

/**
 * An island whole as a SPICE deck with {@code .op}, so that anyone can check it with a simulator of
 * their own. One parameter picks the state: nobody presses, or one contact held and its look under
 * way. Nodes have the names of the nets; an open way is 1 Tohm; temperature and the conductance
 * across junctions are the usual ones, 27 C and 1e-12 S.
 *
 * @param title what it is
 * @param text the deck
 * @param states what each value of the parameter stands for, with the volts that Kumite gives
 */
public record IslandDeck(String title, String text, List<State> states) {
  private static final double OPEN_SIEMENS = 1e-12;

  /**
   * One state.
   *
   * @param words what is held
   * @param node the node that is read
   * @param volts what Kumite gives there; not a number where nothing holds it
   */
  public record State(String words, String node, double volts) {
    /** {@return whether nothing holds what is read, so that there are no volts to compare} */
    public boolean floats() {
      return Double.isNaN(volts);
    }
  }

  public IslandDeck {
    states = List.copyOf(states);
  }

  /**
   * {@return one deck for each kind of island that the board reads, and for each short of supplies}
   */
  public static List<IslandDeck> all(Inputs inputs) {
    Network network = inputs.network();
    Set<Integer> seen = new HashSet<>();
    Map<List<Object>, IslandDeck> kinds = new LinkedHashMap<>();
    Scan rest = new Scan(network, contact -> 0);
    for (Look look : network.looks().all()) {
      int place = rest.place(look);
      if (network.rail(place) || look.contact().isEmpty() || seen.contains(place)) {
        continue;
      }
      Whole whole = new Whole(network, rest, place);
      seen.addAll(whole.nets);
      kinds.computeIfAbsent(whole.key(), key -> whole.deck());
    }
    List<IslandDeck> decks = new ArrayList<>(kinds.values());
    inputs.shorts().of(Shorts.Kind.SUPPLY).forEach(one -> decks.add(shorted(one, network)));
    return List.copyOf(decks);
  }

  /** Both sides of a supply and the contacts that join them, as one island. */
  private static IslandDeck shorted(Shorts.Short one, Network network) {
    double high = network.railVolts(network.net(one.one()), Corner.USUAL);
    double low = network.railVolts(network.net(one.other()), Corner.USUAL);
    String title = "short of " + one.one() + " and " + one.other();
    String text =
        title
            + "\n"
            + String.format(
                Locale.ROOT,
                "* through %s: %.4f A by Kumite%n"
                    + "Vhigh n_high 0 DC %.9g%nVlow n_low 0 DC %.9g%nR1 n_high n_low %.9g%n",
                one.through().isEmpty() ? "a contact" : one.through(),
                one.amps(),
                high,
                low,
                (high - low) / Math.max(1e-9, one.amps()))
            + ".op\n.end\n";
    return new IslandDeck(title, text.replace("\r\n", "\n"), List.of());
  }

  /** All ways of one island, whatever is closed, and its states. */
  private static final class Whole {
    private final Network network;
    private final Scan rest;
    private final Set<Integer> nets = new LinkedHashSet<>();
    private final Set<Edge> edges = new LinkedHashSet<>();
    private final List<Look> looks = new ArrayList<>();
    private final List<Conditions> conditions = new ArrayList<>();
    private final List<String> words = new ArrayList<>();
    private final List<Integer> places = new ArrayList<>();

    Whole(Network network, Scan rest, int start) {
      this.network = network;
      this.rest = rest;
      List<Integer> order = new ArrayList<>(List.of(start));
      nets.add(start);
      for (int i = 0; i < order.size(); i++) {
        for (Edge edge : network.edges(order.get(i))) {
          edges.add(edge);
          int other = edge.other(order.get(i));
          if (!network.rail(other) && nets.add(other)) {
            order.add(other);
          }
        }
      }
      for (Look look : network.looks().all()) {
        if (look.contact().isPresent() && nets.contains(rest.place(look))) {
          looks.add(look);
        }
      }
      states();
    }

    private void states() {
      state("nobody presses", looks.get(0), network::rest);
      for (Look look : looks) {
        ContactId id = look.contact().orElseThrow();
        int steps = steps(id);
        for (int step = 1; step < steps; step++) {
          double travel = step / (double) (steps - 1);
          state(
              id + (steps == 2 ? " held" : " at step " + (step + 1)),
              look,
              contact -> contact.equals(id) ? travel : network.rest(contact));
        }
      }
    }

    private int steps(ContactId id) {
      return edges.stream()
          .map(Edge::part)
          .filter(p -> p instanceof Component.Selector s && s.contact().equals(id))
          .findFirst()
          .map(p -> ((Component.Selector) p).taps().size())
          .orElse(2);
    }

    private void state(
        String text, Look look, java.util.function.ToDoubleFunction<ContactId> hands) {
      conditions.add(new Conditions(hands, rest.during(look).drives()));
      words.add(text);
      places.add(rest.place(look));
    }

    /** Islands of equal keys are wired alike. */
    List<Object> key() {
      List<Integer> order = new ArrayList<>(nets);
      List<Object> key = new ArrayList<>();
      for (Edge edge : edges) {
        key.add(edge.kind());
        key.add(end(edge.a(), order));
        key.add(end(edge.b(), order));
        key.add(siemens(edge));
        key.add(edge.part() instanceof Component.Light light ? light.lamp() : "");
      }
      return key;
    }

    private Object end(int net, List<Integer> order) {
      return network.rail(net) ? network.railVolts(net, Corner.USUAL) : order.indexOf(net) + "";
    }

    private List<Double> siemens(Edge edge) {
      return conditions.stream()
          .map(now -> network.ohm(edge, now, Corner.USUAL))
          .map(ohm -> ohm > 0 ? 1 / ohm : 0)
          .toList();
    }

    IslandDeck deck() {
      String title =
          "island of "
              + looks.get(0).contact().orElseThrow()
              + (looks.size() > 1 ? " and " + (looks.size() - 1) + " more" : "");
      List<State> states = new ArrayList<>();
      StringBuilder deck = new StringBuilder(title).append('\n');
      for (int i = 0; i < words.size(); i++) {
        double volts = volts(i);
        states.add(new State(words.get(i), node(places.get(i)), volts));
        deck.append(
            Double.isNaN(volts)
                ? String.format(
                    Locale.ROOT,
                    "* state %d: %s, %s floats: nothing holds it%n",
                    i,
                    words.get(i),
                    node(places.get(i)))
                : String.format(
                    Locale.ROOT,
                    "* state %d: %s, %s at %.4f V by Kumite%n",
                    i,
                    words.get(i),
                    node(places.get(i)),
                    volts));
      }
      deck.append(".param state=0\n");
      Map<Double, String> rails = new LinkedHashMap<>();
      Map<String, Element.Model> models = new LinkedHashMap<>();
      int number = 0;
      for (Edge edge : edges) {
        number++;
        String ends = end(edge.a(), rails) + " " + end(edge.b(), rails) + " ";
        if (edge.kind() == Edge.Kind.DIODE || edge.kind() == Edge.Kind.LAMP) {
          models.put("M" + number, model(edge));
          deck.append('D').append(number).append(' ').append(ends).append('M').append(number);
        } else {
          deck.append('R').append(number).append(' ').append(ends).append(ohm(siemens(edge)));
        }
        deck.append('\n');
      }
      rails.forEach(
          (volts, name) -> {
            if (volts != 0) {
              deck.append('V').append(name).append(' ').append(name).append(" 0 DC ");
              deck.append(number(volts)).append('\n');
            }
          });
      models.forEach(
          (name, model) ->
              deck.append(
                  String.format(
                      Locale.ROOT,
                      ".model %s D (IS=%s N=%s RS=%s)%n",
                      name,
                      number(model.saturationAmps()),
                      number(model.emission()),
                      number(model.seriesOhm()))));
      String text = deck.append(".op\n.end\n").toString().replace("\r\n", "\n");
      return new IslandDeck(title, text, states);
    }

    private double volts(int state) {
      Conditions now = conditions.get(state);
      Scan scan = new Scan(network, now.hands());
      double volts = scan.volts(places.get(state), now, looks.get(0).read());
      return scan.floats(places.get(state), now) ? Double.NaN : volts;
    }

    private static Element.Model model(Edge edge) {
      if (edge.kind() == Edge.Kind.DIODE) {
        return Element.Model.SIGNAL_DIODE;
      }
      var lamp = ((Component.Light) edge.part()).lamp();
      return Element.Model.lamp(lamp.forwardVolts(), lamp.milliamps() / 1000, lamp.insideOhm());
    }

    private String end(int net, Map<Double, String> rails) {
      if (!network.rail(net)) {
        return node(net);
      }
      double volts = network.railVolts(net, Corner.USUAL);
      return volts == 0
          ? Circuit.GROUND
          : rails.computeIfAbsent(volts, v -> "rail" + Math.round(v * 1000) + "mv");
    }

    /** A net's name in letters that every simulator takes, made unlike any other. */
    private String node(int net) {
      String name = network.name(net).toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "_");
      boolean doubled =
          nets.stream()
              .anyMatch(
                  other ->
                      other != net
                          && network
                              .name(other)
                              .toLowerCase(Locale.ROOT)
                              .replaceAll("[^a-z0-9]+", "_")
                              .equals(name));
      return "n_" + name + (doubled ? "_" + net : "");
    }

    /** Conductances by state, in arithmetic that every simulator's parameters know. */
    private static String ohm(List<Double> siemens) {
      if (siemens.stream().distinct().count() == 1) {
        return number(1 / Math.max(OPEN_SIEMENS, siemens.get(0)));
      }
      StringBuilder sum = new StringBuilder("{1/(" + number(OPEN_SIEMENS));
      for (int i = 0; i < siemens.size(); i++) {
        if (siemens.get(i) > 0) {
          sum.append("+").append(number(siemens.get(i)));
          sum.append("*max(0,1-abs(state-").append(i).append("))");
        }
      }
      return sum.append(")}").toString();
    }

    private static String number(double value) {
      return String.format(Locale.ROOT, "%.9g", value);
    }
  }
}
